// What comes by itself when nobody does anything; and another language.
#include <limits>

#include "runtime/session/session.h"

namespace bristle {

// Once, until somebody does something again.
Ms Session::idleEnds() const {
  const Idle& idle = stack_.back().screen->idle;
  const bool waits = idle.after > 0 && idledOn_ != stack_.back().number;
  return waits ? lastDone_ + idle.after : std::numeric_limits<Ms>::max();
}

void Session::beIdle() {
  idledOn_ = top().number;
  add({.type = TraceType::Idle, .screen = top().screen->id});
  act(top().screen->idle.actions, {});
}

// All that is on the stack is laid out anew; states, focus and memories stay as they are.
void Session::speak(const LanguageId& language, const ItemId& by) {
  const auto showing = showingOf(project(), showing_.display.id, language);
  if (!language || !showing) return broken(by, "its language is not there");
  if (languageOf(project(), language).id == showing_.language) return;
  showing_.language = languageOf(project(), language).id;
  add({.type = TraceType::Speak, .item = by, .how = showing_.language.text});
  for (ScreenRun& run : stack_) run.layAnew(project(), showing_, *measure_, values_);
  showFocus();
  followFlyOuts();
  pointAnew();
}

}  // namespace bristle
