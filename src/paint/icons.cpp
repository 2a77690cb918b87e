#include <map>

#include "paint/forms.h"

namespace bristle {
namespace {

struct Icon {
  const char* name;
  const char* strokes;  // SVG path data in 24 × 24
};

// Drawn for this program: even strokes, open forms, nothing nearer than 3 px to the edge.
constexpr Icon kIcons[] = {
    {"arrow left", "M20 12H5M11 5L4.500 12L11 19"},
    {"arrow right", "M4 12H19M13 5L19.500 12L13 19"},
    {"arrow up", "M12 20V5M5 11L12 4.500L19 11"},
    {"arrow down", "M12 4V19M5 13L12 19.500L19 13"},
    {"check", "M4 13L9.500 18.500L20 6"},
    {"cross", "M5 5L19 19M19 5L5 19"},
    {"plus", "M12 4V20M4 12H20"},
    {"minus", "M4 12H20"},
    {"star",
     "M12 3.500L14.600 9.200L20.500 10L16.200 14.300L17.300 20.400L12 17.400L6.700 "
     "20.400L7.800 14.300L3.500 10L9.400 9.200Z"},
    {"lock", "M5 11H19V20H5ZM8 11V8A4 4 0 0 1 16 8V11M12 14.500V16.500"},
    {"unlock", "M5 11H19V20H5ZM8 11V7A4 4 0 0 1 15.500 5M12 14.500V16.500"},
    {"gear",
     "M12 8.500A3.500 3.500 0 1 1 11.990 8.500M12 3V5.500M12 18.500V21M3 12H5.500M18.500 "
     "12H21M5.600 5.600L7.400 7.400M16.600 16.600L18.400 18.400M18.400 5.600L16.600 "
     "7.400M7.400 16.600L5.600 18.400"},
    {"home", "M3.500 11.500L12 4L20.500 11.500M6 10V20H18V10M10 20V14.500H14V20"},
    {"bag", "M5 9H19L20 20.500H4ZM8.500 11V7A3.500 3.500 0 0 1 15.500 7V11"},
    {"map",
     "M3.500 6.500L9 4L15 6.500L20.500 4V17.500L15 20L9 17.500L3.500 20ZM9 4V17.500M15 6.500V20"},
    {"book",
     "M12 6.500C9 4.500 6 4.500 3.500 5.500V18.500C6 17.500 9 17.500 12 19.500C15 17.500 18 "
     "17.500 20.500 18.500V5.500C18 4.500 15 4.500 12 6.500V19.500"},
    {"heart",
     "M12 20C5 15 3.500 12 3.500 9A4.300 4.300 0 0 1 12 7A4.300 4.300 0 0 1 20.500 9C20.500 "
     "12 19 15 12 20Z"},
    {"play", "M7 4.500L19.500 12L7 19.500Z"},
    {"pause", "M8 5V19M16 5V19"},
    {"sound",
     "M4 9.500V14.500H7.500L12 19V5L7.500 9.500ZM15.500 9A4 4 0 0 1 15.500 15M18 6A8 8 0 0 1 "
     "18 18"},
    {"mute", "M4 9.500V14.500H7.500L12 19V5L7.500 9.500ZM16 9.500L21 14.500M21 9.500L16 14.500"},
    {"bell", "M6 17V11A6 6 0 0 1 18 11V17L20 18.500H4ZM10 21H14"},
    {"flag", "M5.500 21V4M5.500 4.500H18L15.500 9L18 13.500H5.500"},
    {"lens", "M10.500 4A6.500 6.500 0 1 1 10.490 4M15.500 15.500L20.500 20.500"},
    {"person",
     "M12 4A4 4 0 1 1 11.990 4M4.500 20.500C5 15.500 8 14 12 14C16 14 19 15.500 19.500 20.500"},
    {"list", "M9 6H20M9 12H20M9 18H20M4 6H4.500M4 12H4.500M4 18H4.500"},
    {"tiles", "M4 4H10V10H4ZM14 4H20V10H14ZM4 14H10V20H4ZM14 14H20V20H14Z"},
    {"wave",
     "M3 9C6 5.500 9 5.500 12 9C15 12.500 18 12.500 21 9M3 16C6 12.500 9 12.500 12 16C15 "
     "19.500 18 19.500 21 16"},
    {"drop",
     "M12 3.500C16 8.500 18 11.500 18 14.500A6 6 0 0 1 6 14.500C6 11.500 8 8.500 12 3.500Z"},
    {"leaf", "M5 19C4 10 9 4 20 4C20.500 14 15 20 7 18M5 21C6.500 16 9.500 12.500 14.500 10"},
    {"clock", "M12 3.500A8.500 8.500 0 1 1 11.990 3.500M12 7.500V12L15.500 14"},
    {"eye",
     "M3 12C6 7 9 5.500 12 5.500C15 5.500 18 7 21 12C18 17 15 18.500 12 18.500C9 18.500 6 17 3 "
     "12ZM12 9.500A2.500 2.500 0 1 1 11.990 9.500"},
};

}  // namespace

const std::vector<std::string>& iconNames() {
  static const auto names = [] {
    std::vector<std::string> out;
    for (const Icon& icon : kIcons) out.emplace_back(icon.name);
    return out;
  }();
  return names;
}

const QPainterPath* iconPath(const std::string& name) {
  static const auto paths = [] {
    std::map<std::string, QPainterPath> out;
    for (const Icon& icon : kIcons)
      out[icon.name] = parseSvgPath(icon.strokes).value_or(QPainterPath());
    return out;
  }();
  const auto at = paths.find(name);
  return at == paths.end() ? nullptr : &at->second;
}

}  // namespace bristle
