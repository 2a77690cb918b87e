// Values, and what depends on them: what is shown, enabled and current, and what becomes available.
#include <algorithm>

#include "runtime/session/session.h"

namespace bristle {

void Session::setValue(std::uint32_t index, double to) {
  values_[index] = within(project().values[index], to);
  valuesChanged_ = true;
  add({.type = TraceType::Value, .value = symbols_.values[index], .number = values_[index]});
}

// Where one has been, and which screens are open, for conditions that ask.
void Session::mark(std::string_view what, std::string_view id, bool on) {
  const int index = symbols_.markIndex(what, id);
  if (index < 0 || (values_[size_t(index)] != 0) == on) return;
  values_[size_t(index)] = on ? 1 : 0;
  valuesChanged_ = true;
}

void Session::markOpen() {
  for (const auto& screen : project().screens)
    mark("open", screen->id.text,
         std::any_of(stack_.begin(), stack_.end(),
                     [&](const ScreenRun& run) { return run.screen->id == screen->id; }));
}

// What conditions call for now is told to the machines, screen by screen from below and in the
// order of the document, each once: first what is shown, then what is enabled and current.
void Session::followValues() {
  followMusic();
  for (size_t d = 0; d < stack_.size(); ++d) {
    if (!stack_[d].conditions) continue;
    followShown(d);
    for (size_t b = 0; b < stack_[d].buttons.size(); ++b) followButton(d, static_cast<int>(b));
  }
}

// What is hidden has neither press nor pointer nor focus.
void Session::followShown(size_t d) {
  const auto changed = stack_[d].refreshShown(values_);
  if (changed.empty()) return;
  for (const size_t i : changed)
    add({.type = TraceType::Shown,
         .item = stack_[d].screen->items[i]->id,
         .number = stack_[d].layout.items[i].shown ? 1.0 : 0.0});
  if (d != topDepth()) return;
  for (size_t b = 0; b < top().buttons.size(); ++b)
    if (!top().isThere(static_cast<int>(b)))
      withButton(d, static_cast<int>(b),
                 [](const Program& program, Running& run, const StepContext& c) {
                   change(program, run, {.over = false, .ends = Ends::Abandoned}, c);
                 });
  handFocusOn();
  pointAnew();
  followFlyOuts();
}

void Session::followButton(size_t d, int box) {
  const ButtonRun& each = button(d, box);
  const bool enabled = each.shallBeEnabled(values_);
  const bool current = stack_[d].shallBeCurrent(each, values_);
  const Signals& now = each.running.signals;
  if (now.has(Signals::Enabled) != enabled || now.has(Signals::Current) != current) {
    ++heard_;
    withButton(d, box, [&](const Program& program, Running& run, const StepContext& c) {
      change(program, run, {.enabled = enabled, .current = current}, c);
    });
    if (d == topDepth()) refreshOver(box);
  }
  if (noteLocked(d, box)) unlock(d, box);
}

// True where it is available for the first time after having been seen locked. Panels and what
// actions hide are no locks: conditions and the host are.
bool Session::noteLocked(size_t d, int box) {
  const ScreenRun& run = stack_[d];
  const ButtonRun& each = button(d, box);
  const bool available =
      each.shallBeEnabled(values_) && !run.barred[size_t(run.routes.items[size_t(box)])];
  if (available) {
    if (locked_.empty() || locked_.erase(each.item->id) == 0) return false;
    unlocked_.insert(each.item->id);
    return true;
  }
  if (!unlocked_.contains(each.item->id)) locked_.insert(each.item->id);
  return false;
}

void Session::unlock(size_t d, int box) {
  add({.type = TraceType::Unlock, .item = button(d, box).item->id});
  withButton(d, box, [](const Program& program, Running& run, const StepContext& c) {
    deliver(program, run, Event::Unlock, c);
  });
}

// From what has gone: back along its moves, to the nearest, to where it starts, or nowhere.
void Session::handFocusOn() {
  ScreenRun& run = top();
  if (run.focus < 0 || run.isThere(run.focus)) return;
  const int gone = run.focus, to = focusInstead(run);
  if (to >= 0) return focusOn(to, "the other is hidden");
  run.focus = -1;
  run.trail.clear();
  add({.type = TraceType::Focus, .fromItem = run.buttons[size_t(gone)].item->id, .how = "hidden"});
  withButton(topDepth(), gone, [](const Program& program, Running& running, const StepContext& c) {
    setFocus(program, running, false, c);
  });
}

}  // namespace bristle
