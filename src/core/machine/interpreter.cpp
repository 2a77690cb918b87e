#include "core/machine/interpreter.h"

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
    run.held = false;
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

void setOver(const Program& program, Running& run, bool over, const StepContext& c) {
  if (run.signals.has(Signals::Over) == over) return;
  run.signals.set(Signals::Over, over);
  setDown(run, c.now);
  deliver(program, run, over ? Event::OverBegin : Event::OverEnd, c);
}

void setFocus(const Program& program, Running& run, bool focus, const StepContext& c) {
  if (run.signals.has(Signals::Focus) == focus) return;
  run.signals.set(Signals::Focus, focus);
  // A press by key belongs to the focus: it cannot go on without it.
  const bool abandons = !focus && run.signals.has(Signals::Armed) && run.byKey;
  if (abandons) disarm(run);
  deliver(program, run, focus ? Event::FocusGain : Event::FocusLose, c);
  if (abandons) deliver(program, run, Event::Abandon, c);
}

void setEnabled(const Program& program, Running& run, bool enabled, const StepContext& c) {
  if (run.signals.has(Signals::Enabled) == enabled) return;
  run.signals.set(Signals::Enabled, enabled);
  const bool abandons = !enabled && run.signals.has(Signals::Armed);
  if (abandons) disarm(run);
  deliver(program, run, enabled ? Event::Enable : Event::Disable, c);
  if (abandons) deliver(program, run, Event::Abandon, c);
}

void beginPress(const Program& program, Running& run, bool byKey, const StepContext& c) {
  if (run.signals.has(Signals::Armed) || !run.signals.has(Signals::Enabled)) return;
  if (!byKey && !run.signals.has(Signals::Over)) return;  // a pointer presses what it is over
  run.signals.set(Signals::Armed, true);
  run.byKey = byKey;
  setDown(run, c.now);
  deliver(program, run, Event::Press, c);
}

void endPress(const Program& program, Running& run, const StepContext& c) {
  if (!run.signals.has(Signals::Armed)) return;
  const bool down = run.signals.has(Signals::Down);
  disarm(run);
  deliver(program, run, down ? Event::Release : Event::Abandon, c);
}

void abandonPress(const Program& program, Running& run, const StepContext& c) {
  if (!run.signals.has(Signals::Armed)) return;
  disarm(run);
  deliver(program, run, Event::Abandon, c);
}

Ms nextDue(const Program& program, const Running& run) {
  Ms due = -1;
  const auto offer = [&](Ms at) {
    if (due < 0 || at < due) due = at;
  };
  if (const Ms after = nextAfter(program, run); after >= 0) offer(run.enteredAt + after);
  if (run.signals.has(Signals::Down)) {
    if (program.usesHold && !run.held) offer(run.downSince + program.hold);
    if (program.usesRepeat)
      offer(run.nextRepeat < 0 ? run.downSince + program.repeatDelay : run.nextRepeat);
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
