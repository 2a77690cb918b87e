#include <fmt/format.h>

#include "core/findings/rules.h"

namespace bristle {

void checkAccessibleNames(const Surroundings& around, const Screen& screen, Findings& out) {
  for (const auto& item : screen.items) {
    const ButtonData* button = item->button();
    if (button && isStill(around.project, *item)) continue;
    if (button && button->caption.empty() && button->accessibleName.empty())
      out.push_back({.place = fmt::format("{} · {}", screen.name, item->id.text),
                     .reason = "it has neither a caption nor an accessible name, so a screen "
                               "reader cannot say what it is",
                     .screen = screen.id,
                     .item = item->id});
  }
}

}  // namespace bristle
