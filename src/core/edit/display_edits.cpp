#include "core/edit/display_edits.h"

#include <algorithm>

namespace bristle {
namespace {

Edit onProject(std::string name, std::string merge,
               std::function<Result<Project>(Project)> change) {
  return {std::move(name), std::move(merge),
          [change = std::move(change)](const Project& before) { return change(before); }};
}

auto at(Project& project, const DisplayId& id) {
  return std::find_if(project.displays.begin(), project.displays.end(),
                      [&](const Display& each) { return each.id == id; });
}

// What rests on the display: routes that hold on it only, screens that were drawn on it.
void forget(Project& project, const DisplayId& display) {
  for (auto& screen : project.screens) {
    if (screen->drawnOn == display) screen.edit().drawnOn = {};
    for (size_t i = 0; i < screen->items.size(); ++i) {
      const ButtonData* button = screen->items[i]->button();
      const auto isOn = [&](const RouteException& each) { return each.display == display; };
      if (!button || std::none_of(button->routes.where.begin(), button->routes.where.end(), isOn))
        continue;
      std::erase_if(screen.edit().items[i].edit().button()->routes.where, isOn);
    }
  }
}

// Screens that say nothing are drawn on the first display: they say so before another one is.
void keepDrawn(Project& project) {
  const DisplayId first = project.displays.front().id;
  for (auto& screen : project.screens)
    if (!screen->drawnOn && screen->scaling != Scaling::None) screen.edit().drawnOn = first;
}

}  // namespace

Edit addDisplay(std::string name) {
  return onProject("add display", {}, [=](Project after) -> Result<Project> {
    Display fresh = after.displays.back();
    fresh.id = freshId<DisplayId>(after, "d");
    std::vector<std::string> taken;
    for (const Display& each : after.displays) taken.push_back(each.name);
    fresh.name = freeName(taken, name);
    fresh.extra = {};
    after.displays.push_back(std::move(fresh));
    return after;
  });
}

Edit changeDisplay(DisplayId display, std::string name, std::string merge,
                   std::function<void(Display&)> change) {
  return onProject(std::move(name), std::move(merge), [=](Project after) -> Result<Project> {
    const auto found = at(after, display);
    if (found == after.displays.end()) return fail({}, "the display is gone");
    change(*found);
    return after;
  });
}

Edit removeDisplay(DisplayId display) {
  return onProject("remove display", {}, [=](Project after) -> Result<Project> {
    if (after.displays.size() < 2) return fail({}, "the last display cannot go");
    keepDrawn(after);
    std::erase_if(after.displays, [&](const Display& each) { return each.id == display; });
    forget(after, display);
    return after;
  });
}

Edit putDisplayFirst(DisplayId display) {
  return onProject("put display first", {}, [=](Project after) -> Result<Project> {
    keepDrawn(after);
    const auto found = at(after, display);
    if (found != after.displays.end()) std::rotate(after.displays.begin(), found, found + 1);
    return after;
  });
}

}  // namespace bristle
