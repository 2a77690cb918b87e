#include "runtime/focus/why.h"

#include <algorithm>
#include <cmath>

namespace bristle {
namespace {

// One box of the layout as the move sees it.
struct Seen {
  int box;
  Facing facing;
  Relation relation;
  Terms terms;
};

double degreesOff(const Relation& r) {
  if (!r.progress) return 180;
  if (r.ahead) return 0;
  return r.overlap > 0 ? 90 : std::atan2(r.lateral, r.gap) * 180 / 3.14159265358979323846;
}

class Viewer {
 public:
  Viewer(const SolveInput& input, const Routes& routes, int box, Dir dir)
      : routes_(routes), box_(box), dir_(dir), from_(face(input.boxes[size_t(box)], dir)) {
    for (int i = 0; i < static_cast<int>(input.boxes.size()); ++i) {
      if (i == box) continue;
      const Facing b = face(input.boxes[size_t(i)], dir);
      const Relation r = relate(from_, b);
      all_.push_back({i, b, r, termsOf(from_, b, r)});
      if (r.blocks) blockers_.push_back(static_cast<int>(all_.size()) - 1);
    }
    for (const Seen& it : all_)
      if (it.relation.inCone && blockerOf(it) < 0 &&
          (cheapest_ < 0 || it.terms.cost() < all_[size_t(cheapest_)].terms.cost()))
        cheapest_ = static_cast<int>(&it - all_.data());
  }

  std::span<const Seen> all() const { return all_; }

  // What stands before it; −1: nothing.
  int blockerOf(const Seen& it) const {
    const Seen* first = nullptr;
    for (const int i : blockers_) {
      const Seen& k = all_[size_t(i)];
      if (k.box != it.box && k.facing.far < it.facing.near + 1 &&
          (!first || k.facing.far < first->facing.far))
        first = &k;
    }
    return first ? first->box : -1;
  }

  Verdict verdictOf(const Seen& it) const {
    int because = -1;
    return verdictOf(it, because);
  }

  RankedCandidate judge(const Seen& it) const {
    RankedCandidate c;
    c.target = it.box;
    c.ahead = it.relation.ahead;
    c.gap = it.relation.gap;
    c.terms = it.terms;
    c.angle = degreesOff(it.relation);
    c.cost = it.terms.cost();
    c.returns = routes_[size_t(it.box)][size_t(opposite(dir_))].target == box_;
    c.verdict = verdictOf(it, c.because);
    if (routes_[size_t(box_)][size_t(dir_)].target == it.box) c.verdict = Verdict::Chosen;
    return c;
  }

 private:
  Verdict verdictOf(const Seen& it, int& because) const {
    if (!it.relation.progress) return Verdict::WrongWay;
    if (!it.relation.inCone) return it.relation.beyond() ? Verdict::Aside : Verdict::Beside;
    if (because = blockerOf(it); because >= 0) return Verdict::Behind;
    for (const Seen& other : all_)
      if (other.relation.inCone && dominates(other.terms, it.terms)) {
        because = other.box;
        return Verdict::Dominated;
      }
    const Seen& best = all_[size_t(cheapest_)];
    if (it.terms.cost() <= mostNatural(best.terms.cost())) return Verdict::Natural;
    because = best.box;
    return Verdict::Dearer;
  }

  const Routes& routes_;
  int box_;
  Dir dir_;
  Facing from_;
  std::vector<Seen> all_;
  std::vector<int> blockers_;  // places in all_
  int cheapest_ = -1;          // of what is admissible: its place in all_
};

}  // namespace

bool admissible(const SolveInput& input, int box, Dir dir, int target) {
  const Facing a = face(input.boxes[size_t(box)], dir);
  const Facing t = face(input.boxes[size_t(target)], dir);
  if (box == target || !relate(a, t).inCone) return false;
  for (int i = 0; i < static_cast<int>(input.boxes.size()); ++i) {
    if (i == box || i == target) continue;
    const Facing b = face(input.boxes[size_t(i)], dir);
    if (relate(a, b).blocks && b.far < t.near + 1) return false;
  }
  return true;
}

Emptiness whyEmpty(const SolveInput& input, int box, Dir dir) {
  if (!input.rules.empty() && input.rules[size_t(box)][size_t(dir)].type == SlotRule::Closed)
    return Emptiness::Closed;
  const Facing a = face(input.boxes[size_t(box)], dir);
  const bool any = std::any_of(input.boxes.begin(), input.boxes.end(), [&](const Box& other) {
    return relate(a, face(other, dir)).progress;
  });
  return any ? Emptiness::Beside : Emptiness::Nothing;
}

Verdict merit(const SolveInput& input, int box, Dir dir, int target) {
  static const Routes none;
  const Viewer viewer(input, none, box, dir);
  for (const Seen& it : viewer.all())
    if (it.box == target) return viewer.verdictOf(it);
  return Verdict::WrongWay;
}

RankedCandidate whyNot(const SolveInput& input, const Routes& routes, int box, Dir dir,
                       int target) {
  const Viewer viewer(input, routes, box, dir);
  for (const Seen& it : viewer.all())
    if (it.box == target) return viewer.judge(it);
  RankedCandidate itself;
  itself.target = target;
  itself.verdict = Verdict::WrongWay;
  itself.angle = 180;
  return itself;
}

std::vector<RankedCandidate> rank(const SolveInput& input, const Routes& routes, int box, Dir dir,
                                  size_t most) {
  std::vector<RankedCandidate> out;
  const Viewer viewer(input, routes, box, dir);
  const int chosen = routes[size_t(box)][size_t(dir)].target;
  for (const Seen& it : viewer.all())
    if (it.relation.progress || it.box == chosen) out.push_back(viewer.judge(it));
  std::sort(out.begin(), out.end(), [](const RankedCandidate& x, const RankedCandidate& y) {
    if (x.verdict != y.verdict) return x.verdict < y.verdict;
    if (x.cost != y.cost) return x.cost < y.cost;
    return x.target < y.target;
  });
  if (out.size() > most) out.resize(most);
  return out;
}

}  // namespace bristle
