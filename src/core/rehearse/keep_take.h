// What was rehearsed as a take, to be played again as a test.
#pragma once
#include <functional>
#include <span>
#include <string>

#include "runtime/document/project.h"
#include "runtime/session/take.h"

namespace bristle {

class HitTest;
class Reel;
class Session;
class TextMeasure;

// What is kept of a reel.
struct KeepTake {
  std::string name, about;
  // Ms: only what lies between them. What begins later opens the screen that was on top then.
  Ms from = 0, until = 1'000'000'000;
  // Entries of the reel's trace that are expected; none: all but the states, which follow from the
  // rest, and the device; of pointers what is done, not where they rest.
  std::span<const size_t> expected = {};
};

// A take without steps that begins as the session did.
Take takeLike(const Session& session, std::string name, std::string about);

// Pointers are kept by the button that they are on, so that the take can be played on any display.
// An error when what is left can't be played.
Result<Take> keepTake(const Reel& reel, const KeepTake& what, const TextMeasure& measure,
                      const HitTest* test = nullptr);

// The take with what happens as what is expected of it, from now on.
Result<Take> withWhatHappens(const Project& project, Take take, const TextMeasure& measure,
                             const HitTest* test = nullptr);

}  // namespace bristle
