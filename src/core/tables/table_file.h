// Tables as text: comma-separated values (RFC 4180), and what is copied out of a sheet, with
// semicolons or tabs between.
#pragma once
#include <string>
#include <string_view>
#include <vector>

#include "runtime/document/basics.h"

namespace bristle {

struct TableRow {
  std::vector<std::string> cells;
  int line = 0;  // where it begins, from 1
};
using Table = std::vector<TableRow>;

// What is between the cells is found out by the first line: tabs, else semicolons, else commas.
// Rows that are empty are left out; a byte order mark, too. Errors name the line: text that is not
// UTF-8, quotes that do not end.
Result<Table> parseTable(std::string_view text);
// With commas, quoted where needed, lines ended by CR LF as the standard has it.
std::string writeTable(const std::vector<std::vector<std::string>>& rows);

// The place of the first byte that is not UTF-8 (RFC 3629); npos where all is.
size_t firstNotUtf8(std::string_view text);

}  // namespace bristle
