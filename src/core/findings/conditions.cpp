// What items and actions ask of values, and cannot be answered.
#include <fmt/format.h>

#include <unordered_set>

#include "core/findings/condition_place.h"
#include "core/findings/rules.h"
#include "runtime/machine/condition.h"
#include "runtime/machine/formula_words.h"

namespace bristle {

void checkConditions(const Surroundings& around, const Screen& screen, Findings& out) {
  for (const auto& item : screen.items) {
    size_t index = 0;
    eachCondition(*item, [&](const std::string& text) {
      const size_t here = index++;
      if (text.empty()) return;
      const auto formula = readCondition(around.project, text);
      if (formula) return;
      out.push_back({.place = fmt::format("{} · {}", screen.name, displayName(*item)),
                     .reason = fmt::format("{}, “{}”, cannot be read, so the menu cannot run: {}",
                                           purposeOf(*item, here), text, formula.error().text()),
                     .screen = screen.id,
                     .item = item->id,
                     .detail = std::to_string(here),
                     .mends = {clearCondition(screen, *item, here)}});
    });
  }
}

void checkMarks(const Surroundings& around, Findings& out) {
  std::unordered_set<std::string_view> screens, buttons;
  for (const auto& screen : around.project.screens) {
    screens.insert(screen->id.text);
    for (const auto& item : screen->items)
      if (item->button()) buttons.insert(item->id.text);
  }
  for (const auto& screen : around.project.screens)
    for (const auto& item : screen->items) {
      size_t index = 0;
      eachCondition(*item, [&](const std::string& text) {
        const size_t here = index++;
        eachMark(text, [&](std::string_view what, std::string_view id) {
          if (screens.contains(id) || (what == "visited" && buttons.contains(id))) return;
          out.push_back({.place = fmt::format("{} · {}", screen->name, displayName(*item)),
                         .reason = fmt::format("{}, it asks for “{}”, which is not there, so that "
                                               "it never holds",
                                               purposeOf(*item, here), id),
                         .screen = screen->id,
                         .item = item->id,
                         .detail = fmt::format("{} {}", here, id),
                         .mends = {clearCondition(*screen, *item, here)}});
        });
      });
    }
}

}  // namespace bristle
