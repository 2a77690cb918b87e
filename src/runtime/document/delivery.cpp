#include "runtime/document/delivery.h"

#include <array>

namespace bristle {

std::span<const std::string_view> outputNames() {
  static constexpr std::array<std::string_view, 11> kNames{
      "page",        "specification", "library", "data",  "pictures", "sheets",
      "statecharts", "tokens",        "css",     "words", "routes"};
  return kNames;
}

}  // namespace bristle
