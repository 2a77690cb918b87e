// Captions, and icons that stand alone, against what is painted behind them.
#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <optional>

#include "core/edit/kind_edits.h"
#include "core/findings/rules.h"
#include "runtime/layout/layout.h"
#include "runtime/machine/mix.h"

namespace bristle {
namespace {

constexpr double kIcon = 3;       // §1.4.11
constexpr double kMore = 1.1;     // what is behind is not the same everywhere: a mend goes beyond
constexpr double kNoticed = 100;  // ms: what is over sooner is not missed

double wanted(const Eyes::Caption& caption) {
  if (caption.icon) return kIcon;
  return contrastAsked(caption.large);
}

// Whose look has to change: the kind's, or that of the one button that has a look of its own.
LookOwner ownerOf(const Screen& screen, const Item& item) {
  if (item.button()->own.empty()) return {item.button()->kind};
  return {item.button()->kind, screen.id, item.id};
}

// The set of named values that does not count just now, dark or light, is looked at, too.
struct Seen {
  Eyes::Caption worst;
  bool other = false;
  bool first = true;  // where one looks first: that goes without saying
  const Display* display = nullptr;
  LanguageId language = {};
};

// What one look has been read on.
struct Grounds {
  std::optional<Seen> worst;
  std::vector<std::pair<Colour, double>> all;  // and the contrast that is wanted there
};

// What a screen looks like everywhere.
struct Everywhere {
  std::vector<Layout> layouts;
  std::vector<const Display*> displays;  // of each, of the project
};
Everywhere layOutEverywhere(const Surroundings& around, const Project& p, const Screen& screen) {
  Everywhere out;
  const std::vector<Language> none(1);
  for (const Display& display : around.project.displays)
    for (const Language& language : p.languages.empty() ? none : p.languages) {
      if (around.stopped()) return out;
      out.layouts.push_back(layOut(p, screen, {display, language.id}, around.eyes->measure()));
      out.displays.push_back(&display);
    }
  return out;
}

std::string stateName(const Machine* machine, const StateId& id) {
  const State* state = machine ? findState(*machine, id) : nullptr;
  return state ? state->name : id.text;
}

void tell(const Surroundings& around, const Screen& screen, const Grounds& grounds, Findings& out) {
  const Seen& seen = *grounds.worst;
  const Eyes::Caption& worst = seen.worst;
  const Item& item = *screen.items[worst.item];
  const Kind& kind = *find(around.project, item.button()->kind);
  const Machine* machine = find(around.project, kind.machine);
  const double least = wanted(worst);
  const Colour better = nudged(worst.text, worst.behind, least * kMore);
  const LookOwner owner = ownerOf(screen, item);
  const PropKey key{worst.part, Prop::Colour};
  Finding f{.place = fmt::format("{} · {}", screen.name, displayName(item)),
            .reason = fmt::format("its {} has a contrast of {:.1f} : 1 in state “{}”{}{}; {:g} "
                                  ": 1 is wanted",
                                  worst.icon ? "icon" : "caption", worst.ratio,
                                  stateName(machine, worst.state),
                                  !seen.other                       ? ""
                                  : around.project.settings.darkSet ? " in the light set"
                                                                    : " in the dark set",
                                  seen.first ? std::string() : " on " + seen.display->name, least),
            .kind = kind.id,
            .state = worst.state,
            .screen = screen.id,
            .item = owner.item,
            .display = seen.display->id,
            .language = seen.language,
            .figure = worst.ratio,
            .limit = least,
            .unit = ": 1"};
  if (worst.icon) f.detail = "icon";
  if (seen.other) f.detail += f.detail.empty() ? "other set" : " other set";
  const bool mends = std::all_of(grounds.all.begin(), grounds.all.end(), [&](const auto& ground) {
    return contrast(better, ground.first) >= ground.second;
  });
  if (!seen.other && mends)
    f.mends = {changeCells(owner, {{worst.state, key, better}},
                           fmt::format("change the {}’s colour", worst.icon ? "icon" : "caption"))};
  out.push_back(std::move(f));
}

bool hasDarkSides(const Project& project) {
  const auto& all = *project.named;
  return std::any_of(all.begin(), all.end(),
                     [](const NamedValue& each) { return each.dark.has_value(); });
}

}  // namespace

// On each display in each language; of each kind and state the worst is told. What disabled buttons
// show may be weak (“inactive component”). What the other set alone breaks is told as such.
void checkContrast(const Surroundings& around, const Screen& screen, Findings& out) {
  if (!around.eyes || around.project.displays.empty() || around.stopped()) return;
  const bool startsDark = around.project.settings.darkSet;
  std::map<std::tuple<KindId, StateId, ItemId>, Grounds> looks;
  Project project = around.project;
  for (const bool other : {false, true}) {
    if (other && !hasDarkSides(project)) break;
    project.settings.darkSet = startsDark != other;
    const Everywhere all = layOutEverywhere(around, project, screen);
    for (const Eyes::Caption& each :
         around.eyes->captions(project, screen, all.layouts, around.stop)) {
      const Item& item = *screen.items[each.item];
      Grounds& of = looks[{item.button()->kind, each.state, ownerOf(screen, item).item}];
      if (!other) of.all.emplace_back(each.behind, wanted(each));
      if (each.ratio >= wanted(each)) continue;
      if (of.worst && (of.worst->other != other || each.ratio >= of.worst->worst.ratio)) continue;
      of.worst = {each, other, each.layout == 0, all.displays[each.layout],
                  all.layouts[each.layout].language};
    }
  }
  for (const auto& [key, grounds] : looks)
    if (grounds.worst) tell(around, screen, grounds, out);
}

// Of each kind the way on which it is gone the longest.
void checkFadings(const Surroundings& around, const Kind& kind, Findings& out) {
  const Machine* machine = find(around.project, kind.machine);
  if (!around.eyes || !machine || kind.still) return;
  const auto all = around.eyes->fadings(around.project, kind, Ms(kNoticed), around.stop);
  const auto worst = std::max_element(
      all.begin(), all.end(), [](const auto& a, const auto& b) { return a.lasts < b.lasts; });
  if (worst == all.end() || worst->lasts <= kNoticed) return;
  const auto others = std::count_if(all.begin(), all.end(),
                                    [](const auto& each) { return each.lasts > kNoticed; }) -
                      1;
  out.push_back(
      {.place = "kind “" + kind.name + "”",
       .reason = fmt::format(
           "from “{}” to “{}” its caption cannot be read for {:.0f} ms, down to "
           "{:.1f} : 1{}",
           stateName(machine, worst->from), stateName(machine, worst->to), worst->lasts,
           worst->ratio,
           others > 0 ? fmt::format("; the same on {} other way{}", others, others > 1 ? "s" : "")
                      : ""),
       .kind = kind.id,
       .state = worst->to,
       .figure = worst->lasts,
       .limit = kNoticed,
       .unit = "ms"});
}

}  // namespace bristle
