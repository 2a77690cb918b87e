// How long one screen of a running menu is there, and how much of it: opening, shown, covered,
// uncovered, closing. Time is handed in.
//
//   ScreenLife life;
//   life.open(screen.comes, now);
//   while (!life.passed(now)) … life.presence(now) …
#pragma once
#include <cstdint>

#include "runtime/document/action.h"
#include "runtime/document/affine.h"
#include "runtime/layout/text_measure.h"

namespace bristle {

// Opening: its coming runs. Covered: another screen lies on top of it. Uncovered: that one is going
// away. Closing: its going runs, and it takes part in nothing any more.
enum class ScreenPhase : std::uint8_t { Opening, Shown, Covered, Uncovered, Closing };

class ScreenLife {
 public:
  // What is passed in `now` and handed back is in ms of the session. `places`: how many buttons
  // follow one another.
  void open(const ScreenMotion& comes, Ms now, int places = 1);
  void cover() { phase_ = ScreenPhase::Covered; }
  // `lasts`: how long the one on top takes to go.
  void uncover(Ms now, Ms lasts);
  // From what there is of it now: what has come half way goes in half the time (as the reversing
  // rule of CSS Transitions Level 1 §3 has it for a property).
  void close(const ScreenMotion& goes, Ms now, int places = 1);
  // At once where it would have come after a while; what is closing is over.
  void hurry(Ms now);

  ScreenPhase phase() const { return phase_; }
  // When the phase ends by itself; kNeverEnds where it lasts until something happens.
  Ms ends() const;
  bool passed(Ms now) const { return ends() <= now; }
  // From opening or uncovered to shown, where that time has come.
  void goOn(Ms now);
  // How much of the screen is there, 0–1; of the button at a place, counted from 0, where buttons
  // follow one another.
  double presence(Ms now, int place = 0) const;
  // How it comes or goes now.
  const ScreenMotion& motion() const { return closing() ? out_.motion : in_.motion; }
  // Whether that is on its way.
  bool moving(Ms now) const;

  static constexpr Ms kNeverEnds = INT64_MAX;

 private:
  struct Way {
    ScreenMotion motion = {};
    Ms since = 0, lasts = 0;  // of the screen, and of the button at place 0
    Ms whole = 0;             // until the last button is there
    // How far it is gone, 0–1, eased.
    double gone(Ms now, int place) const;
  };
  bool closing() const { return phase_ == ScreenPhase::Closing; }
  ScreenPhase phase_ = ScreenPhase::Opening;
  Ms ends_ = 0;
  Way in_, out_;
};

// Where what is there so much, 0–1, lies on a display of that size by how it comes or goes: slides
// move, what grows does so about the point given. Where one reads from the right, left and right
// change places.
Affine motionAt(const ScreenMotion& motion, double presence, const Size& display, bool rightToLeft,
                double x, double y);

}  // namespace bristle
