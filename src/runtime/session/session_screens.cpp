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
  if (opened.conditions) opened.refreshShown(values_);
  for (size_t b = 0; b < opened.buttons.size(); ++b) {
    ButtonRun& button = opened.buttons[b];
    button.running.enteredAt = now_;  // its timers run from now on
    const bool enabled = button.shallBeEnabled(values_);
    const bool current = opened.shallBeCurrent(button, values_);
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

bool Session::push(const ScreenId& id, TraceType type, const ItemId& by, const Action* how) {
  const Screen* screen = find(project(), id);
  if (!screen) {
    broken(by, "its screen is missing");
    return false;
  }
  if (type == TraceType::OnTop && stack_.size() >= kMostScreens) {
    bump(by, "as many screens are on top of one another as there may be");
    return false;
  }
  const ItemId before = focused();
  if (!stack_.empty()) {
    cue(project().settings.openSound, by);
    leaveTop();
  }
  add({.type = type, .screen = id});
  if (type == TraceType::Open) {
    for (ScreenRun& run : std::exchange(stack_, {})) closing(std::move(run), false, how);
  } else if (!stack_.empty()) {
    top().life.cover();
    top().sleptFrom = now_;
  }
  if (asTheyOpen_.size() >= kMostKeptOpenings && !asTheyOpen_.contains({id, showing_.language}))
    asTheyOpen_.clear();
  auto& opens = asTheyOpen_[{id, showing_.language}];
  if (!opens)
    opens =
        std::make_shared<const ScreenRun>(*openScreen(*compiled_, *screen, showing_, *measure_));
  stack_.push_back(*opens);
  top().number = ++screensOpened_;
  lastDone_ = now_;
  idledOn_ = -1;
  ++opened_;
  const ScreenMotion& comes = how && how->change ? how->change->in : screen->comes;
  top().life.open(reduced_ ? ScreenMotion{} : comes, now_, top().places());
  mark("visited", id.text);
  markOpen();
  atRest(top());
  enter(before);
  if (top().conditions)
    for (size_t b = 0; b < top().buttons.size(); ++b)
      if (noteLocked(topDepth(), static_cast<int>(b))) unlock(topDepth(), static_cast<int>(b));
  followMusic();
  endPhases();
  return true;
}

bool Session::popTo(const ScreenId& id, const ItemId& by, const Action* how) {
  if (!find(project(), id)) {
    broken(by, "its screen is missing");
    return false;
  }
  for (size_t d = topDepth(); d-- > 0;)
    if (stack_[d].screen->id == id) return pop(by, topDepth() - d, how);
  bump(by, "that screen is not beneath");
  return false;
}

// Takes off that many; those between go without being seen.
bool Session::pop(const ItemId& by, size_t screens, const Action* how) {
  if (stack_.size() <= screens) {
    bump(by, "nothing to go back to");
    return false;
  }
  ++opened_;
  cue(project().settings.backSound, by);
  const ItemId before = focused();
  leaveTop();
  ScreenRun gone = std::move(top());
  stack_.resize(stack_.size() - screens);
  add({.type = TraceType::Back, .screen = top().screen->id});
  top().life.uncover(now_, closing(std::move(gone), true, how));
  wake(top());
  lastDone_ = now_;
  idledOn_ = -1;
  markOpen();
  enter(before);
  followMusic();
  endPhases();
  return true;
}

// Its machines’ timers go on from where they stood when it was covered.
void Session::wake(ScreenRun& run) {
  if (!run.screen->sleeps) return;
  const Ms slept = now_ - run.sleptFrom;
  for (ButtonRun& button : run.buttons) {
    button.running.enteredAt += slept;
    button.running.downSince += slept;
    button.running.nextRepeat += slept;
  }
}

// Off the stack, and out of all that happens. What takes no time to go is gone. How long it takes.
Ms Session::closing(ScreenRun run, bool above, const Action* how) {
  const ScreenMotion& goes = how && how->change ? how->change->out : run.screen->goes;
  run.life.close(reduced_ ? ScreenMotion{} : goes, now_, run.places());
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
  const bool returns = run.focus >= 0 && run.isThere(run.focus);
  const int box = returns ? run.focus : startBox(run);
  if (box < 0) run.focus = -1;  // what had it is hidden by now, and nothing else can have it
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
