#include "core/derive/flow_layout.h"

#include <algorithm>
#include <map>

namespace bristle {
namespace {

constexpr Px kColumnGap = 110;  // columns
constexpr Px kForName = 60;     // a picture, for its name
constexpr Px kFlowMargin = 40, kFlowHead = 48;
constexpr double kOverX = 0.5, kOverY = 0.62;  // where an overlay lies on what it covers
constexpr int kSweeps = 12;

using Stack = std::vector<int>;

class Sorting {
 public:
  explicit Sorting(const FlowGraph& graph) : graph_(graph) {
    std::map<int, Stack> byDepth;
    int deepest = 0;
    for (const FlowScreen& s : graph.screens) deepest = std::max(deepest, s.depth);
    for (size_t s = 0; s < graph.screens.size(); ++s) {
      const FlowScreen& screen = graph.screens[s];
      if (screen.over >= 0) continue;  // lies on another
      byDepth[screen.depth < 0 ? deepest + 1 : screen.depth].push_back(static_cast<int>(s));
    }
    for (auto& [depth, column] : byDepth) columns_.push_back(std::move(column));
    place();
    for (const FlowStep& step : graph.steps) link(step.from, step.to);
  }

  std::vector<Stack> run() {
    std::vector<Stack> best = columns_;
    int fewest = count();
    for (int sweep = 0; sweep < kSweeps && fewest > 0; ++sweep) {
      for (size_t i = 0; i < columns_.size(); ++i)
        sort(sweep % 2 == 0 ? i : columns_.size() - 1 - i);
      const int now = count();
      if (now >= fewest) continue;
      fewest = now;
      best = columns_;
    }
    return best;
  }

  int count() const {
    int out = 0;
    for (size_t a = 0; a < links_.size(); ++a)
      for (size_t b = a + 1; b < links_.size(); ++b) {
        const auto& [from, to] = links_[a];
        const auto& [from2, to2] = links_[b];
        if (column_[size_t(from)] != column_[size_t(from2)] ||
            column_[size_t(to)] != column_[size_t(to2)])
          continue;
        const double left = at_[size_t(from)] - at_[size_t(from2)];
        const double right = at_[size_t(to)] - at_[size_t(to2)];
        out += left * right < 0;
      }
    return out;
  }

 private:
  // What lies on another goes where that goes.
  int root(int screen) const {
    for (int steps = 0; screen >= 0 && steps < 64 && graph_.screens[size_t(screen)].over >= 0;
         ++steps)
      screen = graph_.screens[size_t(screen)].over;
    return screen;
  }
  void link(int from, int to) {
    from = root(from);
    to = root(to);
    if (from < 0 || to < 0 || column_[size_t(from)] == column_[size_t(to)]) return;
    if (column_[size_t(from)] > column_[size_t(to)]) std::swap(from, to);
    links_.emplace_back(from, to);
  }
  void place() {
    column_.assign(graph_.screens.size(), -1);
    at_.assign(graph_.screens.size(), 0);
    for (size_t c = 0; c < columns_.size(); ++c)
      for (size_t i = 0; i < columns_[c].size(); ++i) {
        column_[size_t(columns_[c][i])] = static_cast<int>(c);
        at_[size_t(columns_[c][i])] = middle(c, i);
      }
  }
  // Columns stand about one middle line.
  double middle(size_t column, size_t i) const {
    return double(i) - (double(columns_[column].size()) - 1) / 2;
  }
  void sort(size_t c) {
    std::map<int, double> wanted;
    for (const int screen : columns_[c]) {
      double sum = 0;
      int n = 0;
      for (const auto& [from, to] : links_) {
        if (from != screen && to != screen) continue;
        sum += at_[size_t(from == screen ? to : from)];
        ++n;
      }
      wanted[screen] = n ? sum / n : at_[size_t(screen)];
    }
    std::stable_sort(columns_[c].begin(), columns_[c].end(),
                     [&](int a, int b) { return wanted[a] < wanted[b]; });
    for (size_t i = 0; i < columns_[c].size(); ++i) at_[size_t(columns_[c][i])] = middle(c, i);
  }

  const FlowGraph& graph_;
  std::vector<Stack> columns_;
  std::vector<int> column_;
  std::vector<double> at_;
  std::vector<std::pair<int, int>> links_;
};

}  // namespace

FlowLayout layOutFlow(const FlowGraph& graph, Size picture) {
  FlowLayout out;
  out.boxes.resize(graph.screens.size());
  const auto columns = Sorting(graph).run();
  // How far the overlays on a screen reach below it.
  std::vector<std::vector<int>> on(graph.screens.size());
  for (size_t s = 0; s < graph.screens.size(); ++s)
    if (graph.screens[s].over >= 0) on[size_t(graph.screens[s].over)].push_back(int(s));
  const auto below = [&](auto&& self, int screen, int deep) -> Px {
    Px reach = picture.h + kForName;
    for (size_t i = 0; i < on[size_t(screen)].size() && deep < 16; ++i)
      reach = std::max(
          reach, picture.h * kOverY * double(i + 1) + self(self, on[size_t(screen)][i], deep + 1));
    return reach;
  };
  const auto put = [&](auto&& self, int screen, Px x, Px y, int deep) -> Px {
    out.boxes[size_t(screen)] = {x, y, picture.w, picture.h};
    Px right = x + picture.w;
    for (size_t i = 0; i < on[size_t(screen)].size() && deep < 16; ++i)
      right = std::max(right, self(self, on[size_t(screen)][i], x + picture.w * kOverX,
                                   y + picture.h * kOverY * double(i + 1), deep + 1));
    return right;
  };
  std::vector<Px> heights;
  for (const Stack& column : columns) {
    Px height = 0;
    for (const int screen : column) height += below(below, screen, 0);
    heights.push_back(height);
  }
  const Px highest = heights.empty() ? 0 : *std::max_element(heights.begin(), heights.end());
  Px x = kFlowMargin;
  for (size_t c = 0; c < columns.size(); ++c) {
    Px y = kFlowHead + (highest - heights[c]) / 2, right = x + picture.w;
    for (const int screen : columns[c]) {
      right = std::max(right, put(put, screen, x, y, 0));
      y += below(below, screen, 0);
    }
    out.columns.push_back({x, graph.screens[size_t(columns[c].front())].depth});
    x = right + kColumnGap;
  }
  out.width = x - kColumnGap + kFlowMargin;
  out.height = kFlowHead + highest + kFlowMargin;
  return out;
}

int crossings(const FlowGraph& graph, const FlowLayout& layout) {
  struct Line {
    const Box *from, *to;
  };
  std::vector<Line> lines;
  for (const FlowStep& step : graph.steps) {
    if (step.from < 0 || step.to < 0) continue;
    Line line{&layout.boxes[size_t(step.from)], &layout.boxes[size_t(step.to)]};
    if (line.from->x > line.to->x) std::swap(line.from, line.to);
    if (line.from->x < line.to->x) lines.push_back(line);
  }
  int out = 0;
  for (size_t a = 0; a < lines.size(); ++a)
    for (size_t b = a + 1; b < lines.size(); ++b)
      if (lines[a].from->x == lines[b].from->x && lines[a].to->x == lines[b].to->x)
        out += (lines[a].from->y - lines[b].from->y) * (lines[a].to->y - lines[b].to->y) < 0;
  return out;
}

}  // namespace bristle
