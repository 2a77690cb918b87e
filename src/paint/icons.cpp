#include <map>

#include "markup/icon_strokes.h"
#include "paint/forms.h"

namespace bristle {

const std::vector<std::string>& iconNames() {
  static const auto names = [] {
    std::vector<std::string> out;
    for (const IconStrokes& icon : allIcons()) out.emplace_back(icon.name);
    return out;
  }();
  return names;
}

const QPainterPath* iconPath(const std::string& name) {
  static const auto paths = [] {
    std::map<std::string, QPainterPath> out;
    for (const IconStrokes& icon : allIcons())
      out[std::string(icon.name)] =
          parseSvgPath(std::string(icon.path)).value_or(QPainterPath());
    return out;
  }();
  const auto at = paths.find(name);
  return at == paths.end() ? nullptr : &at->second;
}

}  // namespace bristle
