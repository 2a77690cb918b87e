#include "markup/scaled_path.h"

#include <fast_float/fast_float.h>

#include <cctype>
#include <cstring>
#include <optional>

#include "markup/css.h"

namespace bristle {
namespace {

constexpr double kSquare = 100;

class Reader {
 public:
  explicit Reader(std::string_view text) : text_(text) {}
  void skip() {
    while (!text_.empty() && (std::strchr(" \t\r\n,", text_.front()))) text_.remove_prefix(1);
  }
  bool atEnd() {
    skip();
    return text_.empty();
  }
  std::optional<char> command() {
    skip();
    if (text_.empty() || !std::isalpha(static_cast<unsigned char>(text_.front()))) return {};
    const char out = text_.front();
    text_.remove_prefix(1);
    return out;
  }
  std::optional<double> number() {
    skip();
    if (!text_.empty() && text_.front() == '+') text_.remove_prefix(1);
    double out = 0;
    const auto done = fast_float::from_chars(text_.data(), text_.data() + text_.size(), out);
    if (done.ec != std::errc()) return {};
    text_.remove_prefix(static_cast<size_t>(done.ptr - text_.data()));
    return out;
  }
  // A flag of an arc, which may stand without anything between it and the next.
  std::optional<bool> flag() {
    skip();
    if (text_.empty() || (text_.front() != '0' && text_.front() != '1')) return {};
    const bool out = text_.front() == '1';
    text_.remove_prefix(1);
    return out;
  }

 private:
  std::string_view text_;
};

// How many numbers a command takes each time; 0: none, −1: there is no such.
int countOf(char command) {
  switch (std::toupper(static_cast<unsigned char>(command))) {
    case 'M':
    case 'L':
    case 'T':
      return 2;
    case 'H':
    case 'V':
      return 1;
    case 'C':
      return 6;
    case 'S':
    case 'Q':
      return 4;
    case 'A':
      return 7;
    case 'Z':
      return 0;
    default:
      return -1;
  }
}

struct Scale {
  double sx, sy, dx, dy;  // dx, dy: of what is absolute
};

bool arc(Reader& in, const Scale& s, bool absolute, std::string& out) {
  const auto rx = in.number(), ry = in.number(), turn = in.number();
  const auto large = in.flag(), sweep = in.flag();
  const auto x = in.number(), y = in.number();
  if (!rx || !ry || !turn || !large || !sweep || !x || !y) return false;
  const bool turned = s.sx < 0;
  for (double each : {*rx * std::abs(s.sx), *ry * std::abs(s.sy), turned ? -*turn : *turn})
    out += cssNumber(each) + " ";
  out += *large ? "1 " : "0 ";
  out += *sweep != turned ? "1 " : "0 ";
  out += cssNumber(*x * s.sx + (absolute ? s.dx : 0)) + " " +
         cssNumber(*y * s.sy + (absolute ? s.dy : 0)) + " ";
  return true;
}

// The numbers of one command, by turns across and down.
bool plain(Reader& in, char command, const Scale& s, bool absolute, std::string& out) {
  const bool down = command == 'V' || command == 'v';
  for (int i = 0; i < countOf(command); ++i) {
    const auto value = in.number();
    if (!value) return false;
    const bool across = !down && i % 2 == 0;
    out +=
        cssNumber(*value * (across ? s.sx : s.sy) + (absolute ? (across ? s.dx : s.dy) : 0)) + " ";
  }
  return true;
}

}  // namespace

std::string scaledPathData(std::string_view data, const Box& to, bool mirrored) {
  Scale s{to.w / kSquare, to.h / kSquare, to.x, to.y};
  if (mirrored) s.sx = -s.sx, s.dx = to.x + to.w;
  Reader in(data);
  std::string out;
  char command = 0;
  while (!in.atEnd()) {
    const auto next = in.command();
    if (next) command = *next;
    const int count = countOf(command);
    if (count < 0 || (!next && count == 0)) return {};
    out += command;
    const bool absolute = std::isupper(static_cast<unsigned char>(command)) != 0;
    const bool arcs = command == 'A' || command == 'a';
    if (!(arcs ? arc(in, s, absolute, out) : plain(in, command, s, absolute, out))) return {};
    // What follows a move without a command of its own are lines.
    if (command == 'M') command = 'L';
    if (command == 'm') command = 'l';
  }
  // The first move is absolute, whatever it says.
  if (!out.empty() && out.front() == 'm') {
    Reader first(data);
    (void)first.command();
    const auto x = first.number(), y = first.number();
    const size_t end = out.find(' ', out.find(' ') + 1);
    out = "M" + cssNumber(*x * s.sx + s.dx) + " " + cssNumber(*y * s.sy + s.dy) + out.substr(end);
  }
  return out;
}

}  // namespace bristle
