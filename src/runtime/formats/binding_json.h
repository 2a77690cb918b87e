// Bindings and shortcuts in files.
#pragma once
#include "runtime/document/project.h"
#include "runtime/formats/json_reader.h"

namespace bristle {

Json toJson(const Binding& binding);
Binding readBinding(JsonReader& r, const Json& value, const JsonPlace& at);
// The member “bindings” of a project or a screen.
std::vector<Binding> readBindings(JsonReader& r, const Json& value, const JsonPlace& at);

Json toJson(const Shortcut& shortcut);
Shortcut readShortcut(JsonReader& r, const Json& value, const JsonPlace& at);

}  // namespace bristle
