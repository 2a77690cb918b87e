#include "core/edit/timing_edits.h"

#include <algorithm>

namespace bristle {
namespace {

constexpr Ms kMost = 600'000;

const Timing* in(const PropTimings& all, Prop prop) {
  for (const PropTiming& each : all)
    if (each.prop == prop) return &each.timing;
  return nullptr;
}

void set(Machine& m, const TimingPlace& place, const Timing& timing) {
  if (!place.prop) {
    if (place.transition)
      m.transitions[*place.transition].timing = timing;
    else
      m.timing = timing;
    return;
  }
  PropTimings& all =
      place.transition ? m.transitions[*place.transition].propTimings : m.propTimings;
  for (PropTiming& each : all)
    if (each.prop == *place.prop) {
      each.timing = timing;
      return;
    }
  all.push_back({*place.prop, timing});
}

void clear(Machine& m, const TimingPlace& place) {
  if (!place.prop) {
    if (place.transition) m.transitions[*place.transition].timing.reset();
    return;
  }
  std::erase_if(place.transition ? m.transitions[*place.transition].propTimings : m.propTimings,
                [&](const PropTiming& each) { return each.prop == *place.prop; });
}

// The place itself, and with `both` the same place on the way back.
std::vector<TimingPlace> places(const Machine& m, const TimingPlace& place, bool both) {
  std::vector<TimingPlace> out{place};
  if (both && place.transition)
    for (const size_t back : wayBack(m, *place.transition)) out.push_back({back, place.prop});
  return out;
}

Edit onPlace(MachineId id, TimingPlace place, std::string name, std::string mergeKey,
             std::function<Result<void>(Machine&)> change) {
  return {std::move(name), std::move(mergeKey),
          [id = std::move(id), place,
           change = std::move(change)](const Project& before) -> Result<Project> {
            const Machine* machine = find(before, id);
            if (!machine || (place.transition && *place.transition >= machine->transitions.size()))
              return fail({}, "that transition is gone");
            Project after = before;
            if (const auto done = change(*edit(after, id)); !done)
              return tl::unexpected(done.error());
            return after;
          }};
}

}  // namespace

Timing timingAt(const Machine& m, const TimingPlace& place) {
  const Transition* t = place.transition ? &m.transitions[*place.transition] : nullptr;
  if (place.prop) {
    if (const Timing* own = t ? in(t->propTimings, *place.prop) : nullptr) return *own;
    if (const Timing* own = in(m.propTimings, *place.prop)) return *own;
  }
  return t && t->timing ? *t->timing : m.timing;
}

bool isOwn(const Machine& m, const TimingPlace& place) {
  const Transition* t = place.transition ? &m.transitions[*place.transition] : nullptr;
  if (place.prop) return in(t ? t->propTimings : m.propTimings, *place.prop) != nullptr;
  return !t || t->timing.has_value();
}

std::vector<size_t> wayBack(const Machine& m, size_t transition) {
  std::vector<size_t> out;
  const Transition& there = m.transitions[transition];
  for (size_t i = 0; i < m.transitions.size(); ++i)
    if (i != transition && there.from && m.transitions[i].from == there.to &&
        m.transitions[i].to == *there.from)
      out.push_back(i);
  return out;
}

Edit changeTiming(MachineId machine, TimingPlace place, bool both, std::string name,
                  std::string mergeKey, std::function<void(Timing&)> change) {
  return onPlace(std::move(machine), place, std::move(name), std::move(mergeKey),
                 [=](Machine& m) -> Result<void> {
                   Timing timing = timingAt(m, place);
                   change(timing);
                   if (timing.duration < 0 || timing.duration > kMost || timing.delay < 0 ||
                       timing.delay > kMost)
                     return fail({}, "times are from 0 to 600000 ms");
                   for (const TimingPlace& each : places(m, place, both)) set(m, each, timing);
                   return {};
                 });
}

Edit clearTiming(MachineId machine, TimingPlace place, bool both) {
  return onPlace(std::move(machine), place, "follow the rest", {}, [=](Machine& m) -> Result<void> {
    for (const TimingPlace& each : places(m, place, both)) clear(m, each);
    return {};
  });
}

}  // namespace bristle
