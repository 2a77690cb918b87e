// What buttons and shortcuts do, and cannot: what is not there, or never comes to pass.
#include <fmt/format.h>

#include "core/edit/binding_edits.h"
#include "core/edit/screen_edits.h"
#include "core/findings/rules.h"

namespace bristle {
namespace {

bool isPanelOfASet(const Screen& screen, const Item& item) {
  const Item* parent = findItem(screen, item.parent);
  return parent && parent->container() && parent->container()->panels;
}

// What is wrong with one; nothing where all is well. `screen` is the one that it stands on; null:
// of a shortcut, which serves all.
std::string whyBroken(const Project& project, const Screen* screen, const Action& action) {
  if (action.leads() && !find(project, action.screen))
    return fmt::format("it leads to a screen “{}” that is not there", action.screen.text);
  if (action.hasValue() && !find(project, action.value))
    return fmt::format("it sets a value “{}” that is not there", action.value.text);
  if (action.hasItem() && screen) {
    const Item* item = findItem(*screen, action.item);
    if (!item)
      return fmt::format("it shows or hides “{}”, which is not on its screen", action.item.text);
    if (action.type == ActionType::Panel && !isPanelOfASet(*screen, *item))
      return fmt::format("it shows the panel “{}”, which is in no set of panels",
                         displayName(*item));
  }
  if (action.type == ActionType::Link && !isSafeLink(action.message))
    return fmt::format("its link “{}” is no address that begins with http:, https: or mailto:",
                       action.message);
  if (action.type == ActionType::Speak &&
      std::none_of(project.languages.begin(), project.languages.end(),
                   [&](const Language& l) { return l.id == action.language; }))
    return fmt::format("it speaks a language “{}” that is not there", action.language.text);
  if (action.type == ActionType::Message && action.message.empty())
    return "it sends a message without a name";
  return {};
}

bool endsAll(const Action& action) {
  return action.when.empty() &&
         (action.leads() || action.type == ActionType::Back || action.type == ActionType::Quit);
}

// Of each that is wrong: why, and its place.
template <class Tell>
void eachWrong(const Project& project, const Screen* screen, const Actions& actions, Tell tell) {
  bool ended = false;
  for (size_t i = 0; i < actions.size(); ++i) {
    std::string why = whyBroken(project, screen, actions[i]);
    if (why.empty() && ended)
      why = "it comes after one that leaves the screen, so it is never done";
    if (!why.empty()) tell(i, std::move(why));
    ended |= endsAll(actions[i]);
  }
}

std::string nth(size_t i, size_t of) {
  return of < 2 ? std::string() : fmt::format("action {}: ", i + 1);
}

}  // namespace

void checkActions(const Surroundings& around, const Screen& screen, Findings& out) {
  eachWrong(around.project, &screen, screen.idle.actions, [&](size_t i, std::string why) {
    out.push_back({.place = fmt::format("{} · by itself", screen.name),
                   .reason = nth(i, screen.idle.actions.size()) + why,
                   .screen = screen.id,
                   .detail = "idle " + std::to_string(i),
                   .mends = {changeScreen(screen.id, "take that action away", {}, [i](Screen& s) {
                     Actions& its = s.idle.actions;
                     if (i < its.size()) its.erase(its.begin() + std::ptrdiff_t(i));
                   })}});
  });
  for (const auto& item : screen.items) {
    if (!item->button()) continue;
    const Actions& actions = item->button()->actions;
    eachWrong(around.project, &screen, actions, [&](size_t i, std::string why) {
      out.push_back({.place = fmt::format("{} · {}", screen.name, displayName(*item)),
                     .reason = nth(i, actions.size()) + why,
                     .screen = screen.id,
                     .item = item->id,
                     .detail = std::to_string(i),
                     .mends = {changeItems(screen.id, {item->id}, "take that action away", {},
                                           [i](Item& changed) {
                                             Actions& its = changed.button()->actions;
                                             if (i < its.size())
                                               its.erase(its.begin() + std::ptrdiff_t(i));
                                           })}});
    });
  }
}

void checkShortcutActions(const Surroundings& around, Findings& out) {
  for (const Shortcut& shortcut : around.project.shortcuts)
    eachWrong(around.project, nullptr, shortcut.actions, [&](size_t i, std::string why) {
      out.push_back({.place = fmt::format("shortcut “{}”", shortcut.name),
                     .reason = nth(i, shortcut.actions.size()) + why,
                     .detail = shortcut.id.text + " " + std::to_string(i),
                     .mends = {changeShortcut(
                         shortcut.id, "take that action away", {}, [i](Shortcut& changed) {
                           if (i < changed.actions.size())
                             changed.actions.erase(changed.actions.begin() + std::ptrdiff_t(i));
                         })}});
    });
}

}  // namespace bristle
