// What each device's events do to the screen on top.
#include <algorithm>

#include "core/session/session.h"

namespace bristle {
namespace {

const char* nameOf(Device device) {
  switch (device) {
    case Device::Mouse:
      return "mouse";
    case Device::Touch:
      return "touch";
    case Device::Keyboard:
      return "keyboard";
    case Device::Controller:
      return "controller";
  }
  return "";
}

}  // namespace

void Session::useDevice(Device device) {
  if (device == modality_) return;
  modality_ = device;
  add({0, TraceType::Modality, {}, {}, {}, {}, {}, {}, 0, nameOf(device)});
  showFocus();
}

// Kept apart, focus is not shown while a pointer is used: there are never two highlights.
void Session::showFocus() {
  if (stack_.empty() || top().focus < 0) return;
  const bool shown = project().settings.pointerMovesFocus || !isPointer(modality_);
  withButton(stack_.size() - 1, top().focus,
             [&](const Program& program, Running& run, const StepContext& c) {
               bristle::setFocus(program, run, shown, c);
             });
}

void Session::focusOn(int box, std::string how) {
  const int before = top().focus;
  if (before == box) return;
  const ItemId from = before >= 0 ? top().buttons[size_t(before)].item->id : ItemId{};
  add({0,
       TraceType::Focus,
       top().buttons[size_t(box)].item->id,
       from,
       {},
       {},
       {},
       {},
       0,
       std::move(how)});
  const size_t depth = stack_.size() - 1;
  if (keyPress_ == Press{depth, before}) keyPress_ = {};
  if (before >= 0)
    withButton(depth, before, [](const Program& program, Running& run, const StepContext& c) {
      bristle::setFocus(program, run, false, c);
    });
  top().focus = box;
  showFocus();
}

void Session::setOver(int box) {
  const size_t depth = stack_.size() - 1;
  const int before = top().over;
  if (before == box) return;
  top().over = box;
  for (const auto& [which, on] : {std::pair(before, false), std::pair(box, true)}) {
    if (which < 0) continue;
    withButton(depth, which, [on = on](const Program& program, Running& run, const StepContext& c) {
      bristle::setOver(program, run, on, c);
    });
  }
}

void Session::point(const InputEvent& event) {
  const int box = top().boxAt(event.x, event.y, hitTest_);
  setOver(box);
  const bool live = box >= 0 && top().buttons[size_t(box)].running.signals.has(Signals::Enabled);
  const bool follows = project().settings.pointerMovesFocus || event.type == InputType::PointDown;
  if (live && follows && pointerPress_.box < 0) focusOn(box, "pointer");
  if (event.type == InputType::PointDown && live && pointerPress_.box < 0) {
    pointerPress_ = {stack_.size() - 1, box};
    withButton(stack_.size() - 1, box,
               [](const Program& program, Running& run, const StepContext& c) {
                 beginPress(program, run, false, c);
               });
  } else if (event.type == InputType::PointUp) {
    releasePress(pointerPress_, false);
    settle();
    if (event.device == Device::Touch && !stack_.empty())
      setOver(-1);  // a lifted finger is nowhere
  }
}

void Session::releasePress(Press& press, bool abandon) {
  const Press p = press;
  press = {};
  if (p.box < 0 || p.depth >= stack_.size()) return;
  withButton(p.depth, p.box, [&](const Program& program, Running& run, const StepContext& c) {
    abandon ? abandonPress(program, run, c) : endPress(program, run, c);
  });
}

void Session::move(const InputEvent& event) {
  const auto dir = static_cast<int>(event.dir);
  if (!event.down) {
    held_[dir] = std::max(0, held_[dir] - 1);
    if (repeating_ == dir && held_[dir] == 0) repeating_ = -1;
    return;
  }
  ++held_[dir];
  repeating_ = dir;
  nextRepeat_ = now_ + project().settings.repeatDelay;
  moveOnce(event.dir);
}

void Session::moveOnce(Dir dir) {
  // Moved together, the keys' highlight is the only one until the pointer moves again.
  if (project().settings.pointerMovesFocus) setOver(-1);
  ScreenRun& run = top();
  if (run.focus < 0) {
    const int entry = entryBox(*run.screen, run.routes, project().settings.rightToLeft);
    if (entry >= 0) focusOn(entry, "entry");
    return;
  }
  const int from = run.focus;
  const Move found = resolveMove(run, from, dir);
  const std::string how = std::string(bristle::nameOf(dir)) + ", " + found.how;
  if (found.target < 0) {
    add({0, TraceType::Bump, run.buttons[size_t(from)].item->id, {}, {}, {}, {}, {}, 0, how});
    return;
  }
  run.memory[size_t(found.target)][size_t(opposite(dir))] = from;
  focusOn(found.target, how);
}

void Session::accept(bool down) {
  if (!down) return releasePress(keyPress_, false);
  const int box = top().focus;
  if (box < 0 || keyPress_.box >= 0) return;
  const ButtonRun& pressed = top().buttons[size_t(box)];
  if (!pressed.running.signals.has(Signals::Enabled)) {
    add({0, TraceType::Bump, pressed.item->id, {}, {}, {}, {}, {}, 0, "disabled"});
    return;
  }
  if (pressed.running.signals.has(Signals::Armed)) return;
  keyPress_ = {stack_.size() - 1, box};
  withButton(keyPress_.depth, box, [](const Program& program, Running& run, const StepContext& c) {
    beginPress(program, run, true, c);
  });
}

void Session::cancel() {
  if (pointerPress_.box >= 0 || keyPress_.box >= 0) {
    releasePress(pointerPress_, true);
    releasePress(keyPress_, true);
  } else if (stack_.size() > 1) {
    pop();
  } else {
    add({0, TraceType::Bump, focused(), {}, {}, {}, {}, {}, 0, "nothing to go back to"});
  }
}

void Session::step(bool forwards) {
  if (project().settings.pointerMovesFocus) setOver(-1);
  const int to = stepFrom(top(), top().focus, forwards, project().settings.rightToLeft);
  if (to >= 0) focusOn(to, forwards ? "next" : "previous");
}

// A press that was held when its device went away is not meant to happen.
void Session::gone() {
  releasePress(pointerPress_, true);
  releasePress(keyPress_, true);
  std::fill(std::begin(held_), std::end(held_), 0);
  repeating_ = -1;
}

}  // namespace bristle
