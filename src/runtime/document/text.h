// Texts that people read, in the project's languages.
//
// A text has its words in the first language of the project (`base`) and, where somebody wrote
// them, in others. What has no words in a language falls back: to the language's own fallback, and
// so on, at last to the base.
#pragma once
#include <map>
#include <string>
#include <vector>

#include "runtime/document/basics.h"
#include "runtime/document/ids.h"

namespace bristle {

// A language that the menu is shown in. The direction of reading is the language's: rows, routes
// and reading order follow it.
struct Language {
  LanguageId id;
  std::string tag;   // BCP 47: en, pt-BR, ar; und where nobody said
  std::string name;  // for the person who makes the menu
  bool rightToLeft = false;
  LanguageId fallback;  // empty: the first of the project
  Extras extra;
  bool operator==(const Language&) const = default;
};

struct Text {
  std::string base;
  std::map<LanguageId, std::string> others;  // an empty one is as good as none

  Text() = default;
  // In the first language only.
  Text(std::string words) : base(std::move(words)) {}
  // In the first language only.
  Text(const char* words) : base(words) {}
  bool operator==(const Text&) const = default;
  // No words in any language.
  bool empty() const { return base.empty() && others.empty(); }
};

// The words in a language, or what they fall back to; empty where there are none at all.
const std::string& wordsIn(const std::vector<Language>& languages, const Text& text,
                           const LanguageId& language);
// Whether they are there without falling back.
bool hasWords(const std::vector<Language>& languages, const Text& text, const LanguageId& language);
// Writes them; no words take the entry away, so that it falls back again.
void setWords(const std::vector<Language>& languages, Text& text, const LanguageId& language,
              std::string words);

}  // namespace bristle
