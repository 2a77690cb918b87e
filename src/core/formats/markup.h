// Text as it may stand in XML and HTML.
#pragma once
#include <string>
#include <string_view>

namespace bristle {

// In text and in attributes between double quotes. XML 1.0 §2.2 and §2.4: what may not stand in it
// as it is; control characters, which may not at all, become blanks.
std::string escaped(std::string_view text);

}  // namespace bristle
