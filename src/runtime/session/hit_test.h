// Whether a point hits a button whose hit area is not a plain box.
#pragma once
#include <vector>

#include "runtime/document/basics.h"
#include "runtime/document/box.h"
#include "runtime/document/value.h"

namespace bristle {

struct Item;
struct Kind;

// Tells whether a point hits a button whose hit area is not a plain box. Drawn by whoever can draw;
// without one the box counts.
class HitTest {
 public:
  virtual ~HitTest() = default;
  // `look` is the one at rest, `box` the button's box on the screen, as large as it is
  // written, and the point as far into it.
  virtual bool hits(const Item& button, const Kind& kind, const Look& look, const Box& box, Px x,
                    Px y) const = 0;
};

}  // namespace bristle
