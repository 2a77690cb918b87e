// The Findings bench by mouse and keys: what is wrong is listed, gone to, mended and accepted.
#include <QComboBox>
#include <QListWidget>
#include <QTableView>
#include <QToolButton>
#include <QTreeView>
#include <QTreeWidget>

#include "core/edit/screen_edits.h"
#include "desktop/derive/findings_watch.h"
#include "desktop/findings/findings_model.h"
#include "desktop/place/canvas.h"
#include "desktop/window_fixture.h"
#include "paint/convert.h"

namespace bristle {
namespace {

class FindingsBenchTest : public test::WindowTest {
 protected:
  // A column of three: one does nothing, one is called as another, one is too low to be hit.
  void SetUp() override {
    WindowTest::SetUp();
    Project p = test::columnMenu({"Dive", "Chart", "Dive"});
    ids = test::buttons(p);
    for (const size_t i : {0u, 1u})
      edit(p.screens[0].edit(), ids[i])->button()->actions = {
          {.type = ActionType::Message, .message = "m"}};
    p.kinds[0].edit().height = 12;
    p.settings.leastHit = 26;
    p.settings.leastGap = 0;
    work().replace(p, {}, false);
    window->openBench(QStringLiteral("findings"));
    waitForFindings();
    list = named<QTreeView>(QStringLiteral("Findings"));
    ASSERT_TRUE(list);
    list->setFocus();
  }
  std::vector<std::string> rules() {
    std::vector<std::string> out;
    for (const Finding& f : work().findings().now().open) out.emplace_back(f.rule);
    std::sort(out.begin(), out.end());
    return out;
  }
  const Finding* of(std::string_view rule) {
    for (const Finding& f : work().findings().now().open)
      if (f.rule == rule) return &f;
    return nullptr;
  }
  void pick(std::string_view rule) {
    const Finding* f = of(rule);
    ASSERT_TRUE(f) << rule;
    const auto* model = static_cast<FindingsModel*>(list->model());
    const QModelIndex at = model->indexOf(f->key);
    ASSERT_TRUE(at.isValid());
    list->scrollTo(at);
    QTest::mouseClick(list->viewport(), Qt::LeftButton, {}, list->visualRect(at).center());
  }
  bool has(const char* rule) { return of(rule) != nullptr; }
  std::vector<ItemId> ids;
  QTreeView* list = nullptr;
};

TEST_F(FindingsBenchTest, ListsWhatIsWrongAndGoesThere) {
  EXPECT_TRUE(has("hit-size") && has("same-name") && has("idle-button"));
  pick("same-name");
  EXPECT_EQ(work().findings().picked()->item, ids[2]);
  list->setFocus();
  key(Qt::Key_Return);
  EXPECT_TRUE(window->bench(QStringLiteral("place"))->isVisible());
  EXPECT_EQ(work().picked().items, std::vector{ids[2]});
  // The line below leads back.
  auto* below = named<QToolButton>(QStringLiteral("Findings"));
  ASSERT_TRUE(below);
  EXPECT_TRUE(below->text().contains(QString::number(rules().size())));
  QTest::mouseClick(below, Qt::LeftButton);
  pick("hit-size");
  click(QStringLiteral("Go to it"));
  EXPECT_TRUE(window->bench(QStringLiteral("shape"))->isVisible());
}

TEST_F(FindingsBenchTest, AConditionIsGoneToWhereItIsAsked) {
  const auto lead = [&](auto change) {
    Project p = project();
    change(*edit(p.screens[0].edit(), ids[0])->button());
    work().replace(p, {}, false);
    window->openBench(QStringLiteral("findings"));
    waitForFindings();
    pick("condition");
    list->setFocus();
    key(Qt::Key_Return);
  };
  lead([](ButtonData& b) { b.when.enabled = "@gone > 1"; });
  EXPECT_TRUE(window->bench(QStringLiteral("place"))->isVisible()) << "asked of the button";
  lead([](ButtonData& b) {
    b.when.enabled.clear();
    b.actions[0].when = "@gone > 1";
  });
  EXPECT_TRUE(window->bench(QStringLiteral("flow"))->isVisible()) << "asked of its action";
}

TEST_F(FindingsBenchTest, TheArrowsGoFromFindingToFinding) {
  const auto keys = static_cast<FindingsModel*>(list->model())->keys();
  const auto picked = [&] { return work().findings().picked()->key; };
  ASSERT_GE(list->model()->rowCount(), 2) << "headings to pass by";
  key(Qt::Key_Home);
  for (size_t i = 0; i < keys.size(); ++i, key(Qt::Key_Down)) EXPECT_EQ(picked(), keys[i]);
  for (size_t i = keys.size(); i-- > 0; key(Qt::Key_Up)) EXPECT_EQ(picked(), keys[i]);
  EXPECT_EQ(picked(), keys[0]) << "there is nothing above it";
  for (const auto page : {Qt::Key_PageDown, Qt::Key_PageUp}) {
    key(page);
    EXPECT_TRUE(list->currentIndex().parent().isValid());
  }
  key(Qt::Key_Home);
  // Left comes to the heading, which is seen, and folds it; then it is stopped at.
  const QImage before = list->viewport()->grab().toImage();
  key(Qt::Key_Left);
  const QModelIndex heading = list->currentIndex();
  ASSERT_FALSE(heading.parent().isValid());
  const QRect line = list->visualRect(heading);
  EXPECT_NE(list->viewport()->grab().toImage().copy(line), before.copy(line));
  key(Qt::Key_Left);
  EXPECT_FALSE(list->isExpanded(heading));
  key(Qt::Key_Down);
  EXPECT_NE(picked(), keys[0]);
  key(Qt::Key_Up);
  EXPECT_EQ(list->currentIndex(), heading);
}

TEST_F(FindingsBenchTest, AComplaintGoesWithTheFindingItWasAbout) {
  const auto complained = [&] {
    const auto labels = window->findChildren<QLabel*>();
    return std::any_of(labels.begin(), labels.end(), [](const QLabel* label) {
      return label->isVisible() && label->text().startsWith(QStringLiteral("This is mended by"));
    });
  };
  pick("idle-button");
  key(Qt::Key_Return, Qt::ControlModifier);
  EXPECT_TRUE(complained());
  pick("hit-size");
  EXPECT_FALSE(complained());
  key(Qt::Key_Return, Qt::ControlModifier);
  waitForFindings();
  EXPECT_FALSE(has("hit-size"));
}

TEST_F(FindingsBenchTest, APageThatLiesOverThePlaceIsTurned) {
  const auto goTo = [&](std::string_view rule) {
    window->openBench(QStringLiteral("findings"));
    waitForFindings();
    pick(rule);
    list->setFocus();
    key(Qt::Key_Return);
  };
  // The table of words, from which the canvas comes back.
  window->openBench(QStringLiteral("place"));
  for (QAction* action : window->allCommands())
    if (action->shortcut() == QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_L)) action->trigger();
  ASSERT_TRUE(named<QTableView>(QStringLiteral("Words in all languages")));
  goTo("same-name");
  EXPECT_TRUE(named<Canvas>(QStringLiteral("Canvas")));
  // Keys and values have pages of their own.
  Project p = project();
  p.bindings.clear();
  p.values = {{.id = {"depth"}, .name = "depth"}};
  work().replace(p, {}, false);
  goTo("binding");
  EXPECT_TRUE(named<QToolButton>(QStringLiteral("Keys and controller buttons"))->isChecked());
  goTo("value");
  EXPECT_TRUE(named<QToolButton>(QStringLiteral("Values of the project"))->isChecked());
  goTo("idle-button");
  EXPECT_TRUE(named<QToolButton>(QStringLiteral("Flow as a picture"))->isChecked());
}

TEST_F(FindingsBenchTest, AMendIsOneStepAndTheNextFindingComesToHand) {
  pick("hit-size");
  const auto keys = static_cast<FindingsModel*>(list->model())->keys();
  const auto at = std::find(keys.begin(), keys.end(), work().findings().picked()->key);
  ASSERT_TRUE(at != keys.end() && at + 1 != keys.end());
  const std::string after = *(at + 1);
  click(QStringLiteral("Grow the hit area"));
  waitForFindings();
  EXPECT_FALSE(has("hit-size"));
  ASSERT_TRUE(work().findings().picked());
  EXPECT_EQ(work().findings().picked()->key, after) << "the one that followed";
  EXPECT_TRUE(list->hasFocus()) << "what was pressed is not there any more";
  work().undo();
  waitForFindings();
  EXPECT_TRUE(has("hit-size"));
  // The same by keys.
  pick("hit-size");
  list->setFocus();
  key(Qt::Key_Return, Qt::ControlModifier);
  waitForFindings();
  EXPECT_FALSE(has("hit-size"));
}

TEST_F(FindingsBenchTest, WhatMustBeMendedByHandSaysSo) {
  pick("idle-button");
  ASSERT_TRUE(work().findings().picked()->mends.empty());
  list->setFocus();
  QString told;
  QObject::connect(&work(), &Work::told, &work(), [&](const QString& message) { told = message; });
  for (const auto keys : {Qt::KeyboardModifiers(Qt::ControlModifier),
                          Qt::KeyboardModifiers(Qt::ControlModifier | Qt::ShiftModifier)}) {
    told.clear();
    key(Qt::Key_Return, keys);
    EXPECT_TRUE(told.contains(QStringLiteral("by hand"))) << fromQt(told);
  }
  EXPECT_TRUE(has("idle-button"));
}

TEST_F(FindingsBenchTest, AFindingIsAcceptedOnlyForAReason) {
  pick("idle-button");
  const std::string key = work().findings().picked()->key;
  click(QStringLiteral("Accept the finding"));
  EXPECT_TRUE(project().accepted.empty());
  fill(QStringLiteral("Because"), QStringLiteral("comes in the next version"));
  click(QStringLiteral("Accept the finding"));
  ASSERT_EQ(project().accepted.size(), 1u);
  EXPECT_EQ(project().accepted[0].reason, "comes in the next version");
  EXPECT_EQ(project().accepted[0].on.size(), 10u) << "2026-12-01";
  waitForFindings();
  EXPECT_FALSE(has("idle-button"));
  work().findings().pick(key);
  click(QStringLiteral("Tell it again"));
  waitForFindings();
  EXPECT_TRUE(has("idle-button"));
}

TEST_F(FindingsBenchTest, AreGroupedAndSearched) {
  const auto* model = list->model();
  choose(QStringLiteral("Grouped by"), 2);
  EXPECT_TRUE(model->index(0, 0).data().toString().startsWith(QStringLiteral("Warnings")));
  fill(QStringLiteral("Find in the findings"), QStringLiteral("chart"));
  for (int g = 0; g < model->rowCount(); ++g)
    for (int r = 0; r < model->rowCount(model->index(g, 0)); ++r)
      EXPECT_TRUE(model->index(r, 0, model->index(g, 0))
                      .data()
                      .toString()
                      .contains(QStringLiteral("chart"), Qt::CaseInsensitive));
}

TEST_F(FindingsBenchTest, TheNextOneComesToHandFromAnyBench) {
  window->openBench(QStringLiteral("motion"));
  work().findings().pick({});
  key(Qt::Key_F9);
  const Finding first = *work().findings().picked();
  EXPECT_EQ(first.key, work().findings().now().open[0].key);
  key(Qt::Key_F9);
  EXPECT_EQ(work().findings().picked()->key, work().findings().now().open[1].key);
  key(Qt::Key_F9, Qt::ShiftModifier);
  EXPECT_EQ(work().findings().picked()->key, first.key);
  EXPECT_FALSE(window->bench(QStringLiteral("motion"))->isVisible());
}

TEST_F(FindingsBenchTest, LimitsAndRulesAreTheProjects) {
  QTest::mouseClick(named<QToolButton>(QStringLiteral("Rules")), Qt::LeftButton);
  fill(QStringLiteral("Hit areas, at least"), QStringLiteral("10"));
  EXPECT_EQ(project().settings.leastHit, 10);
  waitForFindings();
  EXPECT_FALSE(has("hit-size"));
  choose(QStringLiteral("Limits as for"), 3);
  EXPECT_EQ(project().settings.leastHit, 48);
  EXPECT_EQ(project().settings.leastHitMm, 15);
  EXPECT_EQ(project().settings.rulesOff, std::vector<std::string>{"no-description"});
  waitForFindings();
  EXPECT_TRUE(has("hit-size"));
  // A rule is switched off by its box, and comes back by undo.
  auto* rules = named<QTreeWidget>(QStringLiteral("Rules"));
  ASSERT_TRUE(rules);
  QTreeWidgetItem* line = nullptr;
  for (QTreeWidgetItemIterator at(rules); *at; ++at)
    if ((*at)->data(0, Qt::UserRole).toString() == QLatin1String("hit-size")) line = *at;
  ASSERT_TRUE(line);
  EXPECT_EQ(line->checkState(0), Qt::Checked);
  rules->setFocus();
  line->parent()->setExpanded(true);
  rules->setCurrentItem(line);
  key(Qt::Key_Space);
  waitForFindings();
  EXPECT_FALSE(has("hit-size"));
  EXPECT_TRUE(line->parent()->text(0).contains(QStringLiteral("1 off")));
  work().undo();
  waitForFindings();
  EXPECT_TRUE(has("hit-size"));
  EXPECT_EQ(line->checkState(0), Qt::Checked);
}

TEST_F(FindingsBenchTest, TheKeyboardStaysAtTheCardThatWasTurnedOver) {
  QTest::mouseClick(named<QToolButton>(QStringLiteral("Rules")), Qt::LeftButton);
  QTest::mouseClick(named<QLineEdit>(QStringLiteral("Between them")), Qt::LeftButton);
  auto* finding = named<QToolButton>(QStringLiteral("Finding"));
  QTest::mouseClick(finding, Qt::LeftButton);
  EXPECT_EQ(QApplication::focusWidget(), finding);
  // Who was elsewhere stays there.
  auto* filter = named<QLineEdit>(QStringLiteral("Find in the findings"));
  filter->setFocus();
  QTest::mouseClick(named<QToolButton>(QStringLiteral("Rules")), Qt::LeftButton);
  EXPECT_EQ(QApplication::focusWidget(), filter);
}

TEST_F(FindingsBenchTest, TheWorstComesFirstWhenAskedSo) {
  Project p = project();
  p.settings.leastGap = 40;
  edit(p.screens[0].edit(), ids[1])->place = {{Pin::Start, 600, 0, 0}, {Pin::Start, 100, 0, 0}};
  edit(p.screens[0].edit(), ids[1])->parent = {};
  edit(p.screens[0].edit(), ids[2])->place = {{Pin::Start, 600, 0, 0}, {Pin::Start, 117, 0, 0}};
  edit(p.screens[0].edit(), ids[2])->parent = {};
  Item third = *edit(p.screens[0].edit(), ids[2]);
  third.id = {"third"};
  third.place.y.offset = 159;
  p.screens[0].edit().items.emplace_back(third);
  work().replace(p, {}, false);
  waitForFindings();
  const auto figures = [&] {
    std::vector<double> out;
    const auto* model = static_cast<FindingsModel*>(list->model());
    for (int g = 0; g < model->rowCount(); ++g)
      for (const std::string& key : model->keysIn(model->index(g, 0)))
        for (const Finding& f : work().findings().now().open)
          if (f.key == key && f.rule == "hit-near") out.push_back(*f.figure);
    return out;
  };
  choose(QStringLiteral("In the order"), 2);
  const auto worst = figures();
  ASSERT_EQ(worst.size(), 2u);
  EXPECT_LT(worst[0], worst[1]);
}

// Beside the place as it is stands what the mend in hand makes of it.
TEST_F(FindingsBenchTest, APictureShowsThePlaceBeforeAndAfterTheMend) {
  const auto halves = [&] {
    auto* picture = named<QWidget>(QStringLiteral("Picture of the place"));
    const QImage all = picture->grab().toImage();
    const int half = all.width() / 2;
    return std::pair(all.copy(0, 24, half, all.height() - 24),
                     all.copy(half, 24, half, all.height() - 24));
  };
  Project p = project();
  p.screens[0].edit().entry = {};
  work().replace(p, {}, false);
  waitForFindings();
  pick("hit-size");
  QTest::qWait(0);
  const auto [now, mended] = halves();
  EXPECT_EQ(now.size(), mended.size());
  EXPECT_EQ(now, mended) << "the mend grows what is hit, not what is seen";
  PartId label;
  for (const Part& part : p.kinds[0]->parts)
    if (part.type == PartType::Label) label = part.id;
  Kind& kind = p.kinds[0].edit();
  kind.height = 64;
  kind.base.set({label, Prop::Colour}, Colour{60, 62, 64, 255});
  for (auto& [state, look] : kind.departures) look.clear({label, Prop::Colour});
  for (auto& part : kind.parts)
    if (part.type == PartType::Shape) {
      kind.base.set({part.id, Prop::Fill}, Fill::solid({50, 52, 54, 255}));
      for (auto& [state, look] : kind.departures) look.clear({part.id, Prop::Fill});
    }
  work().replace(p, {}, false);
  waitForFindings();
  pick("contrast");
  ASSERT_TRUE(QTest::qWaitFor([&] {
    const auto [before, after] = halves();
    return before != after;
  }));
}

// What is found is told where one works, too.
TEST_F(FindingsBenchTest, MarksStandWhereFindingsLie) {
  auto* kinds = named<QListWidget>(QStringLiteral("Kinds"));
  auto* screens = named<QListWidget>(QStringLiteral("Screens"));
  ASSERT_TRUE(kinds && screens);
  EXPECT_TRUE(kinds->item(0)->text().contains(QStringLiteral("finding")));
  EXPECT_TRUE(screens->item(0)->text().contains(QStringLiteral("findings")));
  EXPECT_FALSE(kinds->item(0)->toolTip().isEmpty());
  work().perform({"mend", {}, [](Project p) -> Result<Project> {
                    p.kinds[0].edit().height = 64;
                    return p;
                  }});
  waitForFindings();
  EXPECT_FALSE(kinds->item(0)->toolTip().contains(QStringLiteral("hit area")));
}

}  // namespace
}  // namespace bristle
