#include "core/edit/become_kind.h"

#include <algorithm>
#include <unordered_set>

#include "core/edit/on_screen.h"

namespace bristle {
namespace {

size_t countOf(const OwnLook& own) {
  size_t out = own.base.size();
  for (const auto& entry : own.departures) out += entry.second.size();
  return out;
}

// By the parts of another kind: the one of the same name and sort.
LookValues carried(const LookValues& values, const Kind& from, const Kind& to) {
  LookValues out;
  for (const auto& [key, value] : values) {
    if (key.part.text.empty()) {
      out.set(key, value);
      continue;
    }
    const auto mine = std::find_if(from.parts.begin(), from.parts.end(),
                                   [&, part = key.part](const Part& p) { return p.id == part; });
    if (mine == from.parts.end()) continue;
    const auto theirs = std::find_if(to.parts.begin(), to.parts.end(), [&](const Part& p) {
      return p.name == mine->name && p.type == mine->type;
    });
    if (theirs != to.parts.end()) out.set({theirs->id, key.prop}, value);
  }
  return out;
}

OwnLook carried(const OwnLook& own, const Kind* from, const Kind& to, const Machine* machine) {
  if (!from || from->id == to.id) return own;
  OwnLook out;
  out.base = carried(own.base, *from, to);
  for (const auto& [state, values] : own.departures) {
    const bool there =
        machine && std::any_of(machine->states.begin(), machine->states.end(),
                               [&, id = state](const State& each) { return each.id == id; });
    LookValues kept = there ? carried(values, *from, to) : LookValues{};
    if (!kept.empty()) out.departures[state] = std::move(kept);
  }
  return out;
}

OwnLook carried(const Project& project, const ButtonData& button, const Kind& to) {
  return carried(button.own, find(project, button.kind), to, find(project, to.machine));
}

}  // namespace

Edit becomeKind(ScreenId id, std::vector<ItemId> buttons, KindId kind) {
  return onScreen(std::move(id), "change kind", {},
                  [=](Project after, Screen& screen) -> Result<Project> {
                    const Kind* to = find(after, kind);
                    if (!to) return fail({}, "that kind is gone");
                    const std::unordered_set<ItemId> wanted(buttons.begin(), buttons.end());
                    for (auto& item : screen.items) {
                      if (!item->button() || !wanted.contains(item->id)) continue;
                      ButtonData& button = *item.edit().button();
                      button.own = carried(after, button, *to);
                      button.kind = kind;
                    }
                    return after;
                  });
}

size_t ownValuesLost(const Project& project, const Screen& screen,
                     const std::vector<ItemId>& buttons, const KindId& kind) {
  const Kind* to = find(project, kind);
  size_t out = 0;
  for (const ItemId& id : buttons) {
    const Item* item = findItem(screen, id);
    if (to && item && item->button())
      out += countOf(item->button()->own) - countOf(carried(project, *item->button(), *to));
  }
  return out;
}

}  // namespace bristle
