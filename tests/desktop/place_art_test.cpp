// Panels and pictures on the Place bench: what fills them, how they fit, and art taken apart.
#include <QFile>
#include <QTemporaryDir>

#include "place_fixture.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

class PlaceArt : public PlaceBenchTest {
 protected:
  template <class Data>
  ItemId add(Data data) {
    Item it;
    it.place = {{Pin::Start, 100, 400, 0}, {Pin::Start, 100, 200, 0}};
    it.what = std::move(data);
    EXPECT_TRUE(work().perform(addItem(screenId(), "add", std::move(it))));
    for (const auto& each : project().screens[0]->items)
      if (std::holds_alternative<Data>(each->what)) return each->id;
    return {};
  }
  template <class Data>
  const Data& data(const ItemId& id) {
    return std::get<Data>(item(id).what);
  }
};

TEST_F(PlaceArt, APanelBlursWhatLiesBelow) {
  const ItemId id = add(PanelData{Fill::solid({255, 255, 255, 80}), 8});
  work().pickItems({id});
  fill(QStringLiteral("Blur below"), QStringLiteral("24"));
  EXPECT_EQ(data<PanelData>(id).blur, 24);
  fill(QStringLiteral("Blur below"), QStringLiteral("900"));
  EXPECT_LE(data<PanelData>(id).blur, kMostBlur);
  while (data<PanelData>(id).blur != 0 && work().history().canUndo()) work().undo();
  EXPECT_EQ(data<PanelData>(id).radius, 8) << "the panel itself is still there";
}

TEST_F(PlaceArt, APictureKeepsItsFocalPointInSight) {
  const ItemId id = add(PictureData{"art/a.svg"});
  work().pickItems({id});
  choose(QStringLiteral("Fit"), int(PictureFit::Contain));
  fill(QStringLiteral("Focal point, x"), QStringLiteral("25"));
  EXPECT_EQ(data<PictureData>(id).fit, PictureFit::Contain);
  EXPECT_EQ(data<PictureData>(id).focusX, 0.25);
  EXPECT_EQ(data<PictureData>(id).focusY, 0.5);
  EXPECT_FALSE(data<PictureData>(id).turns);
  click(QStringLiteral("Turned over where one reads from the right"));
  EXPECT_TRUE(data<PictureData>(id).turns);
  work().undo();
  EXPECT_FALSE(data<PictureData>(id).turns);
}

TEST_F(PlaceArt, AnSvgIsTakenApartIntoItsGroups) {
  QTemporaryDir folder;
  QFile svg(folder.filePath(QStringLiteral("boat.svg")));
  ASSERT_TRUE(svg.open(QIODevice::WriteOnly));
  svg.write(R"(<svg xmlns="http://www.w3.org/2000/svg" width="400" height="200">
    <g id="hull"><rect x="40" y="100" width="300" height="80" fill="#ff0000"/></g>
    <g id="tower"><rect x="160" y="40" width="60" height="60" fill="#0000ff"/></g></svg>)");
  svg.close();
  work().setFolder(folder.path());
  const ItemId id = add(PictureData{"boat.svg"});
  work().pickItems({id});
  const char* command = "Take the picked picture apart into the groups of its SVG";
  run(command);
  ASSERT_TRUE(item(id).container());
  const auto parts =
      std::count_if(project().screens[0]->items.begin(), project().screens[0]->items.end(),
                    [&](const auto& each) { return each->parent == id; });
  EXPECT_EQ(parts, 2);
  for (const auto& each : project().screens[0]->items)
    if (each->name == "tower") EXPECT_EQ(boxOf(each->id), (Box{260, 140, 60, 60}));
  const size_t steps = work().history().now().screens[0]->items.size();
  run(command);
  EXPECT_EQ(project().screens[0]->items.size(), steps)
      << "a container is no picture: told, not done";
  work().undo();
  EXPECT_EQ(data<PictureData>(id).file, "boat.svg");
}

}  // namespace
}  // namespace bristle
