#include "core/formats/route_dot.h"

#include <fmt/format.h>

namespace bristle {
namespace {

// A quoted string of DOT: quotes and backslashes escaped, breaks as they are written there.
std::string quoted(const std::string& text) {
  std::string out = "\"";
  for (const char c : text) {
    if (c == '"' || c == '\\') out += '\\';
    if (c == '\n') {
      out += "\\n";
    } else {
      out += c;
    }
  }
  return out + "\"";
}

constexpr double kPointsPerInch = 72;

}  // namespace

std::string writeDot(const SolveInput& input, const Routes& routes,
                     const std::vector<std::string>& names) {
  // Positions are in points with y upwards, sizes in inches; here a px is a point.
  std::string out = "digraph routes {\n  node [shape=box fixedsize=true];\n";
  for (size_t i = 0; i < routes.size(); ++i) {
    const Box& b = input.boxes[i];
    out += fmt::format("  {} [label={} pos=\"{},{}!\" width={} height={}];\n",
                       quoted(input.names[i]), quoted(names[i]), b.x + b.w / 2, -(b.y + b.h / 2),
                       b.w / kPointsPerInch, b.h / kPointsPerInch);
  }
  for (size_t i = 0; i < routes.size(); ++i)
    for (const Dir dir : kDirs) {
      const Route& route = routes[i][size_t(dir)];
      if (route.target < 0) continue;
      const bool marked =
          route.reason == RouteReason::Stopgap || route.reason == RouteReason::Repair;
      out += fmt::format("  {} -> {} [label=\"{}\"{}];\n", quoted(input.names[i]),
                         quoted(input.names[size_t(route.target)]), nameOf(dir),
                         marked ? " style=dashed" : "");
    }
  return out + "}\n";
}

}  // namespace bristle
