#include <filesystem>
#include <fstream>

#include "core/edit/button_edits.h"
#include "core/edit/kind_edits.h"
#include "core/edit/machine_edits.h"
#include "core/edit/screen_edits.h"
#include "core/formats/project_store.h"
#include "desktop/frame/autosave.h"
#include "desktop/window_fixture.h"

namespace bristle {
namespace {

class AutosaveTest : public test::WindowTest {
 protected:
  void SetUp() override {
    qputenv("XDG_STATE_HOME", folder.filePath(QStringLiteral("state")).toUtf8());
    WindowTest::SetUp();
  }
  void change(const char* name = "Another") { ASSERT_TRUE(work().perform(addScreen(name))); }
  QStringList copies() const {
    return QDir(unsavedFolder()).entryList({QStringLiteral("*.unsaved")}, QDir::Files);
  }
  // As if the program had been killed: what it wrote stays, and its lock is gone with it.
  void leaveBehind() {
    window->autosave().finish();
    const QDir state(unsavedFolder());
    ASSERT_EQ(copies().size(), 1);
    ASSERT_TRUE(
        QFile::copy(state.filePath(copies()[0]), state.filePath(QStringLiteral("9-9.left"))));
    window->autosave().clear();
    ASSERT_TRUE(QFile::rename(state.filePath(QStringLiteral("9-9.left")),
                              state.filePath(QStringLiteral("9-9.unsaved"))));
  }
};

TEST_F(AutosaveTest, KeepsACopyUntilItIsSavedOrClosed) {
  EXPECT_TRUE(copies().isEmpty());
  change();
  EXPECT_TRUE(QTest::qWaitFor([&] { return copies().size() == 1; }, 5000));
  ASSERT_TRUE(window->files().saveAs(path("a.bristle")));
  EXPECT_TRUE(QTest::qWaitFor([&] { return copies().isEmpty(); }, 5000))
      << "saved: nothing to keep";
  EXPECT_EQ(QDir(folder.path()).entryList({QStringLiteral("*.bristle")}).size(), 1)
      << "and nothing beside the project";
  change();
  window->autosave().finish();
  EXPECT_EQ(copies().size(), 1);
  work().undo();
  EXPECT_TRUE(QTest::qWaitFor([&] { return copies().isEmpty(); }, 5000))
      << "undone to what is saved";
  change();
  window->autosave().finish();
  answer(QStringLiteral("Discard"));
  ASSERT_TRUE(window->close());
  EXPECT_TRUE(copies().isEmpty());
}

TEST_F(AutosaveTest, OffersWhatWasLeftBehindAndGoesOnWithIt) {
  change("Saved screen");
  ASSERT_TRUE(window->files().saveAs(path("a.bristle")));
  change("Unsaved screen");
  leaveBehind();
  open();
  window->offerUnsaved();
  click(QStringLiteral("Go on with this version"));
  EXPECT_EQ(project().screens.size(), 2U);
  EXPECT_EQ(project().screens[1]->name, "Unsaved screen");
  EXPECT_FALSE(work().saved());
  EXPECT_EQ(window->files().path(), path("a.bristle"));
  window->autosave().finish();
  EXPECT_TRUE(QTest::qWaitFor([&] { return copies().size() == 1; }, 5000));
  EXPECT_NE(copies()[0], QStringLiteral("9-9.unsaved")) << "it has a copy of its own now";
  key(Qt::Key_S, Qt::ControlModifier);
  EXPECT_TRUE(work().saved());
  EXPECT_EQ(loadProject(fromQt(path("a.bristle")))->opened.project.screens.size(), 2U);
}

TEST_F(AutosaveTest, TheSavedVersionCanBeChosenInstead) {
  change();
  ASSERT_TRUE(window->files().saveAs(path("a.bristle")));
  change();
  leaveBehind();
  open();
  window->offerUnsaved();
  click(QStringLiteral("Open the saved one, throw the other away"));
  EXPECT_EQ(project().screens.size(), 1U);
  EXPECT_TRUE(work().saved());
  EXPECT_TRUE(copies().isEmpty());
}

TEST_F(AutosaveTest, AnUntitledProjectIsKeptTooAndMayWait) {
  change();
  leaveBehind();
  open();
  window->offerUnsaved();
  click(QStringLiteral("Decide later"));
  EXPECT_EQ(copies().size(), 1) << "it is there the next time";
  window->offerUnsaved();
  click(QStringLiteral("Go on with this version"));
  EXPECT_EQ(project().screens.size(), 1U);
  EXPECT_TRUE(window->files().path().isEmpty());
}

// -- Saving ---------------------------------------------------------------------------------------

TEST_F(AutosaveTest, SavingIntoAnotherFolderTakesArtSoundsAndTakesAlong) {
  ASSERT_TRUE(work().perform(addKind("Entry", Wins::Hover)));
  ASSERT_TRUE(window->files().saveAs(path("a.bristle")));
  const std::string root = fromQt(folder.path());
  for (const char* sub : {"art", "sounds", "takes"})
    std::filesystem::create_directories(root + "/" + sub);
  std::ofstream(root + "/art/a.png") << "picture";
  std::ofstream(root + "/takes/one.take.jsonl") << "{}";
  std::ofstream(root + "/sounds/tick.wav") << "sound";
  Item picture;
  picture.what = PictureData{"art/a.png"};
  change();
  ASSERT_TRUE(work().perform(addItem(project().screens[0]->id, "picture", picture)));
  ASSERT_TRUE(work().perform(changeMachine(project().machines[0]->id, "x", {}, [](Machine& m) {
    m.transitions[0].effects.push_back(
        {.type = EffectType::Sound, .file = "sounds/tick.wav", .volume = 1});
  })));
  std::filesystem::create_directories(root + "/other");
  ASSERT_TRUE(window->files().saveAs(path("other/b")));
  EXPECT_TRUE(QFile::exists(path("other/b.bristle"))) << "with its ending";
  for (const char* file :
       {"other/art/a.png", "other/sounds/tick.wav", "other/takes/one.take.jsonl"})
    EXPECT_TRUE(QFile::exists(path(file))) << file;
  // One that is there already and differs is not written over, and nothing is saved.
  std::filesystem::create_directories(root + "/third/art");
  std::ofstream(root + "/third/art/a.png") << "another picture";
  QString asked;
  answer(QStringLiteral("OK"), &asked);
  EXPECT_FALSE(window->files().saveAs(path("third/c.bristle")));
  EXPECT_TRUE(asked.contains(QStringLiteral("differs"))) << fromQt(asked);
  EXPECT_FALSE(QFile::exists(path("third/c.bristle")));
}

// -- Undo -----------------------------------------------------------------------------------------

TEST_F(AutosaveTest, TwoCommitsAreTwoStepsOneDragIsOne) {
  ASSERT_TRUE(work().perform(addKind("Entry", Wins::Hover)));
  window->openBench(QStringLiteral("shape"));
  const Kind before = *project().kinds[0];
  fill(QStringLiteral("Width"), QStringLiteral("300"));
  fill(QStringLiteral("Height"), QStringLiteral("80"));
  fill(QStringLiteral("Width"), QStringLiteral("310"));
  EXPECT_EQ(project().kinds[0]->width, 310);
  work().undo();
  EXPECT_EQ(project().kinds[0]->width, 300);
  EXPECT_EQ(project().kinds[0]->height, 80);
  work().undo();
  EXPECT_EQ(project().kinds[0]->height, before.height);
  EXPECT_EQ(project().kinds[0]->width, 300);
  work().undo();
  EXPECT_EQ(project().kinds[0]->width, before.width);
}

}  // namespace
}  // namespace bristle
