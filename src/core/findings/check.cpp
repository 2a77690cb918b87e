#include "core/findings/check.h"

namespace bristle {

std::vector<Finding> check(const Project& project, const WhyNoSound& why) {
  static constexpr Rule kRules[] = {checkReferences, checkMachines, checkFocus, checkNames,
                                    checkLooks};
  std::vector<Finding> out;
  for (const Rule rule : kRules) rule(project, out);
  if (why) checkSounds(project, why, out);
  return out;
}

}  // namespace bristle
