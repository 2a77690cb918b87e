// The hit area of a kind as an outline: box, padded box, the first shape's form, or the opaque
// pixels of the first picture.
#pragma once
#include <QPainterPath>

#include "core/session/screen_run.h"
#include "paint/part_values.h"
#include "paint/pictures.h"

namespace bristle {

// For a button in `box` with the look it has at rest. Padding grows the box only.
QPainterPath hitOutline(const Kind& kind, const Look& look, const QRectF& box, Pictures& pictures);

// What a session asks whether a point hits a button.
class HitShapes : public HitTest {
 public:
  explicit HitShapes(Pictures& pictures) : pictures_(pictures) {}
  bool hits(const Kind& kind, const Look& look, const Box& box, Px x, Px y) const override;

 private:
  struct Key {
    std::string file, fit;
    Four slices;
    QRectF part;
    QSizeF box;
    bool operator==(const Key&) const = default;
  };
  struct Kept {
    Key key;
    qint64 source;  // of the picture: another one when its file was read again
    QImage image;
  };
  const QImage& drawn(const PartValues& values, const QRectF& rect) const;
  Pictures& pictures_;
  mutable std::vector<Kept> kept_;
};

}  // namespace bristle
