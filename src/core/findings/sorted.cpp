#include "core/findings/sorted.h"

#include <unordered_map>

namespace bristle {

SortedFindings sorted(const Project& project, Findings all) {
  SortedFindings out;
  std::unordered_map<std::string, const Accepted*> accepted;
  for (const Accepted& each : project.accepted) accepted[each.key] = &each;
  for (Finding& f : all) {
    const auto at = accepted.find(f.key);
    if (at == accepted.end()) {
      out.open.push_back(std::move(f));
      continue;
    }
    const Accepted& how = *at->second;
    accepted.erase(at);
    out.accepted.push_back({std::move(f), how.reason, how.on});
  }
  for (const Accepted& each : project.accepted)
    if (accepted.contains(each.key)) out.outdated.push_back(each);
  return out;
}

}  // namespace bristle
