// What is there and used by nothing.
#include <fmt/format.h>

#include <set>

#include "core/edit/kind_edits.h"
#include "core/edit/named_edits.h"
#include "core/findings/rules.h"

namespace bristle {
namespace {

// By looks, timings, and other named values that are used.
std::set<NamedId> namedInUse(const Project& project) {
  std::set<NamedId> out;
  const auto use = [&](const NamedId& id) {
    if (id) out.insert(id);
  };
  const auto looks = [&](const LookValues& values) {
    for (const auto& [key, value] : values) eachName(value, use);
  };
  const auto columns = [&](const LookValues& base,
                           const std::map<StateId, LookValues>& departures) {
    looks(base);
    for (const auto& [state, values] : departures) looks(values);
  };
  for (const auto& kind : project.kinds) columns(kind->base, kind->departures);
  for (const auto& machine : project.machines)
    eachTiming(*machine, [&](const Timing& timing) {
      use(timing.namedDuration);
      use(timing.namedEasing);
    });
  const auto screen = [&](const Screen& each) {
    eachName(Value(each.backdrop), use);
    for (const auto& item : each.items) {
      if (const ButtonData* button = item->button())
        columns(button->own.base, button->own.departures);
      if (const auto* panel = std::get_if<PanelData>(&item->what))
        eachName(Value(panel->fill), use);
    }
  };
  for (const auto& each : project.screens) screen(*each);
  for (const auto& each : project.groups) screen(each->holds);
  for (bool more = true; more;) {
    const size_t before = out.size();
    for (const NamedValue& named : *project.named) {
      if (!out.contains(named.id)) continue;
      eachName(named.value, use);
      if (named.dark) eachName(*named.dark, use);
    }
    more = out.size() > before;
  }
  return out;
}

bool isPlaced(const Project& project, const KindId& kind) {
  const auto in = [&](const auto& items) {
    for (const auto& item : items)
      if (const ButtonData* button = item->button(); button && button->kind == kind) return true;
    return false;
  };
  for (const auto& screen : project.screens)
    if (in(screen->items)) return true;
  for (const auto& group : project.groups)
    if (in(group->holds.items)) return true;
  return false;
}

}  // namespace

void checkUnused(const Surroundings& around, Findings& out) {
  const Project& project = around.project;
  // A project that only has kinds is a library.
  if (project.screens.empty()) return;
  for (const auto& kind : project.kinds)
    if (!isPlaced(project, kind->id))
      out.push_back({.place = "kind “" + kind->name + "”",
                     .reason = "no button of this kind is placed",
                     .kind = kind->id,
                     .mends = {removeKind(kind->id)}});
  const auto used = namedInUse(project);
  for (const NamedValue& named : *project.named)
    if (!used.contains(named.id))
      out.push_back({.place = "named value “" + named.name + "”",
                     .reason = "nothing uses it",
                     .detail = named.id.text,
                     .mends = {removeNamed(named.id, {})}});
}

}  // namespace bristle
