// What was found, apart by whether somebody has accepted it.
#pragma once
#include "core/findings/finding.h"

namespace bristle {

struct SortedFindings {
  Findings open;
  struct Accepted {
    Finding finding;
    std::string reason, on;
  };
  std::vector<Accepted> accepted;
  std::vector<bristle::Accepted> outdated;  // accepted, and not found any more
};
SortedFindings sorted(const Project& project, Findings all);

}  // namespace bristle
