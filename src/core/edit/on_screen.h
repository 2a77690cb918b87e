// The frame of all edits of one screen.
#pragma once
#include <functional>
#include <string>
#include <utility>

#include "core/edit/history.h"

namespace bristle {

// `change` gets the project after the edit and the screen in it; it is refused where the screen is
// gone.
inline Edit onScreen(ScreenId id, std::string name, std::string mergeKey,
                     std::function<Result<Project>(Project, Screen&)> change) {
  return {
      std::move(name), std::move(mergeKey),
      [id = std::move(id), change = std::move(change)](const Project& before) -> Result<Project> {
        if (!find(before, id)) return fail({}, "that screen is gone");
        Project after = before;
        Screen* screen = edit(after, id);
        return change(std::move(after), *screen);
      }};
}

}  // namespace bristle
