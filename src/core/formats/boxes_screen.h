// A layout from another tool, as a screen of plain buttons.
#pragma once
#include <string>

#include "core/edit/history.h"
#include "core/formats/boxes_file.h"

namespace bristle {

// A new screen, the last, with a button at each box, called by its id; of a kind “Plain button”,
// which is made where there is none, and whose hit area is the box. Drawn for a display of the
// boxes' size where they say one, which is made where there is none. Refused where a box is larger
// or farther away than an item may be.
Edit addScreenOfBoxes(std::string name, BoxesFile boxes);

}  // namespace bristle
