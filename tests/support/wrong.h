#pragma once
#include "core/findings/check.h"

namespace bristle::test {

// What is found but for notes: those may be meant.
inline Findings wrongWith(const Project& project) {
  Findings out = check(project);
  std::erase_if(out, [](const Finding& f) { return f.severity == Severity::Note; });
  return out;
}

}  // namespace bristle::test
