#include "core/derive/trace_words.h"

#include <fmt/format.h>

#include "core/derive/action_words.h"
#include "core/derive/formula_names.h"

namespace bristle {
namespace {

std::string_view deviceName(Device device) {
  constexpr std::string_view kDevices[] = {"mouse", "finger", "keyboard", "controller"};
  return kDevices[static_cast<size_t>(device)];
}

const Item* findAnywhere(const Project& project, const ItemId& id) {
  for (const auto& screen : project.screens)
    if (const Item* item = findItem(*screen, id)) return item;
  return nullptr;
}

std::string itemName(const Project& project, const ItemId& id) {
  if (!id) return "nothing";
  const Item* item = findAnywhere(project, id);
  return item ? displayName(*item) : id.text;
}

const Machine* machineOf(const TraceEntry& entry, const Project& project) {
  const Item* item = itemOf(entry, project);
  const Kind* kind = item && item->button() ? find(project, item->button()->kind) : nullptr;
  return kind ? find(project, kind->machine) : nullptr;
}

std::string stateName(const Machine* machine, const StateId& id) {
  if (machine)
    for (const State& state : machine->states)
      if (state.id == id) return state.name;
  return id.text;
}

std::string pointed(const char* what, const InputEvent& e, const Project& project) {
  std::string out = what;
  if (!e.name.empty()) out += " at " + itemName(project, {e.name});
  return fmt::format("{}, {}", out, deviceName(e.device));
}

std::string hostInWords(const InputEvent& e, const Project& project) {
  switch (e.type) {
    case InputType::Enable:
      return fmt::format("the host {} {}", e.down ? "enables" : "disables",
                         itemName(project, {e.name}));
    case InputType::Message:
      return fmt::format("message {} from the host", e.name);
    case InputType::SetValue: {
      const ProjectValue* value = find(project, ValueId{e.name});
      return fmt::format("the host sets {} to {}", value ? value->name : e.name,
                         value ? inWords(*value, e.number) : fmt::format("{:g}", e.number));
    }
    default:
      return "time";
  }
}

// The number of a transition among those of its sort, from 1.
int placeOfTransition(const Machine& machine, const Transition& it) {
  int place = 1;
  for (const Transition& each : machine.transitions) {
    if (&each == &it) return place;
    place += each.from == it.from;
  }
  return place;
}

}  // namespace

const Item* itemOf(const TraceEntry& entry, const Project& project) {
  return entry.item ? findAnywhere(project, entry.item) : nullptr;
}

const Transition* transitionOf(const TraceEntry& entry, const Project& project) {
  const Machine* machine = entry.type == TraceType::State ? machineOf(entry, project) : nullptr;
  const auto at = static_cast<size_t>(entry.number);
  return machine && at < machine->transitions.size() ? &machine->transitions[at] : nullptr;
}

std::string inWords(const InputEvent& e, const Project& project) {
  std::string what;
  switch (e.type) {
    case InputType::Point:
      return pointed("pointer", e, project);
    case InputType::PointDown:
      return pointed("press", e, project);
    case InputType::PointUp:
      return pointed("let go", e, project);
    case InputType::Scroll:
      return fmt::format("wheel {}, mouse", nameOf(e.dir));
    case InputType::Step:
      return e.down ? "step on, keyboard" : "step back, keyboard";
    case InputType::Gone:
      return fmt::format("{} taken away", deviceName(e.device));
    case InputType::Enable:
    case InputType::Message:
    case InputType::SetValue:
    case InputType::Tick:
      return hostInWords(e, project);
    case InputType::Move:
      what = nameOf(e.dir);
      break;
    case InputType::Accept:
      what = "accept";
      break;
    case InputType::Cancel:
      what = "cancel";
      break;
    case InputType::Shoulder:
      what = fmt::format("tab {}", nameOf(e.dir));
      break;
    case InputType::Shortcut: {
      const Shortcut* shortcut = find(project, ShortcutId{e.name});
      what = shortcut ? shortcut->name : e.name;
      break;
    }
  }
  return fmt::format("{}{}, {}", what, e.down ? "" : " let go", deviceName(e.device));
}

std::string inWords(const TraceEntry& e, const Project& project) {
  switch (e.type) {
    case TraceType::State: {
      const Machine* machine = machineOf(e, project);
      return fmt::format("{}: {} → {}", itemName(project, e.item), stateName(machine, e.fromState),
                         stateName(machine, e.toState));
    }
    case TraceType::Focus:
      return fmt::format("focus {} → {}", itemName(project, e.fromItem), itemName(project, e.item));
    case TraceType::Activate:
      return fmt::format("fires {}", itemName(project, e.item));
    case TraceType::Bump:
      return fmt::format("bump at {}", itemName(project, e.item));
    case TraceType::Modality:
      return fmt::format("now by {}", e.how);
    case TraceType::Value: {
      const ProjectValue* value = find(project, e.value);
      return fmt::format("{} = {}", value ? value->name : e.value.text,
                         value ? inWords(*value, e.number) : fmt::format("{:g}", e.number));
    }
    default:
      return toLine(e, project);
  }
}

std::string whyInWords(const TraceEntry& e, const Project& project) {
  if (e.type == TraceType::Focus || e.type == TraceType::Bump) return e.how;
  if (e.type == TraceType::Activate) {
    const Item* item = itemOf(e, project);
    return item && item->button() ? inWords(project, item->button()->actions) : std::string();
  }
  if (e.type == TraceType::Shown) {
    const Item* item = itemOf(e, project);
    if (!item || item->shownWhen.empty()) return {};
    return "shown if " + withNames(project, item->shownWhen);
  }
  const Transition* transition = transitionOf(e, project);
  if (!transition) return {};
  std::string by(nameOf(transition->on));
  if (transition->on == Event::Message) by += " " + transition->message;
  if (transition->on == Event::After) by += fmt::format(" {} ms", transition->after);
  std::string out = fmt::format("by {}, {} transition {}", by, transition->from ? "own" : "common",
                                placeOfTransition(*machineOf(e, project), *transition));
  if (!transition->guard.empty()) out += ", only if " + withNames(project, transition->guard);
  return out;
}

}  // namespace bristle
