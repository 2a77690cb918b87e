#include "runtime/focus/slabs.h"

namespace bristle {
namespace {

// How many boxes a slab holds: so many that it is about as thick as boxes lie apart across it. A
// few far out do not count: the middle nine tenths say how long and how wide the field is.
size_t perSlab(std::span<const Facing> boxes, std::span<const std::pair<double, int>> byNear) {
  const size_t n = boxes.size(), tail = n / 20;
  if (n < 2) return 8;
  std::vector<double> across(n);
  for (size_t i = 0; i < n; ++i) across[i] = boxes[i].lo;
  std::sort(across.begin(), across.end());
  const double along = byNear[n - 1 - tail].first - byNear[tail].first;
  const double aside = across[n - 1 - tail] - across[tail];
  const double shape = std::max(aside, 1.0) / std::max(along, 1.0);
  const double count = std::sqrt(static_cast<double>(n) * shape);
  return std::max<size_t>(8, static_cast<size_t>(std::min(static_cast<double>(n), count)));
}

}  // namespace

void Slabs::reach(Slab& slab) {
  double most = -HUGE_VAL;
  for (Entry& e : slab.entries) e.reach = most = std::max(most, e.hi);
}

Slabs::Slabs(std::span<const Facing> boxes) {
  const auto n = boxes.size();
  std::vector<std::pair<double, int>> order(n);
  for (size_t i = 0; i < n; ++i) order[i] = {boxes[i].near, static_cast<int>(i)};
  std::sort(order.begin(), order.end());
  const size_t each = perSlab(boxes, order);
  slabs_.reserve(n / each + 1);
  for (size_t from = 0; from < n; from += each) {
    const size_t to = std::min(n, from + each);
    Slab slab{order[from].first, order[to - 1].first, {}};
    slab.entries.reserve(to - from + 1);
    for (size_t i = from; i < to; ++i) {
      const Facing& box = boxes[size_t(order[i].second)];
      slab.entries.push_back({box.lo, box.hi, 0, order[i].second});
    }
    std::sort(slab.entries.begin(), slab.entries.end(),
              [](const Entry& a, const Entry& b) { return a.lo < b.lo; });
    reach(slab);
    slabs_.push_back(std::move(slab));
  }
}

void Slabs::move(int box, const Facing& from, const Facing& to) {
  for (size_t s = firstFrom(from.near); s < slabs_.size(); ++s) {
    auto& entries = slabs_[s].entries;
    const auto at =
        std::find_if(entries.begin(), entries.end(), [&](const Entry& e) { return e.box == box; });
    if (at == entries.end()) continue;
    entries.erase(at);
    reach(slabs_[s]);
    break;
  }
  // The last one that starts no later; before all of them, the first.
  auto slab = std::upper_bound(slabs_.begin(), slabs_.end(), to.near,
                               [](double near, const Slab& s) { return near < s.first; });
  if (slab != slabs_.begin()) --slab;
  slab->first = std::min(slab->first, to.near);
  slab->last = std::max(slab->last, to.near);
  const auto at = std::upper_bound(slab->entries.begin(), slab->entries.end(), to.lo,
                                   [](double lo, const Entry& e) { return lo < e.lo; });
  slab->entries.insert(at, {to.lo, to.hi, 0, box});
  reach(*slab);
}

}  // namespace bristle
