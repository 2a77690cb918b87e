#include "core/derive/route_strokes.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <map>
#include <optional>
#include <tuple>

namespace bristle {

StrokeSpot unitOf(Dir dir) {
  switch (dir) {
    case Dir::Up:
      return {0, -1};
    case Dir::Down:
      return {0, 1};
    case Dir::Left:
      return {-1, 0};
    case Dir::Right:
      return {1, 0};
  }
  return {};
}

namespace {

constexpr double kHandle = 0.45, kLongestHandle = 160;  // of the plain curve: of its length; px
constexpr double kBetween = 10;                         // spots on a side lie so far apart, px
constexpr double kFromCorner = 6;                       // and stay so far from its ends
constexpr int kChecked = 24;                            // spots of a plain curve
constexpr int kRounds = 16;                             // of finding what is in the way
constexpr double kTight = 1;                            // px: nearer is a touch
constexpr double kFurther = 4;                          // px, of each more that goes round a corner
constexpr int kNarrower = 3;                            // how often half as far away is tried
constexpr double kWorse = 1.2;  // a way that is half as far away has to be so much shorter

StrokeSpot operator+(StrokeSpot a, StrokeSpot b) {
  return {a.x + b.x, a.y + b.y};
}
StrokeSpot operator-(StrokeSpot a, StrokeSpot b) {
  return {a.x - b.x, a.y - b.y};
}
StrokeSpot operator*(StrokeSpot a, double by) {
  return {a.x * by, a.y * by};
}
double length(StrokeSpot a) {
  return std::hypot(a.x, a.y);
}

StrokeSpot middle(const Box& box) {
  return {box.x + box.w / 2, box.y + box.h / 2};
}
bool across(Dir side) {
  return side == Dir::Up || side == Dir::Down;
}

Box grown(const Box& box, double by) {
  return {box.x - by, box.y - by, box.w + 2 * by, box.h + 2 * by};
}
bool doOverlap(const Box& a, const Box& b) {
  return a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;
}
// A little more than all of them, so that it is never without an extent.
Box boundsOf(const std::vector<StrokeSpot>& spots) {
  StrokeSpot least = spots.front(), most = spots.front();
  for (const StrokeSpot& each : spots) {
    least = {std::min(least.x, each.x), std::min(least.y, each.y)};
    most = {std::max(most.x, each.x), std::max(most.y, each.y)};
  }
  return grown({least.x, least.y, most.x - least.x, most.y - least.y}, kTight);
}
bool isIn(const Box& box, StrokeSpot at) {
  return at.x > box.x && at.x < box.x + box.w && at.y > box.y && at.y < box.y + box.h;
}

// Liang and Barsky, "A new concept and method for line clipping" (1984): whether a straight piece
// passes through the inside of a box.
bool crosses(const Box& box, StrokeSpot a, StrokeSpot b) {
  const StrokeSpot d = b - a;
  double enters = 0, leaves = 1;
  for (const auto& [by, to] : {std::pair(-d.x, a.x - box.x), std::pair(d.x, box.x + box.w - a.x),
                               std::pair(-d.y, a.y - box.y), std::pair(d.y, box.y + box.h - a.y)}) {
    if (by == 0) {
      if (to <= 0) return false;
    } else if (by < 0) {
      enters = std::max(enters, to / by);
    } else {
      leaves = std::min(leaves, to / by);
    }
  }
  return enters < leaves;
}

// Whether they overlap seen across, or seen down.
bool share(const Box& a, const Box& b, bool down) {
  return down ? a.y < b.y + b.h && b.y < a.y + a.h : a.x < b.x + b.w && b.x < a.x + a.w;
}

// The side of `to` that a route comes in by: straight ahead the near one; of what lies beside,
// above or below, the one that it leaves by, as a bracket; else where the line of their middles
// comes in.
Dir arrivalSide(const Box& from, Dir dir, const Box& to) {
  const StrokeSpot d = middle(to) - middle(from), u = unitOf(dir);
  const bool vertical = across(dir);
  if (share(from, to, vertical)) return dir;
  if (share(from, to, !vertical) && d.x * u.x + d.y * u.y > 0) return opposite(dir);
  if (std::abs(d.x) * to.h > std::abs(d.y) * to.w) return d.x > 0 ? Dir::Left : Dir::Right;
  return d.y > 0 ? Dir::Up : Dir::Down;
}

// Ends of strokes that share a side of a box, in the order of what they lead to or come from.
struct End {
  double other;  // its middle along the side
  double tie;    // there and back run beside each other, the same way round on both sides
  double far;    // its middle across the side
  Dir dir;
  bool leaves;
  StrokeSpot* spot;
  bool operator<(const End& b) const {
    return std::tie(other, tie, far, dir, leaves) <
           std::tie(b.other, b.tie, b.far, b.dir, b.leaves);
  }
};

void spread(const Box& box, Dir side, std::vector<End>& ends) {
  std::sort(ends.begin(), ends.end());
  const bool flat = across(side);
  const double long_ = flat ? box.w : box.h;
  const double room = std::max(0.0, long_ - 2 * std::min(kFromCorner, long_ / 4));
  const double each = std::min(kBetween, room / double(ends.size()));
  const StrokeSpot at =
      middle(box) + StrokeSpot{unitOf(side).x * box.w / 2, unitOf(side).y * box.h / 2};
  for (size_t k = 0; k < ends.size(); ++k) {
    const double by = (double(k) - double(ends.size() - 1) / 2) * each;
    *ends[k].spot = at + (flat ? StrokeSpot{by, 0} : StrokeSpot{0, by});
  }
}

std::vector<StrokeWay> plainWays(std::span<const Box> boxes, std::span<const RouteEnds> routes) {
  std::vector<StrokeWay> out(routes.size(), StrokeWay{std::vector<StrokeSpot>(2), {}, {}});
  std::map<std::pair<int, Dir>, std::vector<End>> sides;
  const auto add = [&](int box, Dir side, int other, Dir dir, bool leaves, StrokeSpot& spot) {
    const StrokeSpot m = middle(boxes[size_t(other)]);
    const bool flat = across(side);
    const double tie = dir == Dir::Right || dir == Dir::Up ? 1 : -1;
    sides[{box, side}].push_back({flat ? m.x : m.y, tie, flat ? m.y : m.x, dir, leaves, &spot});
  };
  for (size_t i = 0; i < routes.size(); ++i) {
    const RouteEnds& r = routes[i];
    const Dir into = arrivalSide(boxes[size_t(r.from)], r.dir, boxes[size_t(r.to)]);
    out[i].leaves = unitOf(r.dir);
    out[i].arrives = unitOf(opposite(into));
    add(r.from, r.dir, r.to, r.dir, true, out[i].spots[0]);
    add(r.to, into, r.from, r.dir, false, out[i].spots[1]);
  }
  for (auto& [where, ends] : sides) spread(boxes[size_t(where.first)], where.second, ends);
  return out;
}

// Works out ways round boxes, for one stroke at a time.
class Detour {
 public:
  Detour(std::span<const Box> boxes, size_t obstacles, const RouteEnds& route,
         const StrokeWay& plain, double away)
      : boxes_(boxes), route_(route), plain_(plain), away_(away) {
    const Box& from = boxes[size_t(route.from)];
    const Box& to = boxes[size_t(route.to)];
    for (size_t i = 0; i < obstacles; ++i)
      counts_.push_back(int(i) != route.from && int(i) != route.to && !doOverlap(boxes[i], from) &&
                        !doOverlap(boxes[i], to));
  }

  // Where the plain curve runs through something: the corners that the way round passes, as the box
  // and which of its corners, none where straight pieces do; nothing where the curve is free, or
  // there is no way round.
  using Corner = std::pair<int, int>;
  std::optional<std::vector<Corner>> corners() {
    const auto curve = alongStroke(plain_, kChecked);
    if (!meet(curve)) return {};
    const std::vector<int> inTheWay = met_;
    std::optional<std::vector<Corner>> best;
    double least = std::numeric_limits<double>::infinity(), nearest = away_, worse = 1;
    for (int turn = 0; turn < kNarrower; ++turn, away_ /= 2, worse *= kWorse) {
      auto way = cornersRound(inTheWay);
      const double cost = way ? lengthOf(spotsOf(*way)) * worse : least;
      if (cost >= least) continue;
      best = std::move(way);
      least = cost;
      nearest = away_;
    }
    away_ = nearest;
    return best;
  }

  double away() const { return away_; }

  StrokeSpot spotOf(const Corner& corner, double further = 0) const {
    const Box b = grown(boxes_[size_t(corner.first)], away_ + further);
    return {corner.second & 1 ? b.x + b.w : b.x, corner.second & 2 ? b.y + b.h : b.y};
  }
  bool isFree(const std::vector<StrokeSpot>& spots) { return !meet(spots); }
  // With a short way straight out of the one and into the other.
  std::vector<StrokeSpot> spotsOf(const std::vector<Corner>& way) const {
    std::vector<StrokeSpot> out{plain_.spots[0], begins()};
    for (const Corner& corner : way) out.push_back(spotOf(corner));
    out.push_back(ends());
    out.push_back(plain_.spots[1]);
    return out;
  }

 private:
  static double lengthOf(const std::vector<StrokeSpot>& spots) {
    double out = 0;
    for (size_t i = 1; i < spots.size(); ++i) out += length(spots[i] - spots[i - 1]);
    return out;
  }

  std::optional<std::vector<Corner>> cornersRound(const std::vector<int>& inTheWay) {
    // The ends themselves are passed at their outsides.
    round_ = {route_.from, route_.to};
    met_ = inTheWay;
    for (int round = 0; round < kRounds; ++round) {
      for (const int box : met_) round_.push_back(box);
      auto way = shortest();
      if (!way || !meet(spotsOf(*way))) return way;
    }
    return {};
  }

  StrokeSpot begins() const { return plain_.spots[0] + plain_.leaves * (away_ / 2); }
  StrokeSpot ends() const { return plain_.spots[1] - plain_.arrives * (away_ / 2); }

  // Which boxes the pieces run through, into met_.
  bool meet(const std::vector<StrokeSpot>& spots) {
    met_.clear();
    const Box around = boundsOf(spots);
    for (size_t b = 0; b < counts_.size(); ++b) {
      const Box box = grown(boxes_[b], kTight);
      if (!counts_[b] || !doOverlap(box, around)) continue;
      for (size_t i = 0; i + 1 < spots.size(); ++i)
        if (crosses(box, spots[i], spots[i + 1])) {
          met_.push_back(int(b));
          break;
        }
    }
    return !met_.empty();
  }

  bool sees(StrokeSpot a, StrokeSpot b) const {
    for (const int box : round_) {
      const bool own = box == route_.from || box == route_.to;
      if (crosses(own ? boxes_[size_t(box)] : grown(boxes_[size_t(box)], kTight), a, b))
        return false;
    }
    return true;
  }

  // Dijkstra over the corners of what has to be gone round.
  std::optional<std::vector<Corner>> shortest() const {
    std::vector<Corner> corners;
    std::vector<StrokeSpot> at{begins()};
    for (const int box : round_)
      for (int c = 0; c < 4; ++c) {
        const StrokeSpot spot = spotOf({box, c});
        const bool in = std::any_of(round_.begin(), round_.end(), [&](int other) {
          return isIn(grown(boxes_[size_t(other)], kTight), spot);
        });
        if (in) continue;
        corners.push_back({box, c});
        at.push_back(spot);
      }
    at.push_back(ends());
    const size_t n = at.size();
    std::vector<double> best(n, std::numeric_limits<double>::infinity());
    std::vector<size_t> before(n, n);
    std::vector<char> done(n, false);
    best[0] = 0;
    for (size_t turn = 0; turn < n; ++turn) {
      size_t now = n;
      for (size_t i = 0; i < n; ++i)
        if (!done[i] && (now == n || best[i] < best[now])) now = i;
      if (now == n || !std::isfinite(best[now])) return {};
      if (now + 1 == n) break;
      done[now] = true;
      for (size_t i = 0; i < n; ++i) {
        const double there = best[now] + length(at[i] - at[now]);
        if (done[i] || there >= best[i] || !sees(at[now], at[i])) continue;
        best[i] = there;
        before[i] = now;
      }
    }
    std::vector<Corner> way;
    for (size_t i = before[n - 1]; i != 0 && i < n; i = before[i]) way.push_back(corners[i - 1]);
    std::reverse(way.begin(), way.end());
    return way;
  }

  std::span<const Box> boxes_;
  RouteEnds route_;
  const StrokeWay& plain_;
  double away_;
  std::vector<char> counts_;  // by box: whether it is an obstacle
  std::vector<int> met_, round_;
};

}  // namespace

std::vector<StrokeWay> strokeWays(std::span<const Box> boxes, size_t obstacles,
                                  std::span<const RouteEnds> routes, Px away) {
  std::vector<StrokeWay> out = plainWays(boxes, routes);
  if (obstacles == 0) return out;
  struct Bent {
    Detour detour;
    std::vector<Detour::Corner> corners;
  };
  std::vector<std::optional<Bent>> bent(routes.size());
  // What goes round a corner does so in the order in which it leaves, each further out.
  std::map<Detour::Corner, std::vector<std::pair<StrokeSpot, size_t>>> users;
  for (size_t i = 0; i < routes.size(); ++i) {
    if (!routes[i].bends) continue;
    Detour detour(boxes, obstacles, routes[i], out[i], away);
    auto corners = detour.corners();
    if (!corners) continue;
    for (const auto& corner : *corners) users[corner].emplace_back(out[i].spots[0], i);
    bent[i].emplace(Bent{std::move(detour), std::move(*corners)});
  }
  for (auto& each : users)
    std::sort(each.second.begin(), each.second.end(), [](const auto& a, const auto& b) {
      return std::tie(a.first.x, a.first.y) < std::tie(b.first.x, b.first.y);
    });
  std::vector<StrokeWay> ways = out;
  for (size_t i = 0; i < routes.size(); ++i) {
    if (!bent[i]) continue;
    auto& [detour, corners] = *bent[i];
    std::vector<StrokeSpot> spots = detour.spotsOf(corners), apart = spots;
    for (size_t k = 0; k < corners.size(); ++k) {
      const auto& all = users[corners[k]];
      const auto at =
          std::find_if(all.begin(), all.end(), [i](const auto& user) { return user.second == i; });
      apart[k + 2] = detour.spotOf(corners[k], kFurther * double(at - all.begin()));
    }
    ways[i].spots = detour.isFree(apart) ? std::move(apart) : std::move(spots);
    ways[i].round = detour.away();
  }
  return ways;
}

namespace {

StrokeSpot quadratic(StrokeSpot a, StrokeSpot b, StrokeSpot c, double t) {
  return a * ((1 - t) * (1 - t)) + b * (2 * t * (1 - t)) + c * (t * t);
}

std::vector<StrokeSpot> plainCurve(const StrokeWay& way, int count) {
  const StrokeSpot a = way.spots.front(), d = way.spots.back();
  const double handle = std::min(kLongestHandle, length(d - a) * kHandle);
  const StrokeSpot b = a + way.leaves * handle, c = d - way.arrives * handle;
  std::vector<StrokeSpot> out;
  for (int i = 0; i < count; ++i) {
    const double t = double(i) / (count - 1), s = 1 - t;
    out.push_back(a * (s * s * s) + b * (3 * s * s * t) + c * (3 * s * t * t) + d * (t * t * t));
  }
  return out;
}

}  // namespace

std::vector<StrokeSpot> alongStroke(const StrokeWay& way, int count) {
  if (way.spots.size() == 2) return plainCurve(way, std::max(count, 2));
  const auto& spots = way.spots;
  const int each = std::max(2, count / int(spots.size()));
  std::vector<StrokeSpot> out{spots.front()};
  for (size_t i = 1; i + 1 < spots.size(); ++i) {
    const StrokeSpot in = spots[i] - spots[i - 1], on = spots[i + 1] - spots[i];
    const double round = std::min({way.round, length(in) / 2, length(on) / 2});
    const StrokeSpot begins = spots[i] - in * (round / std::max(1e-9, length(in)));
    const StrokeSpot ends = spots[i] + on * (round / std::max(1e-9, length(on)));
    for (int k = 0; k <= each; ++k)
      out.push_back(quadratic(begins, spots[i], ends, double(k) / each));
  }
  out.push_back(spots.back());
  return out;
}

}  // namespace bristle
