// How large a text is; handed in, so that the rules know no fonts.
#pragma once
#include <string>

#include "runtime/document/basics.h"

namespace bristle {

struct Size {
  Px w = 0, h = 0;
  bool operator==(const Size&) const = default;
};

class TextMeasure {
 public:
  virtual ~TextMeasure() = default;
  // Of one line. `size` in px, `weight` 100–900.
  virtual Size measure(const std::string& family, double size, double weight,
                       const std::string& text) const = 0;
};

// Counts characters: for tests and where no fonts are at hand. Half the size for each.
class PlainMeasure : public TextMeasure {
 public:
  Size measure(const std::string& family, double size, double weight,
               const std::string& text) const override;
};

}  // namespace bristle
