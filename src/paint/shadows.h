// Blurred shadows of outlines, each blurred once and kept.
#pragma once
#include <QImage>
#include <QPainter>
#include <QPainterPath>
#include <QRectF>
#include <unordered_map>

#include "runtime/document/value.h"

namespace bristle {

class Shadows {
 public:
  // Takes the scale at which shadows are made from the painter as it is now; call it before a
  // button's own scale and turn, which would ask for new ones in every frame.
  void scaleTo(const QPainter& painter);
  // The shadow that an outline casts, or, `inner`, the one that falls into it from its edges.
  // Opacity is the painter's.
  void draw(QPainter& painter, const QPainterPath& outline, const Shadow& shadow,
            bool inner = false);

 private:
  struct Key {
    int w, h, blur, dx, dy;  // px; the offset counts for inner ones only
    size_t form;             // of the outline at that size
    std::uint32_t rgb;       // alpha comes with the painter, so that fading makes no new image
    bool operator==(const Key&) const = default;
  };
  struct Hash {
    size_t operator()(const Key& k) const {
      size_t h = k.rgb ^ k.form;
      for (int v : {k.w, k.h, k.blur, k.dx, k.dy}) h = h * 1000003U + static_cast<size_t>(v);
      return h;
    }
  };
  const QImage& image(const Key& key, const QPainterPath& outline, bool inner);
  void lay(QPainter& painter, const QPointF& at, const QImage& image) const;
  double scale_ = 1;  // px of an image for one of the layout
  std::unordered_map<Key, QImage, Hash> images_;
  qint64 bytes_ = 0;
};

}  // namespace bristle
