// All takes on all displays in all languages: a grid of what passed.
#pragma once
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "runtime/session/take.h"

namespace bristle {

class HitTest;
class TextMeasure;
struct Project;

enum class TakeEnd : std::uint8_t {
  Passed,
  Failed,
  Stopped,  // it could not be played to its end, or not at all
  LeftOut   // it is not meant for that display or language
};

struct TakeRun {
  size_t take = 0;  // in the list
  DisplayId display;
  LanguageId language;
  TakeEnd end = TakeEnd::Passed;
  std::vector<TakeFailure> failures = {};
  std::string why = {};  // it was stopped
};

// What is to be run, take by take, display by display; `displays` and `languages` empty: all of the
// project's. What is left out has its end already.
std::vector<TakeRun> runsOf(const Project& project, std::span<const Take> takes,
                            std::span<const DisplayId> displays = {},
                            std::span<const LanguageId> languages = {});
// Plays it.
void run(TakeRun& it, const Project& project, const Take& take, const TextMeasure& measure,
         const HitTest* test = nullptr);

// What a failed one says in a few lines: what was expected, and what happened.
std::string wordsFor(const TakeRun& run);
// For the tools that collect results of tests: a suite for each take, a case for each display and
// language, in the XML that JUnit has made common.
std::string junit(const Project& project, std::span<const Take> takes,
                  std::span<const TakeRun> runs);

}  // namespace bristle
