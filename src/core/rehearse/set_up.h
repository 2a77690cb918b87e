// How a rehearsal differs from the project as it is delivered.
#pragma once
#include <map>
#include <optional>

#include "runtime/document/project.h"

namespace bristle {

// Nothing said: as the project has it.
struct SetUp {
  std::optional<bool> dark, rightToLeft;
  std::map<ValueId, double> starts;
  bool operator==(const SetUp&) const = default;
};

// The project as it is rehearsed in that language. Starts stay within their values' limits; values
// that are gone are left out.
Project asSetUp(Project project, const SetUp& setUp, const LanguageId& language);

}  // namespace bristle
