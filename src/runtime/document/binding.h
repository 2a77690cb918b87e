// What keys and controller buttons do in a menu: the project's bindings.
#pragma once
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "runtime/document/basics.h"
#include "runtime/document/ids.h"

namespace bristle {

// How prompts draw the four buttons at the right of a controller: four dots of which one is full, a
// disc of which one quarter is full, or numbers from the lower one on, round to the right.
enum class PadSigns : std::uint8_t { Dots, Quarters, Numbers };

// What a person presses: a key with its modifiers, or a button of a controller.
struct Sign {
  enum class Of : std::uint8_t { Key, Button };
  Of of = Of::Key;
  // Of a key: as in signNames(), after W3C UI Events KeyboardEvent code Values, letters and digits
  // alone. Of a button: its place, whatever is printed on it.
  std::string name;
  bool ctrl = false, alt = false, shift = false;  // of a key
  bool operator==(const Sign&) const = default;
};

// All that can be bound, in a fixed order. Arrows, the D-pad and the left stick always move, Tab
// always steps; so they are not among them.
std::span<const std::string_view> signNames(Sign::Of of);
// By its place in that list; −1: there is no such.
int placeOf(const Sign& sign);
// “Ctrl+Shift+Q”, “left shoulder”.
std::string toText(const Sign& sign);
// Capitals do not matter. Nothing where there is no such key or button.
std::optional<Sign> parseSign(Sign::Of of, std::string_view text);

// Nothing: on a screen, takes a sign away that is bound everywhere.
enum class Does : std::uint8_t {
  Accept,
  Cancel,
  TabLeft,
  TabRight,
  Up,
  Down,
  Left,
  Right,
  Shortcut,
  Nothing
};
// “tab left”, as it stands in files.
std::span<const std::string_view> doesNames();

struct Binding {
  Sign sign;
  Does does = Does::Accept;
  ShortcutId shortcut;  // Shortcut: which one
  Extras extra = {};
  bool operator==(const Binding&) const = default;
};

// Enter, the other Enter and Space accept, Escape cancels, page keys step through tabs; the lower
// button accepts, the right one cancels, the shoulders step through tabs.
std::vector<Binding> standardBindings();

}  // namespace bristle
