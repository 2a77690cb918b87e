// Projects that nobody means to make: they are looked at all the same.
#include <gmock/gmock.h>

#include <atomic>
#include <random>

#include "core/edit/screen_edits.h"
#include "core/findings/check.h"
#include "support/sound_menu.h"

namespace bristle::test {
namespace {

using testing::IsEmpty;
using testing::Not;

TEST(OddProjects, HaveNothingInThem) {
  EXPECT_NO_FATAL_FAILURE((void)check(Project{}));
  Sound menu;
  menu.screen().items.clear();
  menu.screen().entry = {};
  EXPECT_NO_FATAL_FAILURE((void)check(menu.project));
  Sound bare;
  bare.kind().parts.clear();
  bare.kind().base = {};
  bare.kind().departures.clear();
  EXPECT_THAT(bare.rules(), testing::Contains("unseen"));
  bare.machine().states.clear();
  bare.machine().transitions.clear();
  EXPECT_THAT(bare.rules(), testing::Contains("law"));
  bare.project.machines.clear();
  EXPECT_THAT(bare.rules(), testing::Contains("reference"));
  bare.project.displays.clear();
  bare.project.languages.clear();
  EXPECT_NO_FATAL_FAILURE((void)check(bare.project));
}

// Whatever is taken out of one that has everything, each finding says where and why.
TEST(OddProjects, LackWhatOthersReferTo) {
  for (unsigned seed = 1; seed <= 30; ++seed) {
    std::mt19937 random(seed);
    Project p = fullProject();
    const auto lose = [&](auto& parts) {
      if (!parts.empty()) parts.erase(parts.begin() + long(random() % parts.size()));
    };
    for (int i = 0; i < 3; ++i) switch (random() % 7) {
        case 0:
          lose(p.kinds);
          break;
        case 1:
          lose(p.machines);
          break;
        case 2:
          lose(p.screens);
          break;
        case 3:
          lose(p.values);
          break;
        case 4:
          lose(p.named.edit());
          break;
        case 5:
          lose(p.groups);
          break;
        default:
          if (!p.screens.empty()) lose(p.screens[random() % p.screens.size()].edit().items);
      }
    for (const Finding& f : check(p)) {
      EXPECT_FALSE(f.place.empty() || f.reason.empty() || f.key.empty()) << f.rule;
      for (const Edit& mend : f.mends) {
        const auto mended = mend.apply(p);
        EXPECT_TRUE(mended || !mended.error().reason.empty()) << mend.name;
      }
    }
  }
}

TEST(OddProjects, HaveAThousandDisplaysTimesLanguages) {
  Sound menu;
  while (menu.project.displays.size() < 40) {
    menu.project.displays.push_back(menu.project.displays[0]);
    menu.project.displays.back().id.text += std::to_string(menu.project.displays.size());
  }
  while (menu.project.languages.size() < 25) {
    menu.project.languages.push_back(menu.project.languages[0]);
    menu.project.languages.back().id.text += std::to_string(menu.project.languages.size());
  }
  // Two buttons, whose caption and nothing else lacks words in 24 languages: each is told once.
  EXPECT_THAT(menu.rules(), testing::ElementsAre("untranslated", "untranslated"));
}

// Made for a project that has changed since: it does nothing, and says why.
TEST(OddProjects, AMendThatCameTooLateIsRefused) {
  Sound menu;
  menu.button(menu.ids[1]).caption = "dive!";
  menu.button(menu.ids[1]).accessibleName = "Go under";
  const Findings found = check(menu.project);
  ASSERT_THAT(found, Not(IsEmpty()));
  ASSERT_THAT(found[0].mends, Not(IsEmpty()));
  Project gone = menu.project;
  std::erase_if(gone.screens[0].edit().items,
                [&](const Shared<Item>& item) { return item->id == menu.ids[1]; });
  const auto mended = found[0].mends[0].apply(gone);
  ASSERT_FALSE(mended);
  EXPECT_FALSE(mended.error().reason.empty());
}

// More is asked of the gaps than the display is wide, and of the areas than the gaps leave room.
TEST(OddProjects, LimitsThatContradictAreBothAsked) {
  Sound menu;
  menu.project.settings.leastHit = 400;
  menu.project.settings.leastGap = 400;
  menu.project.settings.leastHitMm = 50;
  menu.project.settings.rulesOff = {"no such rule", "no such rule"};
  EXPECT_THAT(menu.rules(), testing::UnorderedElementsAre("hit-size", "hit-near"));
}

// Told to stop before it begins, it hands back what it has, and finds the rest the next time.
TEST(OddProjects, GivingUpLeavesNothingWrong) {
  Sound menu;
  menu.button(menu.ids[1]).actions.clear();
  std::atomic<bool> stop = true;
  EXPECT_THAT(check(menu.project, {.stop = &stop}), IsEmpty());
  stop = false;
  EXPECT_EQ(check(menu.project, {.stop = &stop}).size(), 1U);
}

}  // namespace
}  // namespace bristle::test
