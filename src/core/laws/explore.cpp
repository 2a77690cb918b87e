#include "core/laws/explore.h"

#include <algorithm>
#include <cmath>

namespace bristle {
namespace {

constexpr Ms kDone = Ms{1} << 41;  // every `after` of the state has come
constexpr Ms kNow = Ms{1} << 40;   // the time of every step: what was set in it shows by this
constexpr size_t kMostCandidates = 16;
constexpr int kMostMessages = 200;  // in one step

std::uint64_t keyOf(const Situation& s, size_t watched) {
  const auto afterDone = static_cast<std::uint64_t>(s.run.afterDone + 1);
  std::uint64_t key = s.run.state;
  key = key << 6 | s.run.signals.bits;
  key = key << 2 | std::uint64_t{s.run.byKey} << 1 | std::uint64_t{s.run.held};
  key = key << 5 | std::uint64_t{static_cast<std::uint8_t>(s.phase)} << 3 |
        std::uint64_t{s.count} << 1 | std::uint64_t{s.run.nextRepeat >= 0};
  for (size_t v = 0; v < watched; ++v) key = key << 4 | s.values[v];
  return key * 0x9E3779B97F4A7C15ULL ^ afterDone * 0xC2B2AE3D27D4EB4FULL;
}

bool alike(const Situation& a, const Situation& b) {
  return a.run.state == b.run.state && a.run.signals == b.run.signals &&
         a.run.byKey == b.run.byKey && a.run.held == b.run.held &&
         a.run.afterDone == b.run.afterDone && (a.run.nextRepeat >= 0) == (b.run.nextRepeat >= 0) &&
         a.phase == b.phase && a.count == b.count && a.values == b.values;
}

}  // namespace

Explorer::Explorer(const Program& program, const Symbols& symbols, std::vector<double> values,
                   const std::atomic<bool>* stop)
    : program_(program), start_(std::move(values)), stop_(stop) {
  start_.resize(std::max(start_.size(), symbols.values.size()));
  const Minds minds = mindsOf(program);
  messages_ = minds.messages;
  readsCurrent_ = minds.current;
  collectValues(symbols);
}

// A guard changes its answer only about the numbers that it compares with, so these and their
// neighbours stand for all values. Values that no guard reads do not matter.
void Explorer::collectValues(const Symbols& symbols) {
  std::vector<std::vector<double>> about(symbols.values.size());
  std::vector<bool> isRead(symbols.values.size());
  const auto look = [&](const Formula& formula, bool isGuard) {
    std::vector<std::uint32_t> reads;
    std::vector<double> numbers;
    formula.each([&](std::uint32_t v) { reads.push_back(v); },
                 [&](double n) { numbers.push_back(n); });
    for (const auto v : reads) {
      if (v >= about.size()) continue;
      isRead[v] = isRead[v] || isGuard;
      about[v].insert(about[v].end(), numbers.begin(), numbers.end());
    }
  };
  for (std::uint16_t i = 0; i < program_.transitionCount(); ++i) {
    const ProgramTransition& t = program_.transition(i);
    look(t.guard, true);
    for (const ProgramEffect& e : t.effects) look(e.formula, false);
  }
  for (std::uint32_t v = 0; v < about.size(); ++v) {
    if (!isRead[v]) continue;
    if (watched_.size() == kMostWatched) {
      whole_ = false;
      return;
    }
    std::vector<double> all{start_[v]};
    const auto add = [&](double x) {
      if (all.size() < kMostCandidates / 2 && std::find(all.begin(), all.end(), x) == all.end())
        all.push_back(x);
    };
    for (const double n : about[v])
      for (const double x : {n, n - 1, n + 1}) add(x);
    add(0);
    add(1);
    watched_.push_back(v);
    candidates_.push_back(std::move(all));
  }
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
      whole_ = false;
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
  if (!readsCurrent_) return;
  // Whether a button is the current one is so from when its screen opens.
  first.at.run.signals.set(Signals::Current, true);
  first.parent = 0;
  first.step = {Deed::Current};
  visits_.push_back(first);
  known_.emplace(keyOf(first.at, watched_.size()), 1);
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
    case Deed::Wait:
      break;  // being current is settled when the screen opens
  }
  workOff(s, values);
  if (!internValues(s, values)) return false;
  countPress(before, s, step);
  return true;
}

// What was set counts at once; messages reach the button itself, too, one after the other.
void Explorer::workOff(Situation& s, std::vector<double>& values) {
  int sent = 0;
  for (size_t i = 0; i < outcomes_.size(); ++i) {
    const Outcome outcome = outcomes_[i];
    if (outcome.type == OutcomeType::SetValue) values[outcome.index] = outcome.value;
    if (outcome.type != OutcomeType::Message) continue;
    if (++sent > kMostMessages) {
      runaway_ = true;
      return;
    }
    deliver(program_, s.run, Event::Message, {kNow, values, &outcomes_, this, values.data()},
            static_cast<int>(outcome.index));
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
    after.phase =
        step.deed == Deed::Release && inside ? PressPhase::Released : PressPhase::Abandoned;
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
  for (auto at = range.first; at != range.second; ++at) {
    const Visit& other = visits_[at->second];
    if (alike(other.at, s) && other.zone.contains(zone)) return;
  }
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
