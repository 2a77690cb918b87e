#include "runtime/layout/line.h"

#include <vector>

#include "runtime/layout/share.h"

namespace bristle {
namespace {

constexpr Px kTolerance = 1e-6;  // what sums of sizes may be off

// The children, where it is wanted all as long as the longest, but for those that have a size of
// their own; then they are in `made`.
std::span<const Child> equalled(const ContainerData& line, std::span<const Child> children,
                                std::vector<Child>& made) {
  if (!line.equal) return children;
  made.assign(children.begin(), children.end());
  Px longest = 0;
  for (const Child& child : made) longest = std::max(longest, child.base);
  for (Child& child : made)
    if (!child.sized) child.base = child.within(longest);
  return made;
}

bool wraps(const ContainerData& line) {
  return line.wraps && line.flow == Flow::Row;
}

// Calls with the stretch of children of each line, as arrangeAlong has told them.
template <class Use>
void eachLine(std::span<const Child> children, Use use) {
  for (size_t from = 0, to = 0; from < children.size(); from = to) {
    while (to < children.size() && children[to].line == children[from].line) ++to;
    use(from, to);
  }
}

Px widest(std::span<const Child> children) {
  Px out = 0;
  for (const Child& child : children) out = std::max(out, child.base);
  return out;
}

// How far the common baseline of a row's line lies below its upper edge.
Px deepest(std::span<const Child> children) {
  Px out = 0;
  for (const Child& child : children) out = std::max(out, child.baseline.in(child.base));
  return out;
}

bool onBaseline(const ContainerData& line) {
  return line.across == Across::Baseline && line.flow == Flow::Row;
}

// How much room a line takes across.
Px acrossOf(const ContainerData& line, std::span<const Child> children) {
  if (!onBaseline(line)) return widest(children);
  Px below = 0;
  for (const Child& child : children)
    below = std::max(below, child.base - child.baseline.in(child.base));
  return deepest(children) + below;
}

}  // namespace

Span linedUp(const Child& child, Across how, Px from, Px room) {
  const bool fills = how == Across::Stretch || child.rest > 0;
  const Px size = fills ? child.within(std::max(0.0, room)) : child.base;
  if (how == Across::Centre) return {from + (room - size) / 2, size};
  if (how == Across::End) return {from + room - size, size};
  return {from, size};
}

Px measureAlong(const ContainerData& line, std::span<const Child> children) {
  std::vector<Child> made;
  const Px content =
      children.empty() ? kEmptyContainer : extentOf(equalled(line, children, made), line.gap);
  return content + 2 * line.padding;
}

Px measureAcross(const ContainerData& line, std::span<const Child> children) {
  Px content = 0;
  eachLine(children, [&](size_t from, size_t to) {
    content += (from > 0 ? line.lineGap : 0) + acrossOf(line, children.subspan(from, to - from));
  });
  return (children.empty() ? kEmptyContainer : content) + 2 * line.padding;
}

void arrangeAlong(const ContainerData& line, Px size, std::span<Child> children,
                  std::span<Span> places) {
  std::vector<Child> made;
  const std::span<const Child> all = equalled(line, children, made);
  const Px room = size - 2 * line.padding;
  int at = 0;
  Px taken = 0;
  for (size_t i = 0; i < children.size(); ++i) {
    const bool first = i == 0 || children[i - 1].line != at;
    const Px more = first ? all[i].base : line.gap + all[i].base;
    if (wraps(line) && !first && taken + more > room + kTolerance) {
      ++at;
      taken = all[i].base;
    } else {
      taken += more;
    }
    children[i].line = at;
  }
  eachLine(children, [&](size_t from, size_t to) {
    shareOut(all.subspan(from, to - from), room, line.gap, line.along,
             places.subspan(from, to - from));
  });
  for (Span& place : places) place.at += line.padding;
}

void arrangeAcross(const ContainerData& line, Px size, std::span<const Child> children,
                   std::span<Span> places) {
  Px at = line.padding;
  eachLine(children, [&](size_t from, size_t to) {
    const auto all = children.subspan(from, to - from);
    const Px room = wraps(line) ? acrossOf(line, all) : size - 2 * line.padding;
    const Px baseline = at + deepest(all);
    for (size_t i = from; i < to; ++i) {
      const Child& child = children[i];
      places[i] = onBaseline(line) ? Span{baseline - child.baseline.in(child.base), child.base}
                                   : linedUp(child, line.across, at, room);
    }
    at += room + line.lineGap;
  });
}

}  // namespace bristle
