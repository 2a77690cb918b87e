// What buttons ask of values, and cannot be answered.
#include <fmt/format.h>

#include "core/edit/screen_edits.h"
#include "core/findings/rules.h"
#include "runtime/machine/condition.h"

namespace bristle {

void checkConditions(const Surroundings& around, const Screen& screen, Findings& out) {
  Symbols symbols;
  for (const ProjectValue& value : around.project.values) symbols.values.push_back(value.id);
  const auto check = [&](const Item& item, std::string Conditions::*which, const char* what) {
    const std::string& text = item.button()->when.*which;
    if (text.empty()) return;
    const auto formula = compileCondition(text, symbols);
    if (formula) return;
    out.push_back(
        {.place = fmt::format("{} · {}", screen.name, displayName(item)),
         .reason = fmt::format("when it is {}, “{}”, cannot be read, so the menu cannot run: {}",
                               what, text, formula.error().text()),
         .screen = screen.id,
         .item = item.id,
         .detail = what,
         .mends = {changeItems(screen.id, {item.id}, fmt::format("let it be {} as usual", what), {},
                               [which](Item& changed) { changed.button()->when.*which = {}; })}});
  };
  for (const auto& item : screen.items) {
    if (!item->button()) continue;
    check(*item, &Conditions::enabled, "enabled");
    check(*item, &Conditions::current, "current");
  }
}

}  // namespace bristle
