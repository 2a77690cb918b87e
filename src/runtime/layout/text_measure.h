// How large a text is; handed in, so that the rules know no fonts.
#pragma once
#include <string>

#include "runtime/document/basics.h"

namespace bristle {

struct Size {
  Px w = 0, h = 0;
  bool operator==(const Size&) const = default;
};

// Of a text: how wide and high its line is, and how high its capitals are, px.
struct TextExtent : Size {
  Px caps = 0;
  bool operator==(const TextExtent&) const = default;
};

class TextMeasure {
 public:
  virtual ~TextMeasure() = default;
  // Of one line. `size` in px, `weight` 100–900.
  virtual TextExtent measure(const std::string& family, double size, double weight,
                             const std::string& text) const = 0;
};

// Counts characters: for tests and where no fonts are at hand. Half the size for each; capitals are
// 0.7 of it.
class PlainMeasure : public TextMeasure {
 public:
  TextExtent measure(const std::string& family, double size, double weight,
                     const std::string& text) const override;
};

}  // namespace bristle
