#include "core/session/session.h"

#include <algorithm>

namespace bristle {
Result<Session> Session::start(const Project& project, const Display& display,
                               const TextMeasure& measure, const ScreenId& screen) {
  Session s;
  auto compiled = Compiled::make(project);
  if (!compiled) return tl::unexpected(compiled.error());
  s.compiled_ = std::move(*compiled);
  s.symbols_ = s.compiled_->symbols;
  for (const ProjectValue& value : project.values) s.values_.push_back(value.start);
  s.display_ = display;
  s.measure_ = &measure;
  const ScreenId first = screen ? screen : project.first;
  const Screen* opened = find(s.project(), first);
  if (!opened)
    return fail(project.name, first ? "the first screen is not there" : "it has no first screen");
  // Told here, not in the midst of a run: a screen that cannot be opened.
  for (const auto& each : s.project().screens) {
    auto trial = openScreen(*s.compiled_, *each, display, measure);
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

void Session::feed(const InputEvent& event) {
  if (ended_) return;
  runTo(std::max(event.at, now_));
  if (!ended_) work(event);
}

void Session::work(const InputEvent& event) {
  if (event.type != InputType::Tick && event.type != InputType::Gone) useDevice(event.device);
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
      accept(event.down);
      break;
    case InputType::Cancel:
      if (event.down) cancel();
      break;
    case InputType::Step:
      step(event.down);
      break;
    case InputType::Gone:
      gone();
      break;
  }
  settle();
}

// Timers of machines and the repeat of a held direction, in the order of their times; at the same
// time the repeat first, then buttons from the bottom of the stack up.
void Session::runTo(Ms until) {
  FiringChain chain;
  while (!ended_) {
    Ms due = repeating_ >= 0 && nextRepeat_ <= until ? nextRepeat_ : until + 1;
    size_t depth = 0;
    int box = -1;
    for (size_t d = 0; d < stack_.size(); ++d) {
      for (size_t b = 0; b < stack_[d].buttons.size(); ++b) {
        const ButtonRun& button = stack_[d].buttons[b];
        const Ms at = nextDue(*button.kind->program, button.running);
        if (at < 0 || at >= due) continue;
        due = std::max(at, now_);
        depth = d;
        box = static_cast<int>(b);
      }
    }
    if (due > until) break;
    now_ = due;
    if (box >= 0) {
      withButton(depth, box, [&](const Program& program, Running& run, const StepContext& c) {
        chain.goesOn(c.now) ? fireNext(program, run, c) : cutShort(run, c);
      });
    } else {
      nextRepeat_ = now_ + project().settings.repeatInterval;
      moveOnce(static_cast<Dir>(repeating_));
    }
    settle();
  }
  now_ = until;
}

// What is left behind has neither pointer nor press nor focus, but remembers its focus.
void Session::leaveTop() {
  releasePress(pointerPress_, true);
  releasePress(keyPress_, true);
  setOver(-1);
  if (top().focus < 0) return;
  withButton(stack_.size() - 1, top().focus,
             [](const Program& program, Running& run, const StepContext& c) {
               bristle::setFocus(program, run, false, c);
             });
}

// As it is, without a way there.
void Session::show(ButtonRun& opened) {
  opened.player.begin(opened.running.state, now_);
  opened.player.setReduced(reduced_);
}

void Session::push(const ScreenId& id, TraceType type, const ItemId& by) {
  const Screen* screen = find(project(), id);
  if (!screen) {
    add({0, TraceType::Bump, by, {}, {}, {}, {}, {}, 0, "its screen is missing"});
    return;
  }
  const ItemId before = focused();
  if (!stack_.empty()) leaveTop();
  add({0, type, {}, {}, id, {}, {}, {}, 0, {}});
  if (type == TraceType::Open) stack_.clear();
  stack_.push_back(*openScreen(*compiled_, *screen, display_, *measure_));
  const size_t depth = stack_.size() - 1;
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
    setEnabled(*opened.kind->program, opened.running, false, {now_, values_, &outcomes_});
    show(opened);
    for (Outcome& outcome : outcomes_)
      if (outcome.type != OutcomeType::State)
        queue_.push_back({depth, static_cast<int>(b), outcome});
  }
  outcomes_.clear();
  enter(before);
}

void Session::pop() {
  const ItemId before = focused();
  leaveTop();
  stack_.pop_back();
  std::erase_if(queue_, [&](const Happened& h) { return h.depth >= stack_.size(); });
  add({0, TraceType::Back, {}, {}, top().screen->id, {}, {}, {}, 0, {}});
  enter(before);
}

// Focus comes to the screen now on top: where it was, else where the screen says.
void Session::enter(const ItemId& before) {
  ScreenRun& run = top();
  const bool returns = run.focus >= 0;
  int box = returns ? run.focus : entryBox(*run.screen, run.routes, project().settings.rightToLeft);
  if (box >= 0 && !returns && run.screen->passDisabled &&
      !run.buttons[size_t(box)].running.signals.has(Signals::Enabled))
    box = stepFrom(run, box, true, project().settings.rightToLeft);
  if (box < 0) return;
  add({0,
       TraceType::Focus,
       run.buttons[size_t(box)].item->id,
       before,
       {},
       {},
       {},
       {},
       0,
       returns ? "back" : "entry"});
  run.focus = box;
  showFocus();
}

// Looks follow at once; what reaches beyond the button waits until the event is worked off.
void Session::collect(size_t depth, int box) {
  ButtonRun& run = button(depth, box);
  for (const Outcome& outcome : outcomes_) {
    if (outcome.type == OutcomeType::State) {
      const auto& states = run.kind->machine->states;
      run.player.go(outcome.to,
                    run.kind->program->transition(static_cast<std::uint16_t>(outcome.index)).pace,
                    outcome.at);
      if (outcome.from != outcome.to)
        add({0,
             TraceType::State,
             run.item->id,
             {},
             {},
             states[outcome.from].id,
             states[outcome.to].id,
             {},
             0,
             {}});
    } else if (outcome.type == OutcomeType::SetValue) {
      // At once, so that the next machine that the same message reaches counts on from it.
      values_[outcome.index] = outcome.value;
      add({0,
           TraceType::Value,
           {},
           {},
           {},
           {},
           {},
           symbols_.values[outcome.index],
           outcome.value,
           {}});
    } else {
      queue_.push_back({depth, box, outcome});
    }
  }
  outcomes_.clear();
}

void Session::settle() {
  if (settling_) return;
  settling_ = true;
  // Messages may answer messages; a chain without end is cut like one of timers.
  for (int i = 0; !queue_.empty() && !ended_; ++i) {
    const Happened next = queue_.front();
    queue_.pop_front();
    if (next.depth >= stack_.size()) continue;
    if (i > 1000) {
      add({0,
           TraceType::Runaway,
           button(next.depth, next.box).item->id,
           {},
           {},
           {},
           {},
           {},
           0,
           {}});
      queue_.clear();
      break;
    }
    handle(next);
  }
  settling_ = false;
}

void Session::handle(const Happened& happened) {
  const Item& item = *button(happened.depth, happened.box).item;
  const Outcome& outcome = happened.outcome;
  switch (outcome.type) {
    case OutcomeType::State:
      break;
    case OutcomeType::Activate:
      perform(item);
      break;
    case OutcomeType::Message:
      send(static_cast<int>(outcome.index));
      break;
    case OutcomeType::SetValue:
      break;  // done when it was collected
    case OutcomeType::Sound:
      add({0,
           TraceType::Sound,
           item.id,
           {},
           {},
           {},
           {},
           {},
           outcome.value,
           symbols_.sounds[outcome.index]});
      break;
    case OutcomeType::Runaway:
      add({0, TraceType::Runaway, item.id, {}, {}, {}, {}, {}, 0, {}});
      break;
  }
}

void Session::perform(const Item& item) {
  add({0, TraceType::Activate, item.id, {}, {}, {}, {}, {}, 0, {}});
  const Action& action = item.button()->action;
  switch (action.type) {
    case ActionType::None:
      break;
    case ActionType::Open:
      push(action.screen, TraceType::Open, item.id);
      break;
    case ActionType::PutOnTop:
      push(action.screen, TraceType::OnTop, item.id);
      break;
    case ActionType::Back:
      if (stack_.size() > 1) {
        pop();
      } else {
        add({0, TraceType::Bump, item.id, {}, {}, {}, {}, {}, 0, "nothing to go back to"});
      }
      break;
    case ActionType::Message:
      send(symbols_.messageIndex(action.message));
      break;
    case ActionType::Quit:
      add({0, TraceType::Quit, {}, {}, {}, {}, {}, {}, 0, {}});
      ended_ = true;
      break;
  }
}

void Session::send(int message) {
  add({0, TraceType::Message, {}, {}, {}, {}, {}, {}, 0, symbols_.messages[size_t(message)]});
  for (size_t d = 0; d < stack_.size(); ++d)
    for (size_t b = 0; b < stack_[d].buttons.size(); ++b)
      withButton(d, static_cast<int>(b),
                 [&](const Program& program, Running& run, const StepContext& c) {
                   deliver(program, run, Event::Message, c, message);
                 });
}

}  // namespace bristle
