#include "runtime/layout/grid.h"

#include <algorithm>

#include "runtime/layout/line.h"

namespace bristle {
namespace {

// Which cells are taken, row by row.
class Taken {
 public:
  explicit Taken(int columns) : columns_(columns) {}
  bool isFree(const Cell& at, int columns, int rows) const {
    if (at.column + columns > columns_) return false;
    for (int r = at.row; r < at.row + rows; ++r)
      for (int c = at.column; c < at.column + columns; ++c)
        if (const size_t i = index(r, c); i < cells_.size() && cells_[i]) return false;
    return true;
  }
  void take(const Cell& at, int columns, int rows) {
    cells_.resize(std::max(cells_.size(), index(at.row + rows, 0)));
    for (int r = at.row; r < at.row + rows; ++r)
      for (int c = at.column; c < at.column + columns; ++c) cells_[index(r, c)] = true;
  }

 private:
  size_t index(int row, int column) const {
    return size_t(row) * size_t(columns_) + size_t(column);
  }
  int columns_;
  std::vector<bool> cells_;
};

Px gapOf(const ContainerData& grid, bool horizontal) {
  return horizontal ? grid.gap : grid.lineGap;
}

// As large as what is in each; what takes several adds in equal parts what those lack, the ones
// that take fewer first.
std::vector<Px> byContent(std::span<const Child> children, int count, Px gap) {
  std::vector<Px> out(size_t(count), 0);
  std::vector<const Child*> spanning;
  for (const Child& child : children) {
    if (child.cells == 1)
      out[size_t(child.first)] = std::max(out[size_t(child.first)], child.base);
    else
      spanning.push_back(&child);
  }
  std::stable_sort(spanning.begin(), spanning.end(),
                   [](const Child* a, const Child* b) { return a->cells < b->cells; });
  for (const Child* child : spanning) {
    Px has = gap * (child->cells - 1);
    for (int i = 0; i < child->cells; ++i) has += out[size_t(child->first + i)];
    if (const Px lacks = child->base - has; lacks > 0)
      for (int i = 0; i < child->cells; ++i) out[size_t(child->first + i)] += lacks / child->cells;
  }
  return out;
}

// Of the columns or rows; without a size those that are shared are all as the largest.
std::vector<Px> tracks(const ContainerData& grid, bool horizontal, int count,
                       std::span<const Child> children, const Px* size) {
  const Px gap = gapOf(grid, horizontal);
  if (grid.cells == Cells::Fixed)
    return std::vector<Px>(size_t(count), horizontal ? grid.cellWidth : grid.cellHeight);
  if (grid.cells == Cells::Shared && size) {
    const Px each = (*size - 2 * grid.padding - gap * (count - 1)) / count;
    return std::vector<Px>(size_t(count), std::max(0.0, each));
  }
  std::vector<Px> out = byContent(children, count, gap);
  if (grid.cells == Cells::Shared)
    std::fill(out.begin(), out.end(), *std::max_element(out.begin(), out.end()));
  return out;
}

}  // namespace

std::vector<Cell> cellsOf(int columnCount, std::span<const int> columns,
                          std::span<const int> rows) {
  std::vector<Cell> out;
  out.reserve(columns.size());
  Taken taken(columnCount);
  Cell at;
  for (size_t i = 0; i < columns.size(); ++i) {
    const int wide = std::min(columns[i], columnCount);
    while (!taken.isFree(at, wide, rows[i]))
      if (++at.column >= columnCount) at = {0, at.row + 1};
    taken.take(at, wide, rows[i]);
    out.push_back(at);
  }
  return out;
}

Px measureGrid(const ContainerData& grid, bool horizontal, int count,
               std::span<const Child> children) {
  if (children.empty()) return kEmptyContainer + 2 * grid.padding;
  Px out = 2 * grid.padding + gapOf(grid, horizontal) * (count - 1);
  for (const Px track : tracks(grid, horizontal, count, children, nullptr)) out += track;
  return out;
}

void arrangeGrid(const ContainerData& grid, bool horizontal, int count, Px size,
                 std::span<const Child> children, std::span<Span> places) {
  if (children.empty()) return;
  const Px gap = gapOf(grid, horizontal);
  const std::vector<Px> sizes = tracks(grid, horizontal, count, children, &size);
  std::vector<Px> from;
  Px at = grid.padding;
  for (const Px track : sizes) {
    from.push_back(at);
    at += track + gap;
  }
  for (size_t i = 0; i < children.size(); ++i) {
    const auto first = size_t(children[i].first), last = first + size_t(children[i].cells) - 1;
    places[i] =
        linedUp(children[i], grid.across, from[first], from[last] + sizes[last] - from[first]);
  }
}

}  // namespace bristle
