#include "core/edit/machine_edits.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/laws/check.h"

namespace bristle {
namespace {

// What a person can get wrong is refused with the place; what was wrong before stays as it was.
Result<Project> sound(Project after, const MachineId& id, size_t index) {
  const Machine& machine = *find(after, id);
  const Transition& t = machine.transitions[index];
  if (!findState(machine, t.to)) return fail({}, "there is no state “" + t.to.text + "”");
  if (t.from && !findState(machine, *t.from))
    return fail({}, "there is no state “" + t.from->text + "”");
  if (t.on == Event::Message && t.message.empty()) return fail({}, "the message needs a name");
  constexpr Ms kMost = 600'000;  // ten minutes: nobody waits longer for a button
  const auto tooLong = [](Ms ms) { return ms < 0 || ms > kMost; };
  Machine alone = machine;
  alone.transitions = {t};
  bool wrong = tooLong(t.after);
  eachTiming(alone, [&](const Timing& timing) {
    wrong = wrong || tooLong(timing.duration) || tooLong(timing.delay);
  });
  if (wrong) return fail({}, "times are from 0 to 600000 ms");
  if (const auto ready = makeReady(alone, after); !ready)
    return fail(ready.error().place, ready.error().reason);
  return after;
}

Edit onMachine(MachineId id, std::string name, std::string mergeKey,
               std::function<Result<Project>(Project, Machine&)> change) {
  return {
      std::move(name), std::move(mergeKey),
      [id = std::move(id), change = std::move(change)](const Project& before) -> Result<Project> {
        if (!find(before, id)) return fail({}, "that machine is gone");
        Project after = before;
        Machine* machine = edit(after, id);
        return change(std::move(after), *machine);
      }};
}

// The state of the other machine that stands for one of this; none where there is no such.
const State* counterpart(const Machine& here, const State& state, const Machine& there) {
  const auto first = [](const Machine& m, Role role) {
    const auto at = std::find_if(m.states.begin(), m.states.end(),
                                 [&](const State& s) { return s.role == role; });
    return at == m.states.end() ? nullptr : &*at;
  };
  if (const State* same = findState(there, state.id); same && same->role == state.role) return same;
  if (state.role != Role::None && first(here, state.role) == &state)
    return first(there, state.role);
  for (const State& other : there.states)
    if (other.name == state.name) return &other;
  return nullptr;
}

template <class Departures>
Departures carried(const Departures& old, const Machine& from, const Machine& to, bool fill) {
  Departures out;
  for (const State& state : from.states)
    if (const auto at = old.find(state.id); at != old.end())
      if (const State* other = counterpart(from, state, to)) out[other->id] = at->second;
  if (!fill) return out;
  for (const State& state : to.states) {
    if (out.contains(state.id) || state.role == Role::None) continue;
    const auto like = std::find_if(to.states.begin(), to.states.end(),
                                   [&](const State& s) { return s.role == state.role; });
    if (const auto at = out.find(like->id); at != out.end() && like->id != state.id)
      out[state.id] = typename Departures::mapped_type(at->second);
  }
  return out;
}

}  // namespace

void carryLooks(Project& project, const KindId& id, const Machine& from, const Machine& to) {
  Kind& kind = *edit(project, id);
  kind.departures = carried(kind.departures, from, to, true);
  kind.motions = carried(kind.motions, from, to, false);
  for (auto& screen : project.screens) {
    const auto uses = [&](const Item& item) {
      return item.button() && item.button()->kind == id && !item.button()->own.departures.empty();
    };
    if (std::none_of(screen->items.begin(), screen->items.end(),
                     [&](const auto& item) { return uses(*item); }))
      continue;
    for (auto& item : screen.edit().items)
      if (uses(*item)) {
        auto& own = item.edit().button()->own.departures;
        own = carried(own, from, to, false);
      }
  }
}

namespace {

// All kinds that run the machine keep their looks.
Project become(Project after, Machine& machine, Machine now) {
  const Machine before = machine;
  machine = now;
  for (size_t i = 0; i < after.kinds.size(); ++i)
    if (after.kinds[i]->machine == before.id)
      carryLooks(after, KindId(after.kinds[i]->id), before, now);
  return after;
}

}  // namespace

Edit addTransition(MachineId machine, Transition transition) {
  return onMachine(machine, "add transition", {},
                   [=](Project after, Machine& m) -> Result<Project> {
                     m.transitions.push_back(transition);
                     const size_t at = m.transitions.size() - 1;
                     return sound(std::move(after), machine, at);
                   });
}

Edit changeTransition(MachineId machine, size_t index, std::string name, std::string mergeKey,
                      std::function<void(Transition&)> change) {
  return onMachine(machine, std::move(name), std::move(mergeKey),
                   [=](Project after, Machine& m) -> Result<Project> {
                     if (index >= m.transitions.size()) return fail({}, "that transition is gone");
                     change(m.transitions[index]);
                     return sound(std::move(after), machine, index);
                   });
}

Edit removeTransition(MachineId machine, size_t index) {
  return onMachine(machine, "remove transition", {},
                   [=](Project after, Machine& m) -> Result<Project> {
                     if (index >= m.transitions.size()) return fail({}, "that transition is gone");
                     m.transitions.erase(m.transitions.begin() + std::ptrdiff_t(index));
                     return after;
                   });
}

std::optional<size_t> placeAfterMove(const Machine& m, size_t index, int by) {
  const auto& all = m.transitions;
  if (index >= all.size()) return {};
  const int step = by < 0 ? -1 : 1;
  for (int at = int(index) + step; at >= 0 && at < int(all.size()); at += step)
    if (all[size_t(at)].from == all[index].from && all[size_t(at)].on == all[index].on)
      return size_t(at);
  return {};
}

Edit moveTransition(MachineId machine, size_t index, int by) {
  return onMachine(machine, "reorder transitions", {},
                   [=](Project after, Machine& m) -> Result<Project> {
                     if (index >= m.transitions.size()) return fail({}, "that transition is gone");
                     if (const auto to = placeAfterMove(m, index, by))
                       std::swap(m.transitions[*to], m.transitions[index]);
                     return after;
                   });
}

Edit changeMachine(MachineId machine, std::string name, std::string mergeKey,
                   std::function<void(Machine&)> change) {
  return onMachine(std::move(machine), std::move(name), std::move(mergeKey),
                   [=](Project after, Machine& m) -> Result<Project> {
                     change(m);
                     if (m.name.empty()) return fail({}, "a machine needs a name");
                     return after;
                   });
}

Edit waiveLaw(MachineId machine, int law, std::string reason) {
  return onMachine(std::move(machine), reason.empty() ? "switch law on" : "switch law off", {},
                   [=](Project after, Machine& m) -> Result<Project> {
                     if (law < 1 || law > kLaws) return fail({}, "there are laws 1 to 10");
                     std::erase_if(m.waivers, [&](const Waiver& w) { return w.law == law; });
                     if (!reason.empty()) m.waivers.push_back({law, reason});
                     std::sort(m.waivers.begin(), m.waivers.end(),
                               [](const Waiver& a, const Waiver& b) { return a.law < b.law; });
                     return after;
                   });
}

Edit applyTemplate(MachineId machine, Template which, Wins wins) {
  return onMachine(machine, "apply template", {},
                   [=](Project after, Machine& m) -> Result<Project> {
                     Machine now = fromTemplate(which, m.id, m.name, wins);
                     now.hold = m.hold;
                     now.repeatDelay = m.repeatDelay;
                     now.repeatInterval = m.repeatInterval;
                     now.extra = m.extra;
                     return become(std::move(after), m, std::move(now));
                   });
}

namespace {
Edit replaced(MachineId machine, std::string name, Machine other) {
  return onMachine(machine, std::move(name), {}, [=](Project after, Machine& m) -> Result<Project> {
    Machine now = other;
    now.id = m.id;
    if (const auto ready = makeReady(now, after); !ready)
      return fail(ready.error().place, ready.error().reason);
    Project out = become(std::move(after), m, std::move(now));
    out.lastId = highestId(out);
    return out;
  });
}
}  // namespace

Edit replaceMachine(MachineId machine, Machine other) {
  return replaced(std::move(machine), "import statechart", std::move(other));
}

Edit mendMachine(MachineId machine, Machine before, Machine mended) {
  Edit mend = replaced(machine, "mend a law", std::move(mended));
  return {mend.name, {}, [=](const Project& now) -> Result<Project> {
            const Machine* there = find(now, machine);
            if (!there || *there != before)
              return fail(
                  {}, "the machine has changed since this mend was found; it is looked for anew");
            return mend.apply(now);
          }};
}

Edit shareMachine(KindId kind, MachineId machine) {
  return {"share machine", {}, [=](const Project& before) -> Result<Project> {
            const Kind* k = find(before, kind);
            const Machine* to = find(before, machine);
            if (!k || !to) return fail({}, "that kind or machine is gone");
            Project after = before;
            if (const Machine* from = find(before, k->machine); from && from != to)
              carryLooks(after, kind, *from, *to);
            edit(after, kind)->machine = machine;
            return after;
          }};
}

Edit ownMachine(KindId kind) {
  return {"give a machine of its own", {}, [=](const Project& before) -> Result<Project> {
            const Kind* k = find(before, kind);
            const Machine* from = k ? find(before, k->machine) : nullptr;
            if (!from) return fail({}, "that kind's machine is gone");
            Project after = before;
            Machine copy = *from;
            copy.id = freshId<MachineId>(after, "m");
            copy.name = k->name + " machine";
            edit(after, kind)->machine = copy.id;
            after.machines.emplace_back(std::move(copy));
            return after;
          }};
}

}  // namespace bristle
