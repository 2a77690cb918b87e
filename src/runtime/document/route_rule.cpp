#include "runtime/document/route_rule.h"

namespace bristle {
namespace {
constexpr std::array<std::string_view, 4> kDirNames{"up", "down", "left", "right"};
}

std::string_view nameOf(Dir dir) {
  return kDirNames[static_cast<size_t>(dir)];
}

std::optional<Dir> parseDir(std::string_view name) {
  for (Dir dir : kDirs)
    if (nameOf(dir) == name) return dir;
  return {};
}

const RouteRule& RouteRules::on(const DisplayId& display, const LanguageId& language,
                                Dir dir) const {
  const RouteRule* best = &everywhere[static_cast<size_t>(dir)];
  int rank = 0;
  for (const RouteException& each : where) {
    if (each.dir != dir || (each.display && each.display != display) ||
        (each.language && each.language != language))
      continue;
    const int its = (each.display ? 2 : 0) + (each.language ? 1 : 0);
    if (its < rank) continue;
    rank = its;
    best = &each.rule;
  }
  return *best;
}

}  // namespace bristle
