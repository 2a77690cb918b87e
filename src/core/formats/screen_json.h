// Screens in the project file.
#pragma once
#include "core/document/screen.h"
#include "core/formats/json_reader.h"

namespace bristle {

Json toJson(const Screen& screen);
Screen readScreen(JsonReader& reader, const Json& value, const JsonPlace& at);

}  // namespace bristle
