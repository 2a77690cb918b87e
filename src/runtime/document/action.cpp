#include "runtime/document/action.h"

#include <algorithm>
#include <array>

namespace bristle {

std::span<const std::string_view> actionNames() {
  static constexpr std::array<std::string_view, 15> kNames{
      "open", "top",  "back",    "backTo", "panel", "show",  "hide", "toggle",
      "set",  "step", "message", "link",   "quit",  "speak", "flip"};
  return kNames;
}

ScreenId opens(const Actions& actions) {
  const auto at = std::find_if(actions.begin(), actions.end(),
                               [](const Action& each) { return each.type == ActionType::Open; });
  return at == actions.end() ? ScreenId{} : at->screen;
}

bool isSafeLink(std::string_view address) {
  // RFC 3986 §3.1: a scheme is compared without regard to capitals.
  const auto begins = [&](std::string_view scheme) {
    return address.size() > scheme.size() &&
           std::equal(scheme.begin(), scheme.end(), address.begin(), [](char a, char b) {
             return a == (b >= 'A' && b <= 'Z' ? static_cast<char>(b - 'A' + 'a') : b);
           });
  };
  const bool plain = std::none_of(address.begin(), address.end(), [](char c) {
    return static_cast<unsigned char>(c) <= ' ' || c == '\x7f';
  });
  return plain && (begins("http://") || begins("https://") || begins("mailto:"));
}

}  // namespace bristle
