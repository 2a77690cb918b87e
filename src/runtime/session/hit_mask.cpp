#include "runtime/session/hit_mask.h"

#include "runtime/document/screen.h"

#include <algorithm>
#include <cmath>

namespace bristle {

bool HitMask::holds(Px x, Px y) const {
  const double row = std::floor(y) - top;
  if (!(row >= 0 && row < static_cast<double>(rows.size()))) return false;
  const auto& stretches = rows[static_cast<size_t>(row)];
  return std::any_of(stretches.begin(), stretches.end(), [at = std::floor(x)](const auto& s) {
    return s.first <= at && at < s.second;
  });
}

KnownAreas::KnownAreas(HitAreas areas) : areas_(std::move(areas)) {
  for (size_t i = 0; i < areas_.uses.size(); ++i)
    if (areas_.uses[i].mask < areas_.masks.size()) uses_[areas_.uses[i].button].push_back(i);
}

bool KnownAreas::hits(const Item& button, const Kind&, const Look&, const Box& box, Px x,
                      Px y) const {
  const auto at = uses_.find(button.id);
  if (at == uses_.end()) return true;
  for (const size_t i : at->second)
    if (const HitAreas::Use& use = areas_.uses[i]; use.w == box.w && use.h == box.h)
      return areas_.masks[use.mask].holds(x - box.x, y - box.y);
  return true;
}

}  // namespace bristle
