// Places a screen's items for a display: containers keep their rows and columns, pins hold.
#pragma once
#include <string>
#include <unordered_map>
#include <vector>

#include "runtime/document/box.h"
#include "runtime/document/project.h"

namespace bristle {

struct Size {
  Px w = 0, h = 0;
};

// Measures text; handed in, so that the core knows no fonts.
class TextMeasure {
 public:
  virtual ~TextMeasure() = default;
  // `size` in px, `weight` 100–900; one line.
  virtual Size measure(const std::string& family, double size, double weight,
                       const std::string& text) const = 0;
};

// Counts characters: for tests and where no fonts are at hand. Half the size for each.
class PlainMeasure : public TextMeasure {
 public:
  Size measure(const std::string& family, double size, double weight,
               const std::string& text) const override;
};

// Where one item lies, in layout px (display px ÷ its scale), in the order of Screen::items.
struct Placed {
  Box box;
  Box hit;  // the hit area: the box and the kind's padding
};

struct Layout {
  Px width = 0, height = 0;
  std::vector<Placed> items;
};

Layout layOut(const Project& project, const Screen& screen, const Display& display,
              const TextMeasure& measure);

// The size that an item has when nothing else is said.
Size naturalSize(const Project& project, const Item& item, const TextMeasure& measure);

// The place that puts an item's box at `box`, keeping how it is pinned. For drags on the canvas.
Place placeFor(const Place& old, const Box& box, const Box& holder);

}  // namespace bristle
