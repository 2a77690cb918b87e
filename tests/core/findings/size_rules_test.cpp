// How large what is hit and read has to be: in px, in mm and as it is seen from afar.
#include <gmock/gmock.h>

#include <cmath>

#include "core/edit/screen_edits.h"
#include "core/findings/profiles.h"
#include "core/findings/rules.h"
#include "support/sound_menu.h"

namespace bristle::test {
namespace {

using testing::ElementsAre;
using testing::HasSubstr;
using testing::IsEmpty;

// Two boxes of 20 × 20 px, so far from each other, middle to middle.
Sound twoSmall(Px apart) {
  Sound menu;
  menu.project = placedMenu({{100, 100, 20, 20}, {100 + apart, 100, 20, 20}});
  menu.ids = buttons(menu.project);
  for (const ItemId& id : menu.ids)
    menu.button(id).actions = {{.type = ActionType::Message, .message = "m"}};
  menu.screen().entry = menu.ids[0];
  menu.kind().width = menu.kind().height = 20;
  menu.project.settings.leastGap = 0;
  return menu;
}

// WCAG 2.2 §2.5.8: what is too small may be so where circles of 24 px do not meet.
TEST(SizeRules, SmallTargetsMayKeepTheirDistanceInstead) {
  EXPECT_THAT(twoSmall(24).rules(), IsEmpty());
  Sound near = twoSmall(23);
  const Finding f = only(near, "hit-size");
  EXPECT_EQ(f.figure, 20);
  EXPECT_THAT(f.mends, IsEmpty()) << "grown, they would lie over one another";
  // By a measure of the project's own there is no such exception.
  Sound own = twoSmall(200);
  own.project.settings.leastHit = 25;
  only(own, "hit-size");
  // A large neighbour is met by its edge: 12 px from the middle.
  Sound large = twoSmall(100);
  large.project.kinds.push_back(large.project.kinds[0]);
  Kind& wide = large.project.kinds[1].edit();
  wide.id = {"wide"};
  wide.width = wide.height = 60;
  large.button(large.ids[1]).kind = wide.id;
  large.item(large.ids[1]).place = {{Pin::Start, 122, 60, 0}, {Pin::Start, 100, 60, 0}};
  EXPECT_THAT(large.rules(), IsEmpty());
  large.item(large.ids[1]).place.x.offset = 121;
  only(large, "hit-size");
}

TEST(SizeRules, MillimetresAreAskedWhereTheDisplayIsKnown) {
  Sound menu;
  menu.project.settings.leastHitMm = 9;
  EXPECT_THAT(menu.rules(), IsEmpty()) << "no display says how dense it is";
  // 9 mm at 160 to the inch are 56.7 px.
  Display dense = menu.project.displays[0];
  dense.id = {"dense"};
  dense.name = "Phone";
  dense.perInch = 160;
  menu.project.displays.push_back(dense);
  menu.kind().height = 57;
  EXPECT_THAT(menu.rules(), IsEmpty());
  menu.kind().height = 56;
  const Finding f = only(menu, "hit-size");
  EXPECT_NEAR(*f.figure, 56 * 25.4 / 160, 1e-9);
  EXPECT_EQ(f.display, dense.id);
  EXPECT_THAT(f.reason, HasSubstr("Phone"));
  menu.project.displays.back().scale = 2;
  EXPECT_THAT(menu.rules(), IsEmpty()) << "two px of it to one";
}

TEST(SizeRules, AProfileIsTakenWhole) {
  Sound menu;
  EXPECT_EQ(profileOf(menu.project.settings), &limitProfiles()[3]) << "the web’s are the start";
  menu.project.settings.rulesOff = {"unused"};
  for (const LimitProfile& profile : limitProfiles()) {
    const Project now = after(menu.project, takeProfile(profile));
    EXPECT_EQ(profileOf(now.settings), &profile) << profile.name;
    EXPECT_EQ(now.settings.leastHit, profile.leastHit);
    EXPECT_THAT(now.settings.rulesOff, testing::Contains("unused")) << "its own stay off";
    Project other = now;
    other.settings.leastHit += 1;
    EXPECT_EQ(profileOf(other.settings), nullptr);
    // What one switches off, another switches on again.
    const Project back = after(now, takeProfile(limitProfiles()[0]));
    EXPECT_THAT(back.settings.rulesOff, ElementsAre("unused"));
  }
}

}  // namespace
}  // namespace bristle::test
