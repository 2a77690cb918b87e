// The Findings bench by mouse and keys: what is wrong is listed, gone to, mended and accepted.
#include <QComboBox>
#include <QToolButton>
#include <QTreeView>

#include "core/edit/screen_edits.h"
#include "desktop/derive/findings_watch.h"
#include "desktop/findings/findings_model.h"
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
    work().replace(p, {}, false);
    window->openBench(QStringLiteral("findings"));
    settled();
    list = named<QTreeView>(QStringLiteral("Findings"));
    ASSERT_TRUE(list);
    list->setFocus();
  }
  void settled() {
    ASSERT_TRUE(QTest::qWaitFor([&] { return !work().findings().busy(); }, 60'000));
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

TEST_F(FindingsBenchTest, AMendIsOneStepAndTheNextFindingComesToHand) {
  pick("hit-size");
  click(QStringLiteral("Grow the hit area"));
  settled();
  EXPECT_FALSE(has("hit-size"));
  ASSERT_TRUE(work().findings().picked());
  work().undo();
  settled();
  EXPECT_TRUE(has("hit-size"));
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
  settled();
  EXPECT_FALSE(has("idle-button"));
  work().findings().pick(key);
  click(QStringLiteral("Tell it again"));
  settled();
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

}  // namespace
}  // namespace bristle
