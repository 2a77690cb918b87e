#include <QFile>
#include <QMessageBox>
#include <fstream>

#include "core/formats/file_io.h"
#include "desktop/window_fixture.h"
#include "runtime/formats/project_file.h"

namespace bristle {
namespace {

class FilesInWindow : public test::WindowTest {
 protected:
  void change() { ASSERT_TRUE(work().perform(addScreen("Another"))); }
  std::string text(const char* name) { return *readFile(fromQt(path(name))); }
};

TEST_F(FilesInWindow, SaveAsSaveAndOpenAgain) {
  change();
  ASSERT_TRUE(window->files().saveAs(path("a.bristle")));
  EXPECT_TRUE(work().saved());
  EXPECT_EQ(project().name, "a") << "an untitled project takes the file's name";
  const std::string saved = text("a.bristle");
  change();
  EXPECT_FALSE(work().saved());
  key(Qt::Key_S, Qt::ControlModifier);
  EXPECT_TRUE(work().saved());
  EXPECT_NE(text("a.bristle"), saved);
  const Project before = project();
  ASSERT_TRUE(window->files().newProject());
  ASSERT_TRUE(window->files().open(path("a.bristle")));
  EXPECT_TRUE(equal(project(), before));
  EXPECT_EQ(window->files().recent().value(0), path("a.bristle"));
}

TEST_F(FilesInWindow, UnsavedChangesAreAskedAbout) {
  ASSERT_TRUE(window->files().saveAs(path("a.bristle")));
  change();
  QString asked;
  answer(QStringLiteral("Cancel"), &asked);
  EXPECT_FALSE(window->files().newProject());
  EXPECT_TRUE(asked.contains(QStringLiteral("not saved")));
  EXPECT_EQ(project().screens.size(), 1U) << "cancelled: all stays";
  answer(QStringLiteral("Cancel"));
  EXPECT_FALSE(window->close());
  answer(QStringLiteral("Save"));
  EXPECT_TRUE(window->files().newProject());
  EXPECT_EQ(parseProject(text("a.bristle"))->project.screens.size(), 1U);
  change();
  answer(QStringLiteral("Discard"));
  EXPECT_TRUE(window->files().open(path("a.bristle")));
}

TEST_F(FilesInWindow, AFileThatSomebodyElseChangedIsNotWrittenOverUnasked) {
  change();
  ASSERT_TRUE(window->files().saveAs(path("a.bristle")));
  std::ofstream(fromQt(path("a.bristle")), std::ios::app) << "\n ";
  const std::string theirs = text("a.bristle");
  change();
  QString asked;
  answer(QStringLiteral("Cancel"), &asked);
  EXPECT_FALSE(window->files().save());
  EXPECT_TRUE(asked.contains(QStringLiteral("changed by another program")));
  EXPECT_EQ(text("a.bristle"), theirs);
  answer(QStringLiteral("Write over it"));
  EXPECT_TRUE(window->files().save());
  EXPECT_NE(text("a.bristle"), theirs);
}

TEST_F(FilesInWindow, ABrokenFileIsToldWithItsPlaceAndNeverTouched) {
  change();
  ASSERT_TRUE(window->files().saveAs(path("good.bristle")));
  const Project before = project();
  std::string broken = text("good.bristle");
  broken.replace(broken.find("\"items\": []"), 11, "\"items\": 77");
  ASSERT_TRUE(writeFile(fromQt(path("bad.bristle")), broken));
  QString asked;
  answer(QStringLiteral("OK"), &asked);
  EXPECT_FALSE(window->files().open(path("bad.bristle")));
  EXPECT_TRUE(asked.contains(QStringLiteral("/screens/0/items"))) << fromQt(asked);
  EXPECT_TRUE(asked.contains(QStringLiteral("expected a list")));
  EXPECT_EQ(text("bad.bristle"), broken);
  EXPECT_TRUE(equal(project(), before)) << "what was open is still open";
  EXPECT_EQ(window->files().path(), path("good.bristle"));
}

TEST_F(FilesInWindow, ANewerFormatIsReadOnlyUntilItHasAnotherName) {
  change();
  ASSERT_TRUE(window->files().saveAs(path("a.bristle")));
  std::string newer = text("a.bristle");
  newer.replace(newer.find("\"format\": 2"), 11, "\"format\": 9");
  ASSERT_TRUE(writeFile(fromQt(path("newer.bristle")), newer));
  ASSERT_TRUE(window->files().open(path("newer.bristle")));
  EXPECT_TRUE(work().readOnly());
  answer(QStringLiteral("OK"));
  EXPECT_FALSE(window->files().saveAs(path("newer.bristle")));
  EXPECT_EQ(text("newer.bristle"), newer);
  EXPECT_TRUE(window->files().saveAs(path("copy.bristle")));
  EXPECT_FALSE(work().readOnly());
}

TEST_F(FilesInWindow, AnOlderFormatIsBroughtUpAndTheFileIsLeftAloneUntilItIsSaved) {
  const std::string old = *readFile(test::sourcePath("tests/samples/saltglass.format-1.bristle"));
  ASSERT_TRUE(writeFile(fromQt(path("old.bristle")), old));
  QString told;
  QObject::connect(&work(), &Work::told, &work(), [&](const QString& message) { told = message; });
  ASSERT_TRUE(window->files().open(path("old.bristle")));
  EXPECT_TRUE(told.contains(QStringLiteral("earlier Bristle"))) << fromQt(told);
  EXPECT_FALSE(work().readOnly());
  EXPECT_TRUE(work().saved());
  EXPECT_EQ(text("old.bristle"), old);
  change();
  ASSERT_TRUE(window->files().save());
  EXPECT_NE(text("old.bristle").find("\"format\": 2"), std::string::npos);
}

TEST_F(FilesInWindow, APlaceThatCannotBeWrittenLosesNothing) {
  change();
  QString asked;
  answer(QStringLiteral("OK"), &asked);
  EXPECT_FALSE(window->files().saveAs(QStringLiteral("/proc/nowhere/a.bristle")));
  EXPECT_TRUE(asked.contains(QStringLiteral("cannot be written")));
  EXPECT_FALSE(work().saved());
  EXPECT_EQ(project().screens.size(), 1U);
}

TEST_F(FilesInWindow, TheWindowRemembersItsSizeBenchAndLight) {
  window->resize(1150, 720);
  window->openBench(QStringLiteral("route"));
  ASSERT_TRUE(window->close());
  open();
  EXPECT_EQ(window->size(), QSize(1150, 720));
  EXPECT_TRUE(window->bench(QStringLiteral("route"))->isVisible());
}

}  // namespace
}  // namespace bristle
