// Where the baseline of an item's caption lies: so that captions of different sizes stand on one
// line.
#pragma once
#include "runtime/document/basics.h"
#include "runtime/document/ids.h"

namespace bristle {

struct Item;
struct Project;
class TextMeasure;

// From the item's upper edge: a fraction of its height and a length, px. Without a caption: its
// lower edge.
struct Baseline {
  double fraction = 1;
  Px offset = 0;
  Px in(Px height) const { return height * fraction + offset; }
};

// Of the item's first label at rest, as it is painted: captions are centred by their capitals. Of
// two lines, the middle of both counts.
Baseline baselineOf(const Project& project, const Item& item, const LanguageId& language,
                    const TextMeasure& measure);

}  // namespace bristle
