// What can be dragged on a tile: corners, places, sizes, pivots, paddings, gradient stops, slices.
// Each is only another way to a value of the ledger. Places are in px of the button, its box at 0,
// 0.
#pragma once
#include <QPointF>
#include <QString>
#include <optional>
#include <vector>

#include "core/edit/history.h"

namespace bristle {

class Work;

struct Handle {
  enum class Sort { Move, Size, Corner, Pivot, HitPadding, Padding, Stop, Centre, Radius, Slice };
  Sort sort;
  int index = 0;  // of the corner, side or stop
  QPointF at;
  QString name;
  QPointF offset = {};  // Move: the part's when it was grabbed
};

// For the picked row's part, as it is in a column.
std::vector<Handle> handlesOf(Work& work, const Column& column);
// The edit that brings a handle to a place; nothing where it cannot go. Merges while it is dragged.
std::optional<Edit> dragged(Work& work, const Column& column, const Handle& handle,
                            const QPointF& from, const QPointF& to);

}  // namespace bristle
