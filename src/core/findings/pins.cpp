// Routes that a person said, and that nobody would expect any more; and routes that lead elsewhere
// on another display without need.
#include <fmt/format.h>

#include <set>

#include "core/derive/route_wonder.h"
#include "core/edit/screen_edits.h"
#include "core/findings/rules.h"
#include "runtime/focus/scopes.h"

namespace bristle {
namespace {

const PlainMeasure kPlain;

Layout laidOut(const Surroundings& around, const Screen& screen, const Display& display) {
  return layOut(around.project, screen, display,
                around.eyes ? around.eyes->measure() : static_cast<const TextMeasure&>(kPlain));
}

bool saysAnything(const Screen& screen, RouteType type) {
  return std::any_of(screen.items.begin(), screen.items.end(), [&](const Shared<Item>& item) {
    const ButtonData* button = item->button();
    if (!button) return false;
    const RouteRules& rules = button->routes;
    return std::any_of(rules.everywhere.begin(), rules.everywhere.end(),
                       [&](const RouteRule& rule) { return rule.type == type; }) ||
           std::any_of(rules.where.begin(), rules.where.end(),
                       [&](const RouteException& each) { return each.rule.type == type; });
  });
}

const Item& itemOf(const Screen& screen, const ScreenRoutes& routes, int box) {
  return *screen.items[size_t(routes.items[size_t(box)])];
}

// The box of the same item; −1 where it is not there.
int boxOn(const ScreenRoutes& other, const ScreenRoutes& here, int box) {
  return box < 0 ? -1 : other.boxOf[size_t(here.items[size_t(box)])];
}

// On every display in the first language, where anything of the sort is said.
template <class Use>
void onEachDisplay(const Surroundings& around, const Screen& screen, RouteType type, Use use) {
  if (!saysAnything(screen, type)) return;
  for (const Display& display : around.project.displays) {
    if (around.stopped()) return;
    const Layout layout = laidOut(around, screen, display);
    use(display, layout, screenRoutes(screen, layout));
  }
}

}  // namespace

// Each pin once.
void checkPins(const Surroundings& around, const Screen& screen, Findings& out) {
  std::set<std::pair<ItemId, Dir>> told;
  onEachDisplay(around, screen, RouteType::Pinned,
                [&](const Display& display, const Layout& layout, const ScreenRoutes& routes) {
                  const RouteQuality quality = routeQuality(screen, layout, routes, around.stop);
                  for (const Wonder& wonder : routeWonders(screen, layout, routes, quality)) {
                    const auto [box, dir] = wonder.move;
                    if (routes.said[size_t(box)][size_t(dir)] != RouteType::Pinned) continue;
                    const Item& item = itemOf(screen, routes, box);
                    if (!told.insert({item.id, dir}).second) continue;
                    const int to = routes.output.routes[size_t(box)][size_t(dir)].target;
                    out.push_back({.place = fmt::format("{} · {}", screen.name, displayName(item)),
                                   .reason = fmt::format(
                                       "{} is pinned to “{}”, which is odd now: {}", nameOf(dir),
                                       displayName(itemOf(screen, routes, to)), wonder.why),
                                   .screen = screen.id,
                                   .item = item.id,
                                   .display = display.id,
                                   .detail = std::string(nameOf(dir)),
                                   .mends = wonder.mends});
                  }
                });
}

// By what leads round the edge to something that does not lie on the same line.
void checkWraps(const Surroundings& around, const Screen& screen, Findings& out) {
  std::set<std::pair<ItemId, Dir>> told;
  onEachDisplay(
      around, screen, RouteType::Wrap,
      [&](const Display& display, const Layout&, const ScreenRoutes& routes) {
        for (size_t box = 0; box < routes.wraps.size(); ++box)
          for (const Dir dir : kDirs) {
            const int to = routes.output.routes[box][size_t(dir)].target;
            if (!routes.wraps[box][size_t(dir)] || to < 0) continue;
            const Box &a = routes.input.boxes[box], &b = routes.input.boxes[size_t(to)];
            const bool level = dir == Dir::Left || dir == Dir::Right;
            const bool inLine =
                level ? a.y < b.y + b.h && b.y < a.y + a.h : a.x < b.x + b.w && b.x < a.x + a.w;
            const Item& item = itemOf(screen, routes, static_cast<int>(box));
            if (inLine || !told.insert({item.id, dir}).second) continue;
            Edit closed = setRoute(screen.id, item.id, dir, {RouteType::Closed, {}});
            closed.name = fmt::format("close {}", nameOf(dir));
            out.push_back(
                {.rule = "odd-wrap",
                 .place = fmt::format("{} · {}", screen.name, displayName(item)),
                 .reason = fmt::format("{} leads round the edge to “{}”, which lies in "
                                       "another {}",
                                       nameOf(dir), displayName(itemOf(screen, routes, to)),
                                       level ? "row" : "column"),
                 .screen = screen.id,
                 .item = item.id,
                 .display = display.id,
                 .detail = std::string(nameOf(dir)),
                 .mends = {std::move(closed)}});
          }
      });
}

// What is chosen on the first display would have been as good on the other, and come back from.
void checkDisplayRoutes(const Surroundings& around, const Screen& screen, Findings& out) {
  const auto& displays = around.project.displays;
  if (displays.size() < 2) return;
  const ScreenRoutes first = screenRoutes(screen, laidOut(around, screen, displays[0]));
  for (size_t d = 1; d < displays.size(); ++d) {
    if (around.stopped()) return;
    const ScreenRoutes other = screenRoutes(screen, laidOut(around, screen, displays[d]));
    const auto sights = sightsOf(other);
    std::vector<std::string> words;
    std::vector<Edit> pins;
    ItemId where;
    for (const RouteMove& move : changedMoves(first, other)) {
      const int from = boxOn(other, first, move.box);
      const int to =
          boxOn(other, first, first.output.routes[size_t(move.box)][size_t(move.dir)].target);
      if (from < 0 || to < 0 || other.output.routes[size_t(from)][size_t(move.dir)].target < 0)
        continue;
      // What leads elsewhere so that it comes back has a reason to.
      if (other.output.routes[size_t(to)][size_t(opposite(move.dir))].target != from) continue;
      const Sight* in = innermost(sights, from, to);
      if (!in || merit(in->input, in->placeOf[size_t(from)], move.dir, in->placeOf[size_t(to)]) !=
                     Verdict::Natural)
        continue;
      if (words.empty()) where = itemOf(screen, first, move.box).id;
      pins.push_back(setRouteOn(screen.id, itemOf(screen, first, move.box).id, move.dir,
                                displays[d].id,
                                RouteRule{RouteType::Pinned, itemOf(screen, other, to).id}));
      words.push_back(fmt::format("{} from “{}”", nameOf(move.dir),
                                  displayName(itemOf(screen, first, move.box))));
    }
    if (words.empty()) continue;
    out.push_back(
        {.rule = "display-routes",
         .place = screen.name,
         .reason = fmt::format(
             "on {} {} where it would lead as well to what it leads to on {}: {}{}",
             displays[d].name,
             words.size() == 1 ? "a direction leads elsewhere"
                               : fmt::format("{} directions lead elsewhere", words.size()),
             displays[0].name, words[0], words.size() > 1 ? " …" : ""),
         .screen = screen.id,
         .item = where,
         .display = displays[d].id,
         .detail = displays[d].id.text,
         .figure = double(words.size()),
         .limit = 0,
         .unit = "moves",
         .mends = {together(fmt::format("pin them there as on {}", displays[0].name), pins)}});
  }
}

}  // namespace bristle
