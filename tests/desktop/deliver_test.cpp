// The Deliver bench by mouse and keys: lists of outputs into folders, seen before they are written.
#include <QDir>
#include <QFile>
#include <QPlainTextEdit>
#include <QTreeWidget>

#include "core/formats/file_io.h"
#include "desktop/derive/hand_over_watch.h"
#include "desktop/window_fixture.h"
#include "runtime/formats/project_file.h"

namespace bristle {
namespace {

class DeliverBenchTest : public test::WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    work().replace(test::columnMenu({"Dive", "Chart"}), folder.path(), false);
    window->openBench(QStringLiteral("deliver"));
    watch = window->findChild<HandOverWatch*>();
    ASSERT_TRUE(watch);
  }
  void settled() {
    ASSERT_TRUE(QTest::qWaitFor([&] { return !watch->busy(); }, 60'000));
    settle();
  }
  QTreeWidget* list() { return named<QTreeWidget>(QStringLiteral("Files of the delivery")); }
  // The paths, each with what happens to it.
  std::map<std::string, std::string> lines() {
    std::map<std::string, std::string> out;
    for (int i = 0; i < list()->topLevelItemCount(); ++i)
      out[fromQt(list()->topLevelItem(i)->text(0))] = fromQt(list()->topLevelItem(i)->text(2));
    return out;
  }
  void handOver() {
    key(Qt::Key_Return, Qt::ControlModifier);
    settled();
  }
  void forTheGame() {
    click(QStringLiteral("For the game"));
    settled();
  }
  QString there(const char* name) {
    return path("delivered/for-the-game/") + QString::fromLatin1(name);
  }
  // Whether the window tells it somewhere.
  bool says(const char* words) {
    for (QLabel* label : window->findChildren<QLabel*>())
      if (label->isVisible() && label->text().contains(QString::fromUtf8(words))) return true;
    return false;
  }
  HandOverWatch* watch = nullptr;
};

TEST_F(DeliverBenchTest, ADeliveryIsSeenBeforeItIsWrittenAndThenStays) {
  forTheGame();
  ASSERT_EQ(project().deliveries.size(), 1u);
  auto all = lines();
  EXPECT_EQ(all.at("menu.jsonl"), "is written");
  EXPECT_EQ(all.at("sheets/sheets.json"), "is written");
  EXPECT_FALSE(QFile::exists(there("menu.jsonl"))) << "looking writes nothing";
  handOver();
  EXPECT_TRUE(QFile::exists(there("menu.jsonl")));
  EXPECT_TRUE(QFile::exists(there("sheets/sheet-1.png")));
  for (const auto& [file, what] : lines()) EXPECT_EQ(what, "stays as it is") << file;
  // The file in hand is looked into: text, and pictures.
  list()->setCurrentItem(list()->findItems(QStringLiteral("sheets.json"), Qt::MatchContains)[0]);
  EXPECT_TRUE(named<QPlainTextEdit>(QStringLiteral("What the file in hand says"))
                  ->toPlainText()
                  .contains(QStringLiteral("bristleSheets")));
  list()->setCurrentItem(list()->findItems(QStringLiteral(".png"), Qt::MatchEndsWith)[0]);
  EXPECT_FALSE(named<QLabel>(QStringLiteral("The picture in hand"))->pixmap().isNull());
}

TEST_F(DeliverBenchTest, WhatIsInItIsChosenAndTakenBack) {
  forTheGame();
  auto* words = named<QCheckBox>(QStringLiteral("Words"));
  QTest::mouseClick(words, Qt::LeftButton, {}, QPoint(8, words->height() / 2));
  settled();
  EXPECT_TRUE(lines().contains("words/words.csv"));
  fill(QStringLiteral("Scale"), QStringLiteral("2"));
  settled();
  for (const Output& each : project().deliveries[0].outputs)
    EXPECT_EQ(each.scale, each.sort == OutputSort::Sheets ? 2 : 1);
  handOver();
  EXPECT_TRUE(QFile::exists(there("words/words.csv")));
  work().undo();
  work().undo();
  settled();
  EXPECT_FALSE(words->isChecked());
  EXPECT_EQ(lines().at("words/words.csv"), "is removed: no longer made");
  handOver();
  EXPECT_FALSE(QFile::exists(there("words/words.csv")));
}

TEST_F(DeliverBenchTest, WhatIsInTheWayStopsItUntilOneSaysSo) {
  QDir().mkpath(path("delivered/for-the-game"));
  QFile theirs(there("menu.jsonl"));
  ASSERT_TRUE(theirs.open(QIODevice::WriteOnly));
  theirs.write("theirs");
  theirs.close();
  forTheGame();
  EXPECT_EQ(lines().at("menu.jsonl"), "is in the way");
  handOver();
  EXPECT_FALSE(QFile::exists(there("sheets/sheet-1.png")));
  click(QStringLiteral("Hand over, and write over what is in the way"));
  settled();
  EXPECT_TRUE(QFile::exists(there("sheets/sheet-1.png")));
  EXPECT_GT(QFile(there("menu.jsonl")).size(), 100);
}

TEST_F(DeliverBenchTest, WhatWasStoppedIsBegunAgain) {
  click(QStringLiteral("For the game"));
  ASSERT_TRUE(watch->busy());
  click(QStringLiteral("Stop making it"));
  settled();
  EXPECT_TRUE(named<QAbstractButton>(QStringLiteral("Hand over"))->isEnabled());
  EXPECT_FALSE(QFile::exists(there("menu.jsonl")));
  handOver();
  EXPECT_TRUE(QFile::exists(there("menu.jsonl")));
  EXPECT_EQ(lines().at("menu.jsonl"), "stays as it is");
  // Another thing picked is no reason to make it again.
  work().pickItems({test::buttons(project())[1]});
  EXPECT_FALSE(watch->busy());
}

TEST_F(DeliverBenchTest, AProjectWithoutAFolderSaysWhatToDo) {
  work().replace(test::columnMenu({"Dive"}), {}, false);
  settle();
  forTheGame();
  handOver();
  EXPECT_FALSE(QFile::exists(QStringLiteral("delivered/for-the-game/menu.jsonl")));
  EXPECT_TRUE(says("save it first"));
}

TEST_F(DeliverBenchTest, WhatPicturesAreMadeOfIsChosen) {
  forTheGame();
  const auto sheets = [&] {
    for (const Output& each : project().deliveries[0].outputs)
      if (each.sort == OutputSort::Sheets) return each;
    return Output{};
  };
  EXPECT_TRUE(sheets().placed) << "a game wants its own captions";
  fill(QStringLiteral("Key frames of changes"), QStringLiteral("10"));
  auto* captions = named<QCheckBox>(QStringLiteral("Kinds with their sample captions"));
  QTest::mouseClick(captions, Qt::LeftButton, {}, QPoint(8, captions->height() / 2));
  settled();
  EXPECT_EQ(sheets().frames, 10);
  EXPECT_FALSE(sheets().captions);
  handOver();
  const std::string index = readFile(fromQt(there("sheets/sheets.json"))).value_or("");
  EXPECT_NE(index.find("\"strip\""), std::string::npos);
  EXPECT_NE(index.find("\"placed\""), std::string::npos);
  work().undo();
  EXPECT_TRUE(sheets().captions);
}

TEST_F(DeliverBenchTest, ASpecificationMarksWhatHasChangedSince) {
  ASSERT_TRUE(writeFile(fromQt(path("before.bristle")), writeProject(project())));
  work().perform(Edit{"widen the kind", "", [](const Project& p) -> Result<Project> {
                        Project after = p;
                        edit(after, after.kinds[0]->id)->width += 40;
                        return after;
                      }});
  click(QStringLiteral("For colleagues"));
  settled();
  ASSERT_TRUE(lines().contains("specification.html"));
  auto* text = named<QPlainTextEdit>(QStringLiteral("What the file in hand says"));
  const auto look = [&](const char* file) {
    list()->setCurrentItem(list()->findItems(QString::fromLatin1(file), Qt::MatchExactly)[0]);
    return text->toPlainText();
  };
  EXPECT_TRUE(look("specification.pdf").startsWith(QStringLiteral("A PDF document")));
  EXPECT_FALSE(look("specification.html").contains(QStringLiteral("Marked is")));
  fill(QStringLiteral("Mark changes since"), QStringLiteral("before.bristle"));
  settled();
  handOver();
  const std::string html =
      readFile(fromQt(path("delivered/for-colleagues/specification.html"))).value_or("");
  EXPECT_NE(html.find("Marked is what has changed since before.bristle"), std::string::npos);
  EXPECT_NE(html.find("was: "), std::string::npos);
  // What is no earlier version is told, and nothing is written.
  fill(QStringLiteral("Mark changes since"), QStringLiteral("nowhere.bristle"));
  settled();
  EXPECT_TRUE(says("nowhere.bristle"));
}

}  // namespace
}  // namespace bristle
