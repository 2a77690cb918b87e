#include "runtime/machine/interpreter.h"

#include <algorithm>

namespace bristle {
namespace {

constexpr int kRunaway = 1000;

void setDown(Running& run, Ms now) {
  const bool down = run.signals.has(Signals::Armed) &&
                    (run.byKey || run.signals.has(Signals::Over)) &&
                    run.signals.has(Signals::Enabled);
  if (down && !run.signals.has(Signals::Down)) {
    run.downSince = now;
    run.nextRepeat = -1;
  }
  run.signals.set(Signals::Down, down);
}

void disarm(Running& run) {
  run.signals.set(Signals::Armed, false);
  run.signals.set(Signals::Down, false);
  run.byKey = false;
}

void doEffects(const ProgramTransition& transition, const Running& run, const StepContext& c) {
  for (const ProgramEffect& effect : transition.effects) {
    Outcome out{OutcomeType::Activate, 0, 0, effect.index, 0, c.now};
    if (effect.type == EffectType::Message) out.type = OutcomeType::Message;
    if (effect.type == EffectType::Sound) {
      out.type = OutcomeType::Sound;
      out.value = effect.volume;
    }
    if (effect.type == EffectType::SetValue) {
      out.type = OutcomeType::SetValue;
      out.value = effect.formula.value(run.signals, c.values);
      if (c.sets) c.sets[effect.index] = out.value;
    }
    c.out->push_back(out);
  }
}

}  // namespace

Ms nextAfter(const Program& program, const Running& run) {
  Ms next = -1;
  for (const auto index : program.candidates(run.state, Event::After)) {
    const Ms after = program.transition(index).after;
    if (after > run.afterDone && (next < 0 || after < next)) next = after;
  }
  return next;
}

void deliver(const Program& program, Running& run, Event event, const StepContext& c, int message,
             Ms after) {
  if (c.watch) c.watch->delivering(program, run, event, message, after, c.values);
  for (const auto index : program.candidates(run.state, event)) {
    const ProgramTransition& t = program.transition(index);
    if (event == Event::Message && t.message != message) continue;
    if (event == Event::After && t.after != after) continue;
    if (!t.guard.holds(run.signals, c.values)) continue;
    c.out->push_back({OutcomeType::State, run.state, t.to, index, 0, c.now});
    run.state = t.to;
    run.enteredAt = c.now;
    run.afterDone = -1;
    doEffects(t, run, c);
    return;
  }
}

void change(const Program& program, Running& run, const SignalChange& wanted,
            const StepContext& c) {
  const Signals before = run.signals;
  const auto set = [&](Signals::Bit bit, const std::optional<bool>& on) {
    if (on) run.signals.set(bit, *on);
  };
  set(Signals::Over, wanted.over);
  set(Signals::Focus, wanted.focus);
  set(Signals::Enabled, wanted.enabled);
  set(Signals::Current, wanted.current);
  const auto gained = [&](Signals::Bit bit) { return run.signals.has(bit) && !before.has(bit); };
  const auto lost = [&](Signals::Bit bit) { return !run.signals.has(bit) && before.has(bit); };
  const bool armed = before.has(Signals::Armed);
  const bool releases = armed && wanted.ends == Ends::Press && before.has(Signals::Down) &&
                        run.signals.has(Signals::Enabled);
  // A press by key belongs to the focus: it cannot go on without it.
  const bool ends = armed && (wanted.ends != Ends::Nothing || lost(Signals::Enabled) ||
                              (run.byKey && lost(Signals::Focus)));
  const bool focusLost = lost(Signals::Focus), overEnded = lost(Signals::Over);
  const bool focusGained = gained(Signals::Focus), overBegan = gained(Signals::Over);
  const bool enabledNow = gained(Signals::Enabled), disabledNow = lost(Signals::Enabled);
  const bool currentNow = gained(Signals::Current), notCurrentNow = lost(Signals::Current);
  ends ? disarm(run) : setDown(run, c.now);
  if (disabledNow) deliver(program, run, Event::Disable, c);
  if (focusLost) deliver(program, run, Event::FocusLose, c);
  if (releases) deliver(program, run, Event::Release, c);
  if (overEnded) deliver(program, run, Event::OverEnd, c);
  if (ends && !releases) deliver(program, run, Event::Abandon, c);
  if (enabledNow) deliver(program, run, Event::Enable, c);
  if (notCurrentNow) deliver(program, run, Event::CurrentEnd, c);
  if (currentNow) deliver(program, run, Event::CurrentBegin, c);
  if (focusGained) deliver(program, run, Event::FocusGain, c);
  if (overBegan) deliver(program, run, Event::OverBegin, c);
}

void setOver(const Program& program, Running& run, bool over, const StepContext& c) {
  change(program, run, {.over = over}, c);
}

void setFocus(const Program& program, Running& run, bool focus, const StepContext& c) {
  change(program, run, {.focus = focus}, c);
}

void setEnabled(const Program& program, Running& run, bool enabled, const StepContext& c) {
  change(program, run, {.enabled = enabled}, c);
}

void setCurrent(const Program& program, Running& run, bool current, const StepContext& c) {
  change(program, run, {.current = current}, c);
}

void beginPress(const Program& program, Running& run, bool byKey, const StepContext& c) {
  if (run.signals.has(Signals::Armed) || !run.signals.has(Signals::Enabled)) return;
  if (!byKey && !run.signals.has(Signals::Over)) return;  // a pointer presses what it is over
  run.signals.set(Signals::Armed, true);
  run.byKey = byKey;
  run.held = false;
  setDown(run, c.now);
  deliver(program, run, Event::Press, c);
}

void endPress(const Program& program, Running& run, const StepContext& c) {
  change(program, run, {.ends = Ends::Press}, c);
}

void abandonPress(const Program& program, Running& run, const StepContext& c) {
  change(program, run, {.ends = Ends::Abandoned}, c);
}

Due nextTimer(const Program& program, const Running& run) {
  Due due;
  const auto offer = [&](Ms at, Timer timer) {
    if (due.timer == Timer::None || at < due.at) due = {at, timer};
  };
  if (const Ms after = nextAfter(program, run); after >= 0)
    offer(run.enteredAt + after, Timer::After);
  if (run.signals.has(Signals::Down)) {
    if (program.usesHold && !run.held) offer(run.downSince + program.hold, Timer::Hold);
    if (program.usesRepeat)
      offer(run.nextRepeat < 0 ? run.downSince + program.repeatDelay : run.nextRepeat,
            Timer::Repeat);
  }
  return due;
}

void fire(const Program& program, Running& run, Timer timer, const StepContext& c) {
  switch (timer) {
    case Timer::None:
      return;
    case Timer::After: {
      const Ms after = nextAfter(program, run);
      run.afterDone = after;
      return deliver(program, run, Event::After, c, -1, after);
    }
    case Timer::Hold:
      run.held = true;
      return deliver(program, run, Event::Hold, c);
    case Timer::Repeat:
      run.nextRepeat = c.now + program.repeatInterval;
      return deliver(program, run, Event::Repeat, c);
  }
}

// What is overdue by different times still goes by rank: it is all of one moment then.
void fireNext(const Program& program, Running& run, const StepContext& c) {
  const Ms after = nextAfter(program, run);
  const bool isDown = run.signals.has(Signals::Down);
  if (after >= 0 && run.enteredAt + after <= c.now) {
    fire(program, run, Timer::After, c);
  } else if (isDown && program.usesHold && !run.held && run.downSince + program.hold <= c.now) {
    fire(program, run, Timer::Hold, c);
  } else if (isDown && program.usesRepeat) {
    fire(program, run, Timer::Repeat, c);
  }
}

bool FiringChain::goesOn(Ms due) {
  length_ = due == last_ ? length_ + 1 : 0;
  last_ = due;
  return length_ <= kRunaway;
}

void cutShort(Running& run, const StepContext& c) {
  c.out->push_back({OutcomeType::Runaway, run.state, run.state, 0, 0, c.now});
  run.afterDone = c.now - run.enteredAt;
}

void advance(const Program& program, Running& run, StepContext context) {
  const Ms until = context.now;
  FiringChain chain;
  for (Ms due = nextDue(program, run); due >= 0 && due <= until; due = nextDue(program, run)) {
    context.now = due;
    if (!chain.goesOn(due)) return cutShort(run, context);
    fireNext(program, run, context);
  }
}

}  // namespace bristle
