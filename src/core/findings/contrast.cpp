// Captions against what is painted behind them.
#include <fmt/format.h>

#include <map>

#include "core/edit/kind_edits.h"
#include "core/findings/rules.h"
#include "runtime/layout/layout.h"
#include "runtime/machine/mix.h"

namespace bristle {
namespace {

constexpr double kText = 4.5, kLargeText = 3;  // WCAG 2.2 §1.4.3

double wanted(const Eyes::Caption& caption) {
  return caption.large ? kLargeText : kText;
}

// Whose look has to change: the kind's, or that of the one button that has a look of its own.
LookOwner ownerOf(const Screen& screen, const Item& item) {
  if (item.button()->own.empty()) return {item.button()->kind};
  return {item.button()->kind, screen.id, item.id};
}

void tell(const Surroundings& around, const Screen& screen, const Eyes::Caption& worst,
          Findings& out) {
  const Item& item = *screen.items[worst.item];
  const Kind& kind = *find(around.project, item.button()->kind);
  const Machine* machine = find(around.project, kind.machine);
  const State* state = machine ? findState(*machine, worst.state) : nullptr;
  const double least = wanted(worst);
  const Colour better = nudged(worst.text, worst.behind, least);
  const LookOwner owner = ownerOf(screen, item);
  const PropKey key{worst.label, Prop::Colour};
  Finding f{
      .place = fmt::format("{} · {}", screen.name, displayName(item)),
      .reason = fmt::format("its caption has a contrast of {:.1f} : 1 in state “{}”; {:g} : 1 "
                            "is wanted",
                            worst.ratio, state ? state->name : worst.state.text, least),
      .kind = kind.id,
      .state = worst.state,
      .screen = screen.id,
      .item = owner.item,
      .figure = worst.ratio,
      .limit = least,
      .unit = ": 1"};
  if (contrast(better, worst.behind) >= least)
    f.mends = {changeCells(owner, {{worst.state, key, better}}, "change the caption’s colour")};
  out.push_back(std::move(f));
}

}  // namespace

// On the first display in the first language; of each kind and state the worst is told. Those of
// disabled buttons may be weak (“inactive component”).
void checkContrast(const Surroundings& around, const Screen& screen, Findings& out) {
  const Project& project = around.project;
  if (!around.eyes || project.displays.empty() || around.stopped()) return;
  const Layout layout = layOut(project, screen, project.displays.front(), around.eyes->measure());
  std::map<std::tuple<KindId, StateId, ItemId>, Eyes::Caption> worst;
  for (const Eyes::Caption& each : around.eyes->captions(project, screen, layout, around.stop)) {
    if (each.ratio >= wanted(each)) continue;
    const Item& item = *screen.items[each.item];
    const ItemId own = ownerOf(screen, item).item;
    const auto [at, isNew] = worst.try_emplace({item.button()->kind, each.state, own}, each);
    if (!isNew && each.ratio < at->second.ratio) at->second = each;
  }
  for (const auto& [key, each] : worst) tell(around, screen, each, out);
}

}  // namespace bristle
