#include "runtime/session/session.h"

#include <algorithm>

namespace bristle {
Result<Session> Session::start(const Project& project, const Showing& showing,
                               const TextMeasure& measure, const ScreenId& screen) {
  Session s;
  auto compiled = Compiled::make(project);
  if (!compiled) return tl::unexpected(compiled.error());
  s.compiled_ = std::move(*compiled);
  s.symbols_ = s.compiled_->symbols;
  for (const ProjectValue& value : project.values) s.values_.push_back(value.start);
  s.showing_ = {showing.display, languageOf(project, showing.language).id};
  s.measure_ = &measure;
  const ScreenId first = screen ? screen : project.first;
  const Screen* opened = find(s.project(), first);
  if (!opened)
    return fail(project.name, first ? "the first screen is not there" : "it has no first screen");
  s.first_ = first;
  // Told here, not in the midst of a run: a screen that cannot be opened.
  for (const auto& each : s.project().screens) {
    auto trial = openScreen(*s.compiled_, *each, showing, measure);
    if (!trial) return tl::unexpected(trial.error());
  }
  s.push(first, TraceType::Open, {});
  s.settle();
  return s;
}

void Session::setReducedMotion(bool on) {
  reduced_ = on;
  for (ScreenRun& run : stack_)
    for (ButtonRun& button : run.buttons) button.player.setReduced(on);
}

ItemId Session::focused() const {
  if (stack_.empty() || stack_.back().focus < 0) return {};
  return stack_.back().buttons[size_t(stack_.back().focus)].item->id;
}

double Session::value(const ValueId& id) const {
  const int i = symbols_.valueIndex(id);
  return i < 0 ? 0 : values_[size_t(i)];
}

bool Session::moving() const {
  for (const ScreenRun& run : stack_)
    for (const ButtonRun& button : run.buttons)
      if (button.player.moving(now_)) return true;
  return false;
}

void Session::add(TraceEntry entry) {
  entry.at = now_;
  trace_.push_back(std::move(entry));
}

void Session::bump(const ItemId& item, std::string how) {
  add({.type = TraceType::Bump, .item = item, .how = std::move(how)});
}

void Session::feed(const InputEvent& event) {
  if (ended_) return;
  runTo(std::max(event.at, now_));
  if (!ended_) work(event);
}

void Session::work(const InputEvent& event) {
  if (isByPerson(event.type)) useDevice(event.device);
  switch (event.type) {
    case InputType::Tick:
      break;
    case InputType::Point:
    case InputType::PointDown:
    case InputType::PointUp:
      point(event);
      break;
    case InputType::Move:
      move(event);
      break;
    case InputType::Accept:
      accept(event);
      break;
    case InputType::Cancel:
      cancel(event);
      break;
    case InputType::Step:
      step(event.down);
      break;
    case InputType::Gone:
      gone(event);
      break;
    case InputType::Enable:
    case InputType::Message:
    case InputType::SetValue:
      host(event);
      break;
    case InputType::Shoulder:
    case InputType::Shortcut:
      if (!event.down) {
        down_.release(event.type, event);
      } else if (down_.press(event.type, event)) {
        bump(focused(), event.type == InputType::Shoulder ? "no tabs here" : "no such shortcut");
      }
      break;
  }
  settle();
}

// Timers of machines and the repeat of a held direction, in the order of their times. At one time
// `after`, `hold` and `repeat` come first, in this order and from the bottom of the stack up; then
// what comes from outside, and that is what a held direction is.
void Session::runTo(Ms until) {
  while (!ended_) {
    const DownKey* held = down_.newestMove();
    Due due{until + 1, Timer::None};
    size_t depth = 0;
    int box = -1;
    for (size_t d = 0; d < stack_.size(); ++d) {
      for (size_t b = 0; b < stack_[d].buttons.size(); ++b) {
        const ButtonRun& each = stack_[d].buttons[b];
        Due its = nextTimer(*each.kind->program, each.running);
        if (its.timer == Timer::None) continue;
        its.at = std::max(its.at, now_);
        if (its.at > due.at || (its.at == due.at && its.timer >= due.timer && box >= 0)) continue;
        if (its.at > until) continue;
        due = its;
        depth = d;
        box = static_cast<int>(b);
      }
    }
    if (held && nextRepeat_ <= until && nextRepeat_ < due.at) {
      now_ = std::max(now_, nextRepeat_);
      nextRepeat_ = now_ + project().settings.repeatInterval;
      moveOnce(held->dir);
    } else if (box >= 0) {
      now_ = due.at;
      FiringChain& chain = button(depth, box).firing;
      withButton(depth, box, [&](const Program& program, Running& run, const StepContext& c) {
        chain.goesOn(c.now) ? fireNext(program, run, c) : cutShort(run, c);
      });
    } else {
      break;
    }
    settle();
  }
  now_ = until;
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

void Session::push(const ScreenId& id, TraceType type, const ItemId& by) {
  const Screen* screen = find(project(), id);
  if (!screen) return bump(by, "its screen is missing");
  if (type == TraceType::OnTop && stack_.size() >= kMostScreens)
    return bump(by, "as many screens are on top of one another as there may be");
  const ItemId before = focused();
  if (!stack_.empty()) leaveTop();
  add({.type = type, .screen = id});
  if (type == TraceType::Open) stack_.clear();
  stack_.push_back(*openScreen(*compiled_, *screen, showing_, *measure_));
  top().number = ++screensOpened_;
  for (size_t b = 0; b < top().buttons.size(); ++b) {
    ButtonRun& opened = top().buttons[b];
    opened.running.enteredAt = now_;  // its timers run from now on
    const Action& action = opened.item->button()->action;
    opened.running.signals.set(Signals::Current,
                               action.type == ActionType::Open && action.screen == id);
    show(opened);
    if (!opened.item->button()->disabled) continue;
    // A screen opens at rest: nothing moves into being disabled, it simply is.
    outcomes_.clear();
    setEnabled(*opened.kind->program, opened.running, false,
               {now_, values_, &outcomes_, nullptr, values_.data()});
    show(opened);
    std::erase_if(outcomes_, [](const Outcome& o) { return o.type == OutcomeType::State; });
    collect(topDepth(), static_cast<int>(b));
  }
  enter(before);
}

void Session::pop(const ItemId& by) {
  if (stack_.size() < 2) return bump(by, "nothing to go back to");
  const ItemId before = focused();
  leaveTop();
  stack_.pop_back();
  add({.type = TraceType::Back, .screen = top().screen->id});
  enter(before);
}

// Focus comes to the screen now on top: where it was, else where the screen says. Then pointers
// that rest are over what lies beneath them now.
void Session::enter(const ItemId& before) {
  ScreenRun& run = top();
  const bool returns = run.focus >= 0;
  int box = returns ? run.focus : entryBox(*run.screen, run.routes);
  if (box >= 0 && !returns && run.screen->passDisabled && !isEnabled(box))
    box = stepFrom(run, box, true);
  if (box >= 0) {
    add({.type = TraceType::Focus,
         .item = run.buttons[size_t(box)].item->id,
         .fromItem = before,
         .how = returns ? "back" : "entry"});
    run.focusOn(box);
    withButton(topDepth(), box, [](const Program& program, Running& running, const StepContext& c) {
      bristle::setFocus(program, running, true, c);
    });
  }
  pointAnew();
}

}  // namespace bristle
