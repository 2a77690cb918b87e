#include "core/derive/action_words.h"

#include <fmt/format.h>

#include "core/derive/formula_names.h"

namespace bristle {
namespace {

std::string screenName(const Project& project, const ScreenId& id) {
  const Screen* screen = find(project, id);
  return screen ? screen->name : fmt::format("“{}”, which is gone", id.text);
}

std::string itemName(const Project& project, const ItemId& id) {
  for (const auto& screen : project.screens)
    if (const Item* item = findItem(*screen, id)) return displayName(*item);
  return fmt::format("“{}”, which is gone", id.text);
}

std::string valueWords(const Project& project, const Action& action) {
  const ProjectValue* value = find(project, action.value);
  if (!value) return fmt::format("set “{}”, which is gone", action.value.text);
  if (action.type == ActionType::Set)
    return fmt::format("set {} to {}", value->name, inWords(*value, action.number));
  if (action.type == ActionType::Flip) return "flip " + value->name;
  return fmt::format("step {} by {:+g}", value->name, action.number);
}

std::string what(const Project& project, const Action& action) {
  switch (action.type) {
    case ActionType::Open:
      return "open " + screenName(project, action.screen);
    case ActionType::PutOnTop:
      return fmt::format("put {} on top", screenName(project, action.screen));
    case ActionType::Back:
      return "go back";
    case ActionType::BackTo:
      return "go back to " + screenName(project, action.screen);
    case ActionType::Panel:
      return fmt::format("show the panel {}", itemName(project, action.item));
    case ActionType::Show:
      return "show " + itemName(project, action.item);
    case ActionType::Hide:
      return "hide " + itemName(project, action.item);
    case ActionType::Toggle:
      return fmt::format("show or hide {} by turns", itemName(project, action.item));
    case ActionType::Set:
    case ActionType::Step:
    case ActionType::Flip:
      return valueWords(project, action);
    case ActionType::Message:
      return fmt::format("send “{}”", action.message);
    case ActionType::Link:
      return fmt::format("open the link {}", action.message);
    case ActionType::Quit:
      return "quit";
    case ActionType::Speak: {
      const auto its = [&](const Language& l) { return l.id == action.language; };
      const auto at = std::find_if(project.languages.begin(), project.languages.end(), its);
      return "speak " + (at == project.languages.end() ? action.language.text : at->name);
    }
  }
  return {};
}

}  // namespace

std::string inWords(const ProjectValue& value, double number) {
  if (value.sort == ValueSort::Flag) return number == 0 ? "no" : "yes";
  if (value.sort == ValueSort::Choice) {
    const auto at = static_cast<size_t>(number);
    if (number >= 0 && at < value.options.size()) return value.options[at];
  }
  return fmt::format("{:g}", number);
}

std::string inWords(const Project& project, const Action& action) {
  std::string out = what(project, action);
  if (!action.when.empty()) out += ", only if " + withNames(project, action.when);
  return out;
}

std::string inWords(const Project& project, const Actions& actions) {
  if (actions.empty()) return "does nothing yet";
  std::string out = inWords(project, actions.front());
  if (actions.size() > 1) out += fmt::format(", and {} more", actions.size() - 1);
  return out;
}

}  // namespace bristle
