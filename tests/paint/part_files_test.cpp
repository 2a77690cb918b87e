// Pictures of parts, and hit areas that follow them.
#include <gtest/gtest.h>

#include <QPainter>

#include "paint/forms.h"
#include "paint/hit_shape.h"
#include "parts_fixture.h"

namespace bristle::test {
namespace {

TEST_F(PartFiles, NineSlicesKeepTheirCorners) {
  QImage image(30, 30, QImage::Format_RGB32);
  image.fill(Qt::green);
  QPainter p(&image);
  for (const QPoint& corner : {QPoint(0, 0), QPoint(20, 0), QPoint(0, 20), QPoint(20, 20)})
    p.fillRect(QRect(corner, QSize(10, 10)), Qt::red);
  p.end();
  image.save(folder.filePath(QStringLiteral("plate.png")));
  const PartId part = add(PartType::Picture);
  set(part, Prop::File, "plate.png");
  set(part, Prop::Fit, "nine-slice");
  set(part, Prop::Slices, "10");
  const QImage out = painted();
  EXPECT_EQ(at(out, 5, 5), QColor(Qt::red));
  EXPECT_EQ(at(out, 95, 55), QColor(Qt::red));
  EXPECT_EQ(at(out, 20, 5), QColor(Qt::green)) << "corners are not stretched";
  EXPECT_EQ(at(out, 50, 30), QColor(Qt::green));
}

TEST_F(PartFiles, TintAndFrames) {
  QImage sheet(80, 20, QImage::Format_RGB32);
  const QColor frames[] = {Qt::red, Qt::green, Qt::blue, Qt::black};
  QPainter p(&sheet);
  for (int i = 0; i < 4; ++i) p.fillRect(i * 20, 0, 20, 20, frames[i]);
  p.end();
  sheet.save(folder.filePath(QStringLiteral("run.png")));
  const PartId part = add(PartType::Picture);
  set(part, Prop::File, "run.png");
  set(part, Prop::FramesAcross, "4");
  set(part, Prop::FrameRate, "10");
  EXPECT_EQ(at(painted("", 5000), 50, 30), QColor(Qt::red)) << "it stands until told to play";
  set(part, Prop::Playing, "loop");
  EXPECT_EQ(at(painted("", 150), 50, 30), QColor(Qt::green));
  EXPECT_EQ(at(painted("", 450), 50, 30), QColor(Qt::red)) << "again from the start";
  set(part, Prop::Playing, "once");
  EXPECT_EQ(at(painted("", 5000), 50, 30), QColor(Qt::black)) << "the last stays";
  const LookTable table(kind(), *history.now().machines[0]);
  EXPECT_EQ(table.playsFor(0), 400);
  set(part, Prop::Tint, "#ffffff");
  EXPECT_EQ(at(painted(), 50, 30), QColor(Qt::white));
}

TEST_F(PartFiles, HitAreasFollowTheFormOrThePicture) {
  const PartId s = add(PartType::Shape);
  set(s, Prop::Fill, "#ff0000");
  set(s, Prop::Form, "ellipse");
  QImage image(100, 60, QImage::Format_ARGB32);
  image.fill(Qt::transparent);
  QPainter p(&image);
  p.fillRect(0, 0, 50, 60, QColor(0, 0, 0, 200));
  p.fillRect(50, 0, 50, 60, QColor(0, 0, 0, 60));
  p.end();
  image.save(folder.filePath(QStringLiteral("half.png")));
  const PartId picture = add(PartType::Picture);
  set(picture, Prop::File, "half.png");
  const LookTable table(kind(), *history.now().machines[0]);
  const HitShapes hits(looks.pictures());
  Kind k = kind();
  const Box box{10, 10, 100, 60};
  const auto hit = [&](double x, double y) { return hits.hits({}, k, table.state(0), box, x, y); };
  k.hitForm = HitForm::Shape;
  EXPECT_TRUE(hit(60, 40));
  EXPECT_FALSE(hit(12, 12)) << "the corner of an ellipse's box";
  k.hitForm = HitForm::Alpha;
  EXPECT_TRUE(hit(30, 40));
  EXPECT_FALSE(hit(90, 40)) << "not opaque enough";
  k.hitAlpha = 0.1;
  EXPECT_TRUE(hit(90, 40));
  EXPECT_FALSE(hit(5, 5));
  k.hitForm = HitForm::Box;
  k.hitPadding = 8;
  EXPECT_TRUE(hit(4, 4));
}

TEST_F(PartFiles, ASessionAsksForTheHitShape) {
  const PartId s = add(PartType::Shape);
  set(s, Prop::Form, "ellipse");
  must(history, changeKind(kind().id, "hit", {}, [](Kind& k) { k.hitForm = HitForm::Shape; }));
  must(history, addScreen("S"));
  must(history, addButton(history.now().screens[0]->id, kind().id, "A", 100, 100));
  PlainMeasure measure;
  auto session = Session::start(history.now(), history.now().displays[0], measure);
  ASSERT_TRUE(session);
  const HitShapes hits(looks.pictures());
  session->setHitTest(&hits);
  const auto over = [&](double x, double y) {
    session->feed({session->now() + 1, InputType::Point, Device::Mouse, x, y, {}, true});
    const auto& buttons = session->stack().back().buttons;
    for (size_t i = 0; i < buttons.size(); ++i)
      if (buttons[i].running.signals.has(Signals::Over)) return int(i);
    return -1;
  };
  EXPECT_EQ(over(103, 103), -1);
  EXPECT_EQ(over(150, 130), 0);
}

}  // namespace
}  // namespace bristle::test
