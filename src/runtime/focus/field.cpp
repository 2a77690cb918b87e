#include "runtime/focus/field.h"

namespace bristle {
namespace {

bool over(const Facing& a, const Facing& b) {
  return b.near < a.far && a.near < b.far && std::min(a.hi, b.hi) > std::max(a.lo, b.lo);
}

}  // namespace

Field::Field(std::span<const Box> boxes) : overlapping_(boxes.size()) {
  for (const Dir dir : kDirs) {
    auto& all = facing_[size_t(dir)];
    all.reserve(boxes.size());
    for (const Box& box : boxes) all.push_back(face(box, dir));
    slabs_[size_t(dir)] = Slabs(all);
  }
  const Slabs& slabs = this->slabs(Dir::Right);
  for (int i = 0; i < static_cast<int>(boxes.size()); ++i) {
    const Facing& a = facing(i, Dir::Right);
    const auto all = slabs.slabs();
    // What has more over it than are kept is not looked at to the end.
    for (size_t s = slabs.firstFrom(a.near); s < all.size() && all[s].first < a.far &&
                                             overlapping_[size_t(i)].size() < kMostOverlapping;
         ++s)
      slabs.across(all[s], a.lo, a.hi, [&](int j) {
        const Facing& b = facing(j, Dir::Right);
        // Each pair once: from the one that starts first.
        const bool later = b.near > a.near || (b.near == a.near && j > i);
        if (later && over(a, b)) overlap(i, j);
      });
  }
}

void Field::overlap(int a, int b) {
  for (const auto& [one, other] : {std::pair(a, b), std::pair(b, a)}) {
    auto& list = overlapping_[size_t(one)];
    if (list.size() < kMostOverlapping) list.push_back(other);
    heaped_ = heaped_ || list.size() == kMostOverlapping;
  }
}

void Field::move(int box, const Box& to) {
  for (const Dir dir : kDirs) {
    Facing& at = facing_[size_t(dir)][size_t(box)];
    const Facing now = face(to, dir);
    slabs_[size_t(dir)].move(box, at, now);
    at = now;
  }
  for (const int other : overlapping_[size_t(box)]) std::erase(overlapping_[size_t(other)], box);
  overlapping_[size_t(box)].clear();
  const auto& all = facing_[size_t(Dir::Right)];
  for (int i = 0; i < static_cast<int>(all.size()); ++i)
    if (i != box && over(all[size_t(box)], all[size_t(i)])) overlap(box, i);
}

}  // namespace bristle
