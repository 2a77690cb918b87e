// Fonts that a project carries along.
#include "paint/project_fonts.h"

#include <gtest/gtest.h>

#include <QDir>
#include <QFile>
#include <QFontDatabase>
#include <QTemporaryDir>

#include "paint/fonts.h"
#include "support/menus.h"

namespace bristle {
namespace {

constexpr const char* kFamily = "Jura";

TEST(ProjectFonts, AreThereWhileTheProjectIsOpen) {
  const QString demo = QString::fromStdString(test::sourcePath("data/demo"));
  ASSERT_FALSE(fontFilesOf(demo).isEmpty());
  // Where the machine has it installed, nothing can be seen of its coming and going.
  const bool installed = standInFor(kFamily).isEmpty();
  EXPECT_TRUE(useFontsOf(demo).isEmpty());
  EXPECT_TRUE(standInFor(kFamily).isEmpty());
  EXPECT_TRUE(useFontsOf(demo).isEmpty()) << "again the same";
  EXPECT_TRUE(standInFor(kFamily).isEmpty());
  useFontsOf({});
  EXPECT_EQ(standInFor(kFamily).isEmpty(), installed);
}

TEST(ProjectFonts, ABrokenFileIsTold) {
  QTemporaryDir folder;
  QDir(folder.path()).mkdir(QStringLiteral("fonts"));
  QFile broken(folder.filePath(QStringLiteral("fonts/broken.ttf")));
  ASSERT_TRUE(broken.open(QIODevice::WriteOnly));
  broken.write("no font");
  broken.close();
  EXPECT_EQ(useFontsOf(folder.path()), QStringList{QStringLiteral("fonts/broken.ttf")});
  useFontsOf({});
}

}  // namespace
}  // namespace bristle
