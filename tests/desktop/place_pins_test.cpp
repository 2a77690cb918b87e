// Pins, scaling and displays on the card of the Place bench.
#include <cmath>

#include "desktop/place/pin_pictures.h"
#include "place_fixture.h"

namespace bristle {
namespace {

class PlacePins : public PlaceBenchTest {
 protected:
  void SetUp() override {
    PlaceBenchTest::SetUp();
    work().pickItems({free});
  }
  PinPictures& pictures() { return *window->findChild<PinPictures*>(); }
  const Place& place() { return item(free).place; }
  // Where it lies on another display.
  Box on(Px width, Px height) {
    Display display{{"other"}, "", width, height};
    const Screen& screen = *project().screens[0];
    const Layout layout = layOut(project(), screen, display, work().measure());
    for (size_t i = 0; i < screen.items.size(); ++i)
      if (screen.items[i]->id == free) return layout.items[i].box;
    return {};
  }
  void put(const char* field, const char* text) {
    fill(QString::fromLatin1(field), QString::fromUtf8(text));
  }
};

TEST_F(PlacePins, APictureIsClickedAndNothingMovesHere) {
  const Box before = boxOf(free);
  EXPECT_EQ(place().x.pin, Pin::None);
  bringIntoSight(&pictures());
  QTest::mouseClick(&pictures(), Qt::LeftButton, {}, pictures().cell(2, 1).center());
  EXPECT_EQ(place().x.pin, Pin::End);
  EXPECT_EQ(place().y.pin, Pin::Centre);
  EXPECT_EQ(boxOf(free), before);
  EXPECT_EQ(on(2400, 1080).x, before.x + 480) << "it keeps its distance to the right edge";
  work().undo();
  EXPECT_EQ(place().x.pin, Pin::None);
}

TEST_F(PlacePins, APictureIsChosenByKeys) {
  pictures().setFocus();
  for (const int k : {Qt::Key_Right, Qt::Key_Right, Qt::Key_Down, Qt::Key_Down, Qt::Key_Space})
    QTest::keyClick(&pictures(), Qt::Key(k));
  EXPECT_EQ(place().x.pin, Pin::End);
  EXPECT_EQ(place().y.pin, Pin::End);
}

TEST_F(PlacePins, WhatIsNotPinnedIsToldAndPinnedToTheNearestByOneKey) {
  const Box before = boxOf(free);  // 800, 300 of 1920 × 1080: in the middle, above
  canvas().setFocus();
  key(Qt::Key_P, Qt::ControlModifier | Qt::AltModifier);
  EXPECT_EQ(place().x.pin, Pin::Centre);
  EXPECT_EQ(place().y.pin, Pin::Start);
  EXPECT_EQ(boxOf(free), before);
  work().undo();
  click(QStringLiteral("Pin to the nearest edges"));
  EXPECT_EQ(place().y.pin, Pin::Start);
}

TEST_F(PlacePins, FractionsSafeAreaAndSharesAreTyped) {
  choose(QStringLiteral("Pinned to, x"), int(Pin::Fraction));
  const Box before = boxOf(free);
  put("Fraction, x", "50");
  put("From there, x", "0");
  EXPECT_EQ(boxOf(free).x + boxOf(free).w / 2, 960);
  EXPECT_EQ(boxOf(free).w, before.w);
  choose(QStringLiteral("Pinned within"), 1);
  EXPECT_TRUE(place().safe);
  EXPECT_EQ(boxOf(free).x + boxOf(free).w / 2, 960) << "the safe area has the same middle";
  put("Width", "50 %");
  EXPECT_EQ(boxOf(free).w, (1920 - 2 * 54) / 2);
  put("Width", "");
  EXPECT_EQ(boxOf(free).w, before.w) << "as its kind again";
}

TEST_F(PlacePins, AScreenGrowsWithTheDisplayAndOneThingOnItDoesNot) {
  const Box before = boxOf(free);
  work().pickItems({});
  choose(QStringLiteral("Screen grows with"), int(Scaling::Smaller));
  EXPECT_EQ(on(3840, 2160).w, 2 * before.w);
  work().pickItems({free});
  choose(QStringLiteral("Grows with"), 1);
  EXPECT_EQ(on(3840, 2160).w, before.w);
}

TEST_F(PlacePins, DisplaysAreAddedChangedTurnedAndRemoved) {
  work().pickItems({});
  click(QStringLiteral("Add a display"));
  ASSERT_EQ(project().displays.size(), 3u);
  EXPECT_EQ(work().display()->id, project().displays[2].id) << "it is shown";
  put("Display name", "Phone");
  put("Display size", "2340 × 1080");
  put("Display scale", "1.5");
  put("Safe area", "88, 0, 60, 0");
  put("Round corners", "100");
  put("Blocked", "0, 400, 80 × 280");
  const Display& phone = project().displays[2];
  EXPECT_EQ(phone.name, "Phone");
  EXPECT_EQ(phone.width, 2340);
  EXPECT_EQ(phone.safe, Insets(88, 0, 60, 0));
  EXPECT_EQ(phone.blocked, (std::vector<Box>{{0, 400, 80, 280}}));
  EXPECT_EQ(work().layout().width, 1560);
  click(QStringLiteral("Turn it upright or lying"));
  EXPECT_EQ(project().displays[2].width, 1080);
  EXPECT_EQ(project().displays[2].safe, Insets(0, 88, 0, 60)) << "the notch is on top then";
  EXPECT_EQ(project().displays[2].blocked, (std::vector<Box>{{400, 0, 280, 80}}));
  put("Display size", "0 × 5");
  EXPECT_EQ(project().displays[2].width, 1080) << "refused";
  click(QStringLiteral("Remove this display"));
  EXPECT_EQ(project().displays.size(), 2u);
}

TEST_F(PlacePins, WhatADisplayBlocksIsDark) {
  work().pickItems({});
  put("Blocked", "0, 0, 1920 × 400");
  const QImage image = canvas().grab().toImage();
  const QPoint at = canvas().toWidget(QPointF(960, 200)).toPoint();
  EXPECT_LT(image.pixelColor(at).lightness(), 40);
}

}  // namespace
}  // namespace bristle
