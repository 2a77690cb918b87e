#include "runtime/session/screen_run.h"

#include <algorithm>
#include <cmath>
#include <tuple>

#include "runtime/focus/clusters.h"
#include "runtime/focus/scopes.h"
#include "runtime/layout/fly_outs.h"
#include "runtime/layout/scroll.h"
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
  return std::shared_ptr<const Compiled>(std::move(out));
}

const Compiled::KindRun* Compiled::find(const KindId& id) const {
  const auto at = kinds_.find(id);
  return at == kinds_.end() ? nullptr : &at->second;
}

int ScreenRun::boxAt(Px x, Px y, const HitTest* test) const {
  for (size_t i = buttons.size(); i-- > 0;) {
    const Placed& placed = layout.items[size_t(routes.items[i])];
    if (placed.closed || !holds(placed.visible, x, y)) continue;
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

namespace {

bool enabled(const ScreenRun& run, int box) {
  return run.buttons[size_t(box)].running.signals.has(Signals::Enabled);
}

// Of the single stop that has focus, else of the button.
const Route& routeOf(const ScreenRun& run, int from, Dir dir) {
  const int stop = run.stopOf(from);
  return stop < 0 ? run.routes.output.routes[size_t(from)][size_t(dir)]
                  : run.routes.output.stops[size_t(stop)][size_t(dir)];
}

const char* howOf(const ScreenRun& run, int from, Dir dir) {
  if (run.stopOf(from) < 0 && run.routes.wraps[size_t(from)][size_t(dir)]) return "wrap";
  switch (routeOf(run, from, dir).reason) {
    case RouteReason::Fixed:
      return "pinned";
    case RouteReason::Repair:
      return "repair";
    case RouteReason::Stopgap:
      return "stopgap";
    default:
      return "solved";
  }
}

// Where several face one large button, the way back leads where focus came from.
int remembered(const ScreenRun& run, int from, Dir dir) {
  if (run.stopOf(from) >= 0) return -1;
  const int came = run.memory[size_t(from)][size_t(dir)];
  const Route& route = run.routes.output.routes[size_t(from)][size_t(dir)];
  if (came < 0 || route.reason != RouteReason::Solved || route.target == came) return -1;
  // Not out of, nor into, what the route itself stays in or out of.
  if (run.routes.clustersOf[size_t(route.target)] != run.routes.clustersOf[size_t(came)]) return -1;
  return admissible(run.routes, from, dir, came) ? came : -1;
}

}  // namespace

namespace {

RouteType saidOf(const ScreenRun& run, int box, Dir dir) {
  return run.routes.said[size_t(box)][size_t(dir)];
}

bool canHaveFocus(const ScreenRun& run, int box) {
  if (run.layout.items[size_t(run.routes.items[size_t(box)])].closed) return false;
  return enabled(run, box) || !run.screen->passDisabled;
}

double distance(const Box& a, const Box& b) {
  return std::hypot(a.x + a.w / 2 - b.x - b.w / 2, a.y + a.h / 2 - b.y - b.h / 2);
}

// Which of a cluster's buttons gets focus that comes from `from`; −1: none of them can have it.
int entryOf(const ScreenRun& run, int cluster, int from) {
  std::vector<int> can = run.routes.clusters[size_t(cluster)].boxes;
  std::erase_if(can, [&](int box) { return !canHaveFocus(run, box); });
  if (can.empty()) return -1;
  const Cluster& it = run.screen->clusters[size_t(cluster)];
  const auto among = [&](int box) { return std::find(can.begin(), can.end(), box) != can.end(); };
  if (it.enter == Enter::LastUsed) {
    const int last = run.lastIn[size_t(cluster)];
    if (among(last)) return last;
  }
  if (it.enter == Enter::Chosen)
    for (int box : can)
      if (run.buttons[size_t(box)].item->id == it.chosen.alone()) return box;
  if (it.enter == Enter::Nearest) {
    const auto& boxes = run.routes.input.boxes;
    const auto away = [&](int box) { return distance(boxes[size_t(from)], boxes[size_t(box)]); };
    return *std::min_element(can.begin(), can.end(),
                             [&](int a, int b) { return away(a) < away(b); });
  }
  return can.front();
}

// The cluster that a person's word leads to; −1: none.
int clusterSaid(const ScreenRun& run, int from, Dir dir) {
  const int stop = run.stopOf(from);
  if (stop >= 0) return run.routes.clusters[size_t(stop)].exits[size_t(dir)].cluster;
  if (const auto* exit = exitAt(run.routes, run.routes.output.routes, from, dir))
    return exit->cluster;
  return run.routes.toCluster[size_t(from)][size_t(dir)];
}

int targetOf(const ScreenRun& run, int from, Dir dir) {
  const Route& route = routeOf(run, from, dir);
  if (route.target < 0) return -1;
  int to = route.target;
  if (const int said = clusterSaid(run, from, dir); said >= 0) to = entryOf(run, said, from);
  // Into the clusters on the way, from the outside in.
  std::vector<int> done;
  while (to >= 0) {
    const int into = entered(run.routes, from, to, route.reason, done);
    if (into < 0) break;
    done.push_back(into);
    const int entry = entryOf(run, into, from);
    // Where two clusters only overlap, one's rule does not lead out of what the other keeps in.
    if (entry < 0 || run.stopOf(from) >= 0 || !isShut(run.routes, from, entry)) to = entry;
  }
  return to;
}

Move alongRoutes(const ScreenRun& run, int from, Dir dir) {
  int at = from;
  for (size_t steps = 0; steps <= run.buttons.size(); ++steps) {
    const int memory = remembered(run, at, dir);
    const int next = memory >= 0 ? memory : targetOf(run, at, dir);
    const char* how = memory >= 0 ? "memory" : howOf(run, at, dir);
    if (next < 0)
      return {-1, saidOf(run, at, dir) == RouteType::Closed ? "closed" : "nothing there"};
    if (next == from) return {-1, "nothing there"};
    if (canHaveFocus(run, next)) return {next, how};
    at = next;
  }
  return {};
}

RouteType saidOfStop(const ScreenRun& run, int box, Dir dir) {
  return run.routes.clusters[size_t(run.stopOf(box))].exits[size_t(dir)].type;
}

// The way back of the newest move, whatever the routes say; −1 where a person's word counts more.
int wayBack(const ScreenRun& run, int from, Dir dir) {
  if (run.trail.empty()) return -1;
  const MoveMade& last = run.trail.back();
  if (last.to != from || last.dir != opposite(dir) || !canHaveFocus(run, last.from)) return -1;
  const RouteType said = saidOf(run, from, dir);
  const bool leaves = exitAt(run.routes, run.routes.output.routes, from, dir) ||
                      isShut(run.routes, from, last.from);
  const bool stop = run.stopOf(from) >= 0;
  if (stop) return saidOfStop(run, from, dir) == RouteType::Solved ? last.from : -1;
  return said == RouteType::Pinned || said == RouteType::Closed || leaves ? -1 : last.from;
}

}  // namespace

namespace {

Dir dirOf(Side side) {
  switch (side) {
    case Side::Below:
      return Dir::Down;
    case Side::Above:
      return Dir::Up;
    case Side::Right:
      return Dir::Right;
    case Side::Left:
      return Dir::Left;
  }
  return Dir::Down;
}

// Into the open fly-out that lies that way; −1: there is none.
int intoFlyOut(const ScreenRun& run, int from, Dir dir) {
  for (size_t f = 0; f < run.layout.flyOuts.size(); ++f) {
    const PlacedFlyOut& it = run.layout.flyOuts[f];
    if (!it.open || run.routes.boxOf[it.from] != from || dirOf(sideOf(run.layout, it)) != dir)
      continue;
    for (const int box : readingOrder(run.routes))
      if (run.routes.flyOutOf[size_t(box)] == static_cast<int>(f) && canHaveFocus(run, box))
        return box;
  }
  return -1;
}

// Out of a fly-out: back to its button, or aside as from there.
Move outOfFlyOut(const ScreenRun& run, int from, Dir dir) {
  const int in = run.routes.flyOutOf[size_t(from)];
  if (in < 0) return {};
  const PlacedFlyOut& it = run.layout.flyOuts[size_t(in)];
  const int button = run.routes.boxOf[it.from];
  const Dir side = dirOf(sideOf(run.layout, it));
  if (dir == side || button < 0) return {};
  if (dir == opposite(side)) return {button, "out of the fly-out"};
  const Move aside = alongRoutes(run, button, dir);
  return aside.target < 0 ? outOfFlyOut(run, button, dir) : aside;
}

Move alongFlyOuts(const ScreenRun& run, int from, Dir dir) {
  const RouteType said = saidOf(run, from, dir);
  if (said == RouteType::Solved)
    if (const int into = intoFlyOut(run, from, dir); into >= 0) return {into, "fly-out"};
  const Move found = alongRoutes(run, from, dir);
  if (found.target >= 0 || said == RouteType::Closed) return found;
  const Move out = outOfFlyOut(run, from, dir);
  return out.target < 0 ? found : out;
}

}  // namespace

Move resolveMove(const ScreenRun& run, int from, Dir dir) {
  Move found = alongFlyOuts(run, from, dir);
  const int back = wayBack(run, from, dir);
  if (back < 0) return found;
  if (found.target != back) found = {back, "memory"};
  found.takesBack = true;
  return found;
}

std::vector<MoveMade> remember(ScreenRun& run, const Move& move, Dir dir) {
  run.memory[size_t(move.target)][size_t(opposite(dir))] = run.focus;
  std::vector<MoveMade> trail = std::move(run.trail);
  if (move.takesBack) {
    trail.pop_back();
  } else {
    if (trail.size() == kMostTakenBack) trail.erase(trail.begin());
    trail.push_back({run.focus, move.target, dir});
  }
  return trail;
}

bool ButtonRun::shallBeCurrent(const ScreenId& on, std::span<const double> values) const {
  if (!currentWhen.always()) return currentWhen.holds({}, values);
  const Action& action = item->button()->action;
  return action.type == ActionType::Open && action.screen == on;
}

void ScreenRun::focusOn(int box, bool into) {
  focus = box;
  for (size_t c = 0; c < routes.clusters.size(); ++c) {
    const bool in = holds(routes, static_cast<int>(c), box);
    if (in) lastIn[c] = box;
    inside[c] = in && (inside[c] || into);
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

bool ScreenRun::scrollTo(std::span<const Px> offsets) {
  if (!scroll(layout, offsets)) return false;
  routes = screenRoutes(*screen, layout);
  return true;
}

namespace {

bool isInside(const ScreenRun& run, int box) {
  const auto& around = run.routes.clustersOf[size_t(box)];
  return std::any_of(around.begin(), around.end(), [&](int c) { return run.inside[size_t(c)]; });
}

}  // namespace

int stepFrom(const ScreenRun& run, int from, bool forwards) {
  std::vector<int> order = readingOrder(run.routes);
  // A single stop is one step: another button of it only once focus has gone in, and then no other.
  const auto outOfReach = [&](int box) {
    const int stop = run.stopOf(box);
    if (stop >= 0 && from >= 0 && holds(run.routes, stop, from)) return box != from;
    if (stop >= 0) return box != entryOf(run, stop, from < 0 ? box : from);
    return from >= 0 && isInside(run, from) && isShut(run.routes, from, box);
  };
  std::erase_if(order, [&](int box) { return !canHaveFocus(run, box) || outOfReach(box); });
  if (order.empty()) return -1;
  const auto at = std::find(order.begin(), order.end(), from);
  if (at == order.end()) return forwards ? order.front() : order.back();
  const auto index = static_cast<size_t>(at - order.begin());
  return order[(index + (forwards ? 1 : order.size() - 1)) % order.size()];
}

int startBox(const ScreenRun& run) {
  const int entry = entryBox(*run.screen, run.routes);
  return entry < 0 || canHaveFocus(run, entry) ? entry : stepFrom(run, entry, true);
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

}  // namespace

namespace {

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
  run.routes = screenRoutes(screen, run.layout);
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
    run.buttons.push_back(std::move(button));
  }
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
