#include "core/edit/language_edits.h"

#include <algorithm>
#include <array>

namespace bristle {
namespace {

// Primary subtags of ISO 639 whose usual script is Arabic, Hebrew, Syriac, Thaana, N'Ko or Adlam.
constexpr std::array<std::string_view, 15> kFromTheRight{"ar", "arc", "ckb", "dv",  "fa",
                                                         "he", "ks",  "nqo", "ps",  "sd",
                                                         "syr", "ug", "ur",  "yi",  "ff-Adlm"};

Edit onProject(std::string name, std::function<Result<Project>(Project)> change) {
  return {std::move(name), {}, [change = std::move(change)](const Project& before) {
            return change(before);
          }};
}

// What a button says or does in that language only.
void forget(ButtonData& button, const LanguageId& language) {
  for (Text* text : {&button.caption, &button.accessibleName, &button.description})
    text->others.erase(language);
  std::erase_if(button.routes.where,
                [&](const RouteException& each) { return each.language == language; });
}

}  // namespace

bool readsFromTheRight(std::string_view tag) {
  return std::any_of(kFromTheRight.begin(), kFromTheRight.end(), [&](std::string_view known) {
    return tag == known || (tag.starts_with(known) && tag[known.size()] == '-');
  });
}

Edit addLanguage(std::string tag, std::string name) {
  return onProject("add language", [=](Project after) -> Result<Project> {
    if (tag.empty()) return fail({}, "a language needs a tag, such as en or pt-BR");
    for (const Language& other : after.languages)
      if (other.tag == tag) return fail({}, "the language “" + tag + "” is there already");
    Language fresh;
    fresh.id = freshId<LanguageId>(after, "l");
    fresh.tag = tag;
    fresh.name = name.empty() ? tag : name;
    fresh.rightToLeft = readsFromTheRight(tag);
    after.languages.push_back(std::move(fresh));
    return after;
  });
}

Edit changeLanguage(LanguageId language, std::string name, std::function<void(Language&)> change) {
  return onProject(std::move(name), [=](Project after) -> Result<Project> {
    for (Language& each : after.languages)
      if (each.id == language) change(each);
    return after;
  });
}

Edit removeLanguage(LanguageId language) {
  return onProject("remove language", [=](Project after) -> Result<Project> {
    if (!after.languages.empty() && after.languages.front().id == language)
      return fail({}, "the first language cannot go: texts are written in it");
    std::erase_if(after.languages, [&](const Language& each) { return each.id == language; });
    for (Language& each : after.languages)
      if (each.fallback == language) each.fallback = {};
    for (auto& screen : after.screens)
      for (size_t i = 0; i < screen->items.size(); ++i) {
        const ButtonData* button = screen->items[i]->button();
        if (!button) continue;
        ButtonData without = *button;
        forget(without, language);
        if (!(without == *button)) *screen.edit().items[i].edit().button() = std::move(without);
      }
    return after;
  });
}

}  // namespace bristle
