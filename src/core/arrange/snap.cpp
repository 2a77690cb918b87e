#include "core/arrange/snap.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace bristle {
namespace {

// A box as one axis sees it: `near` to `far` along, `side` to `sideEnd` across.
struct Run {
  Px near = 0, far = 0, side = 0, sideEnd = 0;
  Px size() const { return far - near; }
  Px middle() const { return (near + far) / 2; }
};

Run runOf(const Box& b, bool horizontal) {
  return horizontal ? Run{b.x, b.x + b.w, b.y, b.y + b.h} : Run{b.y, b.y + b.h, b.x, b.x + b.w};
}

Box boxOf(const Run& r, bool horizontal) {
  return horizontal ? Box{r.near, r.side, r.size(), r.sideEnd - r.side}
                    : Box{r.side, r.near, r.sideEnd - r.side, r.size()};
}

// Equal within what adding up loses.
bool same(Px a, Px b) {
  return std::abs(a - b) < 1e-6;
}

// The best on one axis so far.
class Axis {
 public:
  Axis(const SnapField& field, bool horizontal, Px reach)
      : field_(field), horizontal_(horizontal), best_(reach) {}

  // `here`, of what is dragged, would come to lie at `there`.
  void offer(Px here, Px there, SnapTo to, std::vector<Box> gaps = {}, Px gap = 0) {
    const Px by = there - here;
    const bool nearer = std::abs(by) < std::abs(best_) - 1e-9;
    const bool better = found_ && same(std::abs(by), std::abs(best_)) && to < to_;
    const bool atReach = !found_ && std::abs(by) <= best_;
    if (!nearer && !better && !atReach) return;
    best_ = by;
    to_ = to;
    at_ = to == SnapTo::Gap ? gap : there;
    gaps_ = std::move(gaps);
    found_ = true;
  }
  bool found() const { return found_; }
  Px by() const { return found_ ? best_ : 0; }

  void guides(std::span<const Px> points) {
    for (const Guide& guide : field_.guides)
      if (guide.upright == horizontal_)
        for (const Px point : points) offer(point, guide.at, SnapTo::Guide);
  }

  void edges(std::span<const Px> points) {
    for (const Box& box : field_.neighbours) {
      const Run run = runOf(box, horizontal_);
      for (const Px point : points) {
        offer(point, run.near, SnapTo::Edge);
        offer(point, run.far, SnapTo::Edge);
      }
    }
    for (const Box& box : field_.holders) {
      const Run run = runOf(box, horizontal_);
      for (const Px point : points) {
        offer(point, run.near, SnapTo::Holder);
        offer(point, run.far, SnapTo::Holder);
      }
    }
  }

  void centres(Px middle) {
    for (const Box& box : field_.neighbours)
      offer(middle, runOf(box, horizontal_).middle(), SnapTo::Centre);
    for (const Box& box : field_.holders)
      offer(middle, runOf(box, horizontal_).middle(), SnapTo::Holder);
  }

  void gaps(const Run& moving) {
    // Those in its strip, which it could stand in a row with.
    std::vector<Run> before, after;
    for (const Box& box : field_.neighbours) {
      const Run run = runOf(box, horizontal_);
      if (run.sideEnd <= moving.side || run.side >= moving.sideEnd) continue;
      if (run.middle() < moving.middle()) before.push_back(run);
      if (run.middle() > moving.middle()) after.push_back(run);
    }
    std::sort(before.begin(), before.end(),
              [](const Run& a, const Run& b) { return a.far > b.far; });
    std::sort(after.begin(), after.end(),
              [](const Run& a, const Run& b) { return a.near < b.near; });
    if (!before.empty() && !after.empty()) between(moving, before[0], after[0]);
    if (before.size() > 1) beside(moving, before[1], before[0], true);
    if (after.size() > 1) beside(moving, after[0], after[1], false);
  }

  void grid(std::span<const Px> points) {
    const Px step = horizontal_ ? field_.gridWidth : field_.gridHeight;
    if (step <= 0) return;
    for (const Px point : points) offer(point, std::round(point / step) * step, SnapTo::Grid);
  }

  // Told of where it has come to lie.
  void tell(const Run& rests, Snapped& out) const {
    if (!found_) return;
    SnapReason reason{to_, horizontal_, at_, rests.side, rests.sideEnd, gaps_};
    if (to_ == SnapTo::Edge || to_ == SnapTo::Centre)
      for (const Box& box : field_.neighbours) {
        const Run run = runOf(box, horizontal_);
        const bool lies = to_ == SnapTo::Centre ? same(run.middle(), at_)
                                                : same(run.near, at_) || same(run.far, at_);
        if (!lies) continue;
        reason.from = std::min(reason.from, run.side);
        reason.until = std::max(reason.until, run.sideEnd);
      }
    out.reasons.push_back(std::move(reason));
  }

 private:
  Box gapBox(const Run& left, const Run& right) const {
    return boxOf({left.far, right.near, std::max(left.side, right.side),
                  std::min(left.sideEnd, right.sideEnd)},
                 horizontal_);
  }
  Run movedTo(const Run& moving, Px near) const {
    return {near, near + moving.size(), moving.side, moving.sideEnd};
  }
  void between(const Run& moving, const Run& left, const Run& right) {
    const Px gap = (right.near - left.far - moving.size()) / 2;
    if (gap <= 0) return;
    const Run there = movedTo(moving, left.far + gap);
    offer(moving.near, there.near, SnapTo::Gap, {gapBox(left, there), gapBox(there, right)}, gap);
  }
  // The gap of the two is carried on to the side where the moving one is.
  void beside(const Run& moving, const Run& left, const Run& right, bool behind) {
    const Px gap = right.near - left.far;
    if (gap <= 0) return;
    const Run there = movedTo(moving, behind ? right.far + gap : left.near - gap - moving.size());
    offer(moving.near, there.near, SnapTo::Gap,
          {gapBox(left, right), behind ? gapBox(right, there) : gapBox(there, left)}, gap);
  }

  const SnapField& field_;
  bool horizontal_;
  Px best_;  // how far it is; the reach while none is found
  bool found_ = false;
  SnapTo to_ = SnapTo::Grid;
  Px at_ = 0;
  std::vector<Box> gaps_;
};

}  // namespace

Snapped snapMoved(const Box& box, const SnapField& field, Px reach) {
  Snapped out;
  std::array<Axis, 2> axes{Axis(field, true, reach), Axis(field, false, reach)};
  for (const bool horizontal : {true, false}) {
    Axis& axis = axes[horizontal ? 0 : 1];
    const Run run = runOf(box, horizontal);
    const std::array points{run.near, run.far, run.middle()};
    axis.guides(points);
    axis.edges(std::span(points).first(2));
    axis.centres(run.middle());
    axis.gaps(run);
    if (!axis.found()) axis.grid(std::span(points).first(1));
    (horizontal ? out.dx : out.dy) = axis.by();
  }
  const Box rests{box.x + out.dx, box.y + out.dy, box.w, box.h};
  axes[0].tell(runOf(rests, true), out);
  axes[1].tell(runOf(rests, false), out);
  return out;
}

Snapped snapResized(const Box& box, Edges edges, const SnapField& field, Px reach) {
  Snapped out;
  for (const bool horizontal : {true, false}) {
    const bool near = horizontal ? edges.left : edges.top;
    const bool far = horizontal ? edges.right : edges.bottom;
    if (near == far) continue;
    const Run run = runOf(box, horizontal);
    Axis axis(field, horizontal, reach);
    const std::array points{near ? run.near : run.far};
    axis.guides(points);
    axis.edges(points);
    if (!axis.found()) axis.grid(points);
    (horizontal ? out.dx : out.dy) = axis.by();
    axis.tell(run, out);
  }
  return out;
}

}  // namespace bristle
