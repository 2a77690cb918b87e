// The hit area of a kind as an outline: box, padded box, the first shape's form, or the opaque
// pixels of the first picture.
#pragma once
#include <QPainterPath>

#include "core/session/screen_run.h"
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
  Pictures& pictures_;
};

}  // namespace bristle
