// How long one screen of a running menu is there, and how much of it: opening, shown, covered,
// uncovered, closing. Time is handed in.
//
//   ScreenLife life;
//   life.open(screen.comes, now);
//   while (!life.passed(now)) … life.presence(now) …
#pragma once
#include <cstdint>

#include "runtime/document/screen.h"

namespace bristle {

// Opening: its coming runs. Covered: another screen lies on top of it. Uncovered: that one is going
// away. Closing: its going runs, and it takes part in nothing any more.
enum class ScreenPhase : std::uint8_t { Opening, Shown, Covered, Uncovered, Closing };

class ScreenLife {
 public:
  // What is passed in `now` and handed back is in ms of the session.
  void open(const ScreenMotion& comes, Ms now);
  void cover() { phase_ = ScreenPhase::Covered; }
  // `lasts`: how long the one on top takes to go.
  void uncover(Ms now, Ms lasts);
  // From what there is of it now: what has come half way goes in half the time (as the reversing
  // rule of CSS Transitions Level 1 §3 has it for a property).
  void close(const ScreenMotion& goes, Ms now);
  // At once where it would have come after a while; what is closing is over.
  void hurry(Ms now);

  ScreenPhase phase() const { return phase_; }
  // When the phase ends by itself; kNeverEnds where it lasts until something happens.
  Ms ends() const;
  bool passed(Ms now) const { return ends() <= now; }
  // From opening or uncovered to shown, where that time has come.
  void goOn(Ms now);
  // How much of the screen is there, 0–1.
  double presence(Ms now) const;
  // Whether that is on its way.
  bool moving(Ms now) const { return now < since_ + lasts_; }

  static constexpr Ms kNeverEnds = INT64_MAX;

 private:
  ScreenPhase phase_ = ScreenPhase::Opening;
  Ms ends_ = 0;
  Ms since_ = 0, lasts_ = 0;  // of what comes or goes
  double from_ = 1, to_ = 1;
  Easing easing_;
};

}  // namespace bristle
