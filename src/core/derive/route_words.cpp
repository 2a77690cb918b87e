#include "core/derive/route_words.h"

#include <fmt/format.h>

#include <cmath>

namespace bristle {
namespace {

long px(double value) {
  return std::lround(value);
}

}  // namespace

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
