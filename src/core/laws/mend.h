// Mends for broken laws: the smallest change of the machine by which the law is kept and no other
// one is broken, found by trying and checking.
//
//   if (auto mend = mendFor({machine, project}, Law::Follows, looks)) offer(mend->words);
#pragma once
#include <optional>

#include "core/laws/check.h"

namespace bristle {

struct Mend {
  std::vector<std::string> words;  // what changes, a line for each change
  Machine before, after;           // before: what it was found for
};

// Nothing where no mend is known: where a look is to blame, or more than a handful of changes would
// be needed. `stop` gives up.
std::optional<Mend> mendFor(const Machine& machine, const Project& project, Law law,
                            const LawLooks* looks = nullptr,
                            const std::atomic<bool>* stop = nullptr);

}  // namespace bristle
