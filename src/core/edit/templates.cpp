#include "core/edit/templates.h"

#include <array>

namespace bristle {
namespace {

constexpr Ms kFlash = 160;  // long enough to be seen, short enough not to be waited for
const char* const kTabUsed = "tab.used";

// Quick in, so that the menu answers at once; slower out, so that the eye can follow.
const Timing kIn{110, 0, {EasingType::CubicBezier, 0.2, 0.7, 0.2, 1}};
const Timing kPress{50, 0, {EasingType::CubicBezier, 0.2, 0.7, 0.2, 1}};
const Timing kOut{180, 0, {EasingType::CubicBezier, 0.3, 0, 0.3, 1}};

// One set of the five states; machines that remember something have two.
struct Half {
  StateId normal{"normal"}, hover{"hover"}, pressed{"pressed"}, focused{"focused"},
      disabled{"disabled"}, both{};

  static Half on(const std::string& prefix) {
    return {{prefix + "normal"},  {prefix + "hover"},    {prefix + "pressed"},
            {prefix + "focused"}, {prefix + "disabled"}, {}};
  }
};

using Effects = std::vector<Effect>;
const Effects kActivate{{.type = EffectType::Activate}};

class Wiring {
 public:
  Wiring(Machine& machine, Wins wins) : machine_(machine), wins_(wins) {}

  void states(const Half& half, const std::string& named = {}) {
    const auto add = [&](const StateId& id, const char* name, Role role) {
      if (id) machine_.states.push_back({id, named + name, role, false, {}});
    };
    add(half.normal, "normal", Role::Rest);
    add(half.hover, "hover", Role::Hover);
    add(half.pressed, "pressed", Role::Press);
    add(half.focused, "focused", Role::Focus);
    add(half.both, "hover and focused", wins_ == Wins::Hover ? Role::Hover : Role::Focus);
    add(half.disabled, "disabled", Role::Disabled);
  }

  Transition& add(const StateId& from, Event on, const StateId& to, std::string guard = {},
                  Effects effects = {}) {
    Transition t;
    t.from = from;
    t.on = on;
    t.to = to;
    t.guard = std::move(guard);
    t.timing = timingTo(to);
    t.effects = std::move(effects);
    machine_.transitions.push_back(std::move(t));
    return machine_.transitions.back();
  }

  // To what the signals call for once a press or a disabled time is over.
  void settle(const StateId& from, Event on, const Half& to, const Effects& effects = {},
              Ms after = 0, const std::string& message = {}) {
    const auto go = [&](const StateId& state, std::string guard) {
      Transition& t = add(from, on, state, std::move(guard), effects);
      t.after = after;
      t.message = message;
    };
    if (to.both) {
      go(to.both, "over and focus");
      go(to.hover, "over and not focus");
      go(to.focused, "focus and not over");
    } else if (wins_ == Wins::Hover) {
      go(to.hover, "over");
      go(to.focused, "focus and not over");
    } else {
      go(to.focused, "focus");
      go(to.hover, "over and not focus");
    }
    go(to.normal, {});
  }

  void hoverAndFocus(const Half& h) {
    add(h.normal, Event::OverBegin, h.pressed, "down");
    add(h.normal, Event::OverBegin, h.hover);
    add(h.normal, Event::FocusGain, h.focused);
    add(h.focused, Event::OverBegin, h.pressed, "down");
    if (h.both) {
      add(h.focused, Event::OverBegin, h.both);
      add(h.focused, Event::FocusLose, h.normal);
      add(h.hover, Event::FocusGain, h.both);
      add(h.hover, Event::OverEnd, h.normal);
      add(h.both, Event::OverEnd, h.focused);
      add(h.both, Event::FocusLose, h.hover);
    } else if (wins_ == Wins::Hover) {
      add(h.focused, Event::OverBegin, h.hover);
      add(h.focused, Event::FocusLose, h.normal);
      add(h.hover, Event::OverEnd, h.focused, "focus");
      add(h.hover, Event::OverEnd, h.normal);
    } else {
      add(h.focused, Event::FocusLose, h.hover, "over");
      add(h.focused, Event::FocusLose, h.normal);
      add(h.hover, Event::FocusGain, h.focused);
      add(h.hover, Event::OverEnd, h.normal);
    }
  }

  void pressed(const Half& h, const Effects& effects = {}) {
    for (const StateId& from : {h.normal, h.hover, h.focused, h.both})
      if (from) add(from, Event::Press, h.pressed, {}, effects);
  }

  // Dragged off: the press is still armed, so coming back shows it again (OverBegin above).
  void draggedOff(const StateId& from, const Half& h) {
    add(from, Event::OverEnd, h.focused, "not down and focus");
    add(from, Event::OverEnd, h.normal, "not down and not focus");
  }

  void calledOff(const Half& h) {
    draggedOff(h.pressed, h);
    settle(h.pressed, Event::Abandon, h);
    settle(h.disabled, Event::Enable, h);
  }

  void disabledFromAll(const Half& h) {
    Transition disable;
    disable.on = Event::Disable;
    disable.to = h.disabled;
    machine_.transitions.push_back(disable);
  }
  void disabled(const Half& h) {
    for (const StateId& from : {h.normal, h.hover, h.pressed, h.focused})
      add(from, Event::Disable, h.disabled).timing = {};
  }

 private:
  Timing timingTo(const StateId& to) const {
    const State* state = findState(machine_, to);
    const Role role = state ? state->role : Role::None;
    if (role == Role::Press) return kPress;
    return role == Role::Hover || role == Role::Focus ? kIn : kOut;
  }
  Machine& machine_;
  Wins wins_;
};

Machine begun(MachineId id, std::string name, Wins wins) {
  Machine machine;
  machine.id = std::move(id);
  machine.name = std::move(name);
  machine.timing = kOut;
  machine.wins = wins;
  return machine;
}

// A menu button in which only pressing, holding and letting go differ.
void simple(Machine& m, Template which, Wins wins) {
  Half half;
  if (which == Template::BothAtOnce) half.both = {"both"};
  const StateId done{"done"}, flash{"flash"};
  Wiring wire(m, wins);
  wire.states(half);
  if (which == Template::HoldToConfirm) m.states.push_back({done, "done", Role::None, false, {}});
  if (which == Template::FlashAndReturn)
    m.states.push_back({flash, "flash", Role::None, false, {}});
  const bool onRelease = which == Template::MenuButton || which == Template::BothAtOnce;
  const bool onPress = which == Template::OnPress || which == Template::RepeatWhileHeld;
  wire.hoverAndFocus(half);
  wire.pressed(half, onPress ? kActivate : Effects{});
  if (which == Template::RepeatWhileHeld)
    wire.add(half.pressed, Event::Repeat, half.pressed, {}, kActivate);
  if (which == Template::HoldToConfirm) {
    wire.add(half.pressed, Event::Hold, done, {}, kActivate);
    wire.settle(done, Event::Release, half);
    wire.draggedOff(done, half);
    wire.settle(done, Event::Abandon, half);
  }
  if (which == Template::FlashAndReturn) {
    wire.add(half.pressed, Event::Release, flash, {}, kActivate);
    wire.add(flash, Event::Press, half.pressed);
    wire.settle(flash, Event::After, half, {}, kFlash);
  } else {
    wire.settle(half.pressed, Event::Release, half, onRelease ? kActivate : Effects{});
  }
  wire.calledOff(half);
  wire.disabledFromAll(half);
  if (which == Template::OnPress) m.fires = Fires::Press;
  if (which == Template::HoldToConfirm) m.fires = Fires::Hold;
  if (which == Template::RepeatWhileHeld) m.fires = Fires::Repeat;
}

void toggle(Machine& m, Wins wins) {
  const Half halves[] = {Half{}, Half::on("on-")};
  Wiring wire(m, wins);
  wire.states(halves[0]);
  wire.states(halves[1], "on, ");
  for (int i = 0; i < 2; ++i) {
    wire.hoverAndFocus(halves[i]);
    wire.pressed(halves[i]);
    wire.settle(halves[i].pressed, Event::Release, halves[1 - i], kActivate);
    wire.calledOff(halves[i]);
    wire.disabled(halves[i]);
  }
}

// The one that is used tells all the others, and itself, that a tab was used: who has just been
// used becomes current, who was current is so no more.
void tab(Machine& m, Wins wins) {
  const Half plain, current = Half::on("current-");
  const StateId used{"used"};
  Wiring wire(m, wins);
  wire.states(plain);
  wire.states(current, "current, ");
  m.states.push_back({used, "just used", Role::None, false, {}});
  Effects both = kActivate;
  both.push_back({.type = EffectType::Message, .message = kTabUsed});
  for (const Half* half : {&plain, &current}) {
    wire.hoverAndFocus(*half);
    wire.pressed(*half);
    wire.add(half->pressed, Event::Release, used, {}, both);
    wire.calledOff(*half);
    wire.disabled(*half);
  }
  wire.settle(used, Event::Message, current, {}, 0, kTabUsed);
  const auto left = [&](const StateId& from, const StateId& to) {
    wire.add(from, Event::Message, to).message = kTabUsed;
  };
  left(current.normal, plain.normal);
  left(current.hover, plain.hover);
  left(current.pressed, plain.pressed);
  left(current.focused, plain.focused);
  left(current.disabled, plain.disabled);
}

// Whether it leads to the screen shown is asked of the menu: no message has to tell it.
void barEntry(Machine& m, Wins wins) {
  const Half plain, current = Half::on("current-");
  Wiring wire(m, wins);
  wire.states(plain);
  wire.states(current, "current, ");
  for (const Half* half : {&plain, &current}) {
    wire.hoverAndFocus(*half);
    wire.pressed(*half);
    wire.settle(half->pressed, Event::Release, *half, kActivate);
    wire.calledOff(*half);
    wire.disabled(*half);
  }
  for (const auto state :
       {&Half::normal, &Half::hover, &Half::pressed, &Half::focused, &Half::disabled}) {
    wire.add(plain.*state, Event::CurrentBegin, current.*state);
    wire.add(current.*state, Event::CurrentEnd, plain.*state);
  }
}

struct Words {
  std::string_view name, meaning;
};
constexpr std::array<Template, 9> kAll{
    Template::MenuButton,      Template::BothAtOnce, Template::OnPress,  Template::HoldToConfirm,
    Template::RepeatWhileHeld, Template::Toggle,     Template::BarEntry, Template::Tab,
    Template::FlashAndReturn};
constexpr std::array<Words, 9> kWords{{
    {"menu button", "Activates when a press ends on it."},
    {"hover and focus at once", "A menu button with a look of its own for both at once."},
    {"on press", "Activates as soon as it is pressed."},
    {"hold to confirm", "Activates when it was held down long enough."},
    {"repeat while held", "Activates on press, then again and again while held."},
    {"toggle", "Off and on; each use changes over."},
    {"bar entry", "Current for as long as it leads to the screen that is shown."},
    {"tab", "The one used last is current, until another one is used."},
    {"flash and return", "Flashes for a moment when it is used."},
}};

}  // namespace

std::span<const Template> allTemplates() {
  return kAll;
}
std::string_view nameOf(Template which) {
  return kWords[static_cast<size_t>(which)].name;
}
std::string_view meaningOf(Template which) {
  return kWords[static_cast<size_t>(which)].meaning;
}

Machine fromTemplate(Template which, MachineId id, std::string name, Wins wins) {
  Machine machine = begun(std::move(id), std::move(name), wins);
  if (which == Template::Toggle) {
    toggle(machine, wins);
  } else if (which == Template::BarEntry) {
    barEntry(machine, wins);
  } else if (which == Template::Tab) {
    tab(machine, wins);
  } else {
    simple(machine, which, wins);
  }
  return machine;
}

Machine menuButton(MachineId id, std::string name, Wins wins) {
  return fromTemplate(Template::MenuButton, std::move(id), std::move(name), wins);
}

}  // namespace bristle
