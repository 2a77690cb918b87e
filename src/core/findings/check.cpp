#include "core/findings/check.h"

namespace bristle {

std::vector<Finding> check(const Project& project) {
  static constexpr Rule kRules[] = {checkReferences, checkMachines, checkFocus, checkNames,
                                    checkLooks};
  std::vector<Finding> out;
  for (const Rule rule : kRules) rule(project, out);
  return out;
}

}  // namespace bristle
