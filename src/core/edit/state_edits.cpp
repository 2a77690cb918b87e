#include "core/edit/state_edits.h"

#include <algorithm>

namespace bristle {
namespace {

Edit onMachine(KindId id, std::string name,
               std::function<Result<Project>(Project, const Kind&, Machine&)> change) {
  return {
      std::move(name),
      {},
      [id = std::move(id), change = std::move(change)](const Project& before) -> Result<Project> {
        const Kind* kind = find(before, id);
        if (!kind || !find(before, kind->machine)) return fail({}, "that kind is gone");
        Project after = before;
        Machine* machine = edit(after, kind->machine);
        return change(std::move(after), *kind, *machine);
      }};
}

State* stateIn(Machine& machine, const StateId& id) {
  for (State& state : machine.states)
    if (state.id == id) return &state;
  return nullptr;
}

Result<void> mayBeCalled(const Machine& machine, const std::string& name, const StateId& self) {
  if (name.empty()) return fail({}, "a state needs a name");
  for (const State& state : machine.states)
    if (state.name == name && state.id != self)
      return fail({}, "another state is called “" + name + "”");
  return {};
}

}  // namespace

Edit addState(KindId kind, std::string name, Role role, std::optional<StateId> looksLike) {
  return onMachine(std::move(kind), "add state",
                   [=](Project after, const Kind& k, Machine& m) -> Result<Project> {
                     if (const auto ok = mayBeCalled(m, name, {}); !ok)
                       return tl::unexpected(ok.error());
                     const StateId id = freshId<StateId>(after, "s");
                     m.states.push_back({id, name, role, false, {}});
                     Transition in, out;
                     in.on = out.on = Event::Message;
                     in.message = name;
                     in.to = id;
                     const StateId rest = m.states.front().id;
                     in.from = rest;
                     out.from = id;
                     out.message = name + ".over";
                     out.to = rest;
                     // It answers pointer, keys and the rest as the resting state does.
                     std::vector<Transition> like = {in, out};
                     for (Transition t : m.transitions)
                       if (t.from == rest && t.on != Event::Message) {
                         t.from = id;
                         like.push_back(std::move(t));
                       }
                     m.transitions.insert(m.transitions.end(), like.begin(), like.end());
                     if (looksLike) {
                       Kind& own = *edit(after, k.id);
                       const auto at = own.departures.find(*looksLike);
                       if (at != own.departures.end()) own.departures[id] = LookValues(at->second);
                       const auto moves = own.motions.find(*looksLike);
                       if (moves != own.motions.end()) own.motions[id] = StateMotion(moves->second);
                     }
                     return after;
                   });
}

Edit renameState(KindId kind, StateId state, std::string name) {
  return onMachine(std::move(kind), "rename state",
                   [=](Project after, const Kind&, Machine& m) -> Result<Project> {
                     if (const auto ok = mayBeCalled(m, name, state); !ok)
                       return tl::unexpected(ok.error());
                     if (State* s = stateIn(m, state)) s->name = name;
                     return after;
                   });
}

Edit setRole(KindId kind, StateId state, Role role) {
  return onMachine(std::move(kind), "change role",
                   [=](Project after, const Kind&, Machine& m) -> Result<Project> {
                     if (State* s = stateIn(m, state)) s->role = role;
                     return after;
                   });
}

Edit moveState(KindId kind, StateId state, int by) {
  return onMachine(std::move(kind), "reorder states",
                   [=](Project after, const Kind&, Machine& m) -> Result<Project> {
                     const auto at = std::find_if(m.states.begin(), m.states.end(),
                                                  [&](const State& s) { return s.id == state; });
                     if (at == m.states.end()) return fail({}, "that state is gone");
                     const auto from = at - m.states.begin();
                     if (from == 0)
                       return fail({}, "the state in which a screen opens stays first");
                     const auto to =
                         std::clamp<std::ptrdiff_t>(from + by, 1, std::ssize(m.states) - 1);
                     State moved = *at;
                     m.states.erase(at);
                     m.states.insert(m.states.begin() + to, std::move(moved));
                     return after;
                   });
}

Edit timeState(KindId kind, StateId state, Timing timing) {
  return onMachine(std::move(kind), "change timing",
                   [=](Project after, const Kind&, Machine& m) -> Result<Project> {
                     if (timing.duration < 0 || timing.duration > 60'000)
                       return fail({}, "a transition takes 0 to 60 000 ms");
                     for (Transition& t : m.transitions)
                       if (t.to == state) t.timing = timing;
                     return after;
                   });
}

Timing timingInto(const Machine& machine, const StateId& state) {
  for (const Transition& t : machine.transitions)
    if (t.to == state) return t.timing.value_or(machine.timing);
  return machine.timing;
}

std::string whyKept(const Machine& machine, const State& state) {
  if (&state == &machine.states.front())
    return "“" + state.name + "” is the state in which a screen opens";
  const auto sameRole = std::count_if(machine.states.begin(), machine.states.end(),
                                      [&](const State& o) { return o.role == state.role; });
  if (state.role == Role::None || sameRole > 1) return {};
  return "“" + state.name + "” is the only state with the role " + std::string(nameOf(state.role));
}

Edit removeState(KindId kind, StateId state) {
  return onMachine(
      std::move(kind), "remove state",
      [=](Project after, const Kind& k, Machine& m) -> Result<Project> {
        const State* s = stateIn(m, state);
        if (!s) return fail({}, "that state is gone");
        if (const std::string why = whyKept(m, *s); !why.empty()) return fail({}, why);
        std::erase_if(m.transitions, [&](const Transition& t) {
          return t.to == state || (t.from && *t.from == state);
        });
        std::erase_if(m.states, [&](const State& o) { return o.id == state; });
        const MachineId machine = k.machine;
        for (const auto& other : after.kinds)
          if (other->machine == machine &&
              (other->departures.contains(state) || other->motions.contains(state))) {
            Kind& changed = *edit(after, other->id);
            changed.departures.erase(state);
            changed.motions.erase(state);
          }
        for (const auto& screen : after.screens)
          for (const auto& item : screen->items)
            if (item->button() && item->button()->own.departures.contains(state))
              if (const Kind* its = find(after, item->button()->kind);
                  its && its->machine == machine)
                edit(*edit(after, screen->id), item->id)->button()->own.departures.erase(state);
        return after;
      });
}

}  // namespace bristle
