// Edits of the project's values.
#pragma once
#include <functional>
#include <string>

#include "core/edit/history.h"

namespace bristle {

// A flag that is no, a number that is 0, a choice of one option; the name is made one of its own.
Edit addValue(std::string name, ValueSort sort);
// What it starts at is kept within what it may be.
Edit changeValue(ValueId id, std::string name, std::string mergeKey,
                 std::function<void(ProjectValue&)> change);
// What sets or asks it is told of as a finding.
Edit removeValue(ValueId id);

}  // namespace bristle
