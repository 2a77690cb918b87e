#include "runtime/focus/strong.h"

#include <algorithm>

namespace bristle {
namespace {

// `degree(v)` and `next(v, i)` describe the graph.
template <class Degree, class Next>
Parts run(size_t n, Degree degree, Next next) {
  Parts out;
  out.part.assign(n, -1);
  std::vector<int> low(n, 0), number(n, 0), stack;
  struct Frame {
    int v;
    size_t edge;
  };
  std::vector<Frame> frames;
  int count = 0;
  for (size_t root = 0; root < n; ++root) {
    if (number[root]) continue;
    frames.push_back({static_cast<int>(root), 0});
    while (!frames.empty()) {
      const int v = frames.back().v;
      const auto i = size_t(v);
      if (frames.back().edge == 0 && !number[i]) {
        number[i] = low[i] = ++count;
        stack.push_back(v);
      }
      if (frames.back().edge < degree(v)) {
        const int w = next(v, frames.back().edge++);
        if (w < 0) continue;
        if (!number[size_t(w)]) {
          frames.push_back({w, 0});
        } else if (out.part[size_t(w)] < 0) {
          low[i] = std::min(low[i], number[size_t(w)]);
        }
        continue;
      }
      if (low[i] == number[i]) {
        int w = -1;
        while (w != v) {
          w = stack.back();
          stack.pop_back();
          out.part[size_t(w)] = out.count;
        }
        ++out.count;
      }
      frames.pop_back();
      if (!frames.empty()) {
        auto& parent = low[size_t(frames.back().v)];
        parent = std::min(parent, low[i]);
      }
    }
  }
  return out;
}

}  // namespace

Parts strongParts(const std::vector<std::vector<int>>& graph) {
  return run(
      graph.size(), [&](int v) { return graph[size_t(v)].size(); },
      [&](int v, size_t e) { return graph[size_t(v)][e]; });
}

Parts strongParts(const Routes& routes) {
  return run(
      routes.size(), [](int) { return size_t{4}; },
      [&](int v, size_t e) { return routes[size_t(v)][e].target; });
}

}  // namespace bristle
