#include "core/derive/route_wonder.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/arrange/place_at.h"
#include "core/derive/route_words.h"
#include "core/edit/screen_edits.h"
#include "runtime/document/tree.h"
#include "runtime/focus/scopes.h"

namespace bristle {
namespace {

constexpr double kRank = 1000;  // between one sort of move and the next: more than any cost of it

// What a move costs beyond the sort that it is of.
struct Sort {
  const std::vector<RouteMove> RouteQuality::*moves;
  int rank;
};
constexpr Sort kSorts[] = {{&RouteQuality::jumps, 4},
                           {&RouteQuality::steep, 3},
                           {&RouteQuality::dear, 2},
                           {&RouteQuality::repairs, 1},
                           {&RouteQuality::stopgaps, 0}};

bool overlap(const Box& a, const Box& b) {
  return a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;
}

class Wondering {
 public:
  Wondering(const Screen& screen, const Layout& layout, const ScreenRoutes& routes)
      : screen_(screen), layout_(layout), routes_(routes), sights_(sightsOf(routes)) {}

  // Nothing where the move is not there any more, as the screen is shown.
  std::optional<Wonder> at(const RouteMove& move, int rank) const {
    const Route& route = routes_.output.routes[size_t(move.box)][size_t(move.dir)];
    if (route.target < 0) return {};
    const Sight* in = innermost(sights_, move.box, route.target);
    if (!in) return {};
    const int from = in->placeOf[size_t(move.box)], to = in->placeOf[size_t(route.target)];
    const RankedCandidate as = whyNot(in->input, in->routes, from, move.dir, to);
    Wonder out{move, rank * kRank + std::min(std::max(as.cost, as.angle), kRank - 1), {}, {}};
    out.why = words(*in, move, route, to);
    mend(*in, move, route, as, out.mends);
    return out;
  }

 private:
  std::string name(int box) const { return displayName(item(box)); }
  const Item& item(int box) const { return *screen_.items[size_t(routes_.items[size_t(box)])]; }
  bool isPinned(const RouteMove& move) const {
    return routes_.said[size_t(move.box)][size_t(move.dir)] == RouteType::Pinned;
  }

  // Of a pinned one: what would be said of it if it were not.
  std::string words(const Sight& in, const RouteMove& move, const Route& route, int to) const {
    const int from = in.placeOf[size_t(move.box)];
    Routes without = in.routes;
    if (isPinned(move)) without[size_t(from)][size_t(move.dir)] = {};
    const RankedCandidate c = whyNot(in.input, without, from, move.dir, to);
    const auto nameAt = [&](int place) { return name(in.boxes[size_t(place)]); };
    return whereInWords(c) + "; " +
           (isPinned(move) ? "pinned, " + verdictInWords(c, nameAt) : inWords(route.reason));
  }

  void mend(const Sight& in, const RouteMove& move, const Route& route, const RankedCandidate& as,
            std::vector<Edit>& out) const {
    const ItemId& id = item(move.box).id;
    const std::string dir(nameOf(move.dir));
    if (isPinned(move)) {
      out.push_back(named(release(id, move.dir), fmt::format("release {}", dir)));
      return;
    }
    if (route.reason == RouteReason::Fixed) return;  // an exit: said of its cluster
    nearer(in, move, route, as, out);
    for (const RankedCandidate& c :
         rank(in.input, in.routes, in.placeOf[size_t(move.box)], move.dir, 4)) {
      if (c.target == as.target || c.verdict == Verdict::Behind) continue;
      const int other = in.boxes[size_t(c.target)];
      out.push_back(named(setRoute(screen_.id, id, move.dir, {RouteType::Pinned, item(other).id}),
                          fmt::format("pin {} to “{}”", dir, name(other))));
      break;
    }
    out.push_back(named(setRoute(screen_.id, id, move.dir, {RouteType::Closed, {}}),
                        fmt::format("close {}", dir)));
  }

  // A rule of this display or language goes before what holds everywhere.
  Edit release(const ItemId& id, Dir dir) const {
    return changeItems(
        screen_.id, {id}, {}, {},
        [dir, display = layout_.display, language = layout_.language](Item& changed) {
          RouteRules& rules = changed.button()->routes;
          const RouteRule* counts = &rules.on(display, language, dir);
          const auto at =
              std::find_if(rules.where.begin(), rules.where.end(),
                           [&](const RouteException& each) { return &each.rule == counts; });
          if (at != rules.where.end())
            rules.where.erase(at);
          else
            rules[dir] = {};
        });
  }

  // Moves what a stopgap leads to until it lies within 45°, where it covers nothing there.
  void nearer(const Sight& in, const RouteMove& move, const Route& route, const RankedCandidate& as,
              std::vector<Edit>& out) const {
    const double by = std::ceil(as.terms.aside - as.terms.along);
    const auto at = size_t(routes_.items[size_t(route.target)]);
    if (route.reason != RouteReason::Stopgap || by <= 0 || as.gap < 0) return;
    if (!isLoose(screen_, *screen_.items[at])) return;
    const bool level = move.dir == Dir::Left || move.dir == Dir::Right;
    const Box& from = in.input.boxes[size_t(in.placeOf[size_t(move.box)])];
    Box to = routes_.input.boxes[size_t(route.target)];
    Box box = layout_.items[at].box;
    const bool back = level ? to.y > from.y : to.x > from.x;
    for (Box* each : {&to, &box}) (level ? each->y : each->x) += back ? -by : by;
    for (size_t b = 0; b < routes_.items.size(); ++b)
      if (static_cast<int>(b) != route.target && overlap(to, routes_.input.boxes[b])) return;
    const char* const ways[] = {"right", "left", "down", "up"};
    out.push_back(placeItems(
        screen_.id, {{screen_.items[at]->id, placeAt(screen_, layout_, at, box)}},
        fmt::format("move “{}” {} px {}", name(route.target), by, ways[2 * level + back]), {}));
  }

  static Edit named(Edit edit, std::string name) {
    edit.name = std::move(name);
    return edit;
  }

  const Screen& screen_;
  const Layout& layout_;
  const ScreenRoutes& routes_;
  std::vector<Sight> sights_;
};

}  // namespace

std::vector<Wonder> routeWonders(const Screen& screen, const Layout& layout,
                                 const ScreenRoutes& routes, const RouteQuality& quality,
                                 size_t most) {
  const Wondering wondering(screen, layout, routes);
  std::vector<Wonder> out;
  for (const Sort& sort : kSorts) {
    for (const RouteMove& move : quality.*(sort.moves))
      if (out.size() < most)
        if (auto wonder = wondering.at(move, sort.rank)) out.push_back(std::move(*wonder));
  }
  std::stable_sort(out.begin(), out.end(),
                   [](const Wonder& a, const Wonder& b) { return a.weight > b.weight; });
  return out;
}

}  // namespace bristle
