// A layout brought up to date is to the last bit what laying out everything gives.
#include "core/derive/lay_out_again.h"

#include <gtest/gtest.h>

#include "support/layouts.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

AxisPlace anyAxis(Dice& dice) {
  AxisPlace a;
  a.pin = static_cast<Pin>(dice.whole(0, 5));  // all but the baseline
  a.offset = dice.whole(-200, 900);
  a.size = dice.whole(0, 2) ? dice.whole(1, 400) : 0;
  a.farOffset = dice.whole(0, 100);
  a.fraction = dice.whole(0, 100) / 100.0;
  a.share = dice.whole(0, 3) ? 0 : 0.4;
  return a;
}

// Loose buttons, panels and pictures, and rows with buttons in them; a fly-out from the first.
Project anyMenu(Dice& dice) {
  Project p = columnMenu({"One", "Two", "Three"});
  Language arabic;
  arabic.id = {"ar"};
  arabic.rightToLeft = true;
  p.languages.push_back(arabic);
  Screen& s = *edit(p, p.screens[0]->id);
  s.scaling = static_cast<Scaling>(dice.whole(0, 4));
  for (int i = 0; i < 12; ++i) {
    Item item;
    item.id = {"loose" + std::to_string(i)};
    item.place = {anyAxis(dice), anyAxis(dice)};
    item.place.safe = dice.whole(0, 1);
    ButtonData button;
    button.kind = p.kinds[0]->id;
    button.caption = std::string(size_t(dice.whole(1, 20)), 'm');
    if (i % 3 == 0)
      item.what = PanelData{};
    else
      item.what = button;
    s.items.emplace_back(item);
  }
  Item fly;
  fly.id = {"fly"};
  fly.what = ContainerData{.flyOut = {{"loose1"}, Side::Below}};
  s.items.emplace_back(fly);
  return p;
}

void expectSame(const Layout& a, const Layout& b) {
  ASSERT_EQ(a.items.size(), b.items.size());
  for (size_t i = 0; i < a.items.size(); ++i) {
    const Placed &one = a.items[i], &other = b.items[i];
    EXPECT_EQ(one.box, other.box) << i;
    EXPECT_EQ(one.hit, other.hit) << i;
    EXPECT_EQ(one.visible, other.visible) << i;
    EXPECT_EQ(one.clip, other.clip);
    EXPECT_EQ(one.scroller, other.scroller);
    EXPECT_EQ(one.flyOut, other.flyOut);
    EXPECT_EQ(one.closed, other.closed);
    EXPECT_EQ(one.still, other.still);
    EXPECT_EQ(one.shown, other.shown);
    EXPECT_EQ(one.scale, other.scale);
  }
  EXPECT_EQ(a.clips, b.clips);
  EXPECT_EQ(a.flyOuts.size(), b.flyOuts.size());
}

TEST(LayOutAgain, IsWhatLayingOutAllOfItGives) {
  const PlainMeasure measure;
  int again = 0;
  for (std::uint64_t seed = 1; seed <= 300; ++seed) {
    SCOPED_TRACE(seed);
    Dice dice(seed);
    const Project before = anyMenu(dice);
    const Showing on{before.displays[size_t(dice.whole(0, int(before.displays.size()) - 1))],
                     {dice.whole(0, 1) ? "ar" : "en"}};
    const ShownScreen was{before, before.screens[0]->id, on};
    const Layout laid = layOut(before, *was.find(), on, measure);
    Project after = before;
    Screen& s = *edit(after, was.screen);
    for (int i = dice.whole(1, 3); i > 0; --i) {
      Item& item = s.items[size_t(dice.whole(0, int(s.items.size()) - 1))].edit();
      item.place = {anyAxis(dice), anyAxis(dice)};
      item.hidden = dice.whole(0, 4) == 0;
      if (ButtonData* button = item.button(); button && dice.whole(0, 1)) button->caption = "w";
    }
    const ShownScreen now{after, was.screen, on};
    const auto quick = layOutAgain(was, laid, now, measure);
    if (!quick) continue;
    ++again;
    expectSame(*quick, layOut(after, *now.find(), on, measure));
    if (testing::Test::HasFailure()) return;
  }
  EXPECT_GT(again, 60) << "and not never";
}

TEST(LayOutAgain, IsRefusedWhereMoreFollows) {
  const PlainMeasure measure;
  Dice dice(4);
  const Project before = anyMenu(dice);
  const ShownScreen was{before, before.screens[0]->id, {before.displays[0]}};
  const Layout laid = layOut(before, *was.find(), was.showing, measure);
  const auto refused = [&](const char* what, const std::function<void(Project&, Screen&)>& change) {
    Project after = before;
    change(after, *edit(after, was.screen));
    EXPECT_FALSE(layOutAgain(was, laid, {after, was.screen, was.showing}, measure)) << what;
  };
  refused("what is in a column", [](Project&, Screen& s) {
    for (auto& item : s.items)
      if (item->parent) return void(item.edit().button()->caption = "x");
  });
  refused("a container", [](Project&, Screen& s) { s.items[0].edit().container()->gap = 3; });
  refused("what a fly-out lies beside", [](Project&, Screen& s) {
    for (auto& item : s.items)
      if (item->id == ItemId{"loose1"}) item.edit().place.x.offset += 10;
  });
  refused("one more", [](Project&, Screen& s) { s.items.pop_back(); });
  refused("how it grows", [](Project&, Screen& s) {
    s.scaling = s.scaling == Scaling::None ? Scaling::Width : Scaling::None;
  });
  refused("a kind", [](Project& p, Screen&) { edit(p, p.kinds[0]->id)->width += 10; });
}

}  // namespace
}  // namespace bristle::test
