#include <fmt/format.h>

#include "core/findings/check.h"

namespace bristle {

void checkNames(const Project& project, const std::atomic<bool>*, std::vector<Finding>& out) {
  for (const auto& screen : project.screens)
    for (const auto& item : screen->items) {
      const ButtonData* button = item->button();
      if (button && button->caption.empty() && button->accessibleName.empty())
        out.push_back({"accessible name",
                       fmt::format("{} · {}", screen->name, item->id.text),
                       "it has neither a caption nor an accessible name, so a screen reader cannot "
                       "say what it is",
                       screen->id,
                       item->id,
                       {}});
    }
}

}  // namespace bristle
