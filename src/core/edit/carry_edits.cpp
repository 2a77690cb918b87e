#include "core/edit/carry_edits.h"

#include <algorithm>

#include "core/edit/button_edits.h"
#include "core/edit/kind_edits.h"
#include "core/edit/machine_edits.h"

namespace bristle {
namespace {

// The state of `there` that stands for one of `here`; none where there is none.
std::optional<StateId> matching(const Machine& here, const StateId& id, const Machine& there) {
  if (findState(there, id)) return id;
  const State* state = findState(here, id);
  if (!state) return {};
  // The first of each role is the plain one, whatever it is called; the others go by their names.
  const auto firstOf = [&](const Machine& machine) {
    return std::find_if(machine.states.begin(), machine.states.end(),
                        [&](const State& o) { return o.role == state->role; });
  };
  const auto other = firstOf(there);
  if (state->role != Role::None && &*firstOf(here) == state && other != there.states.end())
    return other->id;
  for (const State& one : there.states)
    if (one.name == state->name) return one.id;
  return {};
}

// The target's part of that name and sort, made where it has none.
PartId partFor(Project& project, Kind& target, const Part& source) {
  for (const Part& part : target.parts)
    if (part.name == source.name && part.type == source.type) return part.id;
  Part added = source;
  added.id = freshId<PartId>(project, "p");
  // Below the label, so that the caption stays on top.
  const auto label = std::find_if(target.parts.begin(), target.parts.end(),
                                  [](const Part& p) { return p.type == PartType::Label; });
  target.parts.insert(source.type == PartType::Label ? target.parts.end() : label, added);
  return added.id;
}

void carryValues(const LookValues& from, const PartId& source, LookValues& to,
                 const PartId& target) {
  for (const auto& [key, value] : from)
    if (key.part == source) to.set({target, key.prop}, value);
}

// What moves while a state lasts goes along with the departures; times are the source's.
void carryMotions(const Kind& from, const Machine& here, const PartId& source, Kind& to,
                  const Machine& there, const PartId& target) {
  clearPart(to.motions, target);
  for (const auto& [state, motion] : from.motions) {
    const auto match = matching(here, state, there);
    for (const MotionTrack& track : motion.tracks) {
      if (track.key.part != source || !match) continue;
      StateMotion& into = to.motions[*match];
      into.delay = motion.delay;
      into.period = motion.period;
      into.count = motion.count;
      into.tracks.push_back(track);
      into.tracks.back().key.part = target;
    }
  }
}

void carryPart(const Kind& from, const Machine& here, const PartId& source, bool departures,
               Kind& to, const Machine& there, const PartId& target) {
  to.base.clearPart(target);
  carryValues(from.base, source, to.base, target);
  if (!departures) return;
  for (auto& entry : to.departures) entry.second.clearPart(target);
  for (const auto& [state, values] : from.departures)
    if (const auto match = matching(here, state, there))
      carryValues(values, source, to.departures[*match], target);
  std::erase_if(to.departures, [](const auto& entry) { return entry.second.empty(); });
  carryMotions(from, here, source, to, there, target);
}

// By the state that a transition leads to, since that is what a timing belongs to in people's
// minds.
void carryTiming(const Machine& from, Machine& to) {
  to.timing = from.timing;
  to.propTimings = from.propTimings;
  for (Transition& t : to.transitions)
    for (const Transition& source : from.transitions) {
      const auto match = matching(from, source.to, to);
      if (match == t.to && source.on == t.on) {
        t.timing = source.timing;
        t.propTimings = source.propTimings;
      }
    }
}

// To the transitions with the same event that lead to the same state.
void carrySounds(const Machine& from, Machine& to) {
  const auto isSound = [](const Effect& e) { return e.type == EffectType::Sound; };
  for (Transition& t : to.transitions) {
    std::erase_if(t.effects, isSound);
    for (const Transition& source : from.transitions)
      if (source.on == t.on && matching(from, source.to, to) == t.to) {
        const auto sound = std::find_if(source.effects.begin(), source.effects.end(), isSound);
        if (sound == source.effects.end()) continue;
        t.effects.push_back(*sound);
        break;
      }
  }
}

Result<void> carryTo(Project& project, const Kind& from, const Aspects& aspects,
                     const KindId& targetId) {
  if (!find(project, targetId)) return fail({}, "a target is gone");
  const Machine* here = find(project, from.machine);
  if (!here) return fail(from.name, "its machine is not there");
  Kind& to = *edit(project, targetId);
  if (aspects.machine && to.machine != from.machine) {
    if (const Machine* old = find(project, to.machine)) carryLooks(project, targetId, *old, *here);
    to.machine = from.machine;
  }
  const Machine* there = find(project, to.machine);
  if (!there) return fail(to.name, "its machine is not there");
  for (const Part& part : from.parts)
    if (aspects.parts.contains(part.id))
      carryPart(from, *here, part.id, aspects.departures, to, *there, partFor(project, to, part));
  if (aspects.departures) carryPart(from, *here, {}, true, to, *there, {});
  if (aspects.machine) {
    const auto gone = [&](const auto& e) { return !findState(*there, e.first); };
    std::erase_if(to.departures, gone);
    std::erase_if(to.motions, gone);
  }
  if (aspects.size) {
    to.width = from.width;
    to.height = from.height;
  }
  if (aspects.hitArea) {
    to.hitForm = from.hitForm;
    to.hitPadding = from.hitPadding;
    to.hitAlpha = from.hitAlpha;
  }
  if ((aspects.timing || aspects.sounds) && from.machine != to.machine) {
    const Machine source = *here;
    Machine& target = *edit(project, to.machine);
    if (aspects.timing) carryTiming(source, target);
    if (aspects.sounds) carrySounds(source, target);
  }
  return {};
}

void dropUnusedMachines(Project& project) {
  std::erase_if(project.machines, [&](const auto& machine) {
    return std::none_of(project.kinds.begin(), project.kinds.end(),
                        [&](const auto& kind) { return kind->machine == machine->id; });
  });
}

}  // namespace

Edit carryOver(KindId from, Aspects aspects, std::vector<CarryTarget> targets) {
  return {"carry over", {}, [=](const Project& before) -> Result<Project> {
            const Kind* source = find(before, from);
            if (!source) return fail({}, "that kind is gone");
            if (targets.empty()) return fail({}, "choose at least one target");
            Project after = before;
            for (const CarryTarget& target : targets) {
              KindId kind = target.kind;
              if (target.item) {
                auto made = buttonFrom(target.screen, target.item).apply(after);
                if (!made) return made;
                after = std::move(*made);
                kind = after.kinds.back()->id;
              }
              if (kind == from) continue;
              if (const auto done = carryTo(after, *source, aspects, kind); !done)
                return tl::unexpected(done.error());
            }
            if (aspects.machine) dropUnusedMachines(after);
            return after;
          }};
}

}  // namespace bristle
