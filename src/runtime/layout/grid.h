// Grids: children fill cells row by row, each as many as it takes; columns and rows are as large as
// what is in them, all alike, or of a given size.
#pragma once
#include <span>
#include <vector>

#include "runtime/layout/child.h"

namespace bristle {

struct Cell {
  int column = 0, row = 0;
};

// Where each child stands: in document order, in the first place after the one before it where its
// cells are free. One that takes more columns than there are takes all. `columns` and `rows` are as
// long as each other.
std::vector<Cell> cellsOf(int columnCount, std::span<const int> columns, std::span<const int> rows);

// One axis. Each child’s `first` is its first column or row, `count` how many there are.
Px measureGrid(const ContainerData& grid, bool horizontal, int count,
               std::span<const Child> children);
void arrangeGrid(const ContainerData& grid, bool horizontal, int count, Px size,
                 std::span<const Child> children, std::span<Span> places);

}  // namespace bristle
