// Named values in the Design Tokens format (Design Tokens Format Module 2025.10, `.tokens.json`).
//
// Types that we use: color (sRGB), dimension in px, number, fontFamily, fontWeight, duration,
// cubicBezier, gradient, shadow (one, outer). What else a file holds – other types and units,
// groups' descriptions, extensions – is kept, and written back by writeTokens.
#pragma once
#include <string>
#include <string_view>
#include <vector>

#include "runtime/document/project.h"

namespace bristle {

struct Tokens {
  NamedValues values;             // aliases point to ids within this list
  Extras foreign;                 // what we don't use, as a JSON object by dotted path
  std::vector<std::string> kept;  // the paths of tokens that are kept but not used
};

// Errors name the token by its JSON pointer: wrong values, aliases that lead nowhere or in a
// circle, no type.
Result<Tokens> parseTokens(std::string_view text);
std::string writeTokens(const NamedValues& values, const Extras& foreign);

}  // namespace bristle
