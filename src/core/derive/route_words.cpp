#include "core/derive/route_words.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "runtime/focus/clusters.h"
#include "runtime/focus/scopes.h"

namespace bristle {
namespace {

long px(double value) {
  return std::lround(value);
}

// Px, rounded up: so much at least.
long pxAtLeast(double value) {
  return static_cast<long>(std::ceil(std::max(0.0, value)));
}

// The least change that would let it be picked; empty where moving it would not.
std::string remedy(const Sight& in, int box, Dir dir, const RankedCandidate& c) {
  switch (c.verdict) {
    case Verdict::Aside:
      return fmt::format("with {} px less aside it would lie within 45°",
                         pxAtLeast(c.terms.aside - c.terms.along));
    case Verdict::Beside:
      return fmt::format("{} px farther on it would begin beyond", pxAtLeast(-c.gap));
    case Verdict::Dearer: {
      const double best = whyNot(in.input, in.routes, box, dir, c.because).cost;
      return fmt::format("{} px nearer it would be about as good",
                         pxAtLeast(c.cost - mostNatural(best)));
    }
    case Verdict::Natural:
      return "pinned it would lead there";
    case Verdict::Chosen:
    case Verdict::Dominated:
    case Verdict::Behind:
    case Verdict::WrongWay:
      break;
  }
  return {};
}

}  // namespace

namespace {

std::string shutInWords(const ScreenRoutes& routes, int cluster) {
  return routes.clusters[size_t(cluster)].leave == Leave::Sealed
             ? "only cancel leaves its cluster"
             : "its cluster is one stop: cancel comes out of it";
}

// Whether its cluster, which is left at its ends only, has something that comes before `target`.
bool comesBefore(const ScreenRoutes& routes, int box, Dir dir, int target) {
  const int to = routes.output.routes[size_t(box)][size_t(dir)].target;
  const auto& around = routes.clustersOf[size_t(box)];
  return to >= 0 && std::any_of(around.begin(), around.end(), [&](int c) {
           return routes.clusters[size_t(c)].leave == Leave::Ends && holds(routes, c, to) &&
                  !holds(routes, c, target);
         });
}

}  // namespace

std::string reasonInWords(const ScreenRoutes& routes, int box, Dir dir) {
  const Route& route = routes.output.routes[size_t(box)][size_t(dir)];
  if (const auto* exit = exitAt(routes, routes.output.routes, box, dir))
    return exit->type == RouteType::Closed ? "the exit of its cluster is closed"
                                           : "the exit of its cluster";
  if (route.target >= 0) return inWords(route.reason);
  if (const int shut = shutting(routes, box); shut >= 0) return shutInWords(routes, shut);
  const auto sights = sightsOf(routes);
  const Sight* in = innermost(sights, box);
  return in ? inWords(whyEmpty(in->input, in->placeOf[size_t(box)], dir)) : inWords(route.reason);
}

std::string whyNotInWords(const ScreenRoutes& routes, int box, Dir dir, int target,
                          const BoxName& name) {
  if (isShut(routes, box, target)) return shutInWords(routes, shutting(routes, box));
  if (comesBefore(routes, box, dir, target))
    return "its cluster is left at its ends only, and goes on that way";
  const auto sights = sightsOf(routes);
  const Sight* in = innermost(sights, box, target);
  if (!in) return "the one is in a list or a fly-out that the other is not in";
  const int from = in->placeOf[size_t(box)];
  const RankedCandidate c = whyNot(in->input, in->routes, from, dir, in->placeOf[size_t(target)]);
  const auto nameOfPlace = [&](int place) { return name(in->boxes[size_t(place)]); };
  const std::string help = remedy(*in, from, dir, c);
  return fmt::format("{}: {}{}{}", whereInWords(c), verdictInWords(c, nameOfPlace),
                     help.empty() ? "" : "; ", help);
}

std::string whereInWords(const RankedCandidate& c) {
  if (c.verdict == Verdict::WrongWay) return "it does not lie that way";
  if (c.verdict == Verdict::Beside) return fmt::format("beside, {} px aside", px(c.terms.aside));
  if (c.ahead && c.gap < 0) return fmt::format("straight ahead, {} px over it", px(-c.gap));
  if (c.ahead) return fmt::format("straight ahead, {} px", px(c.gap));
  return fmt::format("{} px on, {} px aside, {}° off", px(c.terms.along), px(c.terms.aside),
                     px(c.angle));
}

std::string verdictInWords(const RankedCandidate& c, const BoxName& name) {
  switch (c.verdict) {
    case Verdict::Chosen:
      return "chosen";
    case Verdict::Natural:
      return "about as good";
    case Verdict::Dearer:
      return fmt::format("farther than {}", name(c.because));
    case Verdict::Dominated:
      return fmt::format("{} is better on each count", name(c.because));
    case Verdict::Behind:
      return fmt::format("behind {}", name(c.because));
    case Verdict::Aside:
      return "too far aside";
    case Verdict::Beside:
      return "begins too soon";
    case Verdict::WrongWay:
      return "the wrong way";
  }
  return "";
}

std::string inWords(RouteReason reason) {
  switch (reason) {
    case RouteReason::Solved:
      return "solved";
    case RouteReason::Fixed:
      return "pinned";
    case RouteReason::Stopgap:
      return "stopgap: nothing natural lies that way";
    case RouteReason::Repair:
      return "repair: so that all can be reached";
    case RouteReason::None:
      break;
  }
  return "nothing";
}

std::string inWords(Emptiness emptiness) {
  switch (emptiness) {
    case Emptiness::Closed:
      return "closed";
    case Emptiness::Beside:
      return "what lies that way begins before this ends";
    case Emptiness::Nothing:
      break;
  }
  return "nothing lies that way";
}

}  // namespace bristle
