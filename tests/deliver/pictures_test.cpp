#include "deliver/pictures.h"
#include "deliver/sheets.h"

#include <gmock/gmock.h>

#include <nlohmann/json.hpp>

#include "core/edit/kind_edits.h"
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

Project twoKinds() {
  History h(test::columnMenu({"a"}));
  test::must(h, addKind("Entry two", Wins::Focused));
  return h.now();
}

nlohmann::json jsonOf(const std::vector<MadeFile>& files, const std::string& path) {
  for (const MadeFile& file : files)
    if (file.path == path) return nlohmann::json::parse(file.bytes);
  return {};
}

QImage imageOf(const std::vector<MadeFile>& files, const std::string& path) {
  for (const MadeFile& file : files)
    if (file.path == path) return QImage::fromData(QByteArray::fromStdString(file.bytes));
  return {};
}

// What the index says of each picture, against the picture.
void holdToIndex(const std::vector<MadeFile>& files, const nlohmann::json& index, double scale) {
  for (const auto& entry : index["pictures"]) {
    const auto& page = index["pages"][entry["page"].get<size_t>()];
    const QImage image = imageOf(files, page["file"]);
    ASSERT_FALSE(image.isNull()) << page["file"];
    EXPECT_EQ(image.width(), page["width"]);
    EXPECT_EQ(image.height(), page["height"]);
    const auto at = [&](const char* what, const char* key) {
      return entry[what][key].get<double>();
    };
    const int x = entry["x"], y = entry["y"], w = entry["w"], h = entry["h"];
    EXPECT_TRUE(image.rect().contains(QRect(x, y, w, h)));
    EXPECT_LE(at("whole", "x") + w, at("whole", "w"));
    EXPECT_EQ(at("box", "w"), 280 * scale);
    const QPoint middle(int(x + at("box", "x") + at("box", "w") / 2),
                        int(y + at("box", "y")) + int(6 * scale));
    EXPECT_GT(image.pixelColor(middle).alpha(), 200) << "the box is where the index says";
  }
}

TEST(Deliver, EveryStateOfEveryKindWithAnIndex) {
  LookPainter looks;
  const auto done = makePictures(twoKinds(), looks, {});
  ASSERT_TRUE(done) << done.error().text();
  const auto index = jsonOf(*done, "index.json");
  ASSERT_EQ(index["pictures"].size(), 10U);
  EXPECT_EQ(done->size(), 11U);
  holdToIndex(*done, index, 1);
  EXPECT_EQ(index["pages"][0]["file"], "entry.normal.png");
}

TEST(Deliver, SheetsHoldThemWithoutOverlap) {
  LookPainter looks;
  for (const bool trim : {false, true}) {
    const auto done = makeSheets(twoKinds(), looks, {.scale = 2, .trim = trim});
    ASSERT_TRUE(done) << done.error().text();
    const auto index = jsonOf(*done, "sheets.json");
    ASSERT_EQ(index["pictures"].size(), 10U);
    EXPECT_EQ(done->size(), index["pages"].size() + 1);
    holdToIndex(*done, index, 2);
    std::vector<std::pair<int, QRect>> placed;
    for (const auto& entry : index["pictures"]) {
      const QRect rect(entry["x"], entry["y"], entry["w"], entry["h"]);
      for (const auto& [page, other] : placed)
        if (page == entry["page"]) {
          EXPECT_FALSE(rect.adjusted(-2, -2, 2, 2).intersects(other));
        }
      placed.emplace_back(entry["page"], rect);
      if (!trim) continue;
      // Nothing that is seen was cut off, and no empty edge stayed.
      const QImage image = imageOf(*done, index["pages"][entry["page"].get<size_t>()]["file"]);
      const auto empty = [&](const QRect& edge) {
        for (int x = edge.left(); x <= edge.right(); ++x)
          for (int y = edge.top(); y <= edge.bottom(); ++y)
            if (image.pixelColor(x, y).alpha() > 0) return false;
        return true;
      };
      EXPECT_FALSE(empty({rect.left(), rect.top(), rect.width(), 1}));
      EXPECT_FALSE(empty({rect.left(), rect.top(), 1, rect.height()}));
    }
  }
}

TEST(Deliver, CanBeStopped) {
  LookPainter looks;
  const auto stopped =
      makeSheets(twoKinds(), looks, {}, [](int done, int of) { return of == 10 && done < 2; });
  ASSERT_FALSE(stopped);
  EXPECT_THAT(stopped.error().text(), testing::HasSubstr("stopped"));
}

}  // namespace
}  // namespace bristle
