// Words as they are said: without case and signs.
#pragma once
#include <string>
#include <string_view>
#include <vector>

#include "runtime/document/screen.h"

namespace bristle {

// In lower case (of ASCII; other letters stay), parted at whatever is neither letter nor digit.
std::vector<std::string> plainWords(std::string_view text);
// Whether the one has all of the other one after another.
bool holdsInOrder(const std::vector<std::string>& in, const std::vector<std::string>& what);
// The panel of a set that an item is in, the innermost; empty: in none.
ItemId panelOf(const Screen& screen, const Item& item);

}  // namespace bristle
