// Texts and languages in the project file. A text that is in the first language only is a plain
// string, else {"base": "Dive", "in": {"l4": "Tauchen"}}.
#pragma once
#include "runtime/document/text.h"
#include "runtime/formats/json_reader.h"

namespace bristle {

// Short where there is only one language.
Json toJson(const Text& text);
// The member `key`; no text where it is missing.
Text readText(JsonReader& reader, const Json& object, const JsonPlace& at, std::string_view key);

// With what was not known when it was read.
Json toJson(const Language& language);
// Keeps what it does not know.
Language readLanguage(JsonReader& reader, const Json& value, const JsonPlace& at);

}  // namespace bristle
