// Numbers out of text, the same whatever the locale and the library.
#pragma once
#include <cstddef>
#include <string_view>

namespace bristle {

// What stands at the front of a text, as C++17 §23.20.3 has it (general format, no plus sign).
struct NumberRead {
  double value = 0;
  size_t length = 0;      // characters; 0: no number stands there
  bool tooLarge = false;  // for a double: `value` is infinite
};
// The number at the beginning of a text, with how many characters it takes; the same on every
// machine, whatever its locale.
NumberRead readNumber(std::string_view text);

}  // namespace bristle
