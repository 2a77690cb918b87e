// What an activated button or a shortcut does.
#include "runtime/document/tree.h"
#include "runtime/machine/condition.h"
#include "runtime/session/session.h"

namespace bristle {

void Session::perform(const Item& item) {
  add({.type = TraceType::Activate, .item = item.id});
  mark("visited", item.id.text);
  if (!acceptFlyOut(item)) act(item.button()->actions, item.id);
}

// In order; what changes the stack ends the list.
void Session::act(const Actions& actions, const ItemId& by) {
  for (const Action& action : actions) {
    const auto when = compileCondition(action.when, symbols_);
    if (!when || !when->holds({}, values_)) continue;
    if (act(action, by)) return;
  }
}

// What refers to what is not there does nothing, and tells so.
void Session::broken(const ItemId& by, std::string how) {
  add({.type = TraceType::Broken, .item = by, .how = std::move(how)});
}

bool Session::act(const Action& action, const ItemId& by) {
  switch (action.type) {
    case ActionType::Open:
      return push(action.screen, TraceType::Open, by, &action);
    case ActionType::PutOnTop:
      return push(action.screen, TraceType::OnTop, by, &action);
    case ActionType::Back:
      return pop(by, 1, &action);
    case ActionType::BackTo:
      return popTo(action.screen, by, &action);
    case ActionType::Panel:
    case ActionType::Show:
    case ActionType::Hide:
    case ActionType::Toggle:
      actOnItem(action, by);
      return false;
    case ActionType::Set:
    case ActionType::Step:
    case ActionType::Flip:
      actOnValue(action, by);
      return false;
    case ActionType::Message:
      send(action.message);
      return false;
    case ActionType::Link:
      if (isSafeLink(action.message))
        add({.type = TraceType::Link, .item = by, .how = action.message});
      else
        broken(by, "no address that may be opened");
      return false;
    case ActionType::Speak:
      speak(action.language, by);
      return false;
    case ActionType::Quit:
      add({.type = TraceType::Quit});
      ended_ = true;
      return true;
  }
  return false;
}

// Of the topmost screen on the stack that has it.
void Session::actOnItem(const Action& action, const ItemId& by) {
  for (size_t d = stack_.size(); d-- > 0;) {
    ScreenRun& run = stack_[d];
    const auto at = indexOf(*run.screen, action.item);
    if (!at) continue;
    const int parent = nestingOf(*run.screen)[*at].parent;
    const bool inSet = parent >= 0 && run.screen->items[size_t(parent)]->container()->panels;
    if (action.type == ActionType::Panel && !inSet) return broken(by, "it is in no set of panels");
    const bool on =
        action.type == ActionType::Toggle ? bool(run.off[*at]) : action.type != ActionType::Hide;
    run.turn(*at, on);
    valuesChanged_ = true;
    return;
  }
  broken(by, "what it shows or hides is not there");
}

void Session::actOnValue(const Action& action, const ItemId& by) {
  const int index = symbols_.valueIndex(action.value);
  if (index < 0) return broken(by, "its value is not there");
  const ProjectValue& value = project().values[size_t(index)];
  const double step = value.sort == ValueSort::Number ? value.step : 1;
  const double now = values_[size_t(index)];
  if (action.type == ActionType::Flip) {
    // What would not move it is at its last: the first comes next.
    const double next = within(value, now + step);
    const double first = value.sort == ValueSort::Number ? value.least.value_or(0) : 0;
    return setValue(static_cast<std::uint32_t>(index), next > now ? next : first);
  }
  const double to = action.type == ActionType::Set ? action.number : now + action.number * step;
  setValue(static_cast<std::uint32_t>(index), to);
}

}  // namespace bristle
