#include "runtime/session/screen_run.h"

#include <algorithm>
#include <set>

#include "runtime/document/tree.h"
#include "runtime/focus/clusters.h"
#include "runtime/layout/scroll.h"
#include "runtime/layout/shown.h"
#include "runtime/machine/condition.h"
#include "runtime/session/hit_test.h"

namespace bristle {

Result<std::shared_ptr<const Compiled>> Compiled::make(const Project& project) {
  auto out = std::make_shared<Compiled>();
  out->project_ = project;
  for (const ProjectValue& value : out->project_.values) out->symbols.values.push_back(value.id);
  std::map<MachineId, std::shared_ptr<const Program>> programs;
  for (const auto& kind : out->project_.kinds) {
    const Machine* machine = bristle::find(out->project_, kind->machine);
    if (!machine) continue;
    auto& program = programs[machine->id];
    if (!program) {
      auto compiled = Program::compile(*machine, out->symbols, naming(out->project_));
      if (!compiled) return tl::unexpected(compiled.error());
      program = std::make_shared<Program>(std::move(*compiled));
    }
    out->kinds_[kind->id] = {&*kind, machine, program,
                             std::make_shared<LookTable>(*kind, *machine, naming(out->project_))};
  }
  // Only conditions ask where one has been; machines know nothing of it.
  out->symbols.marks = conditionSymbols(out->project_).marks;
  return std::shared_ptr<const Compiled>(std::move(out));
}

const Compiled::KindRun* Compiled::find(const KindId& id) const {
  const auto at = kinds_.find(id);
  return at == kinds_.end() ? nullptr : &at->second;
}

int ScreenRun::boxAt(Px x, Px y, const HitTest* test) const {
  for (size_t i = buttons.size(); i-- > 0;) {
    const Placed& placed = layout.items[size_t(routes.items[i])];
    if (!placed.isSeen() || !holds(placed.visible, x, y)) continue;
    const Kind& kind = *buttons[i].kind->kind;
    if (!test || kind.hitForm == HitForm::Box) return static_cast<int>(i);
    const Box own = placed.own();
    const Px across = (x - placed.box.x) / placed.scale;
    // A form has changed sides where one reads from right to left; a picture has not.
    const bool turned = layout.rightToLeft && kind.hitForm == HitForm::Shape;
    if (test->hits(*buttons[i].item, kind, buttons[i].player.table().state(0), own,
                   own.x + (turned ? own.w - across : across),
                   own.y + (y - placed.box.y) / placed.scale))
      return static_cast<int>(i);
  }
  return -1;
}

bool ScreenRun::holdsAny(Px x, Px y) const {
  for (size_t i = 0; i < layout.items.size(); ++i) {
    const Placed& placed = layout.items[i];
    if (placed.isSeen() && !screen->items[i]->container() && holds(placed.visible, x, y))
      return true;
  }
  return false;
}

bool ScreenRun::shallBeCurrent(const ButtonRun& button, std::span<const double> values) const {
  if (!button.currentWhen.always()) return button.currentWhen.holds({}, values);
  if (button.panel >= 0) return !off[size_t(button.panel)];
  return opens(button.item->button()->actions) == screen->id;
}

std::vector<size_t> ScreenRun::refreshShown(std::span<const double> values) {
  std::vector<bool> gone = off;
  std::vector<bool> bars(off.size());
  for (const auto& [item, formula] : shownWhen) bars[item] = !formula.holds({}, values);
  std::vector<size_t> changed;
  const auto nesting = nestingOf(*screen);
  for (size_t i = 0; i < gone.size(); ++i) {
    gone[i] = gone[i] || bars[i];
    const int parent = nesting[i].parent;
    const bool inGone = parent >= 0 && gone[size_t(parent)];
    bars[i] = bars[i] || (parent >= 0 && bars[size_t(parent)]);
    const bool was = layout.items[i].shown;
    if (!inGone && was == gone[i] && (parent < 0 || layout.items[size_t(parent)].shown))
      changed.push_back(i);
    gone[i] = gone[i] || inGone;
  }
  barred = std::move(bars);
  if (show(layout, *screen, gone)) routes = screenRoutes(*screen, layout, Asides::Kept);
  return changed;
}

void ScreenRun::layAnew(const Project& project, const Showing& showing, const TextMeasure& measure,
                        std::span<const double> values) {
  auto offsets = offsetsOf(layout);
  layout = layOut(project, *screen, showing, measure);
  routes = screenRoutes(*screen, layout, Asides::Kept);
  if (conditions) refreshShown(values);
  scrollTo(offsets);
}

void ScreenRun::turn(size_t item, bool on) {
  conditions = true;
  off[item] = !on;
  const int parent = nestingOf(*screen)[item].parent;
  if (!on || parent < 0 || !screen->items[size_t(parent)]->container()->panels) return;
  const auto nesting = nestingOf(*screen);
  for (size_t other = size_t(parent) + 1; other < nesting[size_t(parent)].end;
       other = nesting[other].end)
    off[other] = other != item;
}

void ScreenRun::focusOn(int box, bool into) {
  focus = box;
  for (size_t c = 0; c < routes.clusters.size(); ++c) {
    const bool in = holds(routes, static_cast<int>(c), box);
    if (in) lastIn[c] = box;
    const bool stop = routes.clusters[c].leave == Leave::SingleStop;
    inside[c] = stop && in && (inside[c] || into);
  }
}

int ScreenRun::stopOf(int box) const {
  const auto& around = routes.clustersOf[size_t(box)];
  const auto stop = std::find_if(around.rbegin(), around.rend(), [&](int c) {
    return routes.clusters[size_t(c)].leave == Leave::SingleStop && !inside[size_t(c)];
  });
  return stop == around.rend() ? -1 : *stop;
}

int ScreenRun::goInto() {
  const int stop = focus < 0 ? -1 : stopOf(focus);
  if (stop < 0) return -1;
  inside[size_t(stop)] = true;
  trail.clear();
  return stop;
}

int ScreenRun::comeOut() {
  if (focus < 0) return -1;
  for (const int c : routes.clustersOf[size_t(focus)]) {
    if (!inside[size_t(c)]) continue;
    inside[size_t(c)] = false;
    trail.clear();
    return c;
  }
  return -1;
}

std::vector<std::pair<Box, FocusRing>> ScreenRun::rings() const {
  std::vector<std::pair<Box, FocusRing>> out;
  for (size_t c = 0; c < routes.clusters.size() && focus >= 0; ++c) {
    const FocusRing& ring = screen->clusters[c].ring;
    if (ring.width <= 0 || !holds(routes, static_cast<int>(c), focus)) continue;
    const bool stop = routes.clusters[c].leave == Leave::SingleStop;
    if (stop && stopOf(focus) != static_cast<int>(c)) continue;
    std::vector<Box> seen;
    for (const int box : routes.clusters[c].boxes) {
      const Box& part = layout.items[size_t(routes.items[size_t(box)])].visible;
      if (part.w > 0 && part.h > 0) seen.push_back(part);
    }
    if (seen.empty()) continue;
    const Box all = boundsOf(seen);
    const Px by = ring.outset;
    out.push_back({{all.x - by, all.y - by, all.w + 2 * by, all.h + 2 * by}, ring});
  }
  return out;
}

bool ScreenRun::scrollTo(std::span<const Px> offsets) {
  if (!scroll(layout, offsets)) return false;
  routes = screenRoutes(*screen, layout, Asides::Kept);
  return true;
}

namespace {

Result<void> readConditions(ButtonRun& button, const Conditions& when, const Symbols& symbols) {
  for (const auto& [text, into] : {std::pair(&when.enabled, &button.enabledWhen),
                                   std::pair(&when.current, &button.currentWhen)}) {
    auto formula = compileCondition(*text, symbols);
    if (!formula) return fail("its condition “" + *text + "”", formula.error().text());
    *into = std::move(*formula);
  }
  return {};
}

Result<void> readActions(const Actions& actions, const Symbols& symbols) {
  for (const Action& action : actions)
    if (auto formula = compileCondition(action.when, symbols); !formula)
      return fail("its action’s condition “" + action.when + "”", formula.error().text());
  return {};
}

// What is hidden by itself at first, and what asks values.
Result<void> readShown(ScreenRun& run, const Symbols& symbols) {
  const Screen& screen = *run.screen;
  run.off = goneAtFirst(screen);
  run.barred.resize(screen.items.size());
  for (size_t i = 0; i < screen.items.size(); ++i) {
    if (screen.items[i]->shownWhen.empty()) continue;
    auto formula = compileCondition(screen.items[i]->shownWhen, symbols);
    if (!formula)
      return fail("“" + displayName(*screen.items[i]) + "”, when it is shown",
                  formula.error().text());
    run.shownWhen.emplace_back(i, std::move(*formula));
    run.conditions = true;
  }
  return {};
}

// The kind's looks, or as one placed button has them.
std::shared_ptr<const LookTable> looksOf(const Compiled& compiled, const Compiled::KindRun& kind,
                                         const OwnLook& own) {
  if (own.empty()) return kind.looks;
  return std::make_shared<LookTable>(*kind.kind, *kind.machine, naming(compiled.project()), &own);
}

}  // namespace

Result<ScreenRun> openScreen(const Compiled& compiled, const Screen& screen, const Showing& showing,
                             const TextMeasure& measure) {
  ScreenRun run;
  run.screen = &screen;
  run.layout = layOut(compiled.project(), screen, showing, measure);
  run.routes = screenRoutes(screen, run.layout, Asides::Kept);
  for (int index : run.routes.items) {
    const Item& item = *screen.items[size_t(index)];
    const auto* kind = compiled.find(item.button()->kind);
    if (!kind)
      return fail("screen “" + screen.name + "”, button “" + displayName(item) + "”",
                  "its kind is missing, or the kind's machine is");
    auto looks = looksOf(compiled, *kind, item.button()->own);
    ButtonRun button{.item = &item,
                     .kind = kind,
                     .player = LookPlayer(std::move(looks)),
                     .allowed = !item.button()->disabled};
    const Conditions& when = item.button()->when;
    if (when != Conditions{}) {
      if (auto read = readConditions(button, when, compiled.symbols); !read)
        return fail("screen “" + screen.name + "”, button “" + displayName(item) + "”",
                    read.error().text());
      run.conditions = true;
    }
    for (const Action& action : item.button()->actions)
      if (button.panel < 0 && action.type == ActionType::Panel)
        if (const auto at = indexOf(screen, action.item)) {
          button.panel = static_cast<int>(*at);
          run.conditions = true;
        }
    if (auto read = readActions(item.button()->actions, compiled.symbols); !read)
      return fail("screen “" + screen.name + "”, button “" + displayName(item) + "”",
                  read.error().text());
    run.buttons.push_back(std::move(button));
  }
  if (auto read = readShown(run, compiled.symbols); !read)
    return fail("screen “" + screen.name + "”", read.error().text());
  for (size_t i = 0; i < screen.items.size(); ++i)
    if (const auto* button = screen.items[i]->button(); button && run.layout.items[i].still)
      if (const auto* kind = compiled.find(button->kind))
        run.still[i] = looksOf(compiled, *kind, button->own);
  run.memory.assign(run.buttons.size(), {-1, -1, -1, -1});
  run.lastIn.assign(run.routes.clusters.size(), -1);
  run.inside.assign(run.routes.clusters.size(), false);
  return run;
}

}  // namespace bristle
