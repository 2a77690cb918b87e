// The device in use, and where focus goes on the screen on top.
#include "runtime/session/session.h"

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

// Changes what is shown, and no signal of focus. Kept apart from it, focus does not show while a
// pointer is used; moved together with it, a mouse that rests is hidden while a finger is used,
// until it moves: there are never two highlights.
void Session::useDevice(Device device) {
  if (device == modality_) return;
  if (isPointer(device) && project().settings.pointerMovesFocus)
    for (Pointer& pointer : pointers_) {
      if (pointer.source.device == device || pointer.downs > 0) continue;
      pointer.hidden = true;
      place(pointer);
    }
  const bool shown = focusShown();
  modality_ = device;
  add({.type = TraceType::Modality, .how = nameOf(device)});
  if (focusShown() == shown) return;
  for (ScreenRun& screen : stack_)
    for (ButtonRun& run : screen.buttons)
      if (run.kind->program->role(run.running.state) == Role::Focus)
        run.player.go(shownState(run, run.running.state), run.kind->program->pace(), now_);
}

void Session::focusOn(int box, std::string how, const RouteCarries* along) {
  const int before = top().focus;
  if (before == box) return;
  const ItemId from = before >= 0 ? top().buttons[size_t(before)].item->id : ItemId{};
  add({.type = TraceType::Focus,
       .item = top().buttons[size_t(box)].item->id,
       .fromItem = from,
       .how = std::move(how)});
  top().trail.clear();
  top().focusOn(box, isPointer(modality_));  // a pointer picks the very button
  along_ = along;
  for (const auto& [which, on] : {std::pair(before, false), std::pair(box, true)}) {
    if (which < 0) continue;
    withButton(topDepth(), which,
               [on = on](const Program& program, Running& run, const StepContext& c) {
                 setFocus(program, run, on, c);
               });
  }
  along_ = nullptr;
  if (along) cue(along->sound, top().buttons[size_t(box)].item->id, along->volume);
  // What is under a pointer is not moved away from it.
  if (!isPointer(modality_)) showFocus();
  followFlyOuts();
}

void Session::move(const InputEvent& event) {
  if (event.down) {
    if (!down_.press(InputType::Move, event)) return;
    nextRepeat_ = now_ + project().settings.repeatDelay;
    return moveOnce(event.dir);
  }
  const DownKey* newest = down_.newestMove();
  const bool wasNewest = newest && newest->is(InputType::Move, event);
  // The next newest that is still held goes on, after the delay.
  if (down_.release(InputType::Move, event) && wasNewest)
    nextRepeat_ = now_ + project().settings.repeatDelay;
}

void Session::moveOnce(Dir dir) {
  if (top().waits()) return;
  hidePointers();
  ScreenRun& run = top();
  if (run.focus < 0) {
    const int entry = startBox(run);
    if (entry >= 0) focusOn(entry, "entry");
    return;
  }
  const int from = run.focus;
  const Move found = resolveMove(run, from, dir);
  const std::string how = std::string(bristle::nameOf(dir)) + ", " + found.how;
  const Item& left = *run.buttons[size_t(from)].item;
  const RouteCarries& carries = left.button()->routes.carries[size_t(dir)];
  if (found.target < 0) {
    bump(left.id, how, carries.sound.empty());
    return cue(carries.sound, left.id, carries.volume);
  }
  std::vector<MoveMade> trail = remember(run, found, dir);
  focusOn(found.target, how, &carries);
  run.trail = std::move(trail);
}

void Session::step(bool forwards) {
  hidePointers();
  const int to = stepFrom(top(), top().focus, forwards);
  if (to >= 0) focusOn(to, forwards ? "next" : "previous");
}

// Accept on a single stop goes into it, and does nothing else; cancel comes out of the innermost.
bool Session::throughStop(bool into) {
  const int stop = into ? top().goInto() : top().comeOut();
  if (stop < 0) return false;
  add({.type = TraceType::Cluster,
       .item = top().buttons[size_t(top().focus)].item->id,
       .number = into ? 1.0 : 0.0,
       .how = top().screen->clusters[size_t(stop)].id.text});
  return true;
}

}  // namespace bristle
