// Shows what a widget paints as others see it.
#pragma once
#include <QGraphicsEffect>

#include "core/findings/vision.h"

namespace bristle {

class SeenEffect : public QGraphicsEffect {
  Q_OBJECT
 public:
  // Blurred besides, as weak eyes have it, by so many px; 0: sharp.
  SeenEffect(Vision vision, double blur, QObject* parent)
      : QGraphicsEffect(parent), vision_(vision), blur_(blur) {}

 protected:
  void draw(QPainter* painter) override;

 private:
  Vision vision_;
  double blur_;
};

}  // namespace bristle
