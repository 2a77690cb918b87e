#include "runtime/document/numbers.h"

#include <cmath>
// Not the standard library's: that of WebAssembly has none for floating point.
#include <fast_float/fast_float.h>

namespace bristle {

NumberRead readNumber(std::string_view text) {
  NumberRead out;
  const auto read = fast_float::from_chars(text.data(), text.data() + text.size(), out.value);
  if (read.ec == std::errc::invalid_argument) return {};
  out.length = static_cast<size_t>(read.ptr - text.data());
  out.tooLarge = std::isinf(out.value);
  return out;
}

}  // namespace bristle
