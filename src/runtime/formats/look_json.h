// Looks and machines in the project file.
#pragma once
#include "runtime/document/kind.h"
#include "runtime/document/machine.h"
#include "runtime/formats/json_reader.h"

namespace bristle {

Json toJson(const Fill& fill);
Fill readFill(JsonReader& reader, const Json& value, const JsonPlace& at);

// Any value of a look or of a name; references as {"named": id}.
Json toJson(const Value& value);
// A value of the same sort as `like`, or a reference.
Value readValue(JsonReader& reader, const Json& value, const JsonPlace& at, const Value& like);

// A button's own look, by the ids of the kind's parts; which property is meant is told by its key.
// Without the kind the sorts are guessed.
Json toJson(const OwnLook& own, const Kind* kind);
OwnLook readOwnLook(JsonReader& reader, const Json& value, const JsonPlace& at);

Json toJson(const Kind& kind);
Kind readKind(JsonReader& reader, const Json& value, const JsonPlace& at);

Json toJson(const Machine& machine);
Machine readMachine(JsonReader& reader, const Json& value, const JsonPlace& at);

}  // namespace bristle
