#include "core/findings/profiles.h"

#include <algorithm>

#include "core/edit/settings_edit.h"

namespace bristle {
namespace {

bool isOff(const Settings& settings, std::string_view rule) {
  return std::find(settings.rulesOff.begin(), settings.rulesOff.end(), rule) !=
         settings.rulesOff.end();
}

// Any profile switches it off, so that all of them say something of it.
std::vector<std::string_view> spokenOf() {
  std::vector<std::string_view> out;
  for (const LimitProfile& profile : limitProfiles())
    for (const std::string_view rule : profile.off)
      if (std::find(out.begin(), out.end(), rule) == out.end()) out.push_back(rule);
  return out;
}

bool says(const LimitProfile& profile, std::string_view rule) {
  return std::find(profile.off.begin(), profile.off.end(), rule) != profile.off.end();
}

}  // namespace

std::span<const LimitProfile> limitProfiles() {
  // 9 mm: about the pad of a finger; 15 mm where people stand, reach out and wear gloves. 16 and 20
  // minutes of arc: the least and the better height of capitals (ISO 9241-303).
  static const LimitProfile kProfiles[] = {
      {"Handheld", "held in both hands, by thumbs and its own buttons", 44, 8, 9, 20, {}},
      {"Television",
       "three metres away, by a controller alone",
       24,
       0,
       0,
       20,
       {"hit-size", "hit-near", "hit-overlap"}},
      {"Kiosk", "standing before it, by fingers", 48, 8, 15, 16, {"no-description"}},
      {"Web", "at a desk or in the hand, by anything", 24, 8, 0, 16, {}},
  };
  return kProfiles;
}

Edit takeProfile(const LimitProfile& profile) {
  return changeSettings("take the limits", [&profile](Settings& s) {
    s.leastHit = profile.leastHit;
    s.leastGap = profile.leastGap;
    s.leastHitMm = profile.leastHitMm;
    s.leastText = profile.leastText;
    for (const std::string_view rule : spokenOf()) {
      std::erase(s.rulesOff, rule);
      if (says(profile, rule)) s.rulesOff.emplace_back(rule);
    }
  });
}

const LimitProfile* profileOf(const Settings& s) {
  for (const LimitProfile& profile : limitProfiles()) {
    const auto all = spokenOf();
    const bool same = std::all_of(all.begin(), all.end(), [&](std::string_view rule) {
      return isOff(s, rule) == says(profile, rule);
    });
    if (same && s.leastHit == profile.leastHit && s.leastGap == profile.leastGap &&
        s.leastHitMm == profile.leastHitMm && s.leastText == profile.leastText)
      return &profile;
  }
  return nullptr;
}

}  // namespace bristle
