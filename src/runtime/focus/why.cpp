#include "runtime/focus/why.h"

#include <algorithm>
#include <cmath>

#include "runtime/focus/relation.h"

namespace bristle {
namespace {

double degreesOff(const Relation& r) {
  if (r.ahead) return 0;
  return r.overlap > 0 ? 90 : std::atan2(r.lateral, r.gap) * 180 / 3.14159265358979323846;
}

// The nearest far edge of what stands in the way, leaving one box out.
double firstEnd(const SolveInput& input, int box, Dir dir, int except) {
  double end = HUGE_VAL;
  const Facing a = face(input.boxes[size_t(box)], dir);
  for (size_t i = 0; i < input.boxes.size(); ++i) {
    if (static_cast<int>(i) == box || static_cast<int>(i) == except) continue;
    const Facing b = face(input.boxes[i], dir);
    if (relate(a, b).blocks) end = std::min(end, b.far);
  }
  return end;
}

}  // namespace

bool admissible(const SolveInput& input, int box, Dir dir, int target) {
  const Facing b = face(input.boxes[size_t(target)], dir);
  return relate(face(input.boxes[size_t(box)], dir), b).inCone &&
         firstEnd(input, box, dir, target) >= b.near + 1;
}

std::vector<RankedCandidate> rank(const SolveInput& input, const Routes& routes, int box, Dir dir,
                                  size_t most) {
  std::vector<RankedCandidate> out;
  const Facing a = face(input.boxes[size_t(box)], dir);
  const int chosen = routes[size_t(box)][size_t(dir)].target;
  for (size_t i = 0; i < input.boxes.size(); ++i) {
    const int target = static_cast<int>(i);
    if (target == box) continue;
    const Facing b = face(input.boxes[i], dir);
    const Relation r = relate(a, b);
    if (!r.progress && target != chosen) continue;
    RankedCandidate c;
    c.target = target;
    c.ahead = r.ahead;
    c.gap = r.gap;
    c.lateral = r.lateral;
    c.angle = degreesOff(r);
    c.effort = effort(a, b, r);
    c.returns = routes[i][size_t(opposite(dir))].target == box;
    if (target == chosen) {
      c.verdict = Verdict::Chosen;
    } else if (!r.inCone) {
      c.verdict = Verdict::Aside;
    } else if (firstEnd(input, box, dir, target) < b.near + 1) {
      c.verdict = Verdict::Behind;
    }
    out.push_back(c);
  }
  std::sort(out.begin(), out.end(), [](const RankedCandidate& x, const RankedCandidate& y) {
    if (x.verdict != y.verdict) return x.verdict < y.verdict;
    if (x.ahead != y.ahead) return x.ahead;
    if (x.effort != y.effort) return x.effort < y.effort;
    return x.target < y.target;
  });
  if (out.size() > most) out.resize(most);
  return out;
}

}  // namespace bristle
