// What a placed button has of its own, what a name stands for and what a frame shows: the same on a
// screen at rest, in a running menu, and in the tables that views keep.
#include <gtest/gtest.h>

#include <QPainter>
#include <QTemporaryDir>

#include "core/edit/kind_edits.h"
#include "core/edit/named_edits.h"
#include "paint/convert.h"
#include "paint/fonts.h"
#include "paint/screen_painter.h"
#include "runtime/document/tree.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

class OwnLooks : public testing::Test {
 protected:
  OwnLooks() : history(columnMenu({"One", "Two"})) {
    one = buttons(history.now())[0];
    two = buttons(history.now())[1];
  }
  const Project& now() const { return history.now(); }
  const Kind& kind() const { return *now().kinds[0]; }
  ScreenId screen() const { return now().screens[0]->id; }
  PropKey fill() const { return {kind().parts[0].id, Prop::Fill}; }
  Box boxOf(const ItemId& item) const {
    const Layout layout = layOut(now(), *now().screens[0], now().displays[0], measure);
    for (size_t i = 0; i < layout.items.size(); ++i)
      if (now().screens[0]->items[i]->id == item) return layout.items[i].box;
    return {};
  }
  // Near the left end of a button, where no caption is.
  static QColor plate(const QImage& image, const Box& box) {
    return image.pixelColor(int(box.x) + 14, int(box.y + box.h / 2));
  }
  QImage atRest() {
    QImage image(1920, 1080, QImage::Format_RGB32);
    image.fill(Qt::black);
    QPainter painter(&image);
    paintScreen(painter, looks, tables, now(), *now().screens[0],
                layOut(now(), *now().screens[0], now().displays[0], measure));
    return image;
  }
  QImage running(Session& session) {
    QImage image(1920, 1080, QImage::Format_RGB32);
    image.fill(Qt::black);
    QPainter painter(&image);
    paintSession(painter, looks, session);
    return image;
  }
  Session started() { return *Session::start(now(), now().displays[0], measure); }
  History history;
  FontMeasure measure;
  LookPainter looks;
  LookTables tables;
  ItemId one, two;
};

TEST_F(OwnLooks, ShowOnTheScreenAndInTheRunningMenu) {
  const LookOwner own{kind().id, screen(), one};
  must(history, setLook(own, {Column{}}, fill(), Fill::solid({250, 0, 0, 255})));
  const QColor red(250, 0, 0);
  EXPECT_EQ(plate(atRest(), boxOf(one)), red);
  EXPECT_NE(plate(atRest(), boxOf(two)), red);
  Session session = started();
  EXPECT_EQ(plate(running(session), boxOf(one)), plate(running(session), boxOf(one)));
  session.feed({0, InputType::Move, Device::Keyboard, 0, 0, Dir::Down, true});
  session.feed({1, InputType::Move, Device::Keyboard, 0, 0, Dir::Down, false});
  session.feed({1000, InputType::Tick, {}, 0, 0, {}, true});
  EXPECT_EQ(plate(running(session), boxOf(one)), red) << "at rest, with its own plate";
  // In a state that departs in the kind, the kind's departure counts; its own departure before
  // that.
  const Box box = boxOf(one);
  const auto hover = [&](Session& s) {
    s.feed({s.now() + 10, InputType::Point, Device::Mouse, box.x + 5, box.y + 5, {}, true});
    s.feed({s.now() + 1000, InputType::Tick, {}, 0, 0, {}, true});
    return plate(running(s), box);
  };
  EXPECT_NE(hover(session), red);
  must(history, setLook(own, {StateId{"hover"}}, fill(), Fill::solid({0, 0, 240, 255})));
  Session again = started();
  EXPECT_EQ(hover(again), QColor(0, 0, 240));
}

TEST_F(OwnLooks, TablesAreMadeAnewWhenANameChanges) {
  must(history, nameCell({kind().id}, {}, fill(), "body", false));
  const NamedId body = now().named->front().id;
  const QColor before = plate(atRest(), boxOf(two));
  const auto table = tables.get(now(), kind().id);
  EXPECT_EQ(tables.get(now(), kind().id), table) << "kept while nothing changes";
  must(history, setNamed(body, false, Colour{0, 222, 0, 255}));
  EXPECT_NE(plate(atRest(), boxOf(two)), before);
  EXPECT_EQ(plate(atRest(), boxOf(two)), QColor(0, 222, 0));
  must(history, setNamed(body, true, Value(Colour{222, 0, 222, 255})));
  Project dark = now();
  dark.settings.darkSet = true;
  const auto darkTable = tables.get(dark, kind().id);
  EXPECT_EQ(std::get<Fill>(darkTable->base()[size_t(darkTable->channel(fill()))]),
            Fill::solid({222, 0, 222, 255}));
}

TEST_F(OwnLooks, ATableInUseStaysWholeHoweverManyOthersAreMade) {
  const auto lookOf = [&](int i) {
    OwnLook own;
    own.base.set(fill(), Fill::solid({std::uint8_t(i), std::uint8_t(i / 256), 7, 255}));
    return own;
  };
  const OwnLook mine = lookOf(1);
  const auto table = tables.get(now(), kind().id, &mine);
  const Look before = table->state(0);
  for (int i = 2; i < 600; ++i) {
    const OwnLook other = lookOf(i);
    ASSERT_NE(tables.get(now(), kind().id, &other)->state(0), before) << i;
  }
  EXPECT_EQ(table->state(0), before);
}

// Beyond the display nothing is painted, but for what reaches in.
TEST_F(OwnLooks, AShadowReachesInFromBeyondTheDisplay) {
  must(history, changeScreen(screen(), "out", {},
                             [&](Screen& s) { putLast(s, {}, takeOut(s, std::vector{one})); }));
  must(history, changeItems(screen(), {one}, "aside", {}, [](Item& item) {
         item.place.x = {Pin::Start, -402, 400, 0};
         item.place.y = {Pin::Start, 300, 76, 0};
       }));
  const auto lit = [&] { return atRest().pixelColor(6, 338) != atRest().pixelColor(6, 900); };
  EXPECT_FALSE(lit()) << "it is beyond the edge";
  must(history, setLook(kind().id, {Column{}}, {kind().parts[0].id, Prop::Shadow},
                        Shadow{20, 0, 4, 0, {255, 0, 0, 255}}));
  EXPECT_TRUE(lit());
}

TEST_F(OwnLooks, SignalColoursTellStatesApartInARunningMenu) {
  Session session = started();
  session.feed({0, InputType::Move, Device::Keyboard, 0, 0, Dir::Down, true});
  session.feed({1, InputType::Move, Device::Keyboard, 0, 0, Dir::Down, false});
  session.feed({1000, InputType::Tick, {}, 0, 0, {}, true});
  looks.setSignals(true);
  const QImage shown = running(session);
  const QColor rest = plate(shown, boxOf(one)), focused = plate(shown, boxOf(two));
  const int apart = std::abs(rest.red() - focused.red()) +
                    std::abs(rest.green() - focused.green()) +
                    std::abs(rest.blue() - focused.blue());
  EXPECT_GT(apart, 150);
  looks.setSignals(false);
  const QImage plain = running(session);
  EXPECT_LT(std::abs(plate(plain, boxOf(one)).red() - plate(plain, boxOf(two)).red()), 20)
      << "without them both have the same plate";
}

TEST_F(OwnLooks, AFrameSequenceKeepsTheMenuMovingOnlyWhileItPlays) {
  QTemporaryDir folder;
  looks.pictures().setFolder(folder.path());
  QImage sheet(20, 10, QImage::Format_RGB32);
  sheet.fill(Qt::red);
  QPainter p(&sheet);
  p.fillRect(10, 0, 10, 10, Qt::blue);
  p.end();
  sheet.save(folder.filePath(QStringLiteral("run.png")));
  must(history, addPart(kind().id, PartType::Picture, "Run"));
  const PartId part = kind().parts[kind().parts.size() - 2].id;  // beneath the caption
  must(history, changeCells({kind().id},
                            {{Column{}, {part, Prop::File}, std::string("run.png")},
                             {Column{}, {part, Prop::Fit}, std::string("whole")},
                             {Column{}, {part, Prop::FramesAcross}, 2.0},
                             {Column{}, {part, Prop::FrameRate}, 10.0},
                             {Column{}, {part, Prop::Playing}, std::string("once")}},
                            "frames"));
  Session session = started();
  EXPECT_TRUE(session.moving());
  EXPECT_EQ(plate(running(session), boxOf(two)), QColor(Qt::red));
  session.feed({150, InputType::Tick, {}, 0, 0, {}, true});
  EXPECT_EQ(plate(running(session), boxOf(two)), QColor(Qt::blue)) << "the second frame";
  session.feed({2000, InputType::Tick, {}, 0, 0, {}, true});
  EXPECT_FALSE(session.moving()) << "it has played once and stands";
  EXPECT_EQ(plate(running(session), boxOf(two)), QColor(Qt::blue));
}

TEST_F(OwnLooks, AnSvgIsDrawnAnewAtEverySize) {
  QTemporaryDir folder;
  looks.pictures().setFolder(folder.path());
  QFile file(folder.filePath(QStringLiteral("half.svg")));
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  file.write(
      "<svg xmlns='http://www.w3.org/2000/svg' width='4' height='4' viewBox='0 0 4 4'>"
      "<g id='left'><rect width='2' height='4' fill='#ff0000'/></g>"
      "<g id='right'><rect x='2' width='2' height='4' fill='#0000ff'/></g></svg>");
  file.close();
  const auto drawn = [&](const char* name) {
    QImage image(400, 400, QImage::Format_RGB32);
    image.fill(Qt::white);
    QPainter painter(&image);
    PictureLook look;
    look.file = name;
    look.fit = "whole";
    looks.pictures().draw(painter, QRectF(0, 0, 400, 400), look);
    return image;
  };
  const QImage whole = drawn("half.svg");
  EXPECT_EQ(whole.pixelColor(196, 200), QColor(Qt::red)) << "sharp right up to the edge";
  EXPECT_EQ(whole.pixelColor(203, 200), QColor(Qt::blue));
  EXPECT_EQ(drawn("half.svg#left").pixelColor(100, 200), QColor(Qt::red));
  EXPECT_EQ(drawn("half.svg#left").pixelColor(300, 200), QColor(Qt::white));
  EXPECT_EQ(drawn("half.svg#right").pixelColor(300, 200), QColor(Qt::blue)) << "at its own place";
  EXPECT_EQ(drawn("half.svg#right").pixelColor(100, 200), QColor(Qt::white));
  EXPECT_FALSE(looks.pictures().get("half.svg#none").problem.isEmpty());
}

}  // namespace
}  // namespace bristle::test
