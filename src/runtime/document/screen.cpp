#include "runtime/document/screen.h"

namespace bristle {
namespace {
constexpr std::array<std::string_view, 4> kDirNames{"up", "down", "left", "right"};
}

std::string_view nameOf(Dir dir) {
  return kDirNames[static_cast<size_t>(dir)];
}

std::optional<Dir> parseDir(std::string_view name) {
  for (Dir dir : kDirs)
    if (nameOf(dir) == name) return dir;
  return {};
}

const Item* findItem(const Screen& screen, const ItemId& id) {
  for (const auto& item : screen.items)
    if (item->id == id) return &*item;
  return nullptr;
}

std::string displayName(const Item& item) {
  if (!item.name.empty()) return item.name;
  if (const auto* button = item.button()) {
    if (!button->caption.empty()) return button->caption;
    return button->accessibleName.empty() ? "button" : button->accessibleName;
  }
  if (const auto* box = item.container()) return box->flow == Flow::Row ? "row" : "column";
  return std::holds_alternative<PanelData>(item.what) ? "panel" : "picture";
}

}  // namespace bristle
