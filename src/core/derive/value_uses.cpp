#include "core/derive/value_uses.h"

#include <fmt/format.h>

#include <algorithm>

#include "runtime/machine/formula_words.h"

namespace bristle {
namespace {

class Looking {
 public:
  Looking(const Project& project, const ValueId& value) : project_(project), value_(value) {}

  ValueUses run() {
    for (const auto& machine : project_.machines) look(*machine);
    for (const auto& screen : project_.screens)
      for (const auto& item : screen->items) look(*screen, *item);
    for (const auto& screen : project_.screens)
      look(screen->idle.actions, fmt::format("{} · by itself", screen->name));
    for (const Shortcut& shortcut : project_.shortcuts)
      look(shortcut.actions, fmt::format("shortcut {}", shortcut.name));
    const Settings& s = project_.settings;
    if (s.musicVolume == value_) add(out_.askedBy, "the volume of music");
    if (s.cueVolume == value_) add(out_.askedBy, "the volume of sounds");
    return std::move(out_);
  }

 private:
  static void add(std::vector<std::string>& to, std::string what) {
    if (std::find(to.begin(), to.end(), what) == to.end()) to.push_back(std::move(what));
  }
  void asks(const std::string& formula, const std::string& where) {
    if (formula.empty()) return;
    withOtherValues(formula, [&](const ValueId& id) {
      if (id == value_) add(out_.askedBy, where);
      return id;
    });
  }
  void look(const Machine& machine) {
    const std::string where = fmt::format("machine {}", machine.name);
    for (const Transition& t : machine.transitions) {
      asks(t.guard, where);
      for (const Effect& effect : t.effects) {
        if (effect.type != EffectType::SetValue) continue;
        if (effect.value == value_) add(out_.setBy, where);
        asks(effect.formula, where);
      }
    }
  }
  void look(const Screen& screen, const Item& item) {
    const std::string where = fmt::format("{} · {}", screen.name, displayName(item));
    eachCondition(item, [&](const std::string& formula) { asks(formula, where); });
    if (item.button()) look(item.button()->actions, where);
  }
  void look(const Actions& actions, const std::string& where) {
    for (const Action& action : actions) {
      if (action.hasValue() && action.value == value_) add(out_.setBy, where);
      asks(action.when, where);
    }
  }

  const Project& project_;
  const ValueId& value_;
  ValueUses out_;
};

}  // namespace

ValueUses usesOf(const Project& project, const ValueId& value) {
  return Looking(project, value).run();
}

}  // namespace bristle
