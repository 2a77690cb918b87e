// Words of a project for translators, and back: as a table with a column for each language, and as
// a message catalogue (PO, of GNU gettext) for one language.
#pragma once
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "core/formats/words.h"

namespace bristle {

// Heads: key, where, then the languages’ tags, the first language first.
std::string writeWordsTable(const Project& project);
// By language, what the table has in its columns. Columns that are no language of the project are
// told as an error, with what was expected.
Result<std::vector<std::pair<LanguageId, std::vector<Written>>>> readWordsTable(
    const Project& project, std::string_view text);

// Each text a message: its key as context, the words of the first language as the message, where it
// stands as a comment for the translator.
std::string writePo(const Project& project, const LanguageId& language);
// Fuzzy messages are taken as they are, those without a context are passed over. Errors name the
// line: text that is not UTF-8, strings that do not end, escapes that are none.
Result<std::vector<Written>> readPo(std::string_view text);

}  // namespace bristle
