// Where a formula may change its answer as one value changes. Two values between the same
// neighbouring bounds get the same answers from a guard, so one of them stands for all
// (behaviour.md §2's regions).
//
//   ValueBounds bounds;
//   addBounds(guard, bounds);       // "@depth * 2 < -5" → −2.5 for depth
//   if (!bounds.solved) …           // two values compared, or a product of them: nobody can tell
#pragma once
#include <map>
#include <set>
#include <string>

#include "runtime/machine/formula.h"

namespace bristle {

struct ValueBounds {
  std::map<std::uint32_t, std::set<double>> at;  // by value; an empty set: it is read, and matters
  bool solved = true;                            // every comparison was linear in one value
  std::string why;                               // the first that was not, in words
};

// Of a guard: its comparisons, and where it turns from zero. Signals are taken to be anything.
void addBounds(const Formula& guard, ValueBounds& bounds);
// What an effect sets a value to: where the values that it reads lead across the target's bounds,
// they have bounds, too. True when there were new ones.
bool addSources(const Formula& effect, std::uint32_t target, ValueBounds& bounds);

}  // namespace bristle
