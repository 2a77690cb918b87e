// How soon a button answers, and what never comes to rest.
#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "core/edit/kind_edits.h"
#include "core/edit/machine_edits.h"
#include "core/findings/rules.h"

namespace bristle {
namespace {

constexpr Ms kAtOnce = 100;    // until something is seen: what people take for at once
constexpr Ms kMovesOn = 5000;  // what moves longer must be stoppable (WCAG 2.2 §2.2.2)

// The soonest of what may begin after the event.
Ms seenAfter(const Machine& machine, const Transition& t) {
  Ms out = (t.timing ? *t.timing : machine.timing).delay;
  for (const PropTimings* own : {&t.propTimings, &machine.propTimings})
    for (const PropTiming& each : *own) out = std::min(out, each.timing.delay);
  return out;
}

bool isUse(Event on) {
  return on == Event::OverBegin || on == Event::Press || on == Event::FocusGain ||
         on == Event::Release;
}

}  // namespace

void checkAnswers(const Surroundings&, const Machine& machine, Findings& out) {
  for (size_t i = 0; i < machine.transitions.size(); ++i) {
    const Transition& t = machine.transitions[i];
    const Ms after = seenAfter(machine, t);
    if (!isUse(t.on) || after <= kAtOnce) continue;
    const State* to = findState(machine, t.to);
    out.push_back({.place = "machine “" + machine.name + "”",
                   .reason = fmt::format("{} ms go by until anything of “{}” is seen", after,
                                         to ? to->name : t.to.text),
                   .machine = machine.id,
                   .state = t.to,
                   .detail = std::to_string(i + 1),
                   .figure = double(after),
                   .limit = double(kAtOnce),
                   .unit = "ms",
                   .mends = {changeMachine(machine.id, "answer at once", {}, [i](Machine& m) {
                     if (i >= m.transitions.size()) return;
                     auto& timing = m.transitions[i].timing;
                     if (!timing) timing = m.timing;
                     timing->delay = 0;
                   })}});
  }
}

// What moves by itself while nobody does anything, beside other things that are read.
void checkEndless(const Surroundings& around, const Kind& kind, Findings& out) {
  const Machine* machine = find(around.project, kind.machine);
  if (!machine || kind.still) return;
  for (const State& state : machine->states) {
    const auto at = kind.motions.find(state.id);
    if (state.role != Role::Rest || at == kind.motions.end() || at->second.tracks.empty()) continue;
    const StateMotion& motion = at->second;
    const Ms lasts = motion.period * motion.count;
    if (motion.count > 0 && lasts <= kMovesOn) continue;
    Finding f{
        .rule = "endless-motion",
        .place = "kind “" + kind.name + "”",
        .reason = motion.count == 0
                      ? fmt::format("in state “{}” it moves for as long as it is there", state.name)
                      : fmt::format("in state “{}” it moves for {:g} s", state.name,
                                    double(lasts) / 1000),
        .kind = kind.id,
        .state = state.id,
        .limit = double(kMovesOn) / 1000,
        .unit = "s",
        .mends = {changeKind(kind.id, "let it come to rest", {}, [id = state.id](Kind& k) {
          const auto moved = k.motions.find(id);
          if (moved != k.motions.end() && moved->second.period > 0)
            moved->second.count = std::max(1, static_cast<int>(kMovesOn / moved->second.period));
        })}};
    if (motion.count > 0) f.figure = double(lasts) / 1000;
    out.push_back(std::move(f));
  }
}

}  // namespace bristle
