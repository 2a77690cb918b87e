// What buttons stand on.
#include "core/derive/ground.h"

#include <gtest/gtest.h>

#include "support/menus.h"

namespace bristle::test {
namespace {

TEST(Grounds, AreThePanelBelowElseTheBackdropElseGrey) {
  Project p = columnMenu({"Dive"});
  Screen& screen = *edit(p, p.screens[0]->id);
  const KindId kind = p.kinds[0]->id;
  screen.backdrop = {};
  EXPECT_NEAR(groundOf(p, kind).r, groundOf(p, kind).b, 4) << "grey";
  screen.backdrop = Fill::solid({10, 200, 30, 255});
  EXPECT_EQ(groundOf(p, kind), (Colour{10, 200, 30, 255}));
  Item veil, sheet;
  veil.id = {"veil"};
  veil.what = PanelData{Fill::solid({255, 255, 255, 40})};
  screen.items.insert(screen.items.begin(), Shared<Item>(veil));
  EXPECT_EQ(groundOf(p, kind), (Colour{10, 200, 30, 255})) << "a veil is no ground";
  sheet.id = {"sheet"};
  sheet.what = PanelData{Fill::solid({90, 10, 10, 255})};
  screen.items.insert(screen.items.begin() + 1, Shared<Item>(sheet));
  EXPECT_EQ(groundOf(p, kind), (Colour{90, 10, 10, 255}));
  screen.items.emplace_back(veil);
  EXPECT_EQ(groundsOf(p), (std::map<KindId, Colour>{{kind, {90, 10, 10, 255}}}));
}

TEST(Grounds, AreThoseOfTheFirstScreenThatHasOne) {
  Project p = columnMenu({"Dive"});
  const KindId kind = p.kinds[0]->id;
  Screen second = *p.screens[0];
  p.screens[0].edit().backdrop = {};
  second.id = {"second"};
  second.backdrop = Fill::solid({1, 2, 3, 255});
  p.screens.emplace_back(second);
  second.id = {"third"};
  second.backdrop = Fill::solid({9, 9, 9, 255});
  p.screens.emplace_back(second);
  EXPECT_EQ(groundOf(p, kind), (Colour{1, 2, 3, 255}));
  EXPECT_EQ(groundsOf(p).at(kind), (Colour{1, 2, 3, 255}));
  EXPECT_NEAR(groundOf(p, {"no such"}).r, 110, 4);
}

}  // namespace
}  // namespace bristle::test
