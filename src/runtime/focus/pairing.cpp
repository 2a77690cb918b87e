#include "runtime/focus/pairing.h"

#include <algorithm>

namespace bristle {

Pairing::Pairing(Dir forward, size_t boxes) : forward_(forward), place_(boxes) {
  for (auto& mates : mate_) mates.assign(boxes, -1);
  for (auto& rounds : round_) rounds.assign(boxes, 0);
}

// Whether it had not been looked at in this round.
bool Pairing::visit(size_t side, int box) {
  if (round_[side][size_t(box)] == now_) return false;
  round_[side][size_t(box)] = now_;
  part_[side].push_back(box);
  return true;
}

// All that hangs together with one slot: breadth first, from side to side.
void Pairing::collect(const AllPicks& picks, size_t side, int box) {
  part_[0].clear();
  part_[1].clear();
  if (!visit(side, box)) return;
  for (std::array<size_t, 2> done{}; done[0] < part_[0].size() || done[1] < part_[1].size();)
    for (size_t s : {size_t{0}, size_t{1}})
      for (; done[s] < part_[s].size(); ++done[s]) {
        const int at = part_[s][done[s]];
        const Dir back = dirOf(1 - s);
        for (const Pick& p : picks[size_t(at)][size_t(dirOf(s))].list())
          if (picks[size_t(p.target)][size_t(back)].has(at)) visit(1 - s, p.target);
      }
}

void Pairing::match(const AllPicks& picks, std::span<const int> rank) {
  for (size_t s : {size_t{0}, size_t{1}})
    for (const int box : part_[s]) mate_[s][size_t(box)] = -1;
  if (part_[0].empty() || part_[1].empty()) return;
  if (part_[0].size() == 1 && part_[1].size() == 1) {
    mate_[0][size_t(part_[0][0])] = part_[1][0];
    mate_[1][size_t(part_[1][0])] = part_[0][0];
    return;
  }
  for (auto& part : part_)
    std::sort(part.begin(), part.end(),
              [&](int a, int b) { return rank[size_t(a)] < rank[size_t(b)]; });
  for (size_t i = 0; i < part_[1].size(); ++i) place_[size_t(part_[1][i])] = static_cast<int>(i);
  std::vector<MatchEdge> edges;
  const Dir back = dirOf(1);
  for (size_t i = 0; i < part_[0].size(); ++i)
    for (const Pick& p : picks[size_t(part_[0][i])][size_t(forward_)].list())
      if (picks[size_t(p.target)][size_t(back)].has(part_[0][i]))
        edges.push_back({static_cast<int>(i), place_[size_t(p.target)], p.cost});
  const std::vector<int> mates = mostPairs(part_[0].size(), part_[1].size(), edges);
  for (size_t i = 0; i < mates.size(); ++i) {
    if (mates[i] < 0) continue;
    const int from = part_[0][i], to = part_[1][size_t(mates[i])];
    mate_[0][size_t(from)] = to;
    mate_[1][size_t(to)] = from;
  }
}

void Pairing::pair(const AllPicks& picks, std::span<const int> rank, std::span<const Slot> seeds,
                   std::vector<Slot>& touched) {
  ++now_;
  for (const Slot& seed : seeds) {
    collect(picks, side(seed.dir), seed.box);
    match(picks, rank);
    for (size_t s : {size_t{0}, size_t{1}})
      for (const int box : part_[s]) touched.push_back({box, dirOf(s)});
  }
}

}  // namespace bristle
