#include "runtime/document/text.h"

#include <algorithm>

namespace bristle {
namespace {

bool isFirst(const std::vector<Language>& languages, const LanguageId& language) {
  return languages.empty() || !language || languages.front().id == language;
}

const std::string* own(const std::vector<Language>& languages, const Text& text,
                       const LanguageId& language) {
  if (isFirst(languages, language)) return &text.base;
  const auto at = text.others.find(language);
  return at == text.others.end() ? nullptr : &at->second;
}

}  // namespace

const std::string& wordsIn(const std::vector<Language>& languages, const Text& text,
                           const LanguageId& language) {
  LanguageId at = language;
  // As many steps as there are languages: fallbacks may go round in a ring.
  for (size_t steps = 0; !text.others.empty() && steps <= languages.size(); ++steps) {
    if (const std::string* words = own(languages, text, at); words && !words->empty())
      return *words;
    const auto known = std::find_if(languages.begin(), languages.end(),
                                    [&](const Language& l) { return l.id == at; });
    if (known == languages.end()) break;
    at = known->fallback;
  }
  return text.base;
}

bool hasWords(const std::vector<Language>& languages, const Text& text,
              const LanguageId& language) {
  const std::string* words = own(languages, text, language);
  return words && !words->empty();
}

void setWords(const std::vector<Language>& languages, Text& text, const LanguageId& language,
              std::string words) {
  if (isFirst(languages, language)) {
    text.base = std::move(words);
  } else if (words.empty()) {
    text.others.erase(language);
  } else {
    text.others[language] = std::move(words);
  }
}

}  // namespace bristle
