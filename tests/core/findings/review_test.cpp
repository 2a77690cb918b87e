// What is found is the same whether a project is checked anew or goes on being checked; only what
// an edit touches is looked at; each mend mends.
#include "core/findings/review.h"
#include "core/findings/check.h"

#include <gmock/gmock.h>

#include <set>

#include "core/edit/button_edits.h"
#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

std::vector<std::string> told(const Findings& all) {
  std::vector<std::string> out;
  for (const Finding& f : all) out.push_back(f.key + " | " + f.place + " | " + f.reason);
  return out;
}

std::set<std::string> keys(const Findings& all) {
  std::set<std::string> out;
  for (const Finding& f : all) out.insert(f.key);
  return out;
}

// Everything in it that can be broken by hand.
Project broken() {
  Project p = fullProject();
  Screen& screen = *edit(p, p.screens[0]->id);
  const auto ids = buttons(p);
  edit(screen, ids[1])->button()->actions = {{ActionType::Open, {"nowhere"}, {}}};
  edit(screen, ids[2])->button()->routes[Dir::Up] = {RouteType::Pinned, ItemId{"nobody"}};
  edit(screen, ids[2])->button()->routes[Dir::Left] = {RouteType::Pinned, ItemId{"nobody"}};
  edit(screen, ids[0])->button()->when = {"@nobody > 1", "over"};
  screen.entry = {"noone"};
  Cluster none{{"g90"}, "Nobody", {}, {}, {}, {}};
  Cluster shut{{"g91"}, "Shut", {ids[2]}, Enter::Chosen, ids[0], {}, Leave::Sealed};
  shut.exits[0] = {RouteType::Pinned, ItemId{"nobody"}};
  shut.exits[1] = {RouteType::Pinned, ClusterId{"g91"}};
  screen.clusters.push_back(none);
  screen.clusters.push_back(shut);
  Sign enter, space;
  enter.name = "Enter";
  space.name = "Space";
  p.bindings = {{enter, Does::Accept, {}}, {enter, Does::Cancel, {}}};
  screen.bindings = {{enter, Does::Shortcut, {"nobody"}}, {space, Does::TabLeft, {}}};
  edit(screen, ids[1])->button()->answers = {true, {"nobody"}};
  edit(screen, ids[2])->button()->answers = {true, {}};
  edit(screen, ids[2])->button()->aside = true;
  p.first = {"nowhere"};
  Kind& kind = *edit(p, p.kinds[0]->id);
  kind.departures[StateId{"asleep"}];
  kind.hitForm = HitForm::Box;
  kind.hitPadding = 0;
  kind.height = 11;
  return p;
}

TEST(Review, GoesOnAsIfItWereCheckedAnew) {
  Dice dice(5);
  for (int sitting = 0; sitting < 3; ++sitting) {
    Review review;
    Project p = broken();
    std::vector<Project> before;
    for (int i = 0; i < 25; ++i) {
      before.push_back(p);
      Screen* screen = edit(p, p.screens[size_t(dice.whole(0, int(p.screens.size()) - 1))]->id);
      Kind* kind = edit(p, p.kinds[size_t(dice.whole(0, int(p.kinds.size()) - 1))]->id);
      switch (dice.whole(0, 9)) {
        case 0:
          kind->name += "x";
          break;
        case 1:
          kind->height = dice.whole(8, 60);
          break;
        case 2:
          screen->entry = dice.chance(0.5) ? ItemId{} : screen->items.front()->id;
          break;
        case 3:
          p.settings.leastHit = dice.whole(10, 60);
          break;
        case 4:
          if (p.screens.size() > 1) p.screens.erase(p.screens.begin() + 1);
          break;
        case 5:
          p = after(p, addKind("Other", Wins::Hover));
          break;
        case 6:
          edit(p, p.machines[0]->id)->transitions[0].to = {dice.chance(0.5) ? "limbo" : "hover"};
          break;
        case 7:
          kind->hitPadding = dice.whole(0, 40);
          break;
        case 8:
          p.named.edit().clear();
          break;
        default:
          p = before[size_t(dice.whole(0, int(before.size()) - 1))];  // undo
      }
      ASSERT_EQ(told(review.check(p)), told(check(p))) << sitting << " " << i;
    }
  }
}

TEST(Review, LooksOnlyAtWhatAnEditTouches) {
  History history(fullProject());
  must(history, addKind("Alone", Wins::Hover));
  must(history, addScreen("Apart"));
  must(history,
       addButton(history.now().screens.back()->id, history.now().kinds.back()->id, "x", 10, 10));
  Review review;
  (void)review.check(history.now());
  const int whole = review.looked();
  (void)review.check(history.now());
  const int always = review.looked();  // the rules for the project as a whole
  EXPECT_LE(always, 9);
  must(history, resizeKind(history.now().kinds.back()->id, 300, 90));
  (void)review.check(history.now());
  EXPECT_GT(review.looked(), always);
  EXPECT_LE(review.looked() - always, 8 + 23)
      << "eight rules of kinds, twenty-three of its one screen";
  EXPECT_LT(review.looked(), whole);
}

TEST(Review, KeysAreUniqueAndOutliveRenaming) {
  Project p = broken();
  const auto before = check(p);
  EXPECT_EQ(keys(before).size(), before.size());
  for (size_t i = 0; i < p.kinds.size(); ++i) edit(p, p.kinds[i]->id)->name += " renamed";
  for (size_t i = 0; i < p.screens.size(); ++i) edit(p, p.screens[i]->id)->name += " renamed";
  const auto later = check(p);
  EXPECT_EQ(keys(later), keys(before));
  EXPECT_NE(told(later), told(before));
}

TEST(Review, EachMendMendsAndBreaksNothingElse) {
  const Project p = broken();
  const auto found = check(p);
  int mends = 0;
  for (const Finding& f : found)
    for (const Edit& mend : f.mends) {
      ++mends;
      const auto now = keys(check(after(p, mend)));
      EXPECT_FALSE(now.contains(f.key)) << f.key << " by: " << mend.name;
      for (const Finding& error : check(after(p, mend)))
        EXPECT_TRUE(error.severity != Severity::Error || keys(found).contains(error.key))
            << error.key << " came by " << mend.name;
    }
  EXPECT_GE(mends, 9);
}

TEST(Review, AFigureStandsBesideItsLimit) {
  for (const Finding& f : check(broken())) {
    if (f.rule != "hit-size") continue;
    ASSERT_TRUE(f.figure && f.limit);
    EXPECT_EQ(*f.figure, 11);
    EXPECT_EQ(*f.limit, broken().settings.leastHit);
    EXPECT_EQ(f.unit, "px");
    return;
  }
  FAIL() << "the kind is too low to be hit";
}

TEST(Review, StopsAtOnceAndKeepsNothingHalf) {
  const Project p = broken();
  Review review;
  std::atomic<bool> stop{true};
  Probes stopped;
  stopped.stop = &stop;
  EXPECT_TRUE(review.check(p, stopped).empty());
  EXPECT_EQ(review.looked(), 0);
  EXPECT_EQ(told(review.check(p)), told(check(p)));
}

}  // namespace
}  // namespace bristle::test
