#include "runtime/focus/solver.h"

#include <algorithm>
#include <numeric>
#include <tuple>

#include "runtime/focus/repair.h"
#include "runtime/focus/strong.h"

namespace bristle {
namespace {

constexpr std::array kForward{Dir::Right, Dir::Down};
// With more boxes moved than this share, beginning again is as fast.
constexpr size_t kFewOf = 16;

Dir mirrored(Dir dir, bool rightToLeft) {
  return rightToLeft && (dir == Dir::Left || dir == Dir::Right) ? opposite(dir) : dir;
}

}  // namespace

// For right-to-left everything is mirrored first, so that mirrored layouts get mirrored routes.
class FocusSolver::State {
 public:
  const SolveOutput& solve(const SolveInput& input) {
    std::vector<int> moved;
    upToDate_ = differsLittle(input, moved);
    if (upToDate_) {
      bringUpToDate(input, moved);
    } else {
      begin(input);
    }
    finish();
    return out_;
  }
  bool upToDate() const { return upToDate_; }

 private:
  Box boxOf(const SolveInput& input, size_t i) const {
    Box box = input.boxes[i];
    if (input.rightToLeft) box.x = -(box.x + box.w);
    return box;
  }

  SlotRule rule(int box, Dir dir) const {
    return input_.rules.empty()
               ? SlotRule{}
               : input_.rules[size_t(box)][size_t(mirrored(dir, input_.rightToLeft))];
  }

  bool differsLittle(const SolveInput& input, std::vector<int>& moved) const {
    if (input.boxes.size() != input_.boxes.size() || input.rules != input_.rules ||
        input.rightToLeft != input_.rightToLeft || input.names != input_.names || field_.heaped())
      return false;
    for (size_t i = 0; i < input.boxes.size(); ++i)
      if (input.boxes[i] != input_.boxes[i]) moved.push_back(static_cast<int>(i));
    return moved.size() * kFewOf <= input.boxes.size();
  }

  // An order that depends on the geometry alone, so that ties never follow that of the document.
  bool stands(int i, int j) const {
    const Box &a = boxes_[size_t(i)], &b = boxes_[size_t(j)];
    const auto left = std::tie(a.y, a.x, a.h, a.w), right = std::tie(b.y, b.x, b.h, b.w);
    if (left != right) return left < right;
    if (input_.names.empty()) return i < j;
    return input_.names[size_t(i)] < input_.names[size_t(j)];
  }

  void number() {
    for (size_t i = 0; i < order_.size(); ++i) rank_[size_t(order_[i])] = static_cast<int>(i);
  }

  void begin(const SolveInput& input) {
    input_ = input;
    const size_t n = input.boxes.size();
    boxes_.resize(n);
    for (size_t i = 0; i < n; ++i) boxes_[i] = boxOf(input, i);
    order_.resize(n);
    std::iota(order_.begin(), order_.end(), 0);
    std::sort(order_.begin(), order_.end(), [this](int i, int j) { return stands(i, j); });
    rank_.resize(n);
    number();
    field_ = Field(boxes_);
    takeRules();
    picks_.assign(n, {});
    base_.assign(n, {});
    PickFinder picker(field_, rank_);
    std::vector<Slot> all;
    all.reserve(n * 4);
    for (size_t i = 0; i < n; ++i)
      for (const Dir dir : kDirs) {
        const Slot slot{static_cast<int>(i), dir};
        pick(picker, slot);
        all.push_back(slot);
      }
    for (size_t axis = 0; axis < 2; ++axis) pairings_[axis] = Pairing(kForward[axis], n);
    settle(all);
  }

  void bringUpToDate(const SolveInput& input, const std::vector<int>& moved) {
    std::vector<Slot> again = {};
    std::vector<char> marked(boxes_.size() * 4);
    const auto mark = [&](int box, Dir dir) {
      char& known = marked[size_t(box) * 4 + size_t(dir)];
      if (!known) again.push_back({box, dir});
      known = 1;
    };
    const auto markAround = [&](int box) {
      for (const Dir dir : kDirs) {
        const Facing& other = field_.facing(box, dir);
        for (int i = 0; i < static_cast<int>(boxes_.size()); ++i)
          if (i != box && matters(picks_[size_t(i)][size_t(dir)], field_.facing(i, dir), other))
            mark(i, dir);
        mark(box, dir);
      }
    };
    // What stood there matters, and what stands there now: after all have moved, since the limits
    // of what is near them are of the layout before.
    for (const int box : moved) markAround(box);
    for (const int box : moved) {
      input_.boxes[size_t(box)] = input.boxes[size_t(box)];
      boxes_[size_t(box)] = boxOf(input, size_t(box));
      field_.move(box, boxes_[size_t(box)]);
    }
    for (const int box : moved) markAround(box);
    std::sort(order_.begin(), order_.end(), [this](int i, int j) { return stands(i, j); });
    number();
    // What hung together with these before may not any longer.
    std::vector<Slot> seeds = again;
    for (const Slot& slot : again) addNeighbours(slot, seeds);
    PickFinder picker(field_, rank_);
    for (const Slot& slot : again) pick(picker, slot);
    for (const Slot& slot : again) addNeighbours(slot, seeds);
    settle(seeds);
  }

  // The slots that a slot's picks would be left by.
  void addNeighbours(const Slot& slot, std::vector<Slot>& out) const {
    for (const Pick& p : picks_[size_t(slot.box)][size_t(slot.dir)].list())
      out.push_back({p.target, opposite(slot.dir)});
  }

  void takeRules() {
    free_.assign(boxes_.size(), {true, true, true, true});
    fixed_.clear();
    if (input_.rules.empty()) return;
    for (int i = 0; i < static_cast<int>(boxes_.size()); ++i)
      for (const Dir dir : kDirs) {
        const SlotRule said = rule(i, dir);
        free_[size_t(i)][size_t(dir)] = said.type == SlotRule::Free;
        if (said.type == SlotRule::Fixed) fixed_.push_back({i, dir});
      }
  }

  void pick(PickFinder& picker, const Slot& slot) {
    picks_[size_t(slot.box)][size_t(slot.dir)] =
        free_[size_t(slot.box)][size_t(slot.dir)] ? picker.pick(slot.box, slot.dir) : Picks{};
  }

  // Pairs, then for what stayed alone its cheapest pick.
  void settle(const std::vector<Slot>& seeds) {
    touched_.clear();
    std::array<std::vector<Slot>, 2> byAxis;
    for (const Slot& slot : seeds)
      byAxis[slot.dir == Dir::Right || slot.dir == Dir::Left ? 0 : 1].push_back(slot);
    for (size_t axis = 0; axis < 2; ++axis)
      pairings_[axis].pair(picks_, rank_, byAxis[axis], touched_);
    for (const Slot& slot : touched_) {
      const Picks& picks = picks_[size_t(slot.box)][size_t(slot.dir)];
      const size_t axis = slot.dir == Dir::Right || slot.dir == Dir::Left ? 0 : 1;
      int target = pairings_[axis].partner(slot.box, slot.dir);
      if (target < 0 && picks.count) target = picks.all[0].target;
      const auto reason = picks.natural ? RouteReason::Solved : RouteReason::Stopgap;
      base_[size_t(slot.box)][size_t(slot.dir)] =
          target < 0 ? Route{} : Route{target, reason, false};
    }
  }

  // What a person pinned; the way back from there where it is natural and nobody said otherwise.
  void putPins(Routes& routes) const {
    for (const Slot& slot : fixed_) {
      const int target = rule(slot.box, slot.dir).target;
      routes[size_t(slot.box)][size_t(slot.dir)] = {target, RouteReason::Fixed, false};
      const Dir back = opposite(slot.dir);
      const Picks& picks = picks_[size_t(target)][size_t(back)];
      if (picks.has(slot.box))
        routes[size_t(target)][size_t(back)] = {
            slot.box, picks.natural ? RouteReason::Solved : RouteReason::Stopgap, false};
    }
  }

  void finish() {
    Routes routes = base_;
    putPins(routes);
    out_.repairs = 0;
    out_.allReached = routes.empty() || strongParts(routes).count == 1;
    if (!out_.allReached) {
      out_.repairs = repair({field_, picks_, rank_, free_}, routes);
      out_.allReached = strongParts(routes).count == 1;
    }
    out_.routes.resize(routes.size());
    for (size_t i = 0; i < routes.size(); ++i)
      for (const Dir dir : kDirs) {
        Route route = routes[i][size_t(dir)];
        route.returns =
            route.target >= 0 &&
            routes[size_t(route.target)][size_t(opposite(dir))].target == static_cast<int>(i);
        out_.routes[i][size_t(mirrored(dir, input_.rightToLeft))] = route;
      }
  }

  SolveInput input_;
  std::vector<Box> boxes_;  // as solved: mirrored where one reads from right to left
  std::vector<int> order_, rank_;
  Field field_;
  std::vector<std::array<bool, 4>> free_;  // by box and direction: nobody said anything
  std::vector<Slot> fixed_;
  AllPicks picks_;
  std::array<Pairing, 2> pairings_;
  Routes base_;  // before pins and repairs
  std::vector<Slot> touched_;
  SolveOutput out_;
  bool upToDate_ = false;
};

FocusSolver::FocusSolver() : state_(std::make_unique<State>()) {}
FocusSolver::FocusSolver(FocusSolver&&) noexcept = default;
FocusSolver& FocusSolver::operator=(FocusSolver&&) noexcept = default;
FocusSolver::~FocusSolver() = default;

const SolveOutput& FocusSolver::solve(const SolveInput& input) {
  return state_->solve(input);
}

bool FocusSolver::broughtUpToDate() const {
  return state_->upToDate();
}

SolveOutput solve(const SolveInput& input) {
  FocusSolver solver;
  return solver.solve(input);
}

}  // namespace bristle
