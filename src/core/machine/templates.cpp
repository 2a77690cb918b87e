#include "core/machine/templates.h"

namespace bristle {
namespace {

const StateId kNormal{"normal"}, kHover{"hover"}, kPressed{"pressed"}, kFocused{"focused"},
    kDisabled{"disabled"};

// Quick in, so that the menu answers at once; slower out, so that the eye can follow.
const Timing kIn{110, 0, {EasingType::CubicBezier, 0.2, 0.7, 0.2, 1}};
const Timing kPress{50, 0, {EasingType::CubicBezier, 0.2, 0.7, 0.2, 1}};
const Timing kOut{180, 0, {EasingType::CubicBezier, 0.3, 0, 0.3, 1}};

Timing timingTo(const StateId& to) {
  if (to == kPressed) return kPress;
  return to == kHover || to == kFocused ? kIn : kOut;
}

class Wiring {
 public:
  explicit Wiring(Machine& machine) : machine_(machine) {}

  void add(const StateId& from, Event on, const StateId& to, std::string guard = {},
           bool activates = false) {
    Transition t;
    t.from = from;
    t.on = on;
    t.to = to;
    t.guard = std::move(guard);
    t.timing = timingTo(to);
    if (activates) t.effects.push_back({EffectType::Activate, {}, {}, {}});
    machine_.transitions.push_back(std::move(t));
  }

  // Back to what the signals call for once a press or a disabled time is over.
  void settle(const StateId& from, Event on, Wins wins, bool activates = false) {
    const bool hoverFirst = wins == Wins::Hover;
    add(from, on, hoverFirst ? kHover : kFocused, hoverFirst ? "over" : "focus", activates);
    add(from, on, hoverFirst ? kFocused : kHover, hoverFirst ? "focus" : "over", activates);
    add(from, on, kNormal, {}, activates);
  }

 private:
  Machine& machine_;
};

void wireHoverAndFocus(Wiring& wire, Wins wins) {
  wire.add(kNormal, Event::OverBegin, kPressed, "down");
  wire.add(kNormal, Event::OverBegin, kHover);
  wire.add(kNormal, Event::FocusGain, kFocused);
  wire.add(kFocused, Event::OverBegin, kPressed, "down");
  if (wins == Wins::Hover) {
    wire.add(kFocused, Event::OverBegin, kHover);
    wire.add(kFocused, Event::FocusLose, kNormal);
    wire.add(kHover, Event::OverEnd, kFocused, "focus");
    wire.add(kHover, Event::OverEnd, kNormal);
  } else {
    wire.add(kFocused, Event::FocusLose, kHover, "over");
    wire.add(kFocused, Event::FocusLose, kNormal);
    wire.add(kHover, Event::FocusGain, kFocused);
    wire.add(kHover, Event::OverEnd, kNormal);
  }
}

}  // namespace

Machine menuButton(MachineId id, std::string name, Wins wins) {
  Machine machine;
  machine.id = std::move(id);
  machine.name = std::move(name);
  machine.timing = kOut;
  machine.states = {{kNormal, "normal", Role::Rest, {}},
                    {kHover, "hover", Role::Hover, {}},
                    {kPressed, "pressed", Role::Press, {}},
                    {kFocused, "focused", Role::Focus, {}},
                    {kDisabled, "disabled", Role::Disabled, {}}};
  Wiring wire(machine);
  wireHoverAndFocus(wire, wins);
  for (const StateId& from : {kNormal, kHover, kFocused}) wire.add(from, Event::Press, kPressed);
  wire.settle(kPressed, Event::Release, wins, true);
  // Dragged off: the press is still armed, so coming back shows it again (OverBegin above).
  wire.add(kPressed, Event::OverEnd, kFocused, "not down and focus");
  wire.add(kPressed, Event::OverEnd, kNormal, "not down");
  wire.settle(kPressed, Event::Abandon, wins);
  wire.settle(kDisabled, Event::Enable, wins);
  Transition disable;
  disable.on = Event::Disable;
  disable.to = kDisabled;
  machine.transitions.push_back(disable);
  return machine;
}

}  // namespace bristle
