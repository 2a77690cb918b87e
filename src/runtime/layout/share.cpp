#include "runtime/layout/share.h"

#include <vector>

namespace bristle {
namespace {

// The unit with which clamp(unit · share, least, most) of all that take the rest sum up to `room`.
// Their sum grows with the unit, in straight pieces between the units at which one of them meets a
// bound: the piece that `room` lies in is looked for.
double unitFor(std::span<const Child> children, Px room) {
  std::vector<double> bends;
  for (const Child& child : children) {
    if (child.rest <= 0) continue;
    bends.push_back(child.least / child.rest);
    if (child.most > 0) bends.push_back(std::max(child.least, child.most) / child.rest);
  }
  std::sort(bends.begin(), bends.end());
  const auto sum = [&](double unit) {
    Px out = 0;
    for (const Child& child : children)
      if (child.rest > 0) out += child.within(unit * child.rest);
    return out;
  };
  const auto beyond = std::partition_point(bends.begin(), bends.end(),
                                           [&](double bend) { return sum(bend) < room; });
  const double low = beyond == bends.begin() ? 0 : *std::prev(beyond);
  double shares = 0;  // of those that grow just beyond `low`
  for (const Child& child : children) {
    if (child.rest <= 0) continue;
    const Px now = low * child.rest;
    const bool grows = now >= child.least && (child.most <= 0 || now < child.most);
    if (grows) shares += child.rest;
  }
  return shares > 0 ? low + std::max(0.0, room - sum(low)) / shares : low;
}

}  // namespace

void shareOut(std::span<const Child> children, Px room, Px gap, Along along,
              std::span<Span> places) {
  if (children.empty()) return;
  Px left = room - gap * static_cast<double>(children.size() - 1);
  bool anyTakes = false;
  for (const Child& child : children) {
    if (child.rest > 0)
      anyTakes = true;
    else
      left -= child.base;
  }
  const double unit = anyTakes ? unitFor(children, left) : 0;
  for (size_t i = 0; i < children.size(); ++i) {
    const Child& child = children[i];
    places[i].size = child.rest > 0 ? child.within(unit * child.rest) : child.base;
    if (child.rest > 0) left -= places[i].size;
  }
  Px at = 0;
  if (left > 0 && along == Along::Centre) at = left / 2;
  if (left > 0 && along == Along::End) at = left;
  if (left > 0 && along == Along::Spread && children.size() > 1)
    gap += left / static_cast<double>(children.size() - 1);
  for (size_t i = 0; i < children.size(); ++i) {
    places[i].at = at;
    at += places[i].size + gap;
  }
}

Px extentOf(std::span<const Child> children, Px gap) {
  Px out = children.empty() ? 0 : gap * static_cast<double>(children.size() - 1);
  for (const Child& child : children) out += child.base;
  return out;
}

}  // namespace bristle
