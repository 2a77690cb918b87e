#include "runtime/session/screen_life.h"

#include <algorithm>
#include <cmath>

#include "runtime/machine/easing.h"

namespace bristle {
namespace {

Ms followed(const ScreenMotion& motion, int places) {
  return motion.time() == 0 ? 0 : motion.follow * std::max(0, places - 1);
}

}  // namespace

double ScreenLife::Way::gone(Ms now, int place) const {
  const Ms begins = since + (whole > lasts ? motion.follow * place : 0);
  if (now >= begins + lasts) return 1;
  if (now < begins) return 0;
  return ease(motion.easing, static_cast<double>(now - begins) / static_cast<double>(lasts));
}

void ScreenLife::open(const ScreenMotion& comes, Ms now, int places) {
  phase_ = ScreenPhase::Opening;
  in_ = {comes, now, comes.time(), comes.time() + followed(comes, places)};
  ends_ = now + in_.whole;
}

void ScreenLife::uncover(Ms now, Ms lasts) {
  phase_ = ScreenPhase::Uncovered;
  ends_ = now + lasts;
}

void ScreenLife::close(const ScreenMotion& goes, Ms now, int places) {
  const double there = presence(now);
  const auto part = [there](Ms time) {
    return static_cast<Ms>(std::llround(static_cast<double>(time) * there));
  };
  phase_ = ScreenPhase::Closing;
  out_ = {goes, now, part(goes.time()), part(goes.time()) + followed(goes, places)};
  ends_ = now + out_.whole;
}

void ScreenLife::hurry(Ms now) {
  in_.lasts = in_.whole = out_.lasts = out_.whole = 0;
  ends_ = std::min(ends_, now);
}

Ms ScreenLife::ends() const {
  return phase_ == ScreenPhase::Shown || phase_ == ScreenPhase::Covered ? kNeverEnds : ends_;
}

void ScreenLife::goOn(Ms now) {
  if (!closing() && passed(now)) phase_ = ScreenPhase::Shown;
}

bool ScreenLife::moving(Ms now) const {
  const Way& way = closing() ? out_ : in_;
  return now < way.since + way.whole;
}

double ScreenLife::presence(Ms now, int place) const {
  // What had come of it when it began to go.
  const double come = in_.gone(closing() ? out_.since : now, place);
  return std::clamp(closing() ? come * (1 - out_.gone(now, place)) : come, 0.0, 1.0);
}

Affine motionAt(const ScreenMotion& motion, double presence, const Size& display, bool rightToLeft,
                double x, double y) {
  if (motion.form == ScreenMotionForm::Grow) return Affine::about(x, y, 0, presence);
  if (motion.form != ScreenMotionForm::Slide) return {};
  const double away = 1 - presence;
  const double across = (rightToLeft ? -display.w : display.w) * away;
  switch (motion.edge) {
    case ScreenEdge::Left:
      return Affine::moved(-across, 0);
    case ScreenEdge::Right:
      return Affine::moved(across, 0);
    case ScreenEdge::Top:
      return Affine::moved(0, -display.h * away);
    case ScreenEdge::Bottom:
      return Affine::moved(0, display.h * away);
  }
  return {};
}

}  // namespace bristle
