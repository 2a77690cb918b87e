// Looks and machines in the project file.
#pragma once
#include "core/document/kind.h"
#include "core/document/machine.h"
#include "core/formats/json_reader.h"

namespace bristle {

Json toJson(const Fill& fill);
Fill readFill(JsonReader& reader, const Json& value, const JsonPlace& at);

Json toJson(const Kind& kind);
Kind readKind(JsonReader& reader, const Json& value, const JsonPlace& at);

Json toJson(const Machine& machine);
Machine readMachine(JsonReader& reader, const Json& value, const JsonPlace& at);

}  // namespace bristle
