// Findings in the Static Analysis Results Interchange Format, SARIF 2.1.0 (OASIS Standard, 27 March
// 2020), which code hosts and reviewers read.
#pragma once
#include <set>
#include <string>

#include "core/findings/sorted.h"

namespace bristle {

struct SarifFile {
  std::string uri;   // of the project's file, as results name it
  std::string text;  // of it as it stands on disk; fixes are told of only where it is known
};

// A log of one run: every rule that found something, a result for each finding, those that were
// accepted with their suppression (§3.35), stable fingerprints (§3.27.17), and a fix (§3.55) where
// a mend changes the file as it stands. With `baseline`, the keys of an earlier log, each says
// whether it is new, unchanged or absent (§3.27.24).
std::string sarif(const Project& project, const SortedFindings& found, const SarifFile& file,
                  const std::set<std::string>* baseline = nullptr);

// The keys of the results of a log that this program wrote, suppressed ones, too, and without what
// was absent. An error where it is no SARIF 2.1.0.
Result<std::set<std::string>> keysInSarif(std::string_view text);

}  // namespace bristle
