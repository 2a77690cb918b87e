// What is measured when a project is written out: with it, and without fonts and pictures, the same
// places and the same hits.
#include "deliver/measures.h"

#include <gmock/gmock.h>

#include <QPainterPath>

#include "paint/convert.h"
#include "paint/fonts.h"
#include "paint/hit_shape.h"
#include "paint/look_painter.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

class Measures : public testing::Test {
 protected:
  Measures() : history(columnMenu({"Up", "A longer one", "Down"})) {
    const PartId plate = kind().parts[0].id;
    must(history, setLook(kind().id, {Column{}}, {plate, Prop::Form}, std::string("ellipse")));
    must(history, changeKind(kind().id, "hit", {}, [](Kind& k) {
           k.hitForm = HitForm::Shape;
           k.hitPadding = 5;
           k.fitsCaption = true;
         }));
    // Sizes that are no whole pixels.
    must(history, changeItems(screen().id, {buttons(now())[1]}, "size", {}, [](Item& item) {
           item.place.x.size = 211.4;
           item.place.y.size = 47.7;
         }));
  }
  const Project& now() const { return history.now(); }
  const Kind& kind() const { return *now().kinds[0]; }
  const Screen& screen() const { return *now().screens[0]; }
  Measured measured() { return measureAll(now(), looks.pictures()); }
  History history;
  LookPainter looks;
};

TEST_F(Measures, LayoutIsTheSameWithWhatWasMeasured) {
  const auto read = parseMeasured(writeMeasured(measured()));
  ASSERT_TRUE(read) << read.error().text();
  ASSERT_FALSE(read->texts.empty());
  const KnownMeasure known(read->texts);
  const FontMeasure fonts;
  for (const Display& display : now().displays) {
    const Layout there = layOut(now(), screen(), display, known);
    const Layout here = layOut(now(), screen(), display, fonts);
    ASSERT_EQ(there.items.size(), here.items.size());
    for (size_t i = 0; i < here.items.size(); ++i) {
      EXPECT_EQ(there.items[i].box, here.items[i].box);
      EXPECT_EQ(there.items[i].hit, here.items[i].hit);
    }
  }
}

TEST_F(Measures, APointHitsTheSameWithWhatWasDrawn) {
  const auto read = parseMeasured(writeMeasured(measured()));
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_LT(read->areas.masks.size(), read->areas.uses.size()) << "those alike are written once";
  const KnownAreas known(read->areas);
  const HitShapes shapes(looks.pictures());
  const Layout layout = layOut(now(), screen(), now().displays[0], FontMeasure());
  const LookTable table(kind(), *now().machines[0]);
  Dice dice(4);
  int inside = 0;
  for (size_t i = 0; i < screen().items.size(); ++i) {
    const Item& item = *screen().items[i];
    if (!item.button()) continue;
    const Box& box = layout.items[i].box;
    const QPainterPath outline = hitOutline(kind(), table.state(0), toQt(box), looks.pictures());
    for (int n = 0; n < 2000; ++n) {
      const double x = box.x - 5 + dice.whole(0, int(box.w + 10) * 4) / 4.0;
      const double y = box.y - 5 + dice.whole(0, int(box.h + 10) * 4) / 4.0;
      const bool hit = known.hits(item, kind(), table.state(0), box, x, y);
      ASSERT_EQ(hit, shapes.hits(item, kind(), table.state(0), box, x, y)) << x << " " << y;
      inside += hit;
      // Away from the edge it is the outline that was drawn.
      const QRectF around(x - 1.5, y - 1.5, 3, 3);
      ASSERT_TRUE(hit || !outline.contains(around)) << x << " " << y;
      ASSERT_TRUE(!hit || outline.intersects(around)) << x << " " << y;
    }
  }
  EXPECT_GT(inside, 1000);
}

TEST_F(Measures, WhatIsTooLargeToBeDrawnAnswersByItsOutline) {
  const HitShapes shapes(looks.pictures());
  const LookTable table(kind(), *now().machines[0]);
  const Box box{0, 0, 90'000, 90'000};
  const Item& item = *screen().items[0];
  EXPECT_TRUE(shapes.hits(item, kind(), table.state(0), box, 45'000, 45'000));
  EXPECT_FALSE(shapes.hits(item, kind(), table.state(0), box, 300, 300)) << "an ellipse's corner";
}

TEST_F(Measures, WhatIsNotKnownIsGuessedAndCountsAsTheBox) {
  const KnownMeasure none({});
  EXPECT_GT(none.measure("Inter", 20, 400, "Ahoy").w, 0);
  const KnownAreas areas({});
  EXPECT_TRUE(areas.hits(*screen().items[0], kind(), {}, {0, 0, 10, 10}, 5, 5));
}

TEST(MeasuredFile, SaysWhereItIsWrong) {
  const auto why = [](const char* text) {
    const auto read = parseMeasured(text);
    return read ? std::string("taken") : read.error().text();
  };
  using testing::HasSubstr;
  EXPECT_THAT(why("{}"), HasSubstr("\"measured\":1"));
  EXPECT_THAT(why(R"({"measured":1,"masks":[{"top":0,"rows":[[1]]}]})"),
              HasSubstr("/masks/0/rows/0"));
  EXPECT_THAT(why(R"({"measured":1,"areas":[{"button":"b","w":1,"h":1,"mask":0}]})"),
              HasSubstr("/areas/0/mask"));
  EXPECT_THAT(why(R"({"measured":1,"texts":[{"font":3}]})"), HasSubstr("/texts/0/font"));
  EXPECT_EQ(why(R"({"measured":1})"), "taken");
}

}  // namespace
}  // namespace bristle::test
