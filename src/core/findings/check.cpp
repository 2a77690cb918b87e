#include "core/findings/check.h"

namespace bristle {

std::vector<Finding> check(const Project& project, const FileProbes& probes) {
  static constexpr Rule kRules[] = {checkReferences, checkMachines, checkFocus, checkNames,
                                    checkLooks};
  std::vector<Finding> out;
  for (const Rule rule : kRules) rule(project, out);
  if (probes.sound) checkSounds(project, probes.sound, out);
  if (probes.picture) checkPictures(project, probes.picture, out);
  return out;
}

}  // namespace bristle
