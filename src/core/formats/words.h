// All texts of a project that people read, one by one: for tables of words and for translators.
#pragma once
#include <functional>
#include <string>
#include <vector>

#include "core/edit/history.h"

namespace bristle {

// `key` tells it from all others as long as its button is there: "b12.caption". `where` says where
// it stands, in the words of the project.
struct Words {
  std::string key, where;
  const Text* text = nullptr;
};
// Those that have words in the first language, screen by screen. Valid as long as the project is.
std::vector<Words> allWords(const Project& project);

// What is written in one language, by key.
struct Written {
  std::string key;
  std::string base;   // what it was written for; empty: not known
  std::string words;  // empty: none
};
struct WordsDone {
  size_t written = 0, unknown = 0;  // unknown: of buttons that are not there
  size_t older = 0;                 // of the written: the first language says something else by now
};
// What writing it would do.
WordsDone wouldWrite(const Project& project, const std::vector<Written>& words);
// Words that are empty leave what is there.
Edit writeWords(LanguageId language, std::vector<Written> words, std::string name);
// Takes a text away: in the first language, whose words the others are written for, in all of them.
Edit clearWords(LanguageId language, std::string key);

// 40 % longer, with accents on its letters and marks at both ends, so that one sees what is cut and
// what was never handed over to be translated. What stands in braces stays.
std::string pretendWords(std::string_view base);
// A language of that kind, written anew for all texts; added where there is none (its tag is
// "qaa-x-pretend": qaa is for private use in ISO 639-2).
Edit pretendLanguage();

}  // namespace bristle
