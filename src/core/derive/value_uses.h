// Who sets a value of the project, and who asks for it.
#pragma once
#include <string>
#include <vector>

#include "runtime/document/project.h"

namespace bristle {

// In the words of the project, each once, in its order.
struct ValueUses {
  std::vector<std::string> setBy, askedBy;
};
ValueUses usesOf(const Project& project, const ValueId& value);

}  // namespace bristle
