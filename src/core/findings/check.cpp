#include "core/findings/check.h"

namespace bristle {

std::vector<Finding> check(const Project& project, const FileProbes& probes) {
  static constexpr Rule kRules[] = {checkReferences, checkMachines, checkFocus, checkNames,
                                    checkLooks};
  std::vector<Finding> out;
  const auto stopped = [&] { return probes.stop && probes.stop->load(); };
  for (const Rule rule : kRules)
    if (!stopped()) rule(project, probes.stop, out);
  if (stopped()) return out;
  if (probes.sound) checkSounds(project, probes.sound, out);
  if (probes.picture) checkPictures(project, probes.picture, out);
  return out;
}

}  // namespace bristle
