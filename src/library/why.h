// Says why something failed, in the caller's buffer.
#pragma once
#include <algorithm>
#include <cstring>
#include <string_view>

#include "library/bristle.h"

namespace bristle {

// Cut to the buffer, never within a letter of UTF-8.
inline bristle_code told(bristle_code code, std::string_view reason, char* why, size_t size) {
  if (!why || size == 0) return code;
  size_t length = std::min(reason.size(), size - 1);
  while (length > 0 && length < reason.size() && (reason[length] & 0xC0) == 0x80) --length;
  std::memcpy(why, reason.data(), length);
  why[length] = 0;
  return code;
}

}  // namespace bristle
