#include "runtime/document/screen.h"

namespace bristle {
const Item* findItem(const Screen& screen, const ItemId& id) {
  for (const auto& item : screen.items)
    if (item->id == id) return &*item;
  return nullptr;
}

std::string displayName(const Item& item) {
  if (!item.name.empty()) return item.name;
  if (const auto* button = item.button()) {
    if (!button->caption.base.empty()) return button->caption.base;
    return button->accessibleName.base.empty() ? "button" : button->accessibleName.base;
  }
  if (const auto* box = item.container()) {
    switch (box->flow) {
      case Flow::Row:
        return "row";
      case Flow::Column:
        return "column";
      case Flow::Grid:
        return "grid";
      case Flow::Ring:
        return "ring";
      case Flow::Free:
        return "group";
    }
  }
  return std::holds_alternative<PanelData>(item.what) ? "panel" : "picture";
}

}  // namespace bristle
