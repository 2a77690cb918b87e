// Screens in the project file.
#pragma once
#include "runtime/document/project.h"
#include "runtime/formats/json_reader.h"

namespace bristle {

// The project's kinds tell which sorts of parts a button's own look is of.
Json toJson(const Screen& screen, const Project& project);
Screen readScreen(JsonReader& reader, const Json& value, const JsonPlace& at,
                  const Project& project);

}  // namespace bristle
