#include "runtime/focus/candidates.h"

#include <limits>

#include "runtime/focus/slabs.h"

namespace bristle {
namespace {

// Of boxes that lie over one another, so many are known to each: a heap of thousands in one place
// is no menu, and all pairs of it would fill the memory.
constexpr size_t kMostOverlapping = 256;
constexpr double kNever = std::numeric_limits<double>::infinity();

// Gathers for one box after another; keeps its lists' memory.
class Gatherer {
 public:
  Gatherer(std::span<const Facing> boxes, const Slabs& slabs, size_t most)
      : boxes_(boxes), slabs_(slabs), most_(most) {}

  void start(int source) {
    source_ = source;
    found_.clear();
    nearestFar_ = secondFar_ = kNever;
    blocker_ = -1;
    bestAhead_ = kNever;
  }

  void consider(int target) {
    if (target == source_) return;
    const Facing& a = boxes_[size_t(source_)];
    const Facing& b = boxes_[size_t(target)];
    const Relation r = relate(a, b);
    if (!r.inCone) return;
    if (r.blocks) {
      if (b.far < nearestFar_) {
        secondFar_ = nearestFar_;
        nearestFar_ = b.far;
        blocker_ = target;
      } else {
        secondFar_ = std::min(secondFar_, b.far);
      }
    }
    const double price = effort(a, b, r);
    if (r.ahead) bestAhead_ = std::min(bestAhead_, price);
    found_.push_back({{target, r.ahead, static_cast<float>(price)}, b.near});
  }

  // All slabs that begin before the first blocker ends; with no blocker in sight, until more are
  // known that are nearer than anything later could be.
  void walk() {
    const Facing a = boxes_[size_t(source_)];
    const auto all = slabs_.slabs();
    for (size_t s = slabs_.firstFrom(a.far - tuning::kTouch); s < all.size(); ++s) {
      const auto& slab = all[s];
      if (slab.first + 1 > nearestFar_) return;
      const double gap = slab.first - a.far;
      const bool enough = enoughBefore(gap);
      // What lies straight ahead comes first however far it is, so it is looked for to the end.
      if (enough && bestAhead_ <= gap) return;
      const double spread = enough ? 0 : std::max(0.0, std::min(slab.last, nearestFar_) - a.far);
      slabs_.across(slab, a.lo - spread, a.hi + spread, [&](int b) {
        if (boxes_[size_t(b)].near >= a.far - tuning::kTouch) consider(b);
      });
    }
  }

  void finish(std::vector<Candidate>& out) {
    std::erase_if(found_, [&](const Found& f) {
      const double far = f.candidate.target == blocker_ ? secondFar_ : nearestFar_;
      return far < f.near + 1;
    });
    const auto better = [](const Found& x, const Found& y) {
      const Candidate &a = x.candidate, &b = y.candidate;
      if (a.ahead != b.ahead) return a.ahead;
      if (a.effort != b.effort) return a.effort < b.effort;
      return a.target < b.target;
    };
    std::sort(found_.begin(), found_.end(), better);
    if (found_.size() > most_) found_.resize(most_);
    for (const Found& f : found_) out.push_back(f.candidate);
  }

 private:
  struct Found {
    Candidate candidate;
    double near;
  };

  bool enoughBefore(double gap) const {
    if (found_.size() < 2 * most_) return false;
    size_t nearer = 0;
    for (const Found& f : found_) nearer += f.candidate.effort < gap;
    return nearer >= most_;
  }

  std::span<const Facing> boxes_;
  const Slabs& slabs_;
  size_t most_;
  int source_ = -1, blocker_ = -1;
  double nearestFar_ = kNever, secondFar_ = kNever;  // of what stands in the way
  double bestAhead_ = kNever;  // the least effort of what lies in the strip ahead
  std::vector<Found> found_;
};

std::vector<Facing> faceAll(std::span<const Box> boxes, Dir dir) {
  std::vector<Facing> out;
  out.reserve(boxes.size());
  for (const Box& box : boxes) out.push_back(face(box, dir));
  return out;
}

}  // namespace

const Candidate* Candidates::find(int box, int target) const {
  for (const Candidate& c : of(box))
    if (c.target == target) return &c;
  return nullptr;
}

std::vector<std::vector<int>> overlaps(std::span<const Box> boxes) {
  std::vector<std::vector<int>> out(boxes.size());
  const auto facing = faceAll(boxes, Dir::Right);
  const Slabs slabs(facing);
  for (size_t i = 0; i < facing.size(); ++i) {
    const Facing& a = facing[i];
    const auto all = slabs.slabs();
    for (size_t s = slabs.firstFrom(a.near); s < all.size() && all[s].first < a.far; ++s) {
      slabs.across(all[s], a.lo, a.hi, [&](int j) {
        const Facing& b = facing[size_t(j)];
        // Each pair once: from the one that starts first.
        const bool later = b.near > a.near || (b.near == a.near && size_t(j) > i);
        if (!later || b.near >= a.far || std::min(a.hi, b.hi) <= std::max(a.lo, b.lo)) return;
        if (out[i].size() < kMostOverlapping) out[i].push_back(j);
        if (out[size_t(j)].size() < kMostOverlapping) out[size_t(j)].push_back(static_cast<int>(i));
      });
    }
  }
  return out;
}

size_t candidatesKept(size_t boxes) {
  return boxes <= 250 ? 64 : boxes <= 3000 ? 20 : 12;
}

Candidates gather(std::span<const Box> boxes, Dir dir,
                  const std::vector<std::vector<int>>& overlapping, size_t most) {
  const auto facing = faceAll(boxes, dir);
  const Slabs slabs(facing);
  Gatherer gatherer(facing, slabs, most);
  Candidates out;
  out.from_.reserve(boxes.size() + 1);
  out.all_.reserve(boxes.size() * 4);
  for (size_t i = 0; i < boxes.size(); ++i) {
    out.from_.push_back(static_cast<std::uint32_t>(out.all_.size()));
    gatherer.start(static_cast<int>(i));
    // What the walk ahead does not see, since it starts before this box ends.
    for (int other : overlapping[i])
      if (facing[size_t(other)].near < facing[i].far - tuning::kTouch) gatherer.consider(other);
    gatherer.walk();
    gatherer.finish(out.all_);
  }
  out.from_.push_back(static_cast<std::uint32_t>(out.all_.size()));
  return out;
}

}  // namespace bristle
