// A menu as plain data, for the importer of an engine that has rules of its own: every screen laid
// out on each display in each language, with its routes; looks with names and departures settled;
// machines, actions, bindings and texts. Nothing of how it was made is in it: no pins, no
// containers’ rules, no named values (data/schema/menu.schema.json).
//
// What runs the menu by the library wants menu_file.h instead.
#pragma once
#include <string>

#include "runtime/document/project.h"

namespace bristle {

class TextMeasure;

inline constexpr int kLaidOutVersion = 1;

// JSON. Lengths are layout px, rounded to 1/1000; of a display times its `scale` they are device
// px. The same project and fonts give the same text.
std::string writeLaidOut(const Project& project, const TextMeasure& measure);

}  // namespace bristle
