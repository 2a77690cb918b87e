#include "core/laws/explore.h"

#include <algorithm>
#include <cmath>
#include <limits>

#include "core/laws/formula_bounds.h"

namespace bristle {
namespace {

constexpr Ms kDone = Ms{1} << 41;       // every `after` of the state has come
constexpr Ms kNow = Ms{1} << 40;        // the time of every step: what was set in it shows by this
constexpr size_t kMostCandidates = 31;  // of one value: five bits of a situation's key
constexpr size_t kMostBounds = 12;
constexpr size_t kMostMessages = 5000;       // in one step that come to no end and to no repetition
constexpr size_t kMostAlike = 300;           // situations that differ in nothing but their times
constexpr std::int64_t kComparedAStep = 16;  // zones compared cost as much as one step

std::uint64_t keyOf(const Situation& s, size_t watched) {
  const auto afterDone = static_cast<std::uint64_t>(s.run.afterDone + 1);
  std::uint64_t key = s.run.state;
  key = key << 6 | s.run.signals.bits;
  key = key << 2 | std::uint64_t{s.run.byKey} << 1 | std::uint64_t{s.run.held};
  key = key << 5 | std::uint64_t{static_cast<std::uint8_t>(s.phase)} << 3 |
        std::uint64_t{s.count} << 1 | std::uint64_t{s.run.nextRepeat >= 0};
  for (size_t v = 0; v < watched; ++v) key = key * 33 + s.values[v];
  return key * 0x9E3779B97F4A7C15ULL ^ afterDone * 0xC2B2AE3D27D4EB4FULL;
}

bool alike(const Situation& a, const Situation& b) {
  return a.run.state == b.run.state && a.run.signals == b.run.signals &&
         a.run.byKey == b.run.byKey && a.run.held == b.run.held &&
         a.run.afterDone == b.run.afterDone && (a.run.nextRepeat >= 0) == (b.run.nextRepeat >= 0) &&
         a.phase == b.phase && a.count == b.count && a.values == b.values;
}

// In the midst of working off messages.
struct Passing {
  StateIndex state = 0;
  std::vector<double> values;
  std::vector<std::uint32_t> waiting;
  bool is(const Passing& other) const {
    return state == other.state && values == other.values && waiting == other.waiting;
  }
};

}  // namespace

Explorer::Explorer(const Program& program, const Symbols& symbols, std::vector<double> values,
                   const std::atomic<bool>* stop, std::int64_t mostWork)
    : program_(program), start_(std::move(values)), stop_(stop), mostWork_(mostWork) {
  start_.resize(std::max(start_.size(), symbols.values.size()));
  const Minds minds = mindsOf(program);
  messages_ = minds.messages;
  mindsCurrent_ = minds.current;
  collectValues(symbols);
}

// A guard changes its answer only at its bounds, so these and one member of each open interval
// between them stand for all values. Where an effect reads values, what leads across a bound is
// one, too. Values that no guard reads do not matter.
void Explorer::collectValues(const Symbols&) {
  ValueBounds bounds;
  for (std::uint16_t i = 0; i < program_.transitionCount(); ++i)
    addBounds(program_.transition(i).guard, bounds);
  const auto most = [&] {
    size_t n = 0;
    for (const auto& entry : bounds.at) n = std::max(n, entry.second.size());
    return n;
  };
  for (bool more = true; more && most() <= kMostBounds;) {
    more = false;
    for (std::uint16_t i = 0; i < program_.transitionCount(); ++i)
      for (const ProgramEffect& e : program_.transition(i).effects)
        if (e.type == EffectType::SetValue) more = addSources(e.formula, e.index, bounds) || more;
  }
  if (!bounds.solved) cutShort(bounds.why);
  for (const auto& [value, at] : bounds.at) {
    if (value >= start_.size()) continue;
    if (watched_.size() == kMostWatched)
      return cutShort(fmt::format("its guards read more than {} values", kMostWatched));
    watched_.push_back(value);
    candidates_.push_back(membersOf({at.begin(), at.end()}, start_[value]));
  }
}

// The start stands for the interval that it lies in. With too many bounds the lowest are taken, and
// the search is not whole.
std::vector<double> Explorer::membersOf(std::vector<double> bounds, double start) {
  if (bounds.size() > kMostBounds) {
    cutShort(fmt::format("a value has more than {} regions: it is counted with, or compared often",
                         2 * kMostBounds + 1));
    bounds.resize(kMostBounds);
  }
  std::vector<double> out{start};
  const auto add = [&](double low, double high, double member) {
    const bool hasStart = low < start && start < high;
    if (!hasStart && member != start) out.push_back(member);
  };
  const double far = std::numeric_limits<double>::infinity();
  for (size_t i = 0; i < bounds.size(); ++i) {
    const double low = i > 0 ? bounds[i - 1] : -far;
    add(low, bounds[i], i > 0 ? (low + bounds[i]) / 2 : bounds[i] - 1);
    if (bounds[i] != start) out.push_back(bounds[i]);
  }
  if (!bounds.empty()) add(bounds.back(), far, bounds.back() + 1);
  return out;
}

std::vector<double> Explorer::valuesOf(const Situation& s) const {
  std::vector<double> out = start_;
  for (size_t v = 0; v < watched_.size(); ++v) out[watched_[v]] = candidates_[v][s.values[v]];
  return out;
}

// Values that effects bring forth are new candidates, up to a limit.
bool Explorer::internValues(Situation& s, const std::vector<double>& values) {
  for (size_t v = 0; v < watched_.size(); ++v) {
    auto& all = candidates_[v];
    const double now = values[watched_[v]];
    const auto at = std::find(all.begin(), all.end(), now);
    if (at == all.end() && all.size() == kMostCandidates) {
      cutShort(fmt::format("a value takes more than {} values by what the machine sets",
                           kMostCandidates));
      return false;
    }
    s.values[v] = static_cast<std::uint8_t>(at - all.begin());
    if (at == all.end()) all.push_back(now);
  }
  return true;
}

Explorer::Limits Explorer::limitsOf(const Situation& s) const {
  const bool down = s.run.signals.has(Signals::Down);
  return {nextAfter(program_, s.run), down && program_.usesHold && !s.run.held ? program_.hold : -1,
          !(down && program_.usesRepeat) ? -1
          : s.run.nextRepeat >= 0        ? program_.repeatInterval
                                         : program_.repeatDelay};
}

void Explorer::begin() {
  visits_.clear();
  known_.clear();
  Visit first;
  first.at.run.nextRepeat = -1;
  Zone zone;
  settle(first.at, zone);
  first.zone = zone;
  visits_.push_back(first);
  known_.emplace(keyOf(first.at, watched_.size()), 0);
}

void Explorer::delivering(const Program& program, const Running& run, Event event, int message,
                          Ms after, std::span<const double> values) {
  if (rivals_) return;
  // A transition without a guard is the “otherwise” of its rank: it stands below the guarded ones.
  int rank = -1;
  std::uint32_t first = 0;
  for (const auto index : program.candidates(run.state, event)) {
    const ProgramTransition& t = program.transition(index);
    if ((event == Event::Message && t.message != message) ||
        (event == Event::After && t.after != after) || !t.guard.holds(run.signals, values))
      continue;
    const int its = (t.common ? 2 : 0) + (t.guard.always() ? 1 : 0);
    if (rank < 0) {
      rank = its;
      first = t.source;
    } else if (its == rank) {
      rivals_ = std::pair{first, t.source};
      return;
    }
  }
}

bool Explorer::apply(Situation& s, std::vector<double>& values, const LawStep& step, Timer timer) {
  outcomes_.clear();
  rivals_.reset();
  runaway_ = false;
  const Situation before = s;
  Running& run = s.run;
  run.enteredAt = run.downSince = 0;
  const StepContext c{kNow, values, &outcomes_, this, values.data()};
  if (timer != Timer::None) fire(program_, run, timer, c);
  switch (step.deed) {
    case Deed::Over:
    case Deed::Out:
      setOver(program_, run, step.deed == Deed::Over, c);
      break;
    case Deed::PointerPress:
    case Deed::KeyPress:
      beginPress(program_, run, step.deed == Deed::KeyPress, c);
      break;
    case Deed::Release:
      endPress(program_, run, c);
      break;
    case Deed::Cancel:
      abandonPress(program_, run, c);
      break;
    case Deed::Lift:
      change(program_, run, {.over = false, .ends = Ends::Press}, c);
      break;
    case Deed::Gone:
      change(program_, run, {.over = false, .ends = Ends::Abandoned}, c);
      break;
    case Deed::Focus:
    case Deed::Blur:
      setFocus(program_, run, step.deed == Deed::Focus, c);
      break;
    case Deed::Enable:
    case Deed::Disable:
      setEnabled(program_, run, step.deed == Deed::Enable, c);
      break;
    case Deed::Message:
      deliver(program_, run, Event::Message, c, step.index);
      break;
    case Deed::SetValue:
      values[static_cast<size_t>(step.index)] = step.value;
      break;
    case Deed::Current:
    case Deed::NotCurrent:
      setCurrent(program_, run, step.deed == Deed::Current, c);
      break;
    case Deed::Unlock:
      deliver(program_, run, Event::Unlock, c);
      break;
    case Deed::Wait:
      break;
  }
  workOff(s, values);
  if (!internValues(s, values)) return false;
  countPress(before, s, step);
  return true;
}

// What was set counts at once; messages reach the button itself, too, one after the other. They go
// on without end when the state, the values and what is still to be delivered come again (looked
// for as Brent does: at steps that are powers of two a situation is remembered, and compared with
// those after).
void Explorer::workOff(Situation& s, std::vector<double>& values) {
  std::optional<Passing> remembered;
  size_t sent = 0, next = 1;
  for (size_t i = 0; i < outcomes_.size(); ++i) {
    const Outcome outcome = outcomes_[i];
    if (outcome.type == OutcomeType::SetValue) values[outcome.index] = outcome.value;
    if (outcome.type != OutcomeType::Message) continue;
    if (++sent > kMostMessages)
      return cutShort(fmt::format("more than {} messages answer one another", kMostMessages));
    deliver(program_, s.run, Event::Message, {kNow, values, &outcomes_, this, values.data()},
            static_cast<int>(outcome.index));
    if (sent < 32) continue;  // the usual few need no looking at
    Passing now{s.run.state, values, {}};
    for (size_t j = i + 1; j < outcomes_.size(); ++j)
      if (outcomes_[j].type == OutcomeType::Message) now.waiting.push_back(outcomes_[j].index);
    if (remembered && now.is(*remembered) && !now.waiting.empty()) {
      runaway_ = true;
      return;
    }
    if (sent >= next) {
      remembered = std::move(now);
      next = sent * 2;
    }
  }
}

void Explorer::countPress(const Situation& before, Situation& after, const LawStep& step) const {
  const bool wasArmed = before.run.signals.has(Signals::Armed);
  const bool isArmed = after.run.signals.has(Signals::Armed);
  if (!wasArmed && isArmed) {
    after.phase = PressPhase::Going;
    after.count = 0;
  }
  if (wasArmed && !isArmed) {
    const bool inside = before.run.signals.has(Signals::Down);
    const bool letGo = step.deed == Deed::Release || step.deed == Deed::Lift;
    after.phase = letGo && inside ? PressPhase::Released : PressPhase::Abandoned;
  }
  for (const Outcome& o : outcomes_)
    if (o.type == OutcomeType::Activate)
      after.count = static_cast<std::uint8_t>(std::min(2, after.count + 1));
}

// A press that is over and done with is forgotten: fewer situations.
void Explorer::forget(Situation& s) const {
  if (s.phase == PressPhase::Going || waits(s)) return;
  s.phase = PressPhase::None;
  s.count = 0;
}

// Clocks that the step started anew, and those which do not run any more.
std::uint8_t Explorer::settle(Situation& after, Zone& zone) const {
  Running& run = after.run;
  std::uint8_t started = 0;
  const auto start = [&](Clock clock) {
    zone.reset(clock);
    started |= static_cast<std::uint8_t>(1U << static_cast<unsigned>(clock));
  };
  if (run.enteredAt == kNow) start(Clock::State);
  if (run.downSince == kNow) start(Clock::Down);
  if (run.downSince == kNow || run.nextRepeat >= kNow) start(Clock::Repeat);
  run.enteredAt = run.downSince = 0;
  run.nextRepeat = run.nextRepeat < 0 ? -1 : 0;
  if (!run.signals.has(Signals::Down)) run.nextRepeat = -1;  // set anew before it counts again
  if (!run.signals.has(Signals::Armed)) run.held = false;    // the same, by a new press
  const Limits limits = limitsOf(after);
  if (limits.state < 0) run.afterDone = kDone;
  zone.elapse();
  const auto bound = [&](Clock clock, Ms limit) {
    limit < 0 ? zone.forget(clock) : zone.atMost(clock, limit);
  };
  bound(Clock::State, limits.state);
  bound(Clock::Down, limits.down);
  bound(Clock::Repeat, limits.repeat);
  return started;
}

void Explorer::keep(size_t from, const Situation& s, const Zone& zone, const LawStep& step,
                    Timer timer, std::uint8_t started) {
  const auto key = keyOf(s, watched_.size());
  const auto range = known_.equal_range(key);
  std::int64_t compared = 0;
  size_t alikes = 0;
  for (auto at = range.first; at != range.second; ++at, ++compared) {
    const Visit& other = visits_[at->second];
    if (!alike(other.at, s)) continue;
    ++alikes;
    if (other.zone.contains(zone)) {
      work_ += compared / kComparedAStep;
      return;
    }
  }
  work_ += compared / kComparedAStep;
  if (alikes >= kMostAlike)
    return cutShort(
        fmt::format("its timers meet in more than {} ways in one situation", kMostAlike));
  Visit visit;
  visit.at = s;
  visit.zone = zone;
  visit.parent = static_cast<std::int32_t>(from);
  visit.step = step;
  visit.timer = timer;
  visit.started = started;
  known_.emplace(key, static_cast<std::uint32_t>(visits_.size()));
  visits_.push_back(visit);
}

}  // namespace bristle
