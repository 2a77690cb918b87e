#include "runtime/document/whynot.h"

#include <fmt/format.h>

#include <cmath>

namespace bristle {
namespace {

bool within(double value, double least, double most) {
  return std::isfinite(value) && value >= least && value <= most;
}

std::string range(std::string_view what, double value, double least, double most) {
  if (within(value, least, most)) return {};
  return fmt::format("{} from {:g} to {:g}, not {:g}", what, least, most, value);
}

// The first of several reasons.
template <class... Reasons>
std::string firstOf(std::string reason, Reasons... more) {
  if constexpr (sizeof...(more) > 0)
    if (reason.empty()) return firstOf(std::move(more)...);
  return reason;
}

std::string time(std::string_view what, Ms value, Ms least = 0) {
  return range(what, static_cast<double>(value), static_cast<double>(least),
               static_cast<double>(kLongestTime));
}

}  // namespace

std::string whyNot(const Fill& fill) {
  if (fill.type == FillType::None) return {};
  if (fill.type == FillType::Solid) return fill.stops.size() == 1 ? "" : "one colour";
  if (fill.stops.size() < 2 || fill.stops.size() > 32) return "2 to 32 colours";
  double last = 0;
  for (const Stop& stop : fill.stops) {
    if (!within(stop.at, 0, 1) || stop.at < last) return "colours in rising order from 0 to 100 %";
    last = stop.at;
  }
  if (fill.type == FillType::Linear) return range("an angle", fill.angle, -3600, 3600);
  if (!(fill.radius > 0)) return "a radius above 0";
  return firstOf(range("the centre’s x", fill.x, -3, 3), range("the centre’s y", fill.y, -3, 3),
                 range("a radius", fill.radius, 0, 3));
}

std::string whyNot(const Shadow& s) {
  return firstOf(range("a shadow’s x", s.dx, -2000, 2000), range("a shadow’s y", s.dy, -2000, 2000),
                 range("a blur", s.blur, 0, 200), range("a spread", s.spread, -500, 500));
}

std::string whyNot(const Easing& e) {
  switch (e.type) {
    case EasingType::Linear:
      return {};
    case EasingType::CubicBezier:
      return firstOf(range("x1", e.x1, 0, 1), range("x2", e.x2, 0, 1), range("y1", e.y1, -10, 10),
                     range("y2", e.y2, -10, 10));
    case EasingType::Steps:
      return range("steps", e.count, 1, 1000);
    case EasingType::Spring:
      return firstOf(range("a period", e.period, 20, 5000), range("a damping", e.damping, 0.05, 2));
  }
  return {};
}

std::string whyNot(const Value& value) {
  struct Why {
    std::string operator()(double v) const { return range("a number", v, -kFarthest, kFarthest); }
    std::string operator()(bool) const { return {}; }
    std::string operator()(Colour) const { return {}; }
    std::string operator()(const Fill& v) const { return whyNot(v); }
    std::string operator()(const Shadow& v) const { return whyNot(v); }
    std::string operator()(const std::string&) const { return {}; }
    std::string operator()(const Four& v) const {
      const auto one = [](double x) { return range("a length", x, -kFarthest, kFarthest); };
      return firstOf(one(v.a), one(v.b), one(v.c), one(v.d));
    }
    std::string operator()(const Easing& v) const { return whyNot(v); }
    std::string operator()(const NamedRef& v) const { return v.id ? "" : "the name of a value"; }
  };
  return std::visit(Why{}, value);
}

std::string whyNot(const Timing& t) {
  return firstOf(time("a duration, ms,", t.duration), time("a delay, ms,", t.delay),
                 whyNot(t.easing));
}

std::string whyNotId(const std::string& id) {
  if (!id.empty() && id.size() <= kLongestId) return {};
  return fmt::format("an id of 1 to {} characters", kLongestId);
}

std::optional<Error> whyNot(const Display& d) {
  std::string why =
      firstOf(range("a width", d.width, 1, kLargestDisplay),
              range("a height", d.height, 1, kLargestDisplay), range("a scale", d.scale, 0.1, 8),
              range("a round corner", d.corner, 0, 1000),
              range("a density, px to an inch,", d.perInch, 0, 2000),
              range("a distance, mm,", d.distance, 0, 20'000));
  for (const Px edge : {d.safe.left, d.safe.top, d.safe.right, d.safe.bottom})
    if (why.empty()) why = range("a safe area", edge, 0, 1000);
  if (d.blocked.size() > kMostBlocked) why = fmt::format("at most {} blocked areas", kMostBlocked);
  for (const Box& box : d.blocked)
    for (const Px length : {box.x, box.y, box.w, box.h})
      if (why.empty()) why = range("a blocked area", length, 0, kLargestDisplay);
  if (why.empty()) return {};
  return Error{fmt::format("display “{}”", d.name), "expected " + why};
}

std::optional<Error> whyNot(const Settings& s) {
  const std::string why = firstOf(time("a repeat delay, ms,", s.repeatDelay),
                                  time("a repeat interval, ms,", s.repeatInterval, 1),
                                  range("a least hit size", s.leastHit, 1, 400),
                                  range("a least hit size, mm,", s.leastHitMm, 0, 50),
                                  range("a least height of text, ′,", s.leastText, 0, 60),
                                  range("a least gap", s.leastGap, 0, 400),
                                  range("a grid’s width", s.gridWidth, 1, 4000),
                                  range("a grid’s height", s.gridHeight, 1, 4000));
  if (why.empty()) return {};
  return Error{"settings", "expected " + why};
}

std::string whyNot(const ScreenMotion& m) {
  return firstOf(time("a time, ms,", m.duration), time("a time between buttons, ms,", m.follow),
                 range("x", m.x, 0, 1), range("y", m.y, 0, 1), whyNot(m.easing));
}

std::string whyNot(const Actions& actions) {
  if (actions.size() > kMostActions) return fmt::format("at most {} actions", kMostActions);
  for (const Action& action : actions) {
    std::string why = range("a number", action.number, -1e9, 1e9);
    if (why.empty() && action.change)
      why = firstOf(whyNot(action.change->out), whyNot(action.change->in));
    if (!why.empty()) return why;
  }
  return {};
}

std::optional<Error> whyNot(const ProjectValue& v) {
  constexpr double kFar = 1e12;
  constexpr size_t kMostOptions = 200;
  std::string why =
      firstOf(range("a start", v.start, -kFar, kFar), range("a step", v.step, 1e-9, kFar));
  for (const auto& limit : {v.least, v.most})
    if (why.empty() && limit) why = range("a limit", *limit, -kFar, kFar);
  if (why.empty() && v.least && v.most && *v.least > *v.most)
    why = "a least that is not more than the most";
  if (why.empty() && v.sort == ValueSort::Choice && v.options.empty()) why = "an option to choose";
  if (why.empty() && v.options.size() > kMostOptions)
    why = fmt::format("at most {} options", kMostOptions);
  if (why.empty() && bristle::within(v, v.start) != v.start) why = "a start that the value may be";
  if (why.empty()) return {};
  return Error{fmt::format("the value “{}”", v.name), "expected " + why};
}

std::optional<Error> whyNot(const NamedValue& n) {
  std::string why = whyNoName(n.name);
  const Value start = startOf(n.type);
  const auto suits = [&](const Value& value) {
    const bool alias = std::holds_alternative<NamedRef>(value);
    if (!alias && value.index() != start.index())
      return fmt::format("a value that is a {}", nameOf(n.type));
    return whyNot(value);
  };
  if (why.empty()) why = suits(n.value);
  if (why.empty() && n.dark) why = suits(*n.dark);
  if (why.empty()) return {};
  return Error{fmt::format("the named value “{}”", n.name), "expected " + why};
}

}  // namespace bristle
