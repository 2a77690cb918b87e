// States that must differ, as everybody sees them; and whether focus can be seen.
#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <optional>

#include "core/findings/rules.h"

namespace bristle {
namespace {

std::optional<StateIndex> ofRole(const Machine& machine, Role role) {
  for (size_t s = 0; s < machine.states.size(); ++s)
    if (machine.states[s].role == role) return static_cast<StateIndex>(s);
  return {};
}

std::optional<StateIndex> indexOfState(const Machine& machine, const StateId& id) {
  for (size_t s = 0; s < machine.states.size(); ++s)
    if (machine.states[s].id == id) return static_cast<StateIndex>(s);
  return {};
}

// The sun is where one is, not who one is.
constexpr Vision kEverybody[] = {Vision::AsIs, Vision::Grey, Vision::Protanopia,
                                 Vision::Deuteranopia, Vision::Tritanopia};
constexpr std::pair<Role, Role> kPairs[] = {{Role::Rest, Role::Hover},
                                            {Role::Rest, Role::Focus},
                                            {Role::Rest, Role::Press},
                                            {Role::Hover, Role::Press},
                                            {Role::Rest, Role::Disabled}};

// What has to differ: by role, and what is current from what is not.
std::vector<std::pair<StateIndex, StateIndex>> pairsOf(const Machine& machine) {
  std::vector<std::pair<StateIndex, StateIndex>> out;
  for (const auto& [a, b] : kPairs) {
    const auto one = ofRole(machine, a), other = ofRole(machine, b);
    if (one && other) out.emplace_back(*one, *other);
  }
  for (const Transition& t : machine.transitions) {
    if (t.on != Event::CurrentBegin || !t.from) continue;
    const auto from = indexOfState(machine, *t.from), to = indexOfState(machine, t.to);
    if (!from || !to || from == to) continue;
    const std::pair pair{*from, *to};
    if (std::find(out.begin(), out.end(), pair) == out.end()) out.push_back(pair);
  }
  return out;
}

}  // namespace

// By how many px look otherwise: one in two hundred of the button, and 24 at least.
void checkToldApart(const Surroundings& around, const Kind& kind, Findings& out) {
  const Machine* machine = find(around.project, kind.machine);
  if (!around.eyes || !machine || kind.still) return;
  const double asked = std::max(24.0, kind.width * kind.height / 200);
  for (const auto& [one, other] : pairsOf(*machine)) {
    const State& state = machine->states[other];
    for (const Vision vision : kEverybody) {
      if (around.stopped()) return;
      const int px = around.eyes->changedPx(around.project, kind, one, other, vision,
                                            static_cast<int>(std::ceil(asked)));
      if (px >= asked) continue;
      out.push_back({.place = fmt::format("kind “{}”", kind.name),
                     .reason = fmt::format("“{}” and “{}” can hardly be told apart{}{}",
                                           machine->states[one].name, state.name,
                                           vision == Vision::AsIs ? "" : " ",
                                           vision == Vision::AsIs ? "" : nameOf(vision)),
                     .kind = kind.id,
                     .state = state.id,
                     .detail = ofRole(*machine, Role::Rest) == one ? std::string()
                                                                   : machine->states[one].id.text,
                     .figure = double(px),
                     .limit = asked,
                     .unit = "px"});
      break;  // others would say the same of these two
    }
  }
  const auto rest = ofRole(*machine, Role::Rest), focus = ofRole(*machine, Role::Focus);
  if (!rest || !focus) return;
  const double share = around.eyes->focusShare(around.project, kind, *focus, *rest);
  if (share >= 1) return;
  out.push_back({.rule = "focus-look",
                 .place = fmt::format("kind “{}”", kind.name),
                 .reason = fmt::format("only {:.0f} % of the area that is asked for changes enough "
                                       "when it gets focus",
                                       share * 100),
                 .kind = kind.id,
                 .state = machine->states[*focus].id,
                 .figure = share * 100,
                 .limit = 100,
                 .unit = "%"});
}

}  // namespace bristle
