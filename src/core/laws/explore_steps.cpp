// What can be done in a situation, and what comes of it.
#include "core/laws/explore.h"

namespace bristle {

void Explorer::eachStep(size_t from, const Told& told) {
  const Situation s = visits_[from].at;  // the list grows meanwhile
  const Signals now = s.run.signals;
  const auto on = [&](Deed deed, int index = 0, double value = 0) {
    take(from, {deed, 0, index, value}, Timer::None, told);
  };
  const bool enabled = now.has(Signals::Enabled), armed = now.has(Signals::Armed);
  const bool over = now.has(Signals::Over), focus = now.has(Signals::Focus);
  on(over ? Deed::Out : Deed::Over);
  on(focus ? Deed::Blur : Deed::Focus);
  if (enabled && !armed && over) on(Deed::PointerPress);
  if (enabled && !armed && focus) on(Deed::KeyPress);  // accept goes to what has focus
  if (armed) on(Deed::Release);
  if (armed) on(Deed::Cancel);
  if (armed && over && !s.run.byKey) {  // two signals by one cause
    on(Deed::Lift);
    on(Deed::Gone);
  }
  on(enabled ? Deed::Disable : Deed::Enable);
  if (mindsCurrent_) on(now.has(Signals::Current) ? Deed::NotCurrent : Deed::Current);
  if (enabled && program_.hearsUnlock) on(Deed::Unlock);
  for (const int message : messages_) on(Deed::Message, message);
  for (size_t v = 0; v < watched_.size(); ++v)
    for (size_t c = 0; c < candidates_[v].size(); ++c)
      if (c != s.values[v]) on(Deed::SetValue, static_cast<int>(watched_[v]), candidates_[v][c]);
  const Limits limits = limitsOf(s);
  const LawStep wait{Deed::Wait};
  if (limits.state >= 0) take(from, wait, Timer::After, told);
  if (limits.down >= 0) take(from, wait, Timer::Hold, told);
  if (limits.repeat >= 0) take(from, wait, Timer::Repeat, told);
}

void Explorer::take(size_t from, const LawStep& step, Timer timer, const Told& told) {
  ++work_;
  const Visit& start = visits_[from];
  Zone zone = start.zone;
  const Limits limits = limitsOf(start.at);
  // What is due comes before what happens at the same time: after, hold, repeat, the outside.
  const auto before = [&](Clock clock, Ms limit, Timer which) {
    if (limit < 0) return;
    if (timer == which) return zone.atLeast(clock, limit);
    if (timer == Timer::None || which < timer) zone.atMost(clock, limit - 1);
  };
  before(Clock::State, limits.state, Timer::After);
  before(Clock::Down, limits.down, Timer::Hold);
  before(Clock::Repeat, limits.repeat, Timer::Repeat);
  if (zone.empty()) return;
  Situation next = start.at;
  std::vector<double> values = valuesOf(next);
  if (!apply(next, values, step, timer)) return;
  const std::uint8_t started = settle(next, zone);
  told(Edge{start, next, step, timer, outcomes_, rivals_, runaway_});
  forget(next);
  keep(from, next, zone, step, timer, started);
}

}  // namespace bristle
