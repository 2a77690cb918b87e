#include "deliver/pictures.h"

#include <gmock/gmock.h>

#include <QDir>
#include <QTemporaryDir>
#include <nlohmann/json.hpp>

#include "core/edit/kind_edits.h"
#include "core/formats/file_io.h"
#include "paint/convert.h"
#include "support/menus.h"

namespace bristle {
namespace {

TEST(FileNames, AreSafeEverywhereAndUnique) {
  std::vector<std::string> taken;
  EXPECT_EQ(safeFileName("Hatch slab", taken), "hatch-slab");
  EXPECT_EQ(safeFileName("HATCH / slab!", taken), "hatch-slab-2");
  EXPECT_EQ(safeFileName("../../etc/passwd", taken), "etc-passwd");
  EXPECT_EQ(safeFileName("", taken), "unnamed");
  EXPECT_EQ(safeFileName("戻る", taken), "unnamed-2");
  EXPECT_EQ(safeFileName("CON", taken), "con-1");
  EXPECT_EQ(safeFileName("lpt1", taken), "lpt1-1");
  EXPECT_LE(safeFileName(std::string(500, 'x'), taken).size(), 60U);
}

TEST(Deliver, WritesEveryStateOfEveryKindInOneSizeWithAnIndex) {
  const QTemporaryDir folder;
  const std::string out = fromQt(folder.path()) + "/pictures";
  History h(test::columnMenu({"a"}));
  test::must(h, addKind("Entry two", Wins::Focused));
  LookPainter looks;
  const auto done = deliverPictures(h.now(), looks, out);
  ASSERT_TRUE(done) << done.error().text();
  EXPECT_EQ(done->size(), 10U);
  const auto index = nlohmann::json::parse(*readFile(out + "/index.json"));
  ASSERT_EQ(index["pictures"].size(), 10U);
  for (const auto& entry : index["pictures"]) {
    const QImage image(toQt(out + "/" + entry["file"].get<std::string>()));
    ASSERT_FALSE(image.isNull()) << entry["file"];
    EXPECT_EQ(image.width(), entry["width"]);
    EXPECT_EQ(image.height(), entry["height"]);
    const auto box = [&](const char* key) { return entry["box"][key].get<double>(); };
    const QPoint middle(int(box("x") + box("w") / 2), int(box("y")) + 6);
    EXPECT_GT(image.pixelColor(middle).alpha(), 200) << "the box is where the index says";
  }
  EXPECT_EQ(index["pictures"][0]["file"], "entry.normal.png");
}

TEST(Deliver, CanBeStoppedAndTellsWhatCannotBeWritten) {
  const QTemporaryDir folder;
  LookPainter looks;
  const Project p = test::columnMenu({"a"});
  const auto stopped = deliverPictures(p, looks, fromQt(folder.path()) + "/a",
                                       {.progress = [](int at, int) { return at < 2; }});
  ASSERT_FALSE(stopped);
  EXPECT_FALSE(QFile::exists(folder.filePath(QStringLiteral("a/index.json"))))
      << "an index names only what is there";
  EXPECT_FALSE(deliverPictures(p, looks, "/proc/nowhere"));
}

}  // namespace
}  // namespace bristle
