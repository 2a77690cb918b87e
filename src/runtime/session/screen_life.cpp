#include "runtime/session/screen_life.h"

#include <algorithm>
#include <cmath>

#include "runtime/machine/easing.h"

namespace bristle {

void ScreenLife::open(const ScreenMotion& comes, Ms now) {
  phase_ = ScreenPhase::Opening;
  since_ = now;
  lasts_ = comes.time();
  ends_ = now + lasts_;
  from_ = 0;
  to_ = 1;
  easing_ = comes.easing;
}

void ScreenLife::uncover(Ms now, Ms lasts) {
  phase_ = ScreenPhase::Uncovered;
  ends_ = now + lasts;
}

void ScreenLife::close(const ScreenMotion& goes, Ms now) {
  from_ = presence(now);
  to_ = 0;
  phase_ = ScreenPhase::Closing;
  since_ = now;
  lasts_ = static_cast<Ms>(std::llround(static_cast<double>(goes.time()) * from_));
  ends_ = now + lasts_;
  easing_ = goes.easing;
}

void ScreenLife::hurry(Ms now) {
  lasts_ = 0;
  ends_ = std::min(ends_, now);
}

Ms ScreenLife::ends() const {
  return phase_ == ScreenPhase::Shown || phase_ == ScreenPhase::Covered ? kNeverEnds : ends_;
}

void ScreenLife::goOn(Ms now) {
  if (phase_ != ScreenPhase::Closing && passed(now)) phase_ = ScreenPhase::Shown;
}

double ScreenLife::presence(Ms now) const {
  if (!moving(now)) return to_;
  const double way = static_cast<double>(now - since_) / static_cast<double>(lasts_);
  return std::clamp(from_ + (to_ - from_) * ease(easing_, way), 0.0, 1.0);
}

}  // namespace bristle
