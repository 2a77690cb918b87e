#include "runtime/document/binding.h"

#include <algorithm>
#include <array>

namespace bristle {
namespace {

// New ones go to the end: takes hold places in this list.
constexpr std::array<std::string_view, 67> kKeys{
    "Enter",     "NumpadEnter", "Space",       "Escape", "Backspace", "Delete", "Insert", "Home",
    "End",       "PageUp",      "PageDown",    "F1",     "F2",        "F3",     "F4",     "F5",
    "F6",        "F7",          "F8",          "F9",     "F10",       "F11",    "F12",    "A",
    "B",         "C",           "D",           "E",      "F",         "G",      "H",      "I",
    "J",         "K",           "L",           "M",      "N",         "O",      "P",      "Q",
    "R",         "S",           "T",           "U",      "V",         "W",      "X",      "Y",
    "Z",         "0",           "1",           "2",      "3",         "4",      "5",      "6",
    "7",         "8",           "9",           "Comma",  "Period",    "Minus",  "Equal",  "Slash",
    "Semicolon", "BracketLeft", "BracketRight"};
// By place, as the “standard gamepad” of the W3C Gamepad draft has them.
constexpr std::array<std::string_view, 12> kButtons{
    "lower button",  "right button",   "left button",      "upper button",
    "left shoulder", "right shoulder", "left trigger",     "right trigger",
    "select",        "start",          "left stick press", "right stick press"};
constexpr std::array<std::string_view, 10> kDoes{"accept",   "cancel", "tab left", "tab right",
                                                 "up",       "down",   "left",     "right",
                                                 "shortcut", "nothing"};

char small(char c) {
  return c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c;
}

bool sameWord(std::string_view a, std::string_view b) {
  return std::equal(a.begin(), a.end(), b.begin(), b.end(),
                    [](char x, char y) { return small(x) == small(y); });
}

std::string_view trimmed(std::string_view text) {
  while (!text.empty() && text.front() == ' ') text.remove_prefix(1);
  while (!text.empty() && text.back() == ' ') text.remove_suffix(1);
  return text;
}

}  // namespace

std::span<const std::string_view> signNames(Sign::Of of) {
  if (of == Sign::Of::Key) return kKeys;
  return kButtons;
}

int placeOf(const Sign& sign) {
  const auto names = signNames(sign.of);
  const auto at = std::find(names.begin(), names.end(), sign.name);
  return at == names.end() ? -1 : static_cast<int>(at - names.begin());
}

std::string toText(const Sign& sign) {
  std::string out;
  if (sign.ctrl) out += "Ctrl+";
  if (sign.alt) out += "Alt+";
  if (sign.shift) out += "Shift+";
  return out + sign.name;
}

std::optional<Sign> parseSign(Sign::Of of, std::string_view text) {
  Sign out;
  out.of = of;
  text = trimmed(text);
  for (size_t plus = text.find('+'); of == Sign::Of::Key && plus != std::string_view::npos;
       plus = text.find('+')) {
    const std::string_view word = trimmed(text.substr(0, plus));
    if (sameWord(word, "ctrl"))
      out.ctrl = true;
    else if (sameWord(word, "alt"))
      out.alt = true;
    else if (sameWord(word, "shift"))
      out.shift = true;
    else
      return {};
    text = trimmed(text.substr(plus + 1));
  }
  for (const std::string_view name : signNames(of))
    if (sameWord(name, text)) out.name = name;
  if (out.name.empty()) return {};
  return out;
}

std::span<const std::string_view> doesNames() {
  return kDoes;
}

std::vector<Binding> standardBindings() {
  const auto key = [](const char* name, Does does) {
    return Binding{{Sign::Of::Key, name}, does, {}};
  };
  const auto button = [](const char* name, Does does) {
    return Binding{{Sign::Of::Button, name}, does, {}};
  };
  return {key("Enter", Does::Accept),
          key("NumpadEnter", Does::Accept),
          key("Space", Does::Accept),
          key("Escape", Does::Cancel),
          key("PageUp", Does::TabLeft),
          key("PageDown", Does::TabRight),
          button("lower button", Does::Accept),
          button("right button", Does::Cancel),
          button("left shoulder", Does::TabLeft),
          button("right shoulder", Does::TabRight)};
}

}  // namespace bristle
