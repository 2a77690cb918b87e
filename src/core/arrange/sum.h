// Numbers that are typed as sums: "1920/3 − 20".
#pragma once
#include <optional>
#include <string_view>

namespace bristle {

// Numbers with + − * / × ÷ and brackets; nothing where the text is no such sum, or divides by zero.
std::optional<double> sumOf(std::string_view text);

}  // namespace bristle
