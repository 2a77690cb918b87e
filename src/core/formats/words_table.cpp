#include <fmt/format.h>

#include <algorithm>

#include "core/formats/words_file.h"
#include "core/tables/table_file.h"

namespace bristle {

std::string writeWordsTable(const Project& project) {
  std::vector<std::vector<std::string>> rows{{"key", "where"}};
  for (const Language& language : project.languages) rows[0].push_back(language.tag);
  for (const Words& words : allWords(project)) {
    rows.push_back({words.key, words.where});
    for (const Language& language : project.languages)
      rows.back().push_back(hasWords(project.languages, *words.text, language.id)
                                ? wordsIn(project.languages, *words.text, language.id)
                                : std::string());
  }
  return writeTable(rows);
}

Result<std::vector<std::pair<LanguageId, std::vector<Written>>>> readWordsTable(
    const Project& project, std::string_view text) {
  const auto table = parseTable(text);
  if (!table) return tl::unexpected(table.error());
  std::vector<std::pair<LanguageId, std::vector<Written>>> out;
  int key = -1;
  std::vector<int> column;  // by column: which of `out`; −1: none
  const std::vector<std::string> heads =
      table->empty() ? std::vector<std::string>{} : table->front().cells;
  for (size_t c = 0; c < heads.size(); ++c) {
    column.push_back(-1);
    if (heads[c] == "key") key = static_cast<int>(c);
    if (heads[c] == "key" || heads[c] == "where") continue;
    const auto language =
        std::find_if(project.languages.begin(), project.languages.end(),
                     [&](const Language& l) { return l.tag == heads[c] || l.name == heads[c]; });
    if (language == project.languages.end())
      return fail("line 1",
                  fmt::format("expected a language of the project, found “{}”", heads[c]));
    column.back() = static_cast<int>(out.size());
    out.push_back({language->id, {}});
  }
  if (key < 0 || out.empty())
    return fail("line 1", "expected a column called key, and one for each language");
  for (size_t r = 1; r < table->size(); ++r) {
    const TableRow& row = (*table)[r];
    if (row.cells.size() > heads.size() || row.cells.size() <= size_t(key))
      return fail(fmt::format("line {}", row.line),
                  fmt::format("expected {} cells, found {}", heads.size(), row.cells.size()));
    for (size_t c = 0; c < row.cells.size(); ++c)
      if (column[c] >= 0)
        out[size_t(column[c])].second.push_back({row.cells[size_t(key)], {}, row.cells[c]});
  }
  return out;
}

}  // namespace bristle
