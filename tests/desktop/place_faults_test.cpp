// What is wrong is told on the items, on their card and on the strip of displays and languages.
#include "core/edit/language_edits.h"
#include "core/edit/settings_edit.h"
#include "core/findings/rule_info.h"
#include "desktop/derive/findings_watch.h"
#include "desktop/derive/place_watch.h"
#include "desktop/place/place_marks.h"
#include "desktop/view/display_strip.h"
#include "desktop/work/theme.h"
#include "place_fixture.h"

namespace bristle {
namespace {

class PlaceFaultsShown : public PlaceBenchTest {
 protected:
  void SetUp() override {
    PlaceBenchTest::SetUp();
    strip = window->findChild<DisplayStrip*>();
    wrong = themeOf(window.get()).wrong;
    std::vector<ItemId> all;
    for (const auto& item : work().screen()->items) all.push_back(item->id);
    // What the rules find has marks of its own.
    ASSERT_TRUE(work().perform(changeSettings("ask no rule", [](Settings& s) {
      for (const RuleInfo& info : ruleInfos()) s.rulesOff.emplace_back(info.name);
    })));
    ASSERT_TRUE(work().perform(changeItems(screenId(), all, "pin", {}, [](Item& item) {
      item.place.x.pin = item.place.y.pin = Pin::Start;
    })));
  }
  // Until what was worked out on a worker is there.
  void settle() {
    auto* watch = window->findChild<PlaceWatch*>();
    ASSERT_TRUE(watch);
    waitForFindings();
    ASSERT_TRUE(QTest::qWaitFor([&] { return !watch->busy(); }, 60'000));
  }
  // Pixels of the colour of what is wrong.
  int marks(QWidget& widget) {
    const QImage image = widget.grab().toImage();
    int out = 0;
    for (int y = 0; y < image.height(); ++y)
      for (int x = 0; x < image.width(); ++x) out += image.pixelColor(x, y) == wrong;
    return out;
  }
  QStringList told() {
    QStringList out;
    for (QLabel* label : window->findChildren<QLabel*>())
      if (label->isVisible() && label->property("wrong").toBool()) out << label->text();
    return out;
  }
  DisplayStrip* strip = nullptr;
  QColor wrong;
};

TEST_F(PlaceFaultsShown, AButtonOutsideIsMarkedOnCanvasAndStripAndSaidOnItsCard) {
  settle();
  EXPECT_EQ(marks(canvas()), 0);
  EXPECT_EQ(marks(*strip), 0);
  work().pickItems({free});
  fill(QStringLiteral("From there, x"), QStringLiteral("1800"));
  settle();
  work().pickItems({test::buttons(project())[0]});
  EXPECT_FALSE(window->findChild<PlaceWatch*>()->busy()) << "picking changes nothing";
  work().pickItems({free});
  EXPECT_GT(marks(canvas()), 20);
  EXPECT_GT(marks(*strip), 20);
  ASSERT_EQ(told().size(), 1);
  EXPECT_EQ(told()[0], QStringLiteral("Reaches 160 px beyond the display"));
  work().undo();
  settle();
  EXPECT_EQ(marks(canvas()), 0);
  EXPECT_TRUE(told().isEmpty());
}

TEST_F(PlaceFaultsShown, ACaptionThatIsCutInOneLanguageIsMarkedThereAlone) {
  ASSERT_TRUE(work().perform(addLanguage("de", "Deutsch")));
  const LanguageId german = project().languages[1].id, first = project().languages[0].id;
  ASSERT_TRUE(work().perform(changeItems(screenId(), {free}, "words", {}, [&](Item& item) {
    item.button()->caption.others[german] = std::string(120, 'W');
  })));
  settle();
  auto* watch = window->findChild<PlaceWatch*>();
  for (const Display& display : project().displays) {
    EXPECT_TRUE(watch->of(screenId(), display.id, first).empty());
    ASSERT_EQ(watch->of(screenId(), display.id, german).size(), 1u);
    EXPECT_EQ(watch->of(screenId(), display.id, german)[0].sort, PlaceFaultSort::CaptionCut);
  }
  EXPECT_EQ(marks(canvas()), 0) << "in the language that is shown it is not";
  // By keys: the first display in English, in German, the next display in English.
  strip->setFocus();
  key(Qt::Key_Right);
  EXPECT_EQ(work().language().id, german);
  EXPECT_EQ(work().picked().display, project().displays[0].id);
  EXPECT_GT(marks(canvas()), 20);
  key(Qt::Key_Right);
  EXPECT_EQ(work().language().id, first);
  EXPECT_EQ(work().picked().display, project().displays[1].id);
}

// What a rule finds on one display alone is marked on the strip there.
TEST_F(PlaceFaultsShown, WhatRulesFindOnOneDisplayIsMarkedThere) {
  Project other = project();
  other.displays[1].width = 1000 * other.displays[1].scale;
  const double narrow = other.displays[1].layoutWidth();
  Screen& screen = other.screens[0].edit();
  edit(screen, free)->place.x.offset = 0;
  // Beside the button on the wide display, over it on the narrow one.
  Item panel;
  panel.id = {"cover"};
  panel.place = {{Pin::End, 0, narrow}, {Pin::Start, 0, 1000}};
  panel.what = PanelData{.fill = Fill::solid({90, 90, 90, 255})};
  screen.items.emplace_back(panel);
  work().replace(other, {}, false);
  settle();
  const auto mark = [&](size_t display) {
    return window->findChild<PlaceMarks*>()
        ->markOf(project().displays[display], project().languages[0])
        .wrong;
  };
  const size_t wide = mark(0), before = mark(1);
  ASSERT_TRUE(work().perform(changeSettings(
      "ask one rule", [](Settings& s) { std::erase(s.rulesOff, "focus-covered"); })));
  settle();
  EXPECT_EQ(mark(0), wide);
  EXPECT_GT(mark(1), before);
}

TEST_F(PlaceFaultsShown, ABackgroundIsLockedFromItsCard) {
  Item panel;
  panel.place = {{Pin::Both, 0, 0, 0}, {Pin::Both, 0, 0, 0}};
  panel.what = PanelData{};
  ASSERT_TRUE(work().perform(addItem(screenId(), "panel", panel)));
  const ItemId id = project().screens[0]->items[0]->id;
  work().pickItems({id});
  settle();
  ASSERT_EQ(told().size(), 1);
  click(QStringLiteral("Lock it"));
  settle();
  EXPECT_TRUE(item(id).locked);
  EXPECT_TRUE(told().isEmpty());
}

}  // namespace
}  // namespace bristle
