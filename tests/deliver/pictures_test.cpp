#include "deliver/pictures.h"
#include "deliver/sheets.h"

#include <gmock/gmock.h>

#include <nlohmann/json.hpp>
#include <set>

#include "core/edit/kind_edits.h"
#include "core/edit/language_edits.h"
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

Result<std::vector<MadeFile>> made(Result<LaterFiles> later) {
  if (!later) return tl::unexpected(later.error());
  return later->wait();
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
  const auto done = made(makePictures(twoKinds(), looks, {}));
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
    const auto done = made(makeSheets(twoKinds(), looks, {.scale = 2, .trim = trim}));
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

// The picture that an item has in a state, by what the index says.
const nlohmann::json* pictureOf(const nlohmann::json& index, const ItemId& item,
                                const StateId& state) {
  for (const auto& entry : index["pictures"])
    for (const auto& use : entry.value("placed", nlohmann::json::array()))
      if (use["item"] == item.text && entry.value("state", "") == state.text) return &entry;
  return nullptr;
}

TEST(Deliver, WhatIsPlacedLooksAsItDoesThere) {
  Project p = test::columnMenu({"Dive", "Surface", "Dive"});
  const auto ids = test::buttons(p);
  const Machine& machine = *find(p, p.kinds[0]->machine);
  LookPainter looks;
  const auto done = made(makePictures(p, looks, {.placed = true}));
  ASSERT_TRUE(done) << done.error().text();
  const auto index = jsonOf(*done, "index.json");
  for (const ItemId& id : ids)
    for (const State& state : machine.states)
      EXPECT_TRUE(pictureOf(index, id, state.id)) << id.text << " " << state.name;
  const auto& rest = machine.states[0].id;
  EXPECT_EQ(pictureOf(index, ids[0], rest), pictureOf(index, ids[2], rest)) << "drawn once";
  EXPECT_NE(pictureOf(index, ids[0], rest), pictureOf(index, ids[1], rest));
  std::set<std::string> names;
  for (const auto& entry : index["pictures"])
    EXPECT_TRUE(names.insert(entry["name"]).second) << entry["name"];
}

// Two languages whose tags differ in capitals alone, and a state that is called like a change.
TEST(Deliver, NamesOfPlacedPicturesAndStripsAreToldApart) {
  Project p = test::columnMenu({"Dive"});
  p = test::after(p, addLanguage("sr-Latn", "One"));
  p = test::after(p, addLanguage("sr-latn", "Other"));
  Item& item = *edit(*edit(p, p.screens[0]->id), test::buttons(p)[0]);
  setWords(p.languages, item.button()->caption, p.languages[1].id, "Eins");
  setWords(p.languages, item.button()->caption, p.languages[2].id, "Zwei");
  Machine& machine = *edit(p, p.machines[0]->id);
  machine.states.back().name = machine.states[0].name + " to " + machine.states[1].name;
  LookPainter looks;
  const auto done = made(makePictures(p, looks, {.placed = true, .frames = 10}));
  ASSERT_TRUE(done) << done.error().text();
  std::set<std::string> paths;
  for (const MadeFile& file : *done) EXPECT_TRUE(paths.insert(file.path).second) << file.path;
}

// As the painter of looks has it at that moment, frame by frame.
TEST(Deliver, StripsHoldTheWayFromStateToState) {
  const Project p = test::columnMenu({"Dive"});
  const Kind& kind = *p.kinds[0];
  const Machine& machine = *find(p, kind.machine);
  LookPainter looks;
  const auto done = made(makePictures(p, looks, {.frames = 25}));
  ASSERT_TRUE(done) << done.error().text();
  const auto index = jsonOf(*done, "index.json");
  int strips = 0;
  for (const auto& entry : index["pictures"]) {
    if (!entry.contains("strip")) continue;
    ++strips;
    const auto& strip = entry["strip"];
    EXPECT_EQ(strip["every"], 40);
    const QImage image = imageOf(*done, index["pages"][entry["page"].get<size_t>()]["file"]);
    const int w = strip["w"], h = strip["h"], across = strip["across"], n = strip["frames"];
    EXPECT_EQ(image.width(), w * across);
    EXPECT_GE(image.height() / h * across, n);
    const auto frame = [&](int i) { return image.copy(i % across * w, i / across * h, w, h); };
    const auto rest = [&](const std::string& state) {
      for (size_t s = 0; s < machine.states.size(); ++s)
        if (machine.states[s].id.text == state)
          return *bristle::pictureOf(kind, LookTable(kind, machine, naming(p)), StateIndex(s),
                                     looks);
      return QImage();
    };
    const auto same = [](const QImage& a, const QImage& b) {
      return a.convertToFormat(QImage::Format_ARGB32) == b.convertToFormat(QImage::Format_ARGB32);
    };
    EXPECT_TRUE(same(frame(0), rest(strip["from"]))) << entry["name"];
    EXPECT_TRUE(same(frame(n - 1), rest(entry["state"]))) << entry["name"];
  }
  EXPECT_GT(strips, 5);
}

// Stretched by its slices a picture is the one that a longer button has.
TEST(Deliver, SlicesSayWhatCanBeStretched) {
  Project p = test::columnMenu({"Dive"});
  const auto drawn = [&](const Project& of) {
    LookPainter looks;
    const auto done = made(makePictures(of, looks, {.captions = false}));
    const auto index = jsonOf(*done, "index.json");
    return std::pair(imageOf(*done, index["pages"][0]["file"]), index["pictures"][0]);
  };
  const auto [small, entry] = drawn(p);
  edit(p, p.kinds[0]->id)->width += 100;
  const QImage large = drawn(p).first;
  ASSERT_TRUE(entry.contains("slices")) << entry.dump();
  const int left = entry["slices"]["left"], right = entry["slices"]["right"];
  ASSERT_EQ(large.width(), small.width() + 100);
  EXPECT_LT(left + right, small.width() - 4);
  const auto near = [](QColor a, QColor b) {
    return std::abs(a.red() - b.red()) <= 2 && std::abs(a.green() - b.green()) <= 2 &&
           std::abs(a.blue() - b.blue()) <= 2 && std::abs(a.alpha() - b.alpha()) <= 2;
  };
  int wrong = 0;
  for (int y = 0; y < large.height(); ++y)
    for (int x = 0; x < large.width(); ++x) {
      const int from = x < left ? x : x >= large.width() - right ? x - 100 : left;
      wrong += !near(large.pixelColor(x, y), small.pixelColor(from, y));
    }
  EXPECT_EQ(wrong, 0);
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
