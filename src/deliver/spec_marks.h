// How what has changed is marked in HTML.
#pragma once
#include "deliver/specification.h"

namespace bristle {

// With a blank before it; nothing where nothing has changed.
inline std::string markOf(SpecChange change) {
  if (change == SpecChange::None) return {};
  return change == SpecChange::New ? " <span class=\"mark\">new</span>"
                                   : " <span class=\"mark\">changed</span>";
}

}  // namespace bristle
