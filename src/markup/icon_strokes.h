// The icons that parts may show, drawn for this program: SVG path data in 24 × 24, stroked 2 px
// wide with round ends and corners.
#pragma once
#include <span>
#include <string_view>

namespace bristle {

struct IconStrokes {
  std::string_view name, path;
};
std::span<const IconStrokes> allIcons();
// Empty where there is no such icon.
std::string_view iconStrokes(std::string_view name);

}  // namespace bristle
