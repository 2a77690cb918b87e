// Where one reads from right to left the parts of a button change sides; what they show does not.
#include <gtest/gtest.h>

#include <cstdlib>

#include "paint/fonts.h"
#include "paint/hit_shape.h"
#include "paint/screen_painter.h"
#include "parts_fixture.h"

namespace bristle::test {
namespace {

class Mirrored : public PartFiles {
 protected:
  QImage turned(const std::string& caption = "") {
    looks.setMirrored(true);
    const QImage out = painted(caption);
    looks.setMirrored(false);
    return out;
  }
  // How many px differ by more than smoothing does.
  static int differing(const QImage& a, const QImage& b) {
    int n = 0;
    for (int y = 0; y < a.height(); ++y)
      for (int x = 0; x < a.width(); ++x)
        n += std::abs(qGreen(a.pixel(x, y)) - qGreen(b.pixel(x, y))) > 60;
    return n;
  }
  // What is not white.
  static QRect inked(const QImage& image) {
    QRect out;
    for (int y = 0; y < image.height(); ++y)
      for (int x = 0; x < image.width(); ++x)
        if (qGreen(image.pixel(x, y)) < 160) out |= QRect(x, y, 1, 1);
    return out;
  }
  static QImage flipped(const QImage& image) { return image.mirrored(true, false); }
};

TEST_F(Mirrored, FormsAndMarkersChangeSides) {
  const PartId s = add(PartType::Shape), m = add(PartType::Marker);
  set(s, Prop::Form, "chevron");
  set(s, Prop::Fill, "#ff0000");
  set(s, Prop::Width, "60");
  set(s, Prop::PinX, "start");
  set(s, Prop::OffsetX, "7");
  set(s, Prop::Rotation, "12");
  set(s, Prop::PivotX, "0.2");
  set(m, Prop::PinX, "end");
  set(m, Prop::Size, "20");
  set(m, Prop::OffsetX, "-14");
  const QImage plain = painted();
  EXPECT_GT(differing(plain, flipped(plain)), 400) << "it is not the same on both sides";
  EXPECT_LT(differing(turned(), flipped(plain)), 12);
}

TEST_F(Mirrored, CaptionsBeginAtTheOtherSideAndStayLegible) {
  const PartId l = add(PartType::Label);
  set(l, Prop::Align, "start");
  set(l, Prop::Padding, "0 4 0 25");
  const QRect plain = inked(painted("Ford")), other = inked(turned("Ford"));
  ASSERT_FALSE(plain.isEmpty());
  EXPECT_NEAR(plain.left(), 40 + 25, 4);
  EXPECT_NEAR(other.right(), 40 + 100 - 25, 4);
  EXPECT_NEAR(other.width(), plain.width(), 1);
  EXPECT_GT(differing(turned("Ford"), flipped(painted("Ford"))), 20) << "letters are not turned";
  set(l, Prop::Align, "centre");
  set(l, Prop::Padding, "0");
  EXPECT_EQ(inked(turned("Ford")), inked(painted("Ford")));
}

TEST_F(Mirrored, PicturesAndIconsMoveAndAreNotTurned) {
  write("half.svg", R"(<svg xmlns="http://www.w3.org/2000/svg" width="20" height="20">
    <rect width="10" height="20" fill="#ff0000"/></svg>)");
  const PartId p = add(PartType::Picture);
  set(p, Prop::File, "half.svg");
  set(p, Prop::Width, "20");
  set(p, Prop::Height, "20");
  set(p, Prop::PinX, "start");
  EXPECT_EQ(at(painted(), 5, 30), QColor(255, 0, 0));
  EXPECT_EQ(at(turned(), 85, 30), QColor(255, 0, 0)) << "its left half is red as before";
  EXPECT_EQ(at(turned(), 95, 30), QColor(Qt::white));
}

TEST_F(Mirrored, ArrowsPointWhereOneReadsOn) {
  const PartId i = add(PartType::Icon);
  set(i, Prop::PinX, "centre");
  set(i, Prop::Icon, "arrow right");
  EXPECT_LT(differing(turned(), flipped(painted())), 12);
  EXPECT_GT(differing(turned(), painted()), 20);
  set(i, Prop::Icon, "leaf");
  EXPECT_EQ(turned(), painted());
}

// What is drawn on the right is pressed on the right.
TEST_F(Mirrored, AFormIsHitWhereItIsDrawn) {
  const PartId s = add(PartType::Shape);
  set(s, Prop::Form, "outline");
  set(s, Prop::Outline, "M0 0H40V100H0Z");
  set(s, Prop::Fill, "#ff0000");
  Project p = history.now();
  edit(p, p.kinds[0]->id)->hitForm = HitForm::Shape;
  Language arabic;
  arabic.id = {"ar"};
  arabic.rightToLeft = true;
  p.languages.push_back(arabic);
  Item item;
  item.id = {"b"};
  item.place = {{Pin::Start, 100, 100, 0}, {Pin::Start, 100, 60, 0}};
  ButtonData data;
  data.kind = p.kinds[0]->id;
  item.what = data;
  Screen screen;
  screen.id = {"s"};
  screen.items.emplace_back(item);
  p.screens.emplace_back(screen);
  p.first = screen.id;
  FontMeasure measure;
  const HitShapes hits(looks.pictures());
  for (const char* language : {"en", "ar"}) {
    auto session = *Session::start(p, {p.displays[0], {language}}, measure);
    session.setHitTest(&hits);
    ScreenRun& run = *session.seen().front();
    QImage image(1920, 1080, QImage::Format_RGB32);
    image.fill(Qt::white);
    QPainter painter(&image);
    paintSession(painter, looks, session);
    painter.end();
    const Box box = run.layout.items[0].box;
    int drawn = 0;
    for (int x = int(box.x); x < int(box.x + box.w); ++x) {
      const bool red = image.pixelColor(x, 130).green() < 128;
      drawn += red;
      EXPECT_EQ(run.boxAt(x + 0.5, 130, &hits) >= 0, red) << language << " " << x - box.x;
    }
    EXPECT_NEAR(drawn, 40, 2);
  }
}

}  // namespace
}  // namespace bristle::test
