// Texts that are not there in a language, that nobody wrote yet, or that read the other way.
#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <set>

#include "core/findings/plain_words.h"
#include "core/findings/rules.h"

namespace bristle {
namespace {

// What menus start with, and what is typed to fill a place.
bool isPlaceholder(std::string_view text) {
  const auto words = plainWords(text);
  if (words.empty()) return false;
  static constexpr std::array<std::string_view, 12> kAlone{
      "button", "caption",     "label",    "text",  "tbd",  "todo",
      "xxx",    "placeholder", "untitled", "title", "item", "asdf"};
  const bool numbered =
      words.size() == 2 &&
      std::all_of(words[1].begin(), words[1].end(), [](char c) { return c >= '0' && c <= '9'; });
  if (words.size() == 1 || numbered)
    if (std::find(kAlone.begin(), kAlone.end(), words[0]) != kAlone.end()) return true;
  return holdsInOrder(words, {"lorem", "ipsum"}) || holdsInOrder(words, {"todo"});
}

// Letters of scripts that read from the right: Hebrew to Arabic Extended-A, and their presentation
// forms (Unicode 15, R and AL of the Bidirectional Algorithm, UAX #9); and all other letters.
struct Letters {
  int fromRight = 0, fromLeft = 0;
};
Letters lettersIn(std::string_view text) {
  Letters out;
  for (size_t i = 0; i < text.size();) {
    const auto lead = static_cast<unsigned char>(text[i]);
    const size_t length = lead < 0x80 ? 1 : lead < 0xE0 ? 2 : lead < 0xF0 ? 3 : 4;
    char32_t code = length == 1 ? lead : lead & (0xFF >> (length + 1));
    for (size_t k = 1; k < length && i + k < text.size(); ++k)
      code = (code << 6) | (static_cast<unsigned char>(text[i + k]) & 0x3F);
    i += length;
    if ((code >= 0x590 && code <= 0x8FF) || (code >= 0xFB1D && code <= 0xFDFF) ||
        (code >= 0xFE70 && code <= 0xFEFC))
      ++out.fromRight;
    else if ((code >= 'A' && code <= 'Z') || (code >= 'a' && code <= 'z') || code >= 0xC0)
      ++out.fromLeft;
  }
  return out;
}

class Texts {
 public:
  // What lacks words in languages of `told` goes without saying.
  Texts(const Project& project, const Screen& screen, const Item& item,
        const std::set<LanguageId>& told, Findings& out)
      : project_(project), screen_(screen), item_(item), told_(told), out_(out) {}

  void judge(const Text& text, std::string_view what) {
    if (text.empty()) return;
    const bool alike = !text.others.empty() &&
                       std::all_of(text.others.begin(), text.others.end(),
                                   [&](const auto& each) { return each.second == text.base; });
    std::string missing;
    for (const Language& language : project_.languages) {
      const std::string& words = wordsIn(project_.languages, text, language.id);
      const bool own = hasWords(project_.languages, text, language.id);
      if (!own && !told_.count(language.id))
        missing += (missing.empty() ? "" : ", ") + language.name;
      if (own) judgeWords(words, language, what, alike);
    }
    if (!missing.empty())
      tell("untranslated", what,
           fmt::format("its {} “{}” is not there in {}", what, text.base, missing), {});
  }

 private:
  void judgeWords(const std::string& words, const Language& language, std::string_view what,
                  bool alike) {
    if (isPlaceholder(words))
      tell("placeholder", what, fmt::format("its {} is still “{}”", what, words), language.id);
    if (alike) return;  // a language’s own name, a brand: it is written so everywhere
    const Letters letters = lettersIn(words);
    const bool wrong = language.rightToLeft ? letters.fromRight == 0 && letters.fromLeft > 0
                                            : letters.fromRight > letters.fromLeft;
    if (wrong)
      tell("wrong-direction", what,
           fmt::format("its {} “{}” is not written from the {}, as {} is", what, words,
                       language.rightToLeft ? "right" : "left", language.name),
           language.id);
  }
  void tell(std::string_view rule, std::string_view what, std::string reason,
            const LanguageId& language) {
    out_.push_back({.rule = rule,
                    .place = fmt::format("{} · {}", screen_.name, displayName(item_)),
                    .reason = std::move(reason),
                    .screen = screen_.id,
                    .item = item_.id,
                    .language = language,
                    .detail = fmt::format("{} {}", what, language.text)});
  }
  const Project& project_;
  const Screen& screen_;
  const Item& item_;
  const std::set<LanguageId>& told_;
  Findings& out_;
};

// A language in which a screen has no words yet is one thing to do, not as many as it has texts.
std::set<LanguageId> tellEmptyLanguages(const Project& project, const Screen& screen,
                                        Findings& out) {
  constexpr int kFew = 2;  // texts that are told each by itself
  std::set<LanguageId> told;
  for (const Language& language : project.languages) {
    int texts = 0, there = 0;
    for (const auto& item : screen.items)
      if (const ButtonData* button = item->button())
        for (const Text* text : {&button->caption, &button->accessibleName, &button->description}) {
          if (text->empty()) continue;
          ++texts;
          there += hasWords(project.languages, *text, language.id);
        }
    if (texts <= kFew || there > 0) continue;
    told.insert(language.id);
    out.push_back(
        {.rule = "untranslated",
         .place = screen.name,
         .reason = fmt::format("none of its {} texts is there in {}", texts, language.name),
         .screen = screen.id,
         .language = language.id,
         .detail = fmt::format("all {}", language.id.text)});
  }
  return told;
}

}  // namespace

void checkTexts(const Surroundings& around, const Screen& screen, Findings& out) {
  const std::set<LanguageId> told = tellEmptyLanguages(around.project, screen, out);
  for (const auto& item : screen.items) {
    const ButtonData* button = item->button();
    if (!button) continue;
    Texts texts(around.project, screen, *item, told, out);
    texts.judge(button->caption, "caption");
    texts.judge(button->accessibleName, "accessible name");
    texts.judge(button->description, "description");
  }
}

}  // namespace bristle
