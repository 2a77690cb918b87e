// The edit of a project's settings.
#pragma once
#include <functional>
#include <string>
#include <utility>

#include "core/edit/history.h"

namespace bristle {

inline Edit changeSettings(std::string name, std::function<void(Settings&)> change) {
  return {std::move(name), {}, [change = std::move(change)](Project after) -> Result<Project> {
            change(after.settings);
            return after;
          }};
}

}  // namespace bristle
