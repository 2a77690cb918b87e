// The log: where it goes, what it may hold, and that it stays small.
#include <spdlog/spdlog.h>

#include <QDir>

#include "desktop/window_fixture.h"
#include "log/log.h"

namespace bristle {
namespace {

class Log : public test::WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    before_ = spdlog::default_logger();
    state_ = qgetenv("XDG_STATE_HOME");
    qputenv("XDG_STATE_HOME", fromQt(path("state")).c_str());
  }
  void TearDown() override {
    spdlog::set_default_logger(before_);
    qputenv("XDG_STATE_HOME", state_);
    WindowTest::TearDown();
  }
  QString text() {
    spdlog::default_logger()->flush();
    return toQt(*readFile(fromQt(path("state/bristle/log/bristle.log"))));
  }
  // A session in which things with names of a person's own are opened, changed, refused and saved.
  void workALittle() {
    const std::string demo = *readFile(test::sourcePath("data/demo/saltglass-deep.bristle"));
    QDir(folder.path()).mkdir(QStringLiteral("secret-place"));
    const QString file = path("secret-place/private.bristle");
    ASSERT_TRUE(writeFile(fromQt(file), demo));
    ASSERT_TRUE(window->files().open(file));
    ASSERT_TRUE(work().perform(addScreen("Hidden plans")));
    work().perform(renameScreen(project().screens.back()->id, "Hull bay"));  // refused
    ASSERT_TRUE(window->files().save());
  }

 private:
  std::shared_ptr<spdlog::logger> before_;
  QByteArray state_;
};

TEST_F(Log, HoldsNothingOfAPersonsWork) {
  startLog(false);
  workALittle();
  const QString all = text();
  EXPECT_TRUE(all.contains(QStringLiteral("opened a project of 13 kinds"))) << fromQt(all);
  EXPECT_TRUE(all.contains(QStringLiteral("saved")));
  for (const char* own : {"secret-place", "private", "Hidden plans", "Hull bay", "Saltglass"})
    EXPECT_FALSE(all.contains(QLatin1String(own))) << own << " in " << fromQt(all);
}

TEST_F(Log, VerboseTellsMore) {
  startLog(true);
  workALittle();
  EXPECT_TRUE(text().contains(QStringLiteral("private.bristle")));
}

TEST_F(Log, StaysSmall) {
  startLog(false);
  const std::string line(1000, 'x');
  for (int i = 0; i < 6000; ++i) spdlog::info(line);
  qint64 sum = 0;
  for (const QFileInfo& file : QDir(path("state/bristle/log")).entryInfoList(QDir::Files))
    sum += file.size();
  EXPECT_GT(sum, 2'000'000);
  EXPECT_LT(sum, 4'300'000);
}

TEST_F(Log, APlaceThatCannotBeWrittenKeepsNobodyFromWorking) {
  qputenv("XDG_STATE_HOME", "/proc/nowhere");
  startLog(false);
  spdlog::info("into nothing");
  workALittle();
}

}  // namespace
}  // namespace bristle
