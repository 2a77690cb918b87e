#include <fmt/format.h>

#include <algorithm>

#include "core/findings/check.h"
#include "core/findings/visible.h"
#include "runtime/layout/layout.h"
#include "runtime/machine/look.h"

namespace bristle {
namespace {

void checkSeen(const Project& project, const Kind& kind, const Machine& machine,
               std::vector<Finding>& out) {
  const LookTable table(kind, machine, naming(project));
  for (size_t s = 0; s < machine.states.size(); ++s)
    if (!canBeSeen(kind, table.state(static_cast<StateIndex>(s))))
      out.push_back({"unseen",
                     fmt::format("kind “{}”, {}", kind.name, machine.states[s].name),
                     "the button cannot be seen in this state: it would vanish",
                     {},
                     {},
                     kind.id});
}

void checkNamesUsed(const Project& project, const LookValues& values, const std::string& place,
                    const KindId& kind, std::vector<Finding>& out) {
  const Naming names = naming(project);
  for (const auto& entry : values)
    eachName(entry.second, [&](const NamedId& id) {
      if (!names.settle(id))
        out.push_back({"reference",
                       place,
                       fmt::format("it uses a named value “{}” that is not there", id.text),
                       {},
                       {},
                       kind});
    });
}

void checkHitAreas(const Project& project, const Kind& kind, std::vector<Finding>& out) {
  const double least = project.settings.leastHit;
  const double grown = kind.hitForm == HitForm::Box ? 2 * kind.hitPadding : 0;
  const double w = kind.width + grown, h = kind.height + grown;
  if (std::min(w, h) >= least) return;
  out.push_back({"hit-size",
                 "kind “" + kind.name + "”",
                 fmt::format("its hit area is {:g} × {:g} px; at least {:g} × {:g} are wanted so "
                             "that it can be hit",
                             w, h, least, least),
                 {},
                 {},
                 kind.id});
}

// Where two hit areas lie over each other, a touch at the seam is a matter of luck. Areas of other
// forms than boxes are told by their boxes only where those overlap by much.
void checkOverlaps(const Project& project, const Screen& screen, std::vector<Finding>& out) {
  if (project.displays.empty()) return;
  const PlainMeasure measure;
  const Layout layout = layOut(project, screen, project.displays.front(), measure);
  std::vector<size_t> order;
  for (size_t i = 0; i < screen.items.size(); ++i) {
    const auto* button = screen.items[i]->button();
    const Kind* kind = button && !screen.items[i]->hidden ? find(project, button->kind) : nullptr;
    if (kind && kind->hitForm == HitForm::Box) order.push_back(i);
  }
  std::sort(order.begin(), order.end(),
            [&](size_t a, size_t b) { return layout.items[a].hit.x < layout.items[b].hit.x; });
  for (size_t i = 0; i < order.size(); ++i)
    for (size_t j = i + 1; j < order.size(); ++j) {
      const Box &a = layout.items[order[i]].hit, &b = layout.items[order[j]].hit;
      if (b.x >= a.x + a.w) break;
      if (b.y >= a.y + a.h || a.y >= b.y + b.h) continue;
      const Item &one = *screen.items[order[i]], &other = *screen.items[order[j]];
      out.push_back({"hit-overlap",
                     fmt::format("{} · {}", screen.name, displayName(one)),
                     fmt::format("its hit area lies over that of “{}”", displayName(other)),
                     screen.id,
                     one.id,
                     {}});
    }
}

}  // namespace

void checkLooks(const Project& project, const std::atomic<bool>* stop, std::vector<Finding>& out) {
  for (const auto& kind : project.kinds) {
    if (stop && stop->load()) return;
    const std::string place = "kind “" + kind->name + "”";
    checkNamesUsed(project, kind->base, place, kind->id, out);
    for (const auto& entry : kind->departures)
      checkNamesUsed(project, entry.second, place, kind->id, out);
    if (const Machine* machine = find(project, kind->machine))
      checkSeen(project, *kind, *machine, out);
    checkHitAreas(project, *kind, out);
  }
  for (const auto& screen : project.screens) checkOverlaps(project, *screen, out);
  for (const NamedValue& named : *project.named)
    for (bool dark : {false, true})
      if (!Naming{&*project.named, dark}.settle(named.id)) {
        out.push_back({"reference",
                       "named value “" + named.name + "”",
                       "its alias leads nowhere, or in a circle",
                       {},
                       {},
                       {}});
        break;
      }
}

}  // namespace bristle
