// There and back: of the admissible routes along one axis, the largest set of pairs that return.
#pragma once
#include <vector>

#include "runtime/focus/candidates.h"

namespace bristle {

// forward[a] = b and backward[b] = a for every chosen pair; −1 elsewhere.
struct Pairs {
  std::vector<int> forward, backward;
};

// A maximum matching between the forward side of each box and the backward side of each other box.
// The least effort comes first (ahead before aside); what that leaves unpaired is then augmented
// (Hopcroft and Karp, 1973), so the number of pairs is the largest possible. Slots marked in
// `skipForward`/`skipBackward` take no part.
Pairs pairUp(const Candidates& forward, const Candidates& backward, size_t boxes,
             const std::vector<char>& skipForward, const std::vector<char>& skipBackward);

}  // namespace bristle
