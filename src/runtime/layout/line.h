// Rows and columns: children one after another, a gap between, lined up across. A row may go on in
// further lines.
#pragma once
#include <span>

#include "runtime/layout/child.h"

namespace bristle {

// The size of a row or column that holds these children, with its padding; an empty one is 48 px
// long and wide, so that it can be seen and picked. Along is x of a row and y of a column.
Px measureAlong(const ContainerData& line, std::span<const Child> children);
// For a row that wraps: by the lines that arrangeAlong has given its children.
Px measureAcross(const ContainerData& line, std::span<const Child> children);

// Where they lie in a row or column of that size, from its near edge. `places` is as long as
// `children`. Each child is told its line.
void arrangeAlong(const ContainerData& line, Px size, std::span<Child> children,
                  std::span<Span> places);
void arrangeAcross(const ContainerData& line, Px size, std::span<const Child> children,
                   std::span<Span> places);

// Where one lies in the room that it has across.
Span linedUp(const Child& child, Across how, Px from, Px room);

}  // namespace bristle
