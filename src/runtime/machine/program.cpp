#include "runtime/machine/program.h"

#include <fmt/format.h>

#include <algorithm>

namespace bristle {
namespace {

int stateIndex(const Machine& machine, const StateId& id) {
  for (size_t i = 0; i < machine.states.size(); ++i)
    if (machine.states[i].id == id) return static_cast<int>(i);
  return -1;
}

Pace paceOf(const Machine& machine, const Transition& t, const Naming& names) {
  Pace out{settledTiming(t.timing.value_or(machine.timing), names), {}};
  for (const PropTimings* from : {&t.propTimings, &machine.propTimings})
    for (const PropTiming& each : *from) {
      const bool known = std::any_of(out.own.begin(), out.own.end(),
                                     [&](const PropTiming& o) { return o.prop == each.prop; });
      if (!known) out.own.push_back({each.prop, settledTiming(each.timing, names)});
    }
  return out;
}

Result<ProgramTransition> compileTransition(const Machine& machine, size_t at, Symbols& symbols,
                                            const Naming& names) {
  const Transition& from = machine.transitions[at];
  const auto place = fmt::format("machine “{}”, transition {}", machine.name, at + 1);
  ProgramTransition out;
  out.to = static_cast<StateIndex>(stateIndex(machine, from.to));
  out.source = static_cast<std::uint32_t>(at);
  out.common = !from.from;
  out.after = from.after;
  if (from.on == Event::Message) out.message = symbols.messageIndex(from.message);
  out.pace = paceOf(machine, from, names);
  auto guard = compileFormula(from.guard, symbols);
  if (!guard) return fail(place + ", guard, " + guard.error().place, guard.error().reason);
  out.guard = std::move(*guard);
  for (const Effect& effect : from.effects) {
    ProgramEffect compiled{effect.type, 0, {}, std::clamp(effect.volume, 0.0, 1.0)};
    if (effect.type == EffectType::Sound)
      compiled.index = static_cast<std::uint32_t>(symbols.soundIndex(effect.file));
    if (effect.type == EffectType::Message)
      compiled.index = static_cast<std::uint32_t>(symbols.messageIndex(effect.message));
    if (effect.type == EffectType::SetValue) {
      const int value = symbols.valueIndex(effect.value);
      if (value < 0) return fail(place, fmt::format("no value “{}”", effect.value.text));
      compiled.index = static_cast<std::uint32_t>(value);
      auto formula = compileFormula(effect.formula, symbols);
      if (!formula)
        return fail(place + ", effect, " + formula.error().place, formula.error().reason);
      compiled.formula = std::move(*formula);
    }
    out.effects.push_back(std::move(compiled));
  }
  return out;
}

}  // namespace

Timing settledTiming(Timing timing, const Naming& names) {
  const Value* duration = timing.namedDuration ? names.settle(timing.namedDuration) : nullptr;
  if (duration && std::holds_alternative<double>(*duration))
    timing.duration = static_cast<Ms>(std::clamp(std::get<double>(*duration), 0.0, 3.6e6));
  const Value* easing = timing.namedEasing ? names.settle(timing.namedEasing) : nullptr;
  if (easing && std::holds_alternative<Easing>(*easing)) timing.easing = std::get<Easing>(*easing);
  timing.namedDuration = timing.namedEasing = {};
  return timing;
}

const Timing& Pace::of(Prop prop) const {
  for (const PropTiming& each : own)
    if (each.prop == prop) return each.timing;
  return all;
}

Result<Program> Program::compile(const Machine& machine, Symbols& symbols, const Naming& names) {
  if (machine.states.empty()) return fail("machine “" + machine.name + "”", "it has no states");
  if (machine.states.size() > 60000 || machine.transitions.size() > 60000)
    return fail("machine “" + machine.name + "”", "more than 60000 states or transitions");
  Program program;
  for (const State& state : machine.states) program.roles_.push_back(state.role);
  for (size_t i = 0; i < machine.transitions.size(); ++i) {
    const Transition& t = machine.transitions[i];
    if (stateIndex(machine, t.to) < 0 || (t.from && stateIndex(machine, *t.from) < 0)) continue;
    auto compiled = compileTransition(machine, i, symbols, names);
    if (!compiled) return tl::unexpected(compiled.error());
    program.transitions_.push_back(std::move(*compiled));
    program.usesHold |= t.on == Event::Hold;
    program.usesRepeat |= t.on == Event::Repeat;
    program.hearsCurrent |= t.on == Event::CurrentBegin || t.on == Event::CurrentEnd;
    program.hearsUnlock |= t.on == Event::Unlock;
  }
  program.pace_ = paceOf(machine, {}, names);
  program.hold = std::max<Ms>(machine.hold, 1);
  program.repeatDelay = std::max<Ms>(machine.repeatDelay, 1);
  program.repeatInterval = std::max<Ms>(machine.repeatInterval, 1);
  program.sortByStateAndEvent(machine);
  return program;
}

StateIndex Program::restState() const {
  const auto at = std::find(roles_.begin(), roles_.end(), Role::Rest);
  return at == roles_.end() ? StateIndex{0} : static_cast<StateIndex>(at - roles_.begin());
}

void Program::sortByStateAndEvent(const Machine& machine) {
  spans_.resize(roles_.size() * kEvents);
  const auto source = [&](size_t i) -> const Transition& {
    return machine.transitions[transitions_[i].source];
  };
  for (size_t state = 0; state < roles_.size(); ++state) {
    for (size_t event = 0; event < kEvents; ++event) {
      Span& span = spans_[state * kEvents + event];
      span.from = static_cast<std::uint32_t>(order_.size());
      for (const bool common : {false, true}) {
        for (size_t i = 0; i < transitions_.size(); ++i) {
          const Transition& t = source(i);
          if (static_cast<size_t>(t.on) != event || common == t.from.has_value()) continue;
          if (common || *t.from == machine.states[state].id)
            order_.push_back(static_cast<std::uint16_t>(i));
        }
      }
      span.count = static_cast<std::uint16_t>(order_.size() - span.from);
    }
  }
}

Minds mindsOf(const Program& program) {
  Minds out;
  out.current = program.hearsCurrent;
  const auto add = [](auto& all, auto one) {
    if (std::find(all.begin(), all.end(), one) == all.end()) all.push_back(one);
  };
  for (std::uint16_t i = 0; i < program.transitionCount(); ++i) {
    const ProgramTransition& t = program.transition(i);
    if (t.message >= 0) add(out.messages, t.message);
    out.current = out.current || t.guard.reads(Signals::Current);
    for (const ProgramEffect& e : t.effects)
      out.current = out.current || e.formula.reads(Signals::Current);
    t.guard.each([&](std::uint32_t value) { add(out.values, value); }, [](double) {});
  }
  return out;
}

}  // namespace bristle
