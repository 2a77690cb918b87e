// What a screen reader says of buttons, and what is said to a device that listens.
#include <fmt/format.h>

#include <algorithm>
#include <map>

#include "core/edit/screen_edits.h"
#include "core/findings/plain_words.h"
#include "core/findings/rules.h"

namespace bristle {
namespace {

std::string placeOf(const Screen& screen, const Item& item) {
  return fmt::format("{} · {}", screen.name, displayName(item));
}

const std::string& spoken(const Project& project, const ButtonData& button,
                          const LanguageId& language) {
  const Text& text = button.accessibleName.empty() ? button.caption : button.accessibleName;
  return wordsIn(project.languages, text, language);
}

// The caption is in the name as a whole, whatever its case and signs (WCAG 2.2 §2.5.3).
void tellLabelInName(const Project& project, const Screen& screen, const Item& item,
                     Findings& out) {
  const ButtonData& button = *item.button();
  if (button.caption.empty() || button.accessibleName.empty()) return;
  for (const Language& language : project.languages) {
    const std::string& caption = wordsIn(project.languages, button.caption, language.id);
    const std::string& name = spoken(project, button, language.id);
    const auto said = plainWords(name), read = plainWords(caption);
    if (read.empty() || holdsInOrder(said, read)) continue;
    out.push_back(
        {.place = placeOf(screen, item),
         .reason = fmt::format("it reads “{}”, and its accessible name “{}” does not have "
                               "that in it",
                               caption, name),
         .screen = screen.id,
         .item = item.id,
         .language = language.id,
         .mends = {changeItems(screen.id, {item.id}, "let the caption be its name", {},
                               [](Item& i) { i.button()->accessibleName = {}; })}});
    return;
  }
}

}  // namespace

void checkAccessibleNames(const Surroundings& around, const Screen& screen, Findings& out) {
  for (const auto& item : screen.items) {
    const ButtonData* button = item->button();
    if (button && isStill(around.project, *item)) continue;
    if (button && button->caption.empty() && button->accessibleName.empty())
      out.push_back({.place = fmt::format("{} · {}", screen.name, item->id.text),
                     .reason = "it has neither a caption nor an accessible name, so a screen "
                               "reader cannot say what it is",
                     .screen = screen.id,
                     .item = item->id});
  }
}

// Where nothing is read, a name says what it is; what it does, or shows, a description says.
void checkDescriptions(const Surroundings& around, const Screen& screen, Findings& out) {
  for (const auto& item : screen.items) {
    const ButtonData* button = item->button();
    if (!button || !button->caption.empty() || button->accessibleName.empty() ||
        !button->description.empty() || isStill(around.project, *item))
      continue;
    const Kind* kind = find(around.project, button->kind);
    const bool shows =
        kind && std::any_of(kind->parts.begin(), kind->parts.end(),
                            [](const Part& part) { return part.type == PartType::Picture; });
    if (!shows) continue;
    out.push_back({.rule = "no-description",
                   .place = placeOf(screen, *item),
                   .reason = "a picture alone says what it is, and nothing describes that",
                   .screen = screen.id,
                   .item = item->id});
  }
}

// Two that are never there at once may have one name; which are is not known, but panels of a set
// are told apart.
void checkSpokenNames(const Surroundings& around, const Screen& screen, Findings& out) {
  const Project& project = around.project;
  std::map<std::pair<std::vector<std::string>, ItemId>, const Item*> first;
  for (const auto& item : screen.items) {
    const ButtonData* button = item->button();
    if (!button || isStill(project, *item)) continue;
    tellLabelInName(project, screen, *item, out);
    const std::string& name = spoken(project, *button, project.languages.front().id);
    auto words = plainWords(name);
    if (words.empty()) continue;
    const auto [at, isNew] =
        first.try_emplace({std::move(words), panelOf(screen, *item)}, item.operator->());
    if (isNew) continue;
    out.push_back(
        {.rule = "same-name",
         .place = placeOf(screen, *item),
         .reason = fmt::format("it is called “{}”, as another button of this screen is", name),
         .screen = screen.id,
         .item = item->id,
         .detail = at->second->id.text});
  }
}

}  // namespace bristle
