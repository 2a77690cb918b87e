// Keys and controller buttons on the Route bench: bound by typing, pressing and choosing, and then
// doing that in the rehearsal.
#include <gmock/gmock.h>

#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QToolButton>

#include "core/rehearse/reel.h"
#include "desktop/rehearse/rehearsal.h"
#include "desktop/rehearse/rehearse_bench.h"
#include "desktop/window_fixture.h"

namespace bristle {
namespace {

class KeysTest : public test::WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    work().replace(test::columnMenu({"Dive", "Chart", "Log"}), {}, false);
    ids = test::buttons(project());
    window->openBench(QStringLiteral("route"));
    click(QStringLiteral("Keys and controller buttons"));
    QObject::connect(&work(), &Work::told, window.get(), [&](const QString& what) { said = what; });
  }
  std::vector<std::string> signs(Does does, Sign::Of of = Sign::Of::Key) {
    std::vector<std::string> out;
    for (const Sign& sign : signsFor(project(), nullptr, of, does)) out.push_back(toText(sign));
    return out;
  }
  // The trace of a rehearsal in which these keys were pressed.
  std::string rehearsed(std::initializer_list<Qt::Key> keys) {
    window->openBench(QStringLiteral("rehearse"));
    auto& bench = static_cast<RehearseBench&>(*window->bench(QStringLiteral("rehearse")));
    for (const Qt::Key each : keys) key(each);
    std::string out;
    for (const TraceEntry& e : bench.rehearsal().trace()) out += toLine(e) + "\n";
    return out;
  }
  std::vector<ItemId> ids;
  QString said;
};

using testing::ElementsAre;
using testing::HasSubstr;

TEST_F(KeysTest, AKeyIsPressedToBindIt) {
  auto* add = named<QToolButton>(QStringLiteral("Press a key for accept"));
  ASSERT_TRUE(add);
  QTest::mouseClick(add, Qt::LeftButton);
  QTest::keyClick(add, Qt::Key_Q);
  EXPECT_THAT(signs(Does::Accept), ElementsAre("Enter", "NumpadEnter", "Space", "Q"));
  QTest::keyClick(add, Qt::Key_W);
  EXPECT_EQ(signs(Does::Accept).size(), 4U) << "one press, one key";
  EXPECT_THAT(rehearsed({Qt::Key_Q}), HasSubstr("activate " + ids[0].text));
  work().undo();
  EXPECT_EQ(signs(Does::Accept).size(), 3U);
}

TEST_F(KeysTest, KeysAreTypedAndWhatIsNoneIsRefused) {
  fill(QStringLiteral("Keys for cancel"), QStringLiteral("b, ctrl+escape"));
  EXPECT_THAT(signs(Does::Cancel), ElementsAre("B", "Ctrl+Escape"));
  fill(QStringLiteral("Keys for cancel"), QStringLiteral("ArrowUp"));
  EXPECT_TRUE(said.contains(QStringLiteral("ArrowUp")));
  EXPECT_THAT(signs(Does::Cancel), ElementsAre("B", "Ctrl+Escape"));
  fill(QStringLiteral("Keys for down"), QStringLiteral("S"));
  EXPECT_THAT(rehearsed({Qt::Key_S}), HasSubstr("→ " + ids[1].text));
}

TEST_F(KeysTest, ControllerButtonsAreChosenFromAList) {
  auto* choose = named<QToolButton>(QStringLiteral("Choose controller buttons for tab left"));
  ASSERT_TRUE(choose);
  Q_EMIT choose->menu()->aboutToShow();
  for (QAction* action : choose->menu()->actions())
    if (action->text() == QStringLiteral("left trigger") || action->isChecked()) action->trigger();
  EXPECT_THAT(signs(Does::TabLeft, Sign::Of::Button), ElementsAre("left trigger"));
}

TEST_F(KeysTest, HowHeldDirectionsRepeatIsSet) {
  fill(QStringLiteral("Held, repeats after"), QStringLiteral("250 ms"));
  fill(QStringLiteral("Then every"), QStringLiteral("90"));
  EXPECT_EQ(project().settings.repeatDelay, 250);
  EXPECT_EQ(project().settings.repeatInterval, 90);
  fill(QStringLiteral("Then every"), QStringLiteral("0"));
  EXPECT_EQ(project().settings.repeatInterval, 90) << "never without time between";
}

TEST_F(KeysTest, TwoThingsOnOneKeyAreTold) {
  const auto wrong = [&] {
    QString out;
    for (auto* label : window->findChildren<QLabel*>())
      if (label->isVisible() && label->property("wrong").toBool()) out += label->text();
    return out;
  };
  fill(QStringLiteral("Keys for cancel"), QStringLiteral("Enter"));
  EXPECT_TRUE(wrong().contains(QStringLiteral("Enter does two things"))) << fromQt(wrong());
  fill(QStringLiteral("Keys for accept"), QString());
  EXPECT_TRUE(wrong().contains(QStringLiteral("No key accepts"))) << fromQt(wrong());
  click(QStringLiteral("Bind as at first"));
  EXPECT_EQ(wrong(), QString());
  EXPECT_EQ(project().bindings, standardBindings());
}

TEST_F(KeysTest, OnOneScreenOnly) {
  choose(QStringLiteral("Bound"), 1);
  fill(QStringLiteral("Keys for accept"), QStringLiteral("X"));
  EXPECT_EQ(project().bindings, standardBindings());
  ASSERT_EQ(project().screens[0]->bindings.size(), 1U);
  EXPECT_EQ(toText(project().screens[0]->bindings[0].sign), "X");
  fill(QStringLiteral("Keys for nothing here"), QStringLiteral("Space"));
  const std::string trace = rehearsed({Qt::Key_Space});
  EXPECT_EQ(trace.find("activate"), std::string::npos);
  EXPECT_THAT(rehearsed({Qt::Key_X}), HasSubstr("activate"));
}

TEST_F(KeysTest, AShortcutPressesTheButtonThatAnswersToIt) {
  click(QStringLiteral("Add a shortcut"));
  ASSERT_EQ(project().shortcuts.size(), 1U);
  EXPECT_EQ(named<QLineEdit>(QStringLiteral("Name of shortcut 1"))->selectedText(),
            QStringLiteral("Shortcut"))
      << "what is typed names it";
  fill(QStringLiteral("Name of shortcut 1"), QStringLiteral("Drop ballast"));
  fill(QStringLiteral("Keys for shortcut 1"), QStringLiteral("D"));
  choose(QStringLiteral("Action"), 1 + int(ActionType::Quit));
  EXPECT_EQ(project().shortcuts[0].name, "Drop ballast");
  EXPECT_EQ(project().shortcuts[0].actions.at(0).type, ActionType::Quit);
  // The button in the middle answers, and has no focus itself.
  work().pickItems({ids[1]});
  choose(QStringLiteral("Pressed by"), 2);
  click(QStringLiteral("Focus never comes to it"));
  const ButtonData& button = *findItem(*project().screens[0], ids[1])->button();
  EXPECT_EQ(button.answers.shortcut, project().shortcuts[0].id);
  EXPECT_TRUE(button.aside);
  EXPECT_EQ(work().routes().items.size(), 2U);
  const std::string trace = rehearsed({Qt::Key_Down, Qt::Key_D});
  EXPECT_THAT(trace, HasSubstr("focus " + ids[0].text + " → " + ids[2].text));
  EXPECT_THAT(trace, HasSubstr("activate " + ids[1].text));
  EXPECT_EQ(trace.find("quit"), std::string::npos);
  // Its card still lets it be taken back.
  window->openBench(QStringLiteral("route"));
  work().pickItems({ids[1]});
  click(QStringLiteral("Focus never comes to it"));
  EXPECT_EQ(work().routes().items.size(), 3U);
  click(QStringLiteral("Remove shortcut 1"));
  EXPECT_TRUE(project().shortcuts.empty());
  EXPECT_FALSE(findItem(*project().screens[0], ids[1])->button()->answers.any());
}

}  // namespace
}  // namespace bristle
