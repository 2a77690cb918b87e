// Pointers, presses, and what devices hold. What began by one key or finger ends only by it.
#include <algorithm>

#include "runtime/session/session.h"

namespace bristle {

// A mouse is known from its first event on, a finger while it touches; null otherwise.
Pointer* Session::pointerOf(const InputEvent& event) {
  const Source source{event.device, event.unit, 0};
  for (Pointer& pointer : pointers_)
    if (pointer.source == source) return &pointer;
  if (event.device == Device::Touch && event.type != InputType::PointDown) return nullptr;
  // Not where the event is: it moves there.
  pointers_.push_back({source, event.x - 1, event.y});
  return &pointers_.back();
}

// Whether the press is used up by leaving a screen that it falls beside.
bool Session::leaveBeside(const InputEvent& event) {
  const Beside beside = top().screen->beside;
  if (beside == Beside::Blocks || stack_.size() < 2 || top().holdsAny(event.x, event.y) ||
      down_.has(InputType::PointDown, event))
    return false;
  return pop({}, 1, nullptr) && beside == Beside::Leaves;
}

void Session::point(const InputEvent& event) {
  const bool begins = event.type == InputType::PointDown && !top().waits();
  const bool used = begins && leaveBeside(event);
  if (used && event.device == Device::Touch) return;
  if (event.type == InputType::PointDown && !begins && event.device == Device::Touch) return;
  Pointer* pointer = pointerOf(event);
  if (!pointer) return;
  const bool moved = pointer->x != event.x || pointer->y != event.y;
  if (moved) pointer->hidden = false;
  pointer->x = event.x;
  pointer->y = event.y;
  if (begins && !used) {
    pointDown(*pointer, event);
    return followFlyOuts();
  }
  place(*pointer);
  if (moved) focusUnder(*pointer);
  if (event.type == InputType::PointUp) pointUp(event);
  followFlyOuts();
}

void Session::pointDown(Pointer& pointer, const InputEvent& event) {
  DownKey* key = down_.press(InputType::PointDown, event);
  if (!key) return place(pointer);
  ++pointer.downs;
  place(pointer);
  const int box = pointer.over;
  // One that was opened by accept goes when something is pressed that is neither it nor in it.
  if (box < 0 || top().routes.flyOutOf[size_t(box)] < 0) top().flyOuts.accepted = -1;
  if (box < 0 || !isEnabled(box)) return;
  if (pointer.downs == 1 && !isAside(box)) focusOn(box, "pointer");
  arm(*key, box, false);
}

void Session::pointUp(const InputEvent& event) {
  const auto key = down_.release(InputType::PointDown, event);
  if (!key) return;
  const auto pointer = std::find_if(pointers_.begin(), pointers_.end(), [&](const Pointer& p) {
    return p.source == Source{event.device, event.unit, 0};
  });
  --pointer->downs;
  const int box = pointer->over;
  if (event.device == Device::Touch && pointer->downs == 0) {
    pointers_.erase(pointer);  // a lifted finger is nowhere
  } else if (pointer->hidden && pointer->downs == 0) {
    pointer->over = -1;  // a click does not bring back what a direction key hid
  }
  endPress(*key, Ends::Press);
  refreshOver(box);
  // Let go elsewhere than it was pressed it rests there.
  for (const Pointer& each : pointers_)
    if (each.source == Source{event.device, event.unit, 0}) return focusUnder(each);
}

// Where they go together, so that what the pointer rests on is the only highlight.
void Session::focusUnder(const Pointer& pointer) {
  const int box = pointer.over;
  if (pointer.downs == 0 && box >= 0 && isEnabled(box) && !isAside(box) &&
      project().settings.pointerMovesFocus)
    focusOn(box, "pointer");
}

// Puts the pointer over what lies beneath it. One that is hidden counts while it presses.
void Session::place(Pointer& pointer) {
  const int before = pointer.over;
  const bool counts = !top().waits() && (!pointer.hidden || pointer.downs > 0);
  pointer.over = counts ? top().boxAt(pointer.x, pointer.y, hitTest_) : -1;
  if (pointer.over == before) return;
  const int now = pointer.over;
  refreshOver(before);
  refreshOver(now);
}

// Moved together with focus, the keys' highlight is the only one until the pointer moves again.
void Session::hidePointers() {
  if (!project().settings.pointerMovesFocus) return;
  for (Pointer& pointer : pointers_) {
    pointer.hidden = true;
    if (pointer.downs == 0) place(pointer);
  }
}

// Something else lies beneath the pointers now. Moved together with focus it is what has focus,
// too, unless another device is used: then that one's is the only highlight.
void Session::pointAnew() {
  for (Pointer& pointer : pointers_) place(pointer);
  if (!project().settings.pointerMovesFocus) return;
  for (size_t i = 0; i < pointers_.size(); ++i) {
    Pointer& pointer = pointers_[i];
    if (pointer.source.device == modality_) {
      focusUnder(pointer);
    } else if (pointer.over != top().focus && pointer.downs == 0) {
      pointer.hidden = true;
      place(pointer);
    }
  }
}

bool Session::overAny(int box) const {
  return std::any_of(pointers_.begin(), pointers_.end(),
                     [&](const Pointer& pointer) { return pointer.over == box; });
}

// While a pointer holds a button, only that one counts for it: a finger that slides off shows so,
// whatever the mouse does.
void Session::refreshOver(int box) {
  if (box < 0) return;
  const ButtonRun& run = button(topDepth(), box);
  const bool held = run.running.signals.has(Signals::Armed) && !run.running.byKey;
  const auto holder = std::find_if(pointers_.begin(), pointers_.end(), [&](const Pointer& p) {
    return held && p.press == run.pressedBy;
  });
  const bool over = holder == pointers_.end() ? overAny(box) : holder->over == box;
  withButton(topDepth(), box, [&](const Program& program, Running& running, const StepContext& c) {
    setOver(program, running, over, c);
  });
}

void Session::arm(DownKey& key, int box, bool byKey) {
  ButtonRun& run = button(topDepth(), box);
  if (run.running.signals.has(Signals::Armed)) return;
  key.press = run.pressedBy = ++pressesBegun_;
  for (Pointer& pointer : pointers_)
    if (pointer.source == Source{key.source.device, key.source.unit, 0}) pointer.press = key.press;
  withButton(topDepth(), box, [&](const Program& program, Running& running, const StepContext& c) {
    beginPress(program, running, byKey, c);
  });
}

// Of the button that the key armed, where it still is.
void Session::endPress(const DownKey& key, Ends how) {
  if (key.press == 0) return;
  const auto& all = top().buttons;
  const auto at = std::find_if(all.begin(), all.end(), [&](const ButtonRun& run) {
    return run.pressedBy == key.press && run.running.signals.has(Signals::Armed);
  });
  if (at == all.end()) return;
  const int box = static_cast<int>(at - all.begin());
  withButton(topDepth(), box, [&](const Program& program, Running& run, const StepContext& c) {
    change(program, run, {.over = overAny(box), .ends = how}, c);
  });
}

bool Session::abandonAll() {
  bool any = false;
  for (size_t b = 0; b < top().buttons.size(); ++b) {
    if (!top().buttons[b].running.signals.has(Signals::Armed)) continue;
    any = true;
    withButton(topDepth(), static_cast<int>(b),
               [](const Program& program, Running& run, const StepContext& c) {
                 abandonPress(program, run, c);
               });
    refreshOver(static_cast<int>(b));
  }
  return any;
}

void Session::accept(const InputEvent& event) {
  if (!event.down) {
    if (const auto key = down_.release(InputType::Accept, event)) endPress(*key, Ends::Press);
    return;
  }
  DownKey* key = down_.press(InputType::Accept, event);
  const int box = top().focus;
  if (!key || box < 0 || throughStop(true)) return;
  if (!isEnabled(box)) return bump(button(topDepth(), box).item->id, "disabled");
  arm(*key, box, true);
}

// A press that was held when its device went away is not meant to happen.
void Session::gone(const InputEvent& event) {
  const DownKey* newest = down_.newestMove();
  const bool heldNewest =
      newest && newest->source.device == event.device && newest->source.unit == event.unit;
  const auto keys = down_.takeAway(event.device, event.unit);
  if (heldNewest) nextRepeat_ = now_ + project().settings.repeatDelay;
  std::vector<int> left;
  std::erase_if(pointers_, [&](const Pointer& pointer) {
    const bool goes = pointer.source.device == event.device && pointer.source.unit == event.unit;
    if (goes) left.push_back(pointer.over);
    return goes;
  });
  for (const DownKey& key : keys) endPress(key, Ends::Abandoned);
  for (const int box : left) refreshOver(box);
}

}  // namespace bristle
