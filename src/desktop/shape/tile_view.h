// How the wall shows its tiles: backdrop, scale, one state alone, signal colours. A matter of the
// window, not of the project.
#pragma once
#include <QImage>
#include <QObject>
#include <QPainter>

#include "core/derive/shown_screen.h"

namespace bristle {

class Work;

enum class Backdrop { Neutral, Checker, Screen };

class TileView : public QObject {
  Q_OBJECT
 public:
  // `bench` is where the tiles are.
  TileView(Work& work, QWidget* bench);
  Backdrop backdrop() const { return backdrop_; }
  bool trueSize() const { return trueSize_; }
  bool alone() const { return alone_; }
  bool hitAreas() const { return hitAreas_; }
  // Each is told by changed().
  void setBackdrop(Backdrop backdrop);
  void setTrueSize(bool on);
  void setAlone(bool on);
  void setSignals(bool on);
  void setHitAreas(bool on);
  // Comes into sight: what waits for that is drawn and measured.
  void enter() { Q_EMIT changed(); }
  // Paints what is behind a tile; `box` is where the button stands, `scale` its scale.
  void paintBackdrop(QPainter& painter, const QRectF& tile, const QRectF& box, double scale);
  // What is really behind the picked kind's button, at its size: for figures of contrast.
  QImage behind();

 Q_SIGNALS:
  // The tiles look otherwise.
  void changed();

 private:
  // The placed button of the kind that is looked at: the picked one, else the first.
  const Item* placed(const Screen** screen) const;

  Work& work_;
  QWidget* bench_;
  Backdrop backdrop_ = Backdrop::Neutral;
  bool trueSize_ = false, alone_ = false, hitAreas_ = false;
  QImage screen_;                     // the screen without the button, in layout px
  QRectF box_;                        // where the button stands on it
  std::optional<ShownScreen> shown_;  // on it
  ItemId without_;
  void drawScreen();
};

}  // namespace bristle
