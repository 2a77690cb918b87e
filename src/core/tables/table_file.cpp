#include "core/tables/table_file.h"

#include <fmt/format.h>

#include <algorithm>
#include <optional>

namespace bristle {
namespace {

std::string lineIs(int line) {
  return fmt::format("line {}", line);
}

class Reader {
 public:
  Reader(std::string_view text, char between) : text_(text), between_(between) {}

  Result<Table> run() {
    while (at_ < text_.size()) {
      TableRow row{{}, line_};
      if (auto why = readRow(row)) return tl::unexpected(std::move(*why));
      const bool empty = std::all_of(row.cells.begin(), row.cells.end(),
                                     [](const std::string& cell) { return cell.empty(); });
      if (!empty) out_.push_back(std::move(row));
    }
    return std::move(out_);
  }

 private:
  std::optional<Error> readRow(TableRow& row) {
    while (true) {
      std::string cell;
      if (at_ < text_.size() && text_[at_] == '"') {
        if (auto why = readQuoted(cell)) return why;
      }
      while (at_ < text_.size() && text_[at_] != between_ && text_[at_] != '\n' &&
             text_[at_] != '\r')
        cell += text_[at_++];
      row.cells.push_back(std::move(cell));
      if (at_ < text_.size() && text_[at_] == between_) {
        ++at_;
        continue;
      }
      endLine();
      return {};
    }
  }

  std::optional<Error> readQuoted(std::string& cell) {
    const int from = line_;
    for (++at_; at_ < text_.size(); ++at_) {
      if (text_[at_] == '"') {
        if (at_ + 1 >= text_.size() || text_[at_ + 1] != '"') {
          ++at_;
          return {};
        }
        ++at_;  // doubled: one of the text
      }
      if (text_[at_] == '\n') ++line_;
      cell += text_[at_];
    }
    return Error{lineIs(from), "expected a quote that ends the one begun here"};
  }

  void endLine() {
    if (at_ < text_.size() && text_[at_] == '\r') ++at_;
    if (at_ < text_.size() && text_[at_] == '\n') ++at_;
    ++line_;
  }

  std::string_view text_;
  char between_;
  size_t at_ = 0;
  int line_ = 1;
  Table out_;
};

char betweenIn(std::string_view text) {
  const std::string_view first = text.substr(0, text.find('\n'));
  for (const char c : {'\t', ';'})
    if (first.find(c) != std::string_view::npos) return c;
  return ',';
}

std::string inQuotes(const std::string& cell) {
  if (cell.find_first_of("\",\r\n;\t") == std::string::npos) return cell;
  std::string out = "\"";
  for (const char c : cell) {
    if (c == '"') out += '"';
    out += c;
  }
  return out + "\"";
}

}  // namespace

size_t firstNotUtf8(std::string_view text) {
  for (size_t i = 0; i < text.size();) {
    const auto byte = [&](size_t n) { return static_cast<unsigned char>(text[n]); };
    const unsigned char c = byte(i);
    const size_t more = c < 0x80 ? 0 : c >= 0xc2 && c < 0xe0 ? 1 : c >= 0xe0 && c < 0xf0 ? 2 : 3;
    if (c >= 0x80 && (c < 0xc2 || c > 0xf4)) return i;
    if (i + more >= text.size() && more > 0) return i;
    for (size_t n = 1; n <= more; ++n)
      if (byte(i + n) < 0x80 || byte(i + n) > 0xbf) return i;
    // Overlong forms, surrogates, and what is beyond Unicode.
    if ((c == 0xe0 && byte(i + 1) < 0xa0) || (c == 0xed && byte(i + 1) > 0x9f) ||
        (c == 0xf0 && byte(i + 1) < 0x90) || (c == 0xf4 && byte(i + 1) > 0x8f))
      return i;
    i += more + 1;
  }
  return std::string_view::npos;
}

Result<Table> parseTable(std::string_view text) {
  if (text.starts_with("\xef\xbb\xbf")) text.remove_prefix(3);
  if (const size_t bad = firstNotUtf8(text); bad != std::string_view::npos) {
    const auto lines = std::count(text.begin(), text.begin() + std::ptrdiff_t(bad), '\n');
    return fail(lineIs(static_cast<int>(lines) + 1), "expected text in UTF-8");
  }
  return Reader(text, betweenIn(text)).run();
}

std::string writeTable(const std::vector<std::vector<std::string>>& rows) {
  std::string out;
  for (const auto& row : rows) {
    for (size_t i = 0; i < row.size(); ++i) out += (i ? "," : "") + inQuotes(row[i]);
    out += "\r\n";
  }
  return out;
}

}  // namespace bristle
