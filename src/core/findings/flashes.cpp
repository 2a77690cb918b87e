// What flashes.
#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "core/edit/kind_edits.h"
#include "core/edit/machine_edits.h"
#include "core/findings/rules.h"

namespace bristle {
namespace {

constexpr double kPerSecond = 3, kSecond = 1000;  // flashes (WCAG 2.2 §2.3.1)
// px: 10° of sight are 341 × 256, a quarter of which may flash (there, too).
constexpr double kArea = 341.0 * 256 / 4;

// As slow as it has to be, in what makes it flash: the timers of a machine, the frames of a
// picture, or key frames.
Edit slowed(const Project& project, const Kind& kind, const Eyes::Flashing& f) {
  const double slower = kSecond / f.three;
  const auto longer = [slower](Ms of) { return Ms(std::ceil(double(of) * slower)); };
  if (!f.transitions.empty())
    return changeMachine(kind.machine, "slow the flashing down", {},
                         [all = f.transitions, longer](Machine& m) {
                           for (const size_t i : all)
                             if (i < m.transitions.size())
                               m.transitions[i].after = longer(m.transitions[i].after);
                         });
  if (f.part.text.empty())
    return changeKind(kind.id, "slow the flashing down", {}, [state = f.state, longer](Kind& k) {
      const auto at = k.motions.find(state);
      if (at != k.motions.end()) at->second.period = longer(at->second.period);
    });
  const PropKey key{f.part, Prop::FrameRate};
  const Value rate = settled(valueIn(kind, f.state, key),
                             *findProperty(PartType::Picture, Prop::FrameRate), naming(project));
  const double fewer = std::floor(std::get<double>(rate) / slower * 100) / 100;
  return changeKind(kind.id, "slow the flashing down", {}, [state = f.state, key, fewer](Kind& k) {
    k.departures[state].set(key, fewer);
  });
}

}  // namespace

// Small buttons may.
void checkFlashes(const Surroundings& around, const Kind& kind, Findings& out) {
  const Machine* machine = find(around.project, kind.machine);
  if (!around.eyes || !machine || kind.still) return;
  for (const Eyes::Flashing& f : around.eyes->flashings(around.project, kind, kArea, around.stop)) {
    const double rate = kPerSecond * kSecond / f.three;
    const State* state = findState(*machine, f.state);
    out.push_back(
        {.place = "kind “" + kind.name + "”",
         .reason = fmt::format("it flashes {:.1f} times a second in state “{}”{}", rate,
                               state ? state->name : f.state.text,
                               f.transitions.empty() ? "" : " and those that follow by themselves"),
         .kind = kind.id,
         .state = f.state,
         .detail = f.transitions.empty() ? f.part.text : std::to_string(f.transitions.front() + 1),
         .figure = rate,
         .limit = kPerSecond,
         .unit = "/s",
         .mends = {slowed(around.project, kind, f)}});
  }
}

}  // namespace bristle
