// The form of a catalogue: GNU gettext manual, “The Format of PO Files”.
#include <fmt/format.h>

#include <optional>

#include "core/formats/words_file.h"
#include "core/tables/table_file.h"

namespace bristle {
namespace {

std::string inQuotes(std::string_view text) {
  std::string out = "\"";
  for (const char c : text) {
    switch (c) {
      case '\n':
        out += "\\n";
        break;
      case '\t':
        out += "\\t";
        break;
      case '\r':
        out += "\\r";
        break;
      case '"':
        out += "\\\"";
        break;
      case '\\':
        out += "\\\\";
        break;
      default:
        out += c;
    }
  }
  return out + "\"";
}

class PoReader {
 public:
  explicit PoReader(std::string_view text) : text_(text) {}

  Result<std::vector<Written>> run() {
    while (!text_.empty()) {
      ++line_;
      const size_t end = std::min(text_.find('\n'), text_.size());
      std::string_view line = text_.substr(0, end);
      text_.remove_prefix(std::min(end + 1, text_.size()));
      if (line.ends_with('\r')) line.remove_suffix(1);
      while (line.starts_with(' ') || line.starts_with('\t')) line.remove_prefix(1);
      if (auto why = readLine(line)) return tl::unexpected(std::move(*why));
    }
    take();
    return std::move(out_);
  }

 private:
  std::optional<Error> readLine(std::string_view line) {
    if (line.empty()) {
      take();
      return {};
    }
    if (line.starts_with('#')) {
      if (has_) take();  // comments stand before the message that they are about
      return {};
    }
    if (line.starts_with('"')) return append(line);
    const size_t space = line.find(' ');
    const std::string_view word = line.substr(0, space);
    if (word == "msgctxt") {
      take();
      to_ = &message_.key;
    } else if (word == "msgid") {
      if (has_) take();
      to_ = &message_.base;
    } else if (word == "msgstr" || word == "msgstr[0]") {
      to_ = &message_.words;
      has_ = true;
    } else if (word == "msgid_plural" || word.starts_with("msgstr[")) {
      to_ = &passed_;
    } else {
      return wrong("expected msgctxt, msgid or msgstr, found “" + std::string(word) + "”");
    }
    to_->clear();
    return append(space == std::string_view::npos ? std::string_view() : line.substr(space + 1));
  }

  std::optional<Error> append(std::string_view text) {
    while (text.starts_with(' ')) text.remove_prefix(1);
    while (text.ends_with(' ')) text.remove_suffix(1);
    if (!to_) return wrong("expected msgctxt, msgid or msgstr before a string");
    if (text.size() < 2 || text.front() != '"' || text.back() != '"')
      return wrong("expected a string in quotes");
    for (size_t i = 1; i + 1 < text.size(); ++i) {
      if (text[i] == '"') return wrong("expected \\\" for a quote inside a string");
      if (text[i] != '\\') {
        *to_ += text[i];
        continue;
      }
      constexpr std::string_view kFrom = "ntr\"\\", kTo = "\n\t\r\"\\";
      const size_t which = i + 2 < text.size() ? kFrom.find(text[i + 1]) : std::string_view::npos;
      if (which == std::string_view::npos) return wrong("expected \\n, \\t, \\r, \\\" or \\\\");
      *to_ += kTo[which];
      ++i;
    }
    return {};
  }

  void take() {
    if (has_ && !message_.key.empty()) out_.push_back(message_);
    message_ = {};
    has_ = false;
    to_ = nullptr;
  }

  std::optional<Error> wrong(std::string reason) const {
    return Error{fmt::format("line {}", line_), std::move(reason)};
  }

  std::string_view text_;
  int line_ = 0;
  Written message_;
  std::string passed_;
  std::string* to_ = nullptr;
  bool has_ = false;  // all of a message
  std::vector<Written> out_;
};

}  // namespace

std::string writePo(const Project& project, const LanguageId& language) {
  const Language& to = languageOf(project, language);
  std::string out = "msgid \"\"\nmsgstr \"\"\n";
  for (const std::string& head :
       {"Project-Id-Version: " + project.name, "Language: " + to.tag,
        std::string("MIME-Version: 1.0"), std::string("Content-Type: text/plain; charset=UTF-8"),
        std::string("Content-Transfer-Encoding: 8bit")})
    out += inQuotes(head + "\n") + "\n";
  for (const Words& words : allWords(project)) {
    const bool written = hasWords(project.languages, *words.text, language);
    std::string where = words.where;
    for (char& c : where)
      if (c == '\n' || c == '\r') c = ' ';
    out += fmt::format("\n#. {}\nmsgctxt {}\nmsgid {}\nmsgstr {}\n", where, inQuotes(words.key),
                       inQuotes(words.text->base),
                       inQuotes(written ? wordsIn(project.languages, *words.text, language) : ""));
  }
  return out;
}

Result<std::vector<Written>> readPo(std::string_view text) {
  if (text.starts_with("\xef\xbb\xbf")) text.remove_prefix(3);
  if (const size_t bad = firstNotUtf8(text); bad != std::string_view::npos)
    return fail(fmt::format("byte {}", bad + 1), "expected text in UTF-8");
  return PoReader(text).run();
}

}  // namespace bristle
