// Edits between kinds and the buttons placed of them.
#pragma once
#include <map>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "core/edit/history.h"

namespace bristle {

// All that the button has of its own is gone; it looks like its kind again.
Edit clearOwn(ScreenId screen, ItemId item);
// A kind for this button alone, with what it had of its own; the caption names it. The kind is the
// last of the project after it.
Edit detach(ScreenId screen, ItemId item);
// A panel or picture becomes a button of a new kind that looks as it did, in the same place.
Edit buttonFrom(ScreenId screen, ItemId item);

// One picture for each state of a "menu button": by role, absent ones fall back to the rest.
struct StatePictures {
  std::string name;
  Px width = 0, height = 0;
  std::map<Role, std::string> files;  // Rest must be there
  std::string caption = {};           // empty: the pictures carry their own text
};
// A kind whose picture part shows them. Adds a focus ring where there is no picture for focus.
Edit kindFromPictures(StatePictures pictures);
// Several kinds; with a screen, a button of each, side by side in a row of their own.
Edit kindsFromPictures(std::vector<StatePictures> all, ScreenId screen, Px x, Px y);

// One button cut out of flat art: its pictures, and where it stood, in layout px.
struct CutButton {
  StatePictures pictures;
  Px x = 0, y = 0;
};
// A new screen with the background behind everything, locked, and a button for each, placed where
// it was. The screen is the last of the project after it.
Edit placeCut(std::string screen, std::string background, std::vector<CutButton> buttons);

// File names that end in a state's name belong together: "dive-hover.png", "dive.pressed.png",
// "Dive Disabled.svg". What stands alone is a group with a rest picture only.
struct NamedFile {
  std::string name;  // the file's name without its folder
  std::string file;
};
// Files whose names end in a state, as dive-hover.png does, by what is before it; in the order of
// the first of each.
std::vector<std::pair<std::string, std::map<Role, std::string>>> groupByState(
    const std::vector<NamedFile>& files);
// The role that a name tells: its last word is a state's name ("hover", "over", "down" …).
std::optional<Role> roleOfName(std::string_view name);

}  // namespace bristle
