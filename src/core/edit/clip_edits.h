// What is cut or copied from a screen, and its coming in again: on another screen, in another
// project.
#pragma once
#include <vector>

#include "core/edit/tree_edits.h"

namespace bristle {

// A project with one screen, which holds these items and all that is in them, and with the kinds,
// machines, values and names that they need. Of the other screens only the names are there, for
// what leads to them. `places` are those of the outermost items, from the screen's upper left.
Project clipOf(const Project& project, const Screen& screen, const std::vector<ItemId>& items,
               const Places& places);
// The screen of a clip with the items: its last.
const Screen& itemsOf(const Project& clip);

// Puts in copies, moved by dx, dy px where they lie freely. Kinds come along unless the same are
// here; those of the same name that look otherwise get a free name. Routes among them are kept,
// those to others where they are on this screen; targets and languages are found by name and tag.
Edit pasteClip(Shared<Project> clip, ScreenId screen, Spot to, Px dx, Px dy);

}  // namespace bristle
