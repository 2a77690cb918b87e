// What a menu asks of fonts and pictures, measured when it was written out: JSON,
// {"measured":1,"texts":[{"font","size","weight","text","w","h","caps"}],"masks":[{"top","rows"}],
// "areas":[{"button","w","h","mask"}]}. A row is a list of numbers: from, to, from, to …
#pragma once
#include "runtime/layout/known_measure.h"
#include "runtime/session/hit_mask.h"

namespace bristle {

struct Measured {
  std::vector<TextSize> texts;
  HitAreas areas;
  bool operator==(const Measured&) const = default;
};

// JSON as told at the head of this file.
std::string writeMeasured(const Measured& measured);
// The error’s place is a JSON pointer, or line and column.
Result<Measured> parseMeasured(std::string_view text);

}  // namespace bristle
