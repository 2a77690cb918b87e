// The Flow bench by mouse and keys: what leads where is drawn, changed, removed and asked for.
#include <QComboBox>
#include <QListWidget>
#include <QScreen>
#include <QTableView>
#include <QToolButton>

#include "core/edit/screen_edits.h"
#include "core/edit/value_edits.h"
#include "desktop/derive/miniatures.h"
#include "desktop/flow/change_play.h"
#include "desktop/flow/flow_view.h"
#include "desktop/flow/steps_page.h"
#include "desktop/window_fixture.h"
#include "devices/controllers.h"
#include "devices/tone.h"
#include "drive/virtual_pad.h"

namespace bristle {
namespace {

class FlowBenchTest : public test::WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    History h{test::columnMenu({"Dive", "Chart", "Log"})};
    test::must(h, addScreen("Chart table"));
    test::must(h, addButton(h.now().screens[1]->id, h.now().kinds[0]->id, "Back", 40, 40));
    work().replace(h.now(), {}, false);
    ids = test::buttons(project());
    window->openBench(QStringLiteral("flow"));
    view = window->findChild<FlowView*>();
    view->setFocus();
  }
  QPointF at(int screen, const ItemId& button = {}) {
    return view->toWidget(button ? view->map().button(screen, button).center()
                                 : view->map().box(screen).center());
  }
  const Actions& actions(size_t button, size_t screen = 0) {
    const ItemId id = test::buttons(project(), screen)[button];
    return findItem(*project().screens[screen], id)->button()->actions;
  }
  std::vector<ItemId> ids;
  FlowView* view = nullptr;
};

TEST_F(FlowBenchTest, AButtonIsDrawnToAScreenAndToEmptyGround) {
  drag(view, at(0, ids[0]), at(1));
  ASSERT_EQ(actions(0).size(), 1u);
  EXPECT_EQ(actions(0)[0].screen, project().screens[1]->id);
  // Its stroke leaves from the very button.
  ASSERT_EQ(view->map().graph().steps.size(), 1u);
  EXPECT_TRUE(view->map()
                  .button(0, ids[0])
                  .adjusted(-1, -1, 1, 1)
                  .contains(view->map().stroke(0).pointAtPercent(0)));
  drag(view, at(0, ids[1]), view->toWidget({40, 12}));
  ASSERT_EQ(project().screens.size(), 3u);
  EXPECT_EQ(project().screens[2]->name, "Chart");
  EXPECT_EQ(actions(1)[0].type, ActionType::PutOnTop);
  work().undo();
  EXPECT_EQ(project().screens.size(), 2u);
}

// What is moved along on the screen, or painted for one miniature that came, must not differ from
// what would be painted as a whole.
TEST_F(FlowBenchTest, WhatIsPaintedInPartsIsAsPaintedAtOnce) {
  ASSERT_TRUE(window->files().open(toQt(test::sourcePath("data/demo/saltglass-deep.bristle"))));
  waitForFindings();
  const auto settled = [&] {
    EXPECT_TRUE(QTest::qWaitFor([&] { return !work().miniatures().busy(); }, 60'000));
    QTest::qWait(60);  // what came is shown a moment later
  };
  const auto seen = [&] {
    QCoreApplication::processEvents();
    const QPoint corner = view->mapTo(window.get(), QPoint());
    return window->screen()
        ->grabWindow(window->winId(), corner.x(), corner.y(), view->width(), view->height())
        .toImage();
  };
  // Px that differ plainly. Dashes that are cut off begin a little elsewhere, by up to 105 px of
  // half a million when this was written.
  constexpr int kEdges = 250, kPlainly = 25;
  const auto apart = [](const QImage& a, const QImage& b) {
    int out = 0;
    for (int y = 0; y < a.height(); ++y)
      for (int x = 0; x < a.width(); ++x) {
        const QRgb p = a.pixel(x, y), q = b.pixel(x, y);
        out += std::max({std::abs(qRed(p) - qRed(q)), std::abs(qGreen(p) - qGreen(q)),
                         std::abs(qBlue(p) - qBlue(q))}) > kPlainly;
      }
    return out;
  };
  for (const double zoom : {1.0, 2.5}) {
    view->zoomBy(zoom);
    settled();
    view->repaint();
    const QImage before = seen();
    const QPoint from(300, 300);
    QTest::mousePress(view, Qt::MiddleButton, {}, from);
    for (const QPoint by : {QPoint(7, 0), QPoint(9, 30), QPoint(-50, 31), QPoint(-49, -20)}) {
      QTest::mouseMove(view, from + by);
      settled();  // what came into sight is drawn
      const QImage moved = seen();
      view->repaint();
      EXPECT_LT(apart(moved, seen()), kEdges) << zoom << ", " << by.x() << ", " << by.y();
    }
    QTest::mouseRelease(view, Qt::MiddleButton, {}, from);
    EXPECT_NE(seen(), before);
  }
  ASSERT_TRUE(work().perform(changeScreen(project().screens[0]->id, "red", {}, [](Screen& s) {
    s.backdrop = Fill::solid({220, 30, 30, 255});
  })));
  settled();
  const QImage parts = seen();
  view->repaint();
  EXPECT_LT(apart(parts, seen()), kEdges);
}

// Their miniatures come while the map of the bench still is of those that were there before.
TEST_F(FlowBenchTest, ScreensMadeOnAnotherBenchAreThereWhenOneComesBack) {
  window->openBench(QStringLiteral("place"));
  for (int i = 0; i < 40; ++i) ASSERT_TRUE(work().perform(addScreen("More")));
  EXPECT_TRUE(QTest::qWaitFor([&] { return !work().miniatures().busy(); }, 60'000));
  QTest::qWait(60);
  window->openBench(QStringLiteral("flow"));
  EXPECT_EQ(view->map().graph().screens.size(), project().screens.size());
}

TEST_F(FlowBenchTest, AStrokeIsPickedLedElsewhereAndRemoved) {
  drag(view, at(0, ids[0]), at(1));
  drag(view, at(0, ids[1]), view->toWidget({40, 12}));
  const auto place = [&](double percent) {
    return view->toWidget(view->map().stroke(0).pointAtPercent(percent));
  };
  QTest::mouseClick(view, Qt::LeftButton, {}, place(0.6).toPoint());
  ASSERT_TRUE(view->step());
  EXPECT_EQ(view->step()->item, ids[0]);
  drag(view, place(0.97), at(2));
  EXPECT_EQ(actions(0)[0].screen, project().screens[2]->id);
  view->setFocus();
  key(Qt::Key_Delete);
  EXPECT_TRUE(actions(0).empty());
}

// What a screen does when nobody does anything: set on the card, shown as a stroke without a
// button.
TEST_F(FlowBenchTest, AScreenActsByItself) {
  work().pickScreen(project().screens[1]->id);
  fill(QStringLiteral("Seconds until it acts by itself"), QStringLiteral("30"));
  EXPECT_EQ(project().screens[1]->idle.after, 30'000);
  ASSERT_TRUE(work().perform(changeScreen(project().screens[1]->id, "go home", {}, [&](Screen& s) {
    s.idle.actions = {{.type = ActionType::Speak, .language = project().languages[0].id},
                      {.type = ActionType::Open, .screen = project().screens[0]->id}};
  })));
  const auto& steps = view->map().graph().steps;
  ASSERT_EQ(steps.size(), 2u);
  EXPECT_FALSE(steps[1].item);
  EXPECT_EQ(steps[1].to, 0);
  view->repaint();
  const QPointF on = view->toWidget(view->map().stroke(1).pointAtPercent(0.5));
  EXPECT_TRUE(view->hintAt(view->toMap(on)).contains(QStringLiteral("30 s")));
  QTest::mouseClick(view, Qt::LeftButton, {}, on.toPoint());
  EXPECT_EQ(work().screen()->id, project().screens[1]->id);
}

TEST_F(FlowBenchTest, APressBesideAScreenIsSetOnItsCard) {
  work().pickScreen(project().screens[1]->id);
  choose(QStringLiteral("Press beside it"), 2);
  EXPECT_EQ(project().screens[1]->beside, Beside::Through);
  work().undo();  // by keys it went over the one between
  work().undo();
  EXPECT_EQ(project().screens[1]->beside, Beside::Blocks);
}

// What is heard wherever one is, and which values say how loud.
TEST_F(FlowBenchTest, SoundsAndVolumesOfAllScreensAreSet) {
  ASSERT_TRUE(work().perform(addValue("Loudness", ValueSort::Number)));
  choose(QStringLiteral("Volume of cues"), 1);
  EXPECT_EQ(project().settings.cueVolume, project().values[0].id);
  choose(QStringLiteral("Volume of cues"), 0);
  EXPECT_FALSE(project().settings.cueVolume);
  QString said;
  QObject::connect(&work(), &Work::told, window.get(), [&](const QString& what) { said = what; });
  fill(QStringLiteral("Leads nowhere"), QStringLiteral("nowhere.wav"));
  EXPECT_TRUE(project().settings.bumpSound.empty());
  EXPECT_TRUE(said.contains(QStringLiteral("nowhere.wav"))) << fromQt(said);
  work().setFolder(folder.path());
  test::writeTone(fromQt(path("tick.wav")), 60, 1, SF_FORMAT_WAV | SF_FORMAT_PCM_16);
  fill(QStringLiteral("Leads nowhere"), QStringLiteral("tick.wav"));
  EXPECT_EQ(project().settings.bumpSound, "tick.wav");
}

// The same by a controller: shoulders go through the buttons, accept leads, directions choose.
TEST_F(FlowBenchTest, AControllerLeadsAButton) {
  VirtualPad pad;
  const auto press = [&](SDL_GameControllerButton each) {
    pad.button(each, true);
    pad.button(each, false);
  };
  const auto until = [](const std::function<bool()>& done) {
    return QTest::qWaitFor(done, 20'000);
  };
  const auto picked = [&](size_t i) { return work().picked().items == std::vector{ids[i]}; };
  ASSERT_TRUE(until([&] { return !work().controllers().names().empty(); })) << "plugged in";
  press(SDL_CONTROLLER_BUTTON_RIGHTSHOULDER);
  EXPECT_TRUE(until([&] { return picked(0); }));
  press(SDL_CONTROLLER_BUTTON_RIGHTSHOULDER);
  EXPECT_TRUE(until([&] { return picked(1); }));
  press(SDL_CONTROLLER_BUTTON_LEFTSHOULDER);
  EXPECT_TRUE(until([&] { return picked(0); }));
  press(SDL_CONTROLLER_BUTTON_A);
  EXPECT_TRUE(until([&] { return view->isLeading(); }));
  press(SDL_CONTROLLER_BUTTON_B);
  EXPECT_TRUE(until([&] { return !view->isLeading(); }));
  EXPECT_TRUE(actions(0).empty());
  press(SDL_CONTROLLER_BUTTON_A);
  press(SDL_CONTROLLER_BUTTON_DPAD_RIGHT);
  press(SDL_CONTROLLER_BUTTON_A);
  EXPECT_TRUE(until([&] { return !actions(0).empty(); }));
  ASSERT_EQ(actions(0).size(), 1u);
  EXPECT_EQ(actions(0)[0].screen, project().screens[1]->id);
}

TEST_F(FlowBenchTest, KeysDoItAll) {
  key(Qt::Key_PageDown);
  EXPECT_EQ(work().picked().items, std::vector{ids[0]});
  key(Qt::Key_PageDown);
  EXPECT_EQ(work().picked().items, std::vector{ids[1]});
  key(Qt::Key_Return);
  EXPECT_TRUE(view->isLeading());
  key(Qt::Key_Right);
  key(Qt::Key_Return);
  ASSERT_EQ(actions(1).size(), 1u);
  EXPECT_EQ(actions(1)[0].screen, project().screens[1]->id);
  key(Qt::Key_Return);
  key(Qt::Key_Escape);
  EXPECT_FALSE(view->isLeading());
  key(Qt::Key_PageDown);
  key(Qt::Key_Return);
  key(Qt::Key_N);
  EXPECT_EQ(project().screens.size(), 3u);
  key(Qt::Key_Left);
  key(Qt::Key_Right);
  EXPECT_NE(work().picked().screen, project().screens[0]->id);
}

// On the card: several in order, each with its condition.
TEST_F(FlowBenchTest, SeveralActionsInOrderEachOnlyIf) {
  ASSERT_TRUE(work().perform(addValue("sections", ValueSort::Number)));
  QTest::mouseClick(view, Qt::LeftButton, {}, at(0, ids[0]).toPoint());
  choose(QStringLiteral("Action"), 1 + int(ActionType::Step));
  ASSERT_EQ(actions(0).size(), 1u);
  EXPECT_EQ(actions(0)[0].value, project().values[0].id);
  click(QStringLiteral("Add an action after it"));
  choose(QStringLiteral("Action"), 1 + int(ActionType::PutOnTop));
  ASSERT_EQ(actions(0).size(), 2u);
  EXPECT_EQ(actions(0)[1].type, ActionType::PutOnTop);
  fill(QStringLiteral("Only if"), QStringLiteral("@sections >= 3"));
  EXPECT_EQ(actions(0)[1].when, "@" + project().values[0].id.text + " >= 3");
  fill(QStringLiteral("Only if"), QStringLiteral("@nothing > 1"));
  EXPECT_EQ(actions(0)[1].when, "@" + project().values[0].id.text + " >= 3") << "not taken";
  click(QStringLiteral("Do the action earlier"));
  EXPECT_EQ(actions(0)[0].type, ActionType::PutOnTop);
  click(QStringLiteral("Remove the action"));
  ASSERT_EQ(actions(0).size(), 1u);
  EXPECT_EQ(actions(0)[0].type, ActionType::Step);
}

TEST_F(FlowBenchTest, AChangeOfItsOwnIsSetAndPlayed) {
  drag(view, at(0, ids[0]), at(1));
  click(QStringLiteral("A change of its own"));
  ASSERT_TRUE(actions(0)[0].change);
  choose(QStringLiteral("Into it"), int(ScreenMotionForm::Slide));
  choose(QStringLiteral("Into it: edge"), int(ScreenEdge::Left));
  fill(QStringLiteral("Into it: duration"), QStringLiteral("300"));
  EXPECT_EQ(actions(0)[0].change->in.form, ScreenMotionForm::Slide);
  EXPECT_EQ(actions(0)[0].change->in.edge, ScreenEdge::Left);
  EXPECT_EQ(actions(0)[0].change->in.duration, 300);
  click(QStringLiteral("Play the change"));
  auto* play = window->findChild<ChangePlay*>();
  EXPECT_TRUE(play->playing());
  EXPECT_TRUE(QTest::qWaitFor([&] { return !play->playing(); }, 10'000));
  choose(QStringLiteral("Comes"), int(ScreenMotionForm::Fade));
  EXPECT_EQ(project().screens[0]->comes.form, ScreenMotionForm::Fade);
}

TEST_F(FlowBenchTest, TheTableChangesAllPickedRowsAndIsWritten) {
  drag(view, at(0, ids[0]), at(1));
  drag(view, at(0, ids[1]), at(1));
  click(QStringLiteral("Flow as a table"));
  auto* table = named<QTableView>(QStringLiteral("Steps between screens"));
  ASSERT_EQ(table->model()->rowCount(), 2);
  table->setCurrentIndex(table->model()->index(0, 4));
  table->selectionModel()->select(table->model()->index(1, 4), QItemSelectionModel::Select);
  ASSERT_TRUE(table->model()->setData(table->model()->index(0, 4), QStringLiteral("fade")));
  EXPECT_EQ(actions(0)[0].change->in.form, ScreenMotionForm::Fade);
  EXPECT_EQ(actions(1)[0].change->in.form, ScreenMotionForm::Fade);
  work().undo();
  EXPECT_FALSE(actions(0)[0].change || actions(1)[0].change) << "one step";
  EXPECT_FALSE(table->model()->setData(table->model()->index(0, 4), QStringLiteral("wobble")));
  auto* page = window->findChild<StepsPage*>();
  ASSERT_TRUE(page->exportTo(path("flow.csv")));
  QFile file(path("flow.csv"));
  ASSERT_TRUE(file.open(QIODevice::ReadOnly));
  EXPECT_EQ(file.readAll().count("\r\n"), 3);
}

// On Place: what is there, can be pressed and is current follows values, too.
TEST_F(FlowBenchTest, ConditionsAreTypedWithNamesOnPlace) {
  ASSERT_TRUE(work().perform(addValue("lamp on", ValueSort::Flag)));
  const std::string id = "@" + project().values[0].id.text;
  window->openBench(QStringLiteral("place"));
  work().pickItems({ids[1]});
  fill(QStringLiteral("Enabled if"), QStringLiteral("@[lamp on]"));
  fill(QStringLiteral("Shown if"), QStringLiteral("visited(@Dive)"));
  const Item& item = *findItem(*project().screens[0], ids[1]);
  EXPECT_EQ(item.button()->when.enabled, id);
  EXPECT_EQ(item.shownWhen, "visited(@" + ids[0].text + ")");
  EXPECT_EQ(named<QLineEdit>(QStringLiteral("Shown if"))->text(), QStringLiteral("visited(@Dive)"));
  fill(QStringLiteral("Current if"), QStringLiteral("over"));
  EXPECT_EQ(findItem(*project().screens[0], ids[1])->button()->when.current, "") << "not of values";
  work().pickItems({project().screens[0]->items[0]->id});
  click(QStringLiteral("Shows one of what is in it at a time"));
  EXPECT_TRUE(project().screens[0]->items[0]->container()->panels);
}

TEST_F(FlowBenchTest, ValuesAreMadeChangedAndRemoved) {
  click(QStringLiteral("Values of the project"));
  click(QStringLiteral("Add a number"));
  ASSERT_EQ(project().values.size(), 1u);
  auto* table = named<QTableView>(QStringLiteral("Values of the project"));
  const auto set = [&](int column, const char* text) {
    return table->model()->setData(table->model()->index(0, column), QString::fromUtf8(text));
  };
  EXPECT_TRUE(set(0, "sections"));
  EXPECT_TRUE(set(4, "3"));
  EXPECT_FALSE(set(2, "many"));
  EXPECT_TRUE(set(2, "2"));
  EXPECT_EQ(project().values[0].name, "sections");
  EXPECT_EQ(project().values[0].most, 3);
  EXPECT_EQ(project().values[0].start, 2);
  table->setCurrentIndex(table->model()->index(0, 0));
  click(QStringLiteral("Remove the value"));
  EXPECT_TRUE(project().values.empty());
}

}  // namespace
}  // namespace bristle
