// What machines bring forth: looks, values, messages, sounds and actions; and what the host does.
#include <algorithm>
#include <utility>

#include "runtime/session/session.h"

namespace bristle {

// Focus that is not to be seen looks like rest; the machine knows nothing of it.
StateIndex Session::shownState(const ButtonRun& run, StateIndex state) const {
  const Program& program = *run.kind->program;
  return focusShown() || program.role(state) != Role::Focus ? state : program.restState();
}

// Looks follow at once; what reaches beyond the button waits until the event is worked off.
void Session::collect(size_t depth, int box) {
  ButtonRun& run = button(depth, box);
  for (const Outcome& outcome : outcomes_) {
    if (outcome.type == OutcomeType::State) {
      const auto& states = run.kind->machine->states;
      const StateIndex shown = shownState(run, outcome.to);
      if (along_ && along_->motion)
        run.player.go(shown, Timing{along_->motion->duration, 0, along_->motion->easing},
                      outcome.at);
      else
        run.player.go(shown,
                      run.kind->program->transition(static_cast<std::uint16_t>(outcome.index)).pace,
                      outcome.at);
      if (outcome.from != outcome.to)
        add({.type = TraceType::State,
             .item = run.item->id,
             .fromState = states[outcome.from].id,
             .toState = states[outcome.to].id,
             .number = static_cast<double>(
                 run.kind->program->transition(static_cast<std::uint16_t>(outcome.index)).source)});
    } else if (outcome.type == OutcomeType::SetValue) {
      // At once, so that the next machine that the same message reaches counts on from it.
      setValue(outcome.index, outcome.value);
    } else if (outcome.type != OutcomeType::Sound || !along_ || along_->sound.empty()) {
      queue_.push_back({stack_[depth].number, run.item, outcome});
    }
  }
  outcomes_.clear();
}

void Session::cut(const ItemId& item) {
  queue_.clear();
  valuesChanged_ = false;
  add({.type = TraceType::Runaway, .item = item});
  if (++runaways_ >= kMostRunaways) ended_ = true;
}

void Session::settle() {
  if (settling_) return;
  settling_ = true;
  heard_ = opened_ = 0;
  // Messages may answer messages; a chain without end is cut like one of timers.
  for (int i = 0; (!queue_.empty() || valuesChanged_) && !ended_; ++i) {
    if (i >= kMostQueued || heard_ >= kMostHeard || opened_ >= kMostOpened) {
      cut(queue_.empty() ? ItemId{} : queue_.front().item->id);
      break;
    }
    if (std::exchange(valuesChanged_, false)) {
      followValues();
      continue;
    }
    const Happened next = queue_.front();
    queue_.pop_front();
    handle(next);
  }
  settling_ = false;
}

// What a button sent or sounded reaches those who listen even when its screen has gone since; what
// it would do itself does not.
void Session::handle(const Happened& happened) {
  const Item& item = *happened.item;
  const Outcome& outcome = happened.outcome;
  switch (outcome.type) {
    case OutcomeType::State:
    case OutcomeType::SetValue:
      break;  // done when they were collected
    case OutcomeType::Activate:
      if (screenOf(happened.screen)) perform(item);
      break;
    case OutcomeType::Message:
      send(symbols_.messages[outcome.index]);
      break;
    case OutcomeType::Sound:
      cue(symbols_.sounds[outcome.index], item.id, outcome.value);
      break;
    case OutcomeType::Runaway:
      cut(item.id);
      break;
  }
}

void Session::send(const std::string& message) {
  add({.type = TraceType::Message, .how = message});
  const int index = symbols_.messageIndex(message);
  for (size_t d = 0; d < stack_.size(); ++d)
    for (size_t b = 0; b < stack_[d].buttons.size(); ++b, ++heard_)
      withButton(d, static_cast<int>(b),
                 [&](const Program& program, Running& run, const StepContext& c) {
                   deliver(program, run, Event::Message, c, index);
                 });
}

// The game or the page around the menu.
void Session::host(const InputEvent& event) {
  if (event.type == InputType::Message) return send(event.name);
  if (event.type == InputType::SetValue) {
    const int index = symbols_.valueIndex({event.name});
    if (index < 0) return bump({}, "no value " + event.name);
    return setValue(static_cast<std::uint32_t>(index), event.number);
  }
  bool found = false;
  for (size_t d = 0; d < stack_.size(); ++d)
    for (size_t b = 0; b < stack_[d].buttons.size(); ++b) {
      if (stack_[d].buttons[b].item->id.text != event.name) continue;
      found = true;
      button(d, static_cast<int>(b)).allowed = event.down;
      followButton(d, static_cast<int>(b));
      if (d == topDepth()) refreshOver(static_cast<int>(b));
    }
  if (!found) bump({event.name}, "no such button");
}

}  // namespace bristle
