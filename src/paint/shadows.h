// Blurred shadows of rounded boxes, each blurred once and kept.
#pragma once
#include <QImage>
#include <QPainter>
#include <QRectF>
#include <unordered_map>

#include "core/document/value.h"

namespace bristle {

class Shadows {
 public:
  // The shadow of a rounded box at `rect`; opacity is the painter's.
  void draw(QPainter& painter, const QRectF& rect, double radius, const Shadow& shadow);

 private:
  struct Key {
    int w, h, radius, blur;  // px
    std::uint32_t rgb;       // alpha comes with the painter, so that fading makes no new image
    bool operator==(const Key&) const = default;
  };
  struct Hash {
    size_t operator()(const Key& k) const {
      size_t h = k.rgb;
      for (int v : {k.w, k.h, k.radius, k.blur}) h = h * 1000003U + static_cast<size_t>(v);
      return h;
    }
  };
  const QImage& image(const Key& key);
  std::unordered_map<Key, QImage, Hash> images_;
  qint64 bytes_ = 0;
};

}  // namespace bristle
