// Edits of a machine: its transitions, its rules, whole templates, and who shares it.
#pragma once
#include "core/edit/history.h"
#include "core/edit/templates.h"

namespace bristle {

// At the end of the list, which is the lowest place among those that may answer. Refused where a
// state is not there or a formula is wrong.
Edit addTransition(MachineId machine, Transition transition);
// The change is refused as above.
Edit changeTransition(MachineId machine, size_t index, std::string name, std::string mergeKey,
                      std::function<void(Transition&)> change);
// By its place in the machine’s list; refused where there is none.
Edit removeTransition(MachineId machine, size_t index);
// Earlier (−1) or later (1) among those with the same `from` and event: the first that holds is
// taken.
Edit moveTransition(MachineId machine, size_t index, int by);

// Names, hold and repeat times, what fires, which look wins, waivers.
Edit changeMachine(MachineId machine, std::string name, std::string mergeKey,
                   std::function<void(Machine&)> change);
// Switches a law (1–10) off with a reason, or on again with none.
Edit waiveLaw(MachineId machine, int law, std::string reason);

// The machine becomes the template. Kinds that use it keep their looks: states are matched by role
// (the first of each) and by name; a new state looks like the first one of its role.
Edit applyTemplate(MachineId machine, Template which, Wins wins);
// The machine becomes another, read from elsewhere; it keeps its id, and looks are matched
// likewise.
Edit replaceMachine(MachineId machine, Machine other);
// The same machine with a law mended: looks stay with their states. Only where the machine still is
// what the mend was found for.
Edit mendMachine(MachineId machine, Machine before, Machine mended);
// The looks of a kind and of its placed buttons go along to another machine's states.
void carryLooks(Project& project, const KindId& kind, const Machine& from, const Machine& to);
// Where moveTransition would put the transition: the next one, earlier or later, that stands beside
// it (of the same state and event); nothing where there is none.
std::optional<size_t> placeAfterMove(const Machine& machine, size_t index, int by);
// The kind runs the other kind's machine from now on; its looks are matched as above.
Edit shareMachine(KindId kind, MachineId machine);
// The kind gets a copy of its machine that no other kind has.
Edit ownMachine(KindId kind);

}  // namespace bristle
