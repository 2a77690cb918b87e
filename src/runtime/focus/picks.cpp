#include "runtime/focus/picks.h"

#include <limits>

namespace bristle {
namespace {

constexpr double kNever = std::numeric_limits<double>::infinity();

}  // namespace

void PickFinder::start(int box, Dir dir) {
  box_ = box;
  dir_ = dir;
  from_ = field_.facing(box, dir);
  nearestEnd_ = secondEnd_ = least_ = kNever;
  blocker_ = -1;
  found_.clear();
}

bool PickFinder::jumped(const Found& found) const {
  return (found.target == blocker_ ? secondEnd_ : nearestEnd_) < found.near + 1;
}

double PickFinder::limit() const {
  return least_ == kNever ? kNever : mostNatural(least_);
}

void PickFinder::price() {
  least_ = kNever;
  for (const Found& f : found_)
    if (f.cost < least_ && !jumped(f)) least_ = f.cost;
}

void PickFinder::consider(int target) {
  if (target == box_) return;
  const Facing& b = field_.facing(target, dir_);
  const Relation r = relate(from_, b);
  if (!r.inCone) return;
  const Terms terms = termsOf(from_, b, r);
  found_.push_back({target, b.near, terms, terms.cost()});
  if (r.blocks && b.far < secondEnd_) {
    if (b.far < nearestEnd_) {
      secondEnd_ = nearestEnd_;
      nearestEnd_ = b.far;
      blocker_ = target;
    } else {
      secondEnd_ = b.far;
    }
    price();
  } else if (terms.cost() < least_ && !jumped(found_.back())) {
    least_ = terms.cost();
  }
}

// All slabs that begin before the first blocker ends, and so near that what is in them may still be
// natural. What jumps a pick lies nearer than that pick, so it is seen in time. What is jumped
// itself can dominate what is not only where it begins before this box ends: so far all are seen.
void PickFinder::walkCone(bool toTheEnd) {
  for (const int other : field_.overlapping(box_))
    if (field_.facing(other, dir_).near < from_.far - tuning::kTouch) consider(other);
  const Slabs& slabs = field_.slabs(dir_);
  const auto all = slabs.slabs();
  for (size_t s = slabs.firstFrom(from_.far - tuning::kTouch); s < all.size(); ++s) {
    const auto& slab = all[s];
    const double gap = std::max(0.0, slab.first - from_.far);
    const double most = toTheEnd ? kNever : limit();
    if ((slab.first + 1 > nearestEnd_ && slab.first > from_.far) || gap > most) return;
    const double cone = std::max(0.0, std::min(slab.last, nearestEnd_) - from_.far);
    const double spread = std::min(cone, (most - gap) / tuning::kSide);
    slabs.across(slab, from_.lo - spread, from_.hi + spread, [&](int b) {
      if (field_.facing(b, dir_).near >= from_.far - tuning::kTouch) consider(b);
    });
  }
}

std::optional<PickFinder::Found> PickFinder::beyond(int target) const {
  if (target == box_) return {};
  const Facing& b = field_.facing(target, dir_);
  const Relation r = relate(from_, b);
  if (!r.beyond()) return {};
  const Terms terms = termsOf(from_, b, r);
  return Found{target, b.near, terms, terms.cost()};
}

// While nothing is known how far aside to look is not, either: wider and wider, so that of a long
// slab not all is looked at for the sake of what lies nearest.
void PickFinder::widen(const Slabs& slabs, const Slabs::Slab& slab) {
  if (slab.entries.empty()) return;
  const double lo = slab.entries.front().lo, hi = slab.entries.back().reach;
  double spread = std::max(1.0, from_.hi - from_.lo);
  for (bool whole = false; least_ == kNever && !whole && spread < kNever; spread *= 4) {
    whole = from_.lo - spread <= lo && from_.hi + spread >= hi;
    slabs.across(slab, from_.lo - spread, from_.hi + spread, [&](int other) {
      if (const auto found = beyond(other)) least_ = std::min(least_, found->cost);
    });
  }
}

// With nothing in the cone.
void PickFinder::walkBeyond() {
  const Slabs& slabs = field_.slabs(dir_);
  const auto all = slabs.slabs();
  for (size_t s = slabs.firstFrom(from_.far - tuning::kTouch); s < all.size(); ++s) {
    const auto& slab = all[s];
    if (least_ == kNever) widen(slabs, slab);
    const double gap = std::max(0.0, slab.first - from_.far);
    if (gap > limit()) return;
    const double spread = (limit() - gap) / tuning::kSide;
    slabs.across(slab, from_.lo - spread, from_.hi + spread, [&](int other) {
      const auto found = beyond(other);
      if (!found) return;
      found_.push_back(*found);
      least_ = std::min(least_, found->cost);
    });
  }
}

bool PickFinder::before(const Found& a, const Found& b) const {
  if (a.cost != b.cost) return a.cost < b.cost;
  return rank_[size_t(a.target)] < rank_[size_t(b.target)];
}

void PickFinder::sort() {
  std::sort(found_.begin(), found_.end(),
            [this](const Found& a, const Found& b) { return before(a, b); });
}

// Once sorted: only what costs less can be better on each count, and mostly the cheapest is.
bool PickFinder::dominated(size_t place) const {
  const Terms& terms = found_[place].terms;
  return std::any_of(found_.begin(), found_.begin() + static_cast<long>(place),
                     [&](const Found& other) { return dominates(other.terms, terms); });
}

void PickFinder::settle(Picks& out) {
  out.limit = limit();
  sort();
  for (size_t i = 0; i < found_.size() && out.count < Picks::kMost; ++i) {
    const Found& f = found_[i];
    if (f.cost > out.limit) break;
    if (jumped(f) || dominated(i)) continue;
    out.all[out.count++] = {f.target, static_cast<float>(f.cost)};
  }
}

// Where boxes lie over one another all that is cheap may be jumped, or dominated by what is: then
// the cheapest that is not dominated, however dear; else the cheapest; else what is in the way.
void PickFinder::settleForLess(Picks& out) {
  sort();
  const Found* best = nullptr;
  for (size_t i = 0; i < found_.size(); ++i) {
    if (jumped(found_[i])) continue;
    if (!best) best = &found_[i];
    if (dominated(i)) continue;
    best = &found_[i];
    break;
  }
  const int target = best ? best->target : blocker_;
  if (target < 0) return;
  out.all[0] = {target, best ? static_cast<float>(best->cost) : 0};
  out.count = 1;
  out.limit = kNever;
}

Picks PickFinder::pick(int box, Dir dir) {
  Picks out;
  start(box, dir);
  walkCone(false);
  if (found_.empty()) {
    out.aside = true;
    walkBeyond();
  }
  settle(out);
  out.natural = out.count && !out.aside;
  if (out.count || out.aside) return out;
  start(box, dir);
  walkCone(true);
  settleForLess(out);
  return out;
}

std::vector<Pick> PickFinder::admissible(int box, Dir dir, size_t most) {
  start(box, dir);
  walkCone(true);
  std::erase_if(found_, [this](const Found& f) { return jumped(f); });
  sort();
  if (found_.size() > most) found_.resize(most);
  std::vector<Pick> out;
  for (const Found& f : found_) out.push_back({f.target, static_cast<float>(f.cost)});
  return out;
}

bool matters(const Picks& picks, const Facing& from, const Facing& other) {
  const Relation r = relate(from, other);
  if (!r.progress) return false;
  const bool near = std::max(0.0, r.gap) + tuning::kSide * r.lateral <= picks.limit;
  return picks.aside ? r.inCone || (r.beyond() && near) : r.inCone && near;
}

}  // namespace bristle
