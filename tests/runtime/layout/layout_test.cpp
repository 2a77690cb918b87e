#include "runtime/layout/layout.h"

#include <gtest/gtest.h>

#include "core/edit/kind_edits.h"
#include "core/edit/language_edits.h"
#include "runtime/layout/pins.h"
#include "support/measure.h"
#include "support/menus.h"

namespace bristle {
namespace {

Item panel(Place place) {
  Item item;
  item.id = {"panel"};
  item.place = place;
  item.what = PanelData{};
  return item;
}

Box placed(Place place, double w, double h) {
  Project project = emptyProject();
  Screen screen;
  screen.items = {Shared<Item>(panel(place))};
  const Display display{{"d"}, "", w, h, 1, 0, {}};
  return layOut(project, screen, display, kMeasure).items[0].box;
}

TEST(Pins, HoldOnEveryDisplay) {
  const Place corner{{Pin::End, 40, 100, 0}, {Pin::End, 30, 50, 0}};
  const Place centre{{Pin::Centre, 5, 100, 0}, {Pin::Centre, -7, 50, 0}};
  const Place both{{Pin::Both, 10, 0, 20}, {Pin::Both, 1, 0, 2}};
  for (const auto& [w, h] :
       {std::pair(1920.0, 1080.0), std::pair(1280.0, 800.0), std::pair(720.0, 1600.0)}) {
    EXPECT_EQ(placed(corner, w, h), (Box{w - 140, h - 80, 100, 50}));
    EXPECT_EQ(placed(centre, w, h), (Box{w / 2 - 45, h / 2 - 32, 100, 50}));
    EXPECT_EQ(placed(both, w, h), (Box{10, 1, w - 30, h - 3}));
  }
}

TEST(Pins, PlaceForIsTheInverseOfPlacing) {
  for (Pin x : {Pin::Start, Pin::Centre, Pin::End, Pin::Both})
    for (Pin y : {Pin::Start, Pin::Centre, Pin::End, Pin::Both}) {
      Place place{{x, 3, 200, 0}, {y, 4, 100, 0}};
      const Box wanted{320, 250, 200, 100};
      EXPECT_EQ(placed(placeFor(place, wanted, {0, 0, 1920, 1080}), 1920, 1080), wanted);
    }
}

TEST(Display, ScaleTurnsDevicePixelsIntoLayoutPixels) {
  const Display handheld{{"d"}, "", 1280, 800, 2.0 / 3, 0, {}};
  EXPECT_DOUBLE_EQ(handheld.layoutWidth(), 1920);
  EXPECT_DOUBLE_EQ(handheld.layoutHeight(), 1200);
}

struct Column {
  History history{test::columnMenu({"a", "bb", "ccc"})};
  ScreenId screen = history.now().screens[0]->id;
  Layout layout() const {
    const Project& p = history.now();
    return layOut(p, *p.screens[0], p.displays[0], kMeasure);
  }
  void container(std::function<void(ContainerData&)> change) {
    test::must(history, changeItems(screen, {history.now().screens[0]->items[0]->id}, "c", {},
                                    [&](Item& i) { change(*i.container()); }));
  }
};

TEST(Container, KeepsItsChildrenInOrderWithGapAndPadding) {
  Column c;
  c.container([](ContainerData& d) {
    d.gap = 10;
    d.padding = 5;
  });
  const Layout l = c.layout();
  const Kind& kind = *c.history.now().kinds[0];
  EXPECT_EQ(l.items[0].box, (Box{100, 100, kind.width + 10, 3 * kind.height + 20 + 10}));
  for (size_t i = 1; i <= 3; ++i)
    EXPECT_EQ(l.items[i].box,
              (Box{105, 105 + (double(i) - 1) * (kind.height + 10), kind.width, kind.height}));
}

TEST(Container, WidthFollowsTheLongestCaptionWhereTheKindSaysSo) {
  Column c;
  const Kind& kind = *c.history.now().kinds[0];
  test::must(c.history, changeKind(kind.id, "fit", {}, [](Kind& k) {
               k.fitsCaption = true;
               k.width = 20;
               k.captionPadding = 10;
             }));
  c.container([](ContainerData& d) { d.across = Across::Stretch; });
  const Layout l = c.layout();
  EXPECT_EQ(l.items[0].box.w, 3 * 12 + 20) << "three letters of half 24 px, and the padding";
  for (size_t i = 1; i <= 3; ++i) EXPECT_EQ(l.items[i].box.w, l.items[0].box.w);
}

TEST(Container, ARowIsMirroredFromRightToLeft) {
  Column c;
  c.container([](ContainerData& d) { d.flow = Flow::Row; });
  EXPECT_LT(c.layout().items[1].box.x, c.layout().items[3].box.x);
  Project p = c.history.now();
  p.languages[0].rightToLeft = true;
  const Layout l = layOut(p, *p.screens[0], p.displays[0], kMeasure);
  EXPECT_GT(l.items[1].box.x, l.items[3].box.x);
  EXPECT_EQ(l.items[3].box.x, 100);
}

TEST(HitArea, ReachesBeyondTheBoxByTheKindsPadding) {
  Column c;
  test::must(c.history, changeKind(c.history.now().kinds[0]->id, "hit", {},
                                   [](Kind& k) { k.hitPadding = 8; }));
  const Placed p = c.layout().items[1];
  EXPECT_EQ(p.hit, (Box{p.box.x - 8, p.box.y - 8, p.box.w + 16, p.box.h + 16}));
}

TEST(Container, ARowIsMirroredInTheLanguagesThatReadFromTheRightOnly) {
  Column c;
  c.container([](ContainerData& d) { d.flow = Flow::Row; });
  test::must(c.history, addLanguage("ar", ""));
  const Project& p = c.history.now();
  const auto in = [&](size_t language) {
    return layOut(p, *p.screens[0], {p.displays[0], p.languages[language].id}, kMeasure);
  };
  EXPECT_LT(in(0).items[1].box.x, in(0).items[3].box.x);
  EXPECT_GT(in(1).items[1].box.x, in(1).items[3].box.x);
  EXPECT_TRUE(in(1).rightToLeft);
}

TEST(Container, AsWideAsTheCaptionInTheLanguageThatIsShown) {
  Column c;
  test::must(c.history, changeKind(c.history.now().kinds[0]->id, "fit", {},
                                   [](Kind& k) { k.fitsCaption = true; }));
  test::must(c.history, addLanguage("de", ""));
  const LanguageId german = c.history.now().languages[1].id;
  test::must(c.history,
             changeItems(c.screen, {test::buttons(c.history.now())[0]}, "say", {}, [&](Item& i) {
               i.button()->caption.others[german] = std::string(80, 'm');
             }));
  const Project& p = c.history.now();
  const auto width = [&](const LanguageId& in) {
    return layOut(p, *p.screens[0], {p.displays[0], in}, kMeasure).items[1].box.w;
  };
  EXPECT_GT(width(german), 2 * width({}));
}

TEST(Container, OneThatClipsCutsOffWhatReachesBeyondItAndTheOnesAround) {
  Column c;
  const auto plain = c.layout();
  EXPECT_EQ(plain.items[1].visible, plain.items[1].hit);
  test::must(c.history, changeItems(c.screen, {c.history.now().screens[0]->items[0]->id}, "clip",
                                    {}, [](Item& i) {
                                      i.container()->clips = true;
                                      i.place.y.size = 100;  // one button and a bit
                                    }));
  const Layout l = c.layout();
  const Box frame = l.items[0].box;
  EXPECT_EQ(l.items[0].clip, -1) << "it is not cut off itself";
  ASSERT_EQ(l.clips.size(), 1U);
  EXPECT_EQ(l.clips[0], frame);
  for (size_t i = 1; i < l.items.size(); ++i) {
    EXPECT_EQ(l.items[i].clip, 0);
    EXPECT_EQ(l.items[i].visible, common(l.items[i].hit, frame));
  }
  EXPECT_GT(l.items[1].visible.h, 0);
  EXPECT_EQ(l.items[3].visible.h, 0) << "wholly beyond";
}

TEST(Layout, ABrokenKindAndAMissingContainerStillHaveAPlace) {
  Project p = test::columnMenu({"a"});
  Screen& screen = *edit(p, p.screens[0]->id);
  Item* item = edit(screen, test::buttons(p)[0]);
  item->button()->kind = {"gone"};
  item->parent = {"nowhere"};
  item->place.x.offset = 33;
  const Layout l = layOut(p, *p.screens[0], p.displays[0], kMeasure);
  EXPECT_EQ(l.items[1].box.x, 33);
  EXPECT_GT(l.items[1].box.w, 0);
}

}  // namespace
}  // namespace bristle
