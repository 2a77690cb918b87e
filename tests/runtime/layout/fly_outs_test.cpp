// Fly-outs: where they open.
#include "runtime/layout/fly_outs.h"

#include <gtest/gtest.h>

#include "runtime/document/tree.h"
#include "support/bars.h"
#include "support/measure.h"

namespace bristle {
namespace {

using test::Bar;

Layout layoutOf(const Bar& bar) {
  return layOut(bar.project, *bar.project.screens[0], bar.project.displays[0], kMeasure);
}
const Placed& at(const Bar& bar, const Layout& layout, const std::string& id) {
  return layout.items[*indexOf(*bar.project.screens[0], ItemId{id})];
}

TEST(FlyOut, LiesOnTheSideThatItIsToAndIsClosedAtFirst) {
  Bar bar;
  const Layout layout = layoutOf(bar);
  ASSERT_EQ(layout.flyOuts.size(), 2u);
  const Box button = at(bar, layout, "plants").box;
  const Box fly = at(bar, layout, "fly").box;
  EXPECT_EQ(fly.x, button.x);
  EXPECT_EQ(fly.y, button.y + button.h + 4) << "its own offset is the gap";
  EXPECT_TRUE(at(bar, layout, "ferns").closed);
  EXPECT_FALSE(at(bar, layout, "plants").closed);
  EXPECT_EQ(at(bar, layout, "tall").flyOut, 1);
  EXPECT_EQ(layout.flyOuts[1].outer, 0) << "its button is in the other one";
  // The nested one, beside its button, moves along with the outer one.
  EXPECT_EQ(at(bar, layout, "more").box.x, at(bar, layout, "ferns").box.x + 160);
  EXPECT_EQ(at(bar, layout, "more").box.y, at(bar, layout, "ferns").box.y);
}

TEST(FlyOut, OpensWithTheOnesAroundItAndClosesAllOthers) {
  Bar bar;
  Layout layout = layoutOf(bar);
  EXPECT_TRUE(openOnly(layout, 1));
  EXPECT_FALSE(at(bar, layout, "ferns").closed);
  EXPECT_FALSE(at(bar, layout, "tall").closed);
  EXPECT_FALSE(openOnly(layout, 1));
  EXPECT_TRUE(openOnly(layout, 0));
  EXPECT_TRUE(at(bar, layout, "tall").closed);
  EXPECT_TRUE(openOnly(layout, -1));
  EXPECT_TRUE(at(bar, layout, "ferns").closed);
}

TEST(FlyOut, FlipsAtTheEdgeOfTheDisplay) {
  Bar bar;
  bar.item("bar").place.y = {.pin = Pin::End};
  bar.item("bar").place.x = {.pin = Pin::End};
  bar.fly("fly").from = {"map"};
  const Layout layout = layoutOf(bar);
  const Box button = at(bar, layout, "map").box, fly = at(bar, layout, "fly").box;
  EXPECT_EQ(fly.y + fly.h, button.y - 4) << "no room below";
  EXPECT_EQ(sideOf(layout, layout.flyOuts[0]), Side::Above);
  EXPECT_EQ(sideOf(layout, layout.flyOuts[1]), Side::Left);
  for (const char* id : {"ferns", "mosses", "tall", "low"}) {
    const Box& box = at(bar, layout, id).box;
    EXPECT_GE(box.x, 0) << id;
    EXPECT_GE(box.y, 0) << id;
    EXPECT_LE(box.x + box.w, 1000) << id;
    EXPECT_LE(box.y + box.h, 600) << id;
  }
}

TEST(FlyOut, IsMirroredWhereOneReadsFromTheRight) {
  Bar bar;
  bar.item("bar").place.x.pin = Pin::Start;
  bar.project.languages[0].rightToLeft = true;
  const Layout layout = layoutOf(bar);
  const Box button = at(bar, layout, "plants").box, fly = at(bar, layout, "fly").box;
  EXPECT_EQ(fly.x + fly.w, button.x + button.w);
  EXPECT_EQ(at(bar, layout, "more").box.x + 160, at(bar, layout, "ferns").box.x);
}

TEST(FlyOut, OfACircleNoneIsOneNorOfAButtonThatIsGone) {
  Bar bar;
  bar.item("fly").container()->flyOut.from = {"tall"};
  EXPECT_TRUE(layoutOf(bar).flyOuts.empty());
  bar.item("fly").container()->flyOut.from = {"nobody"};
  bar.item("more").container()->flyOut.from = {"tall"};
  EXPECT_TRUE(layoutOf(bar).flyOuts.empty());
}

}  // namespace
}  // namespace bristle
