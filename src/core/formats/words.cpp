#include "core/formats/words.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <unordered_map>

namespace bristle {
namespace {

constexpr std::string_view kPretendTag = "qaa-x-pretend";
constexpr double kLonger = 0.4;

constexpr std::array<const char*, 26> kSmall{"á", "ƀ", "ç", "đ", "é", "ƒ", "ğ", "ħ", "î",
                                             "ĵ", "ķ", "ļ", "ɱ", "ñ", "ö", "þ", "ʠ", "ŕ",
                                             "š", "ŧ", "ü", "ṽ", "ŵ", "ẋ", "ý", "ž"};
constexpr std::array<const char*, 26> kLarge{"Á", "Ɓ", "Ç", "Đ", "É", "Ƒ", "Ğ", "Ħ", "Î",
                                             "Ĵ", "Ķ", "Ļ", "Ṁ", "Ñ", "Ö", "Þ", "Ǫ", "Ŕ",
                                             "Š", "Ŧ", "Ü", "Ṽ", "Ŵ", "Ẋ", "Ý", "Ž"};

size_t letters(std::string_view text) {
  return static_cast<size_t>(
      std::count_if(text.begin(), text.end(), [](char c) { return (c & 0xc0) != 0x80; }));
}

struct Field {
  const char* name;
  Text ButtonData::*which;
};
constexpr std::array<Field, 3> kFields{{{"caption", &ButtonData::caption},
                                        {"name", &ButtonData::accessibleName},
                                        {"description", &ButtonData::description}}};

}  // namespace

std::vector<Words> allWords(const Project& project) {
  std::vector<Words> out;
  for (const auto& screen : project.screens)
    for (const auto& item : screen->items) {
      const ButtonData* button = item->button();
      if (!button) continue;
      for (const Field& field : kFields)
        if (!(button->*field.which).base.empty())
          out.push_back({item->id.text + "." + field.name,
                         fmt::format("{} · {} · {}", screen->name, displayName(*item), field.name),
                         &(button->*field.which)});
    }
  return out;
}

WordsDone wouldWrite(const Project& project, const std::vector<Written>& words) {
  WordsDone out;
  std::unordered_map<std::string, const Text*> there;
  for (const Words& each : allWords(project)) there[each.key] = each.text;
  for (const Written& each : words) {
    const auto at = there.find(each.key);
    if (at == there.end()) {
      ++out.unknown;
    } else if (!each.words.empty()) {
      ++out.written;
      out.older += !each.base.empty() && each.base != at->second->base;
    }
  }
  return out;
}

namespace {

bool isThere(const Project& project, const LanguageId& language) {
  const auto& all = project.languages;
  return std::any_of(all.begin(), all.end(),
                     [&](const Language& each) { return each.id == language; });
}

// `change(text, key)` of each text of a button, empty ones, too.
template <class Change>
void changeTexts(Project& project, Change change) {
  for (auto& screen : project.screens)
    for (size_t i = 0; i < screen->items.size(); ++i) {
      if (!screen->items[i]->button()) continue;
      for (const Field& field : kFields) {
        Text text = screen->items[i]->button()->*field.which;
        change(text, screen->items[i]->id.text + "." + field.name);
        if (text != screen->items[i]->button()->*field.which)
          screen.edit().items[i].edit().button()->*field.which = std::move(text);
      }
    }
}

}  // namespace

Edit writeWords(LanguageId language, std::vector<Written> words, std::string name) {
  return {std::move(name), {}, [=, words = std::move(words)](Project after) -> Result<Project> {
            if (!isThere(after, language)) return fail({}, "that language is gone");
            std::unordered_map<std::string, const std::string*> wanted;
            for (const Written& each : words)
              if (!each.words.empty()) wanted[each.key] = &each.words;
            changeTexts(after, [&](Text& text, const std::string& key) {
              const auto at = wanted.find(key);
              if (at != wanted.end()) setWords(after.languages, text, language, *at->second);
            });
            return after;
          }};
}

Edit clearWords(LanguageId language, std::string key) {
  return {"take words away", {}, [=](Project after) -> Result<Project> {
            if (!isThere(after, language)) return fail({}, "that language is gone");
            const bool first = after.languages.front().id == language;
            changeTexts(after, [&](Text& text, const std::string& of) {
              if (of != key) return;
              if (first)
                text = {};
              else
                setWords(after.languages, text, language, {});
            });
            return after;
          }};
}

std::string pretendWords(std::string_view base) {
  if (base.empty()) return {};
  std::string out = "[";
  int braces = 0;
  for (const char c : base) {
    if (c == '{') ++braces;
    if (braces == 0 && c >= 'a' && c <= 'z')
      out += kSmall[size_t(c - 'a')];
    else if (braces == 0 && c >= 'A' && c <= 'Z')
      out += kLarge[size_t(c - 'A')];
    else
      out += c;
    if (c == '}' && braces > 0) --braces;
  }
  // The brackets count.
  const auto more = std::lround(std::ceil(static_cast<double>(letters(base)) * kLonger)) - 2;
  for (long i = 0; i < more; ++i) out += i % 6 ? "~" : " ";
  return out + "]";
}

Edit pretendLanguage() {
  return {"write pretend words", {}, [](Project after) -> Result<Project> {
            auto at = std::find_if(after.languages.begin(), after.languages.end(),
                                   [](const Language& each) { return each.tag == kPretendTag; });
            if (at == after.languages.end()) {
              Language fresh;
              fresh.id = freshId<LanguageId>(after, "l");
              fresh.tag = kPretendTag;
              fresh.name = "Pretend";
              after.languages.push_back(std::move(fresh));
              at = after.languages.end() - 1;
            }
            const LanguageId id = at->id;
            std::vector<Written> words;
            for (const Words& each : allWords(after))
              words.push_back({each.key, {}, pretendWords(each.text->base)});
            return writeWords(id, std::move(words), {}).apply(after);
          }};
}

}  // namespace bristle
