// Limits ready-made for what a menu is used with, to begin from.
#pragma once
#include <span>
#include <string_view>
#include <vector>

#include "core/edit/history.h"

namespace bristle {

struct LimitProfile {
  std::string_view name;   // “Handheld”
  std::string_view about;  // for what, in one sentence
  Px leastHit, leastGap;
  double leastHitMm;                  // 0: only px are asked for
  double leastText;                   // minutes of arc; 0: however small
  std::vector<std::string_view> off;  // rules that do not apply there
};
std::span<const LimitProfile> limitProfiles();

// The limits and the rules that are off become those of the profile; rules that the profiles know
// nothing of stay as they are.
Edit takeProfile(const LimitProfile& profile);
// The profile that the settings have just now; null: none.
const LimitProfile* profileOf(const Settings& settings);

}  // namespace bristle
