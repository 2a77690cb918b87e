// Edits of the project's languages.
#pragma once
#include "core/edit/history.h"

namespace bristle {

// `tag` is a language tag of BCP 47 (en, pt-BR, ar); the direction follows from it where its script
// is written from the right.
Edit addLanguage(std::string tag, std::string name);
Edit changeLanguage(LanguageId language, std::string name, std::function<void(Language&)> change);
// With all that is written in it, and the routes that hold in it only. The first cannot go: texts
// are written in it.
Edit removeLanguage(LanguageId language);

// Whether text in a language of this tag begins at the right, as far as its script tells. The
// scripts are those of Unicode's right-to-left classes that are in daily use.
bool readsFromTheRight(std::string_view tag);

}  // namespace bristle
