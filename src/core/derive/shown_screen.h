// What a screen's layout, routes and picture rest on, so that they are made anew only where it
// changed. Parts are compared by identity: equal ones that are not the same count as changed.
#pragma once
#include <optional>

#include "runtime/document/project.h"

namespace bristle {

struct Layout;

// A screen of a project as it is shown. Cheap to copy, as a project is.
struct ShownScreen {
  Project project;
  ScreenId screen;
  Showing showing;
  const Screen* find() const { return bristle::find(project, screen); }
};

// Whether both have the same layout, since all that it rests on is the same: the screen, the kinds
// that are used on it, named values, languages, the display. Routes rest on the same.
bool sameLayout(const ShownScreen& a, const ShownScreen& b);
// The same for the picture, which rests on the machines of these kinds, too.
bool samePicture(const ShownScreen& a, const ShownScreen& b);

// Which items look otherwise, by index, where only single items do and the picture is the same but
// for them; nothing where the whole has to be painted anew.
std::optional<std::vector<size_t>> changedItems(const ShownScreen& a, const Layout& before,
                                                const ShownScreen& b, const Layout& after);

}  // namespace bristle
