// Machines as statecharts: SCXML 1.0 (W3C Recommendation, 2015) with the ECMAScript data model.
//
// What runs it sends, for each thing that happens to a button, first the event `signals` with the
// data {over, armed, down, focus, enabled, current} (0 or 1), then the event itself: over.begin,
// over.end, press, release, abandon, focus.gain, focus.lose, enable, disable, current.begin,
// current.end, hold, repeat, and message.NAME for what others tell. value.ID, with a number, sets a
// value. The events of one cause (disable, then abandon) are sent together, those of the next once
// the chart rests.
//
// It sends activate.now where the button activates, told.NAME where it tells something (others are
// to be told by the host; the button itself has heard it already, by <raise>), set.ID with the
// datum {value} where it sets a value, and sound.play where one is heard. after.STATE.MS it sends
// itself, with a delay. In NAME, ID and STATE all but letters, digits and - is written _xx.
#pragma once
#include <QByteArray>
#include <QString>

#include "runtime/document/project.h"

namespace bristle {

// An error where a formula is wrong. What only looks need (timing, roles, names) is kept in
// attributes of a namespace of our own, so that readStatechart gives the same machine again.
Result<QByteArray> writeStatechart(const Machine& machine, const Project& project);

// Takes flat charts: states, or states in one state, with transitions whose conditions are
// formulas that we have too. The error names the line and what cannot be taken; nothing is
// half-taken. Values and ids are those of the project.
Result<Machine> readStatechart(const QByteArray& text, const Project& project);

}  // namespace bristle
