// Looks and machines in the project file.
#pragma once
#include "runtime/document/kind.h"
#include "runtime/document/machine.h"
#include "runtime/formats/json_reader.h"

namespace bristle {

// A colour as a string, gradients as an object.
Json toJson(const Fill& fill);
// Complains of what is no fill; none then.
Fill readFill(JsonReader& reader, const Json& value, const JsonPlace& at);

// The member `easing`, as a text; the usual easing where there is none. Complains of what is none.
Easing readEasing(JsonReader& reader, const Json& value, const JsonPlace& at);

// Any value of a look or of a name; references as {"named": id}.
Json toJson(const Value& value);
// A value of the same sort as `like`, or a reference.
Value readValue(JsonReader& reader, const Json& value, const JsonPlace& at, const Value& like);

// A button's own look, by the ids of the kind's parts; which property is meant is told by its key.
// Without the kind the sorts are guessed.
Json toJson(const OwnLook& own, const Kind* kind);
OwnLook readOwnLook(JsonReader& reader, const Json& value, const JsonPlace& at);

// With parts, looks and motions.
Json toJson(const Kind& kind);
// Keeps what it does not know.
Kind readKind(JsonReader& reader, const Json& value, const JsonPlace& at);

// With states, transitions, timings and waivers.
Json toJson(const Machine& machine);
// Keeps what it does not know.
Machine readMachine(JsonReader& reader, const Json& value, const JsonPlace& at);

}  // namespace bristle
