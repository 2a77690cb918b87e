// The life of screens: what comes, what is covered, what comes back and what goes.
#include <algorithm>
#include <utility>

#include "runtime/session/session.h"

namespace bristle {

std::vector<ScreenRun*> Session::seen() {
  std::vector<ScreenRun*> out;
  const auto take = [&](bool above) {
    for (Leaving& each : leaving_)
      if (each.above == above) out.push_back(&each.run);
  };
  take(false);
  for (ScreenRun& run : stack_) out.push_back(&run);
  take(true);
  return out;
}

bool Session::screensMove() const {
  return !leaving_.empty() || std::any_of(stack_.begin(), stack_.end(), [&](const ScreenRun& run) {
    return run.life.moving(now_);
  });
}

bool Session::moving() const {
  if (screensMove()) return true;
  for (const ScreenRun& run : stack_)
    for (const ButtonRun& button : run.buttons)
      if (button.player.moving(now_)) return true;
  return false;
}

// What is left behind has neither pointer nor press nor focus, but remembers its focus.
void Session::leaveTop() {
  for (Pointer& pointer : pointers_) pointer.over = -1;
  for (size_t b = 0; b < top().buttons.size(); ++b)
    withButton(topDepth(), static_cast<int>(b),
               [](const Program& program, Running& run, const StepContext& c) {
                 change(program, run, {.over = false, .focus = false, .ends = Ends::Abandoned}, c);
               });
  top().trail.clear();
}

// As it is, without a way there.
void Session::show(ButtonRun& opened) {
  opened.player.begin(shownState(opened, opened.running.state), now_);
  opened.player.setReduced(reduced_);
}

ScreenRun* Session::screenOf(int number) {
  const auto at = std::find_if(stack_.begin(), stack_.end(),
                               [&](const ScreenRun& run) { return run.number == number; });
  return at == stack_.end() ? nullptr : &*at;
}

// With what values call for: nothing moves into being disabled or current, it simply is.
void Session::atRest(ScreenRun& opened) {
  for (size_t b = 0; b < opened.buttons.size(); ++b) {
    ButtonRun& button = opened.buttons[b];
    button.running.enteredAt = now_;  // its timers run from now on
    const bool enabled = button.shallBeEnabled(values_);
    const bool current = button.shallBeCurrent(opened.screen->id, values_);
    show(button);
    if (enabled && !current) continue;
    outcomes_.clear();
    change(*button.kind->program, button.running, {.enabled = enabled, .current = current},
           {now_, values_, &outcomes_, nullptr, values_.data()});
    show(button);
    std::erase_if(outcomes_, [](const Outcome& o) { return o.type == OutcomeType::State; });
    collect(topDepth(), static_cast<int>(b));
  }
}

void Session::push(const ScreenId& id, TraceType type, const ItemId& by) {
  const Screen* screen = find(project(), id);
  if (!screen) return bump(by, "its screen is missing");
  if (type == TraceType::OnTop && stack_.size() >= kMostScreens)
    return bump(by, "as many screens are on top of one another as there may be");
  const ItemId before = focused();
  if (!stack_.empty()) leaveTop();
  add({.type = type, .screen = id});
  if (type == TraceType::Open) {
    for (ScreenRun& run : std::exchange(stack_, {})) closing(std::move(run), false);
  } else if (!stack_.empty()) {
    top().life.cover();
  }
  stack_.push_back(*openScreen(*compiled_, *screen, showing_, *measure_));
  top().number = ++screensOpened_;
  top().life.open(reduced_ ? ScreenMotion{} : screen->comes, now_);
  atRest(top());
  enter(before);
  endPhases();
}

void Session::pop(const ItemId& by) {
  if (stack_.size() < 2) return bump(by, "nothing to go back to");
  const ItemId before = focused();
  leaveTop();
  ScreenRun gone = std::move(top());
  stack_.pop_back();
  add({.type = TraceType::Back, .screen = top().screen->id});
  top().life.uncover(now_, closing(std::move(gone), true));
  enter(before);
  endPhases();
}

// Off the stack, and out of all that happens. What takes no time to go is gone. How long it takes.
Ms Session::closing(ScreenRun run, bool above) {
  run.life.close(reduced_ ? ScreenMotion{} : run.screen->goes, now_);
  const Ms lasts = run.life.ends() - now_;
  if (lasts <= 0) return 0;
  if (leaving_.size() >= kMostLeaving) leaving_.erase(leaving_.begin());
  leaving_.push_back({std::move(run), above});
  return lasts;
}

Ms Session::nextPhaseEnd() const {
  Ms next = ScreenLife::kNeverEnds;
  for (const ScreenRun& run : stack_) next = std::min(next, run.life.ends());
  for (const Leaving& each : leaving_) next = std::min(next, each.run.life.ends());
  return next;
}

// What has come takes input from now on, if it did not before; what has gone is gone.
void Session::endPhases() {
  std::erase_if(leaving_, [&](const Leaving& each) { return each.run.life.passed(now_); });
  if (stack_.empty()) return;
  const bool waited = top().waits();
  for (ScreenRun& run : stack_) run.life.goOn(now_);
  if (waited && !top().waits()) pointAnew();
}

// Focus comes to the screen now on top: where it was, else where the screen says. Then pointers
// that rest are over what lies beneath them now.
void Session::enter(const ItemId& before) {
  ScreenRun& run = top();
  const bool returns = run.focus >= 0;
  const int box = returns ? run.focus : startBox(run);
  if (box >= 0) {
    add({.type = TraceType::Focus,
         .item = run.buttons[size_t(box)].item->id,
         .fromItem = before,
         .how = returns ? "back" : "entry"});
    run.focusOn(box);
    withButton(topDepth(), box, [](const Program& program, Running& running, const StepContext& c) {
      bristle::setFocus(program, running, true, c);
    });
    if (!returns) showFocus();
    followFlyOuts();
  }
  pointAnew();
}

}  // namespace bristle
