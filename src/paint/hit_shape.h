// The hit area of a kind as an outline: box, padded box, the first shape's form, or the opaque
// pixels of the first picture.
#pragma once
#include <QPainterPath>
#include <list>

#include "runtime/machine/part_values.h"
#include "paint/pictures.h"
#include "runtime/document/kind.h"
#include "runtime/layout/text_measure.h"
#include "runtime/session/hit_mask.h"

namespace bristle {

// For a button in `box` with the look it has at rest. Padding grows the box only. Mirrored, as
// where one reads from right to left, a form changes sides; a picture does not.
QPainterPath hitOutline(const Kind& kind, const Look& look, const QRectF& box, Pictures& pictures,
                        bool mirrored = false);

// What a session asks whether a point hits a button. Answered from a mask of 1 px rows, which can
// be written out: the same point hits everywhere.
class HitShapes : public HitTest {
 public:
  // `pictures` must outlive it.
  explicit HitShapes(Pictures& pictures) : pictures_(pictures) {}
  bool hits(const Item& button, const Kind& kind, const Look& look, const Box& box, Px x,
            Px y) const override;
  // Whether a button of that size is drawn as a mask; beyond 16 million px a form answers by its
  // outline.
  static bool hasMask(const Kind& kind, const Size& box);
  // Of a button that is so large, px.
  const HitMask& maskOf(const Kind& kind, const Look& look, const Size& box) const;

 private:
  struct Kept {
    KindId kind;
    HitForm form;
    double alpha, padding;
    Look look;
    Size box;
    qint64 source;  // of the picture: another one when its file was read again
    HitMask mask;
  };
  Pictures& pictures_;
  mutable std::list<Kept> kept_;
};

}  // namespace bristle
