// Edits of how transitions run: a transition's timing or the machine's default, of everything or of
// one property.
#pragma once
#include <optional>

#include "core/edit/history.h"

namespace bristle {

// No transition: the machine's default. No property: all that have no timing of their own.
struct TimingPlace {
  std::optional<size_t> transition;
  std::optional<Prop> prop;
  bool operator==(const TimingPlace&) const = default;
};

// What counts there, wherever it is set.
Timing timingAt(const Machine& machine, const TimingPlace& place);
// Whether it is set just there. The machine's default always is.
bool isOwn(const Machine& machine, const TimingPlace& place);
// The transitions that lead back from where this one leads: the way in and the way out.
std::vector<size_t> wayBack(const Machine& machine, size_t transition);

// Changes what counts there, and sets it there. With `both` the way back runs alike. Refused where
// a time is not from 0 to 600 000 ms.
Edit changeTiming(MachineId machine, TimingPlace place, bool both, std::string name,
                  std::string mergeKey, std::function<void(Timing&)> change);
// What is set there is so no more; with `both` on the way back, too.
Edit clearTiming(MachineId machine, TimingPlace place, bool both);

}  // namespace bristle
