// The events that a person can choose from, in one order wherever they are offered.
#pragma once
#include <QStringList>

#include "runtime/document/machine.h"

namespace bristle {

// In a person’s words, in the order of a choice of them.
QStringList eventNames();
// Its place in that list.
int eventIndex(Event event);
// A message gets a name, a time some length, where it has none yet.
void setEvent(Transition& transition, int index);

}  // namespace bristle
