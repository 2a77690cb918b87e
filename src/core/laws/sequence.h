// What leads to a situation, as events with times, and running it.
#pragma once
#include "core/laws/law.h"
#include "runtime/machine/interpreter.h"

namespace bristle {

// Plays one step after another to a machine; messages that it sends reach itself, too, as in a
// menu, and what it sets counts at once. The outcomes of each step are appended.
class SequencePlayer {
 public:
  // Begins at rest, at 0 ms, with these values.
  SequencePlayer(const Program& program, std::vector<double> values,
                 DeliveryWatch* watch = nullptr);
  // Goes on from there, at 0 ms.
  void take(const Running& run) { run_ = run; }
  // Lets timers fire up to the step's time, then does it.
  void step(const LawStep& step);
  // The next `after` of the state at once, and what comes of it.
  void fireAfter();
  const Running& run() const { return run_; }
  const std::vector<double>& values() const { return values_; }
  const std::vector<Outcome>& outcomes() const { return outcomes_; }

 private:
  void wait(Ms until);
  void workOff();
  const Program& program_;
  Running run_;
  std::vector<double> values_;
  std::vector<Outcome> outcomes_;
  size_t worked_ = 0;
  DeliveryWatch* watch_;
};

// "the pointer comes over it, press, focus goes at 600 ms" in words; messages by their names.
std::string inWords(const Sequence& sequence, const Symbols& symbols);
std::string inWords(const LawStep& step, const Symbols& symbols);

}  // namespace bristle
