// Pictures that are placed: how they fit, what stays in sight, and the groups of one SVG.
#include <gtest/gtest.h>

#include <QFile>
#include <QTemporaryDir>

#include "core/edit/art_edits.h"
#include "paint/fonts.h"
#include "paint/screen_painter.h"
#include "paint/svg_pieces.h"
#include "runtime/document/tree.h"
#include "screen_picture.h"
#include "support/menus.h"

namespace bristle {
namespace {

TEST(Fitting, KeepsTheFocusInSight) {
  PictureLook look;
  look.fit = "cover";
  const QRectF box(100, 50, 200, 100);
  // Twice as wide as the box at its height: cut at both sides, or at the one far from the focus.
  EXPECT_EQ(fitted(box, {400, 100}, look), QRectF(0, 50, 400, 100));
  look.focus = {0, 0.5};
  EXPECT_EQ(fitted(box, {400, 100}, look), QRectF(100, 50, 400, 100)) << "its left edge is seen";
  look.focus = {0.4, 0.5};
  EXPECT_EQ(fitted(box, {400, 100}, look), QRectF(40, 50, 400, 100)) << "the focus in the middle";
  look.focus = {1, 0.5};
  EXPECT_EQ(fitted(box, {400, 100}, look), QRectF(-100, 50, 400, 100));
  // Half as wide as the box: there is room beside it.
  look.fit = "contain";
  look.focus = {0.5, 0.5};
  EXPECT_EQ(fitted(box, {100, 100}, look), QRectF(150, 50, 100, 100));
  look.focus = {1, 0};
  EXPECT_EQ(fitted(box, {100, 100}, look), QRectF(200, 50, 100, 100));
  look.fit = "whole";
  EXPECT_EQ(fitted(box, {100, 100}, look), box);
}

struct Drawn {
  Drawn() {
    QFile svg(folder.filePath(QStringLiteral("boat.svg")));
    EXPECT_TRUE(svg.open(QIODevice::WriteOnly));
    svg.write(R"(<svg xmlns="http://www.w3.org/2000/svg" width="400" height="200"
      viewBox="0 0 400 200"><g id="hull"><rect x="40" y="100" width="300" height="80"
      fill="#ff0000"/></g><g id="nothing"/><g id="tower"><rect x="160" y="40" width="60"
      height="60" fill="#0000ff"/></g></svg>)");
    svg.close();
    Screen& screen = *edit(project, project.screens[0]->id);
    screen.items.clear();
    Item art;
    art.id = {"art"};
    art.place = {{Pin::Start, 100, 800, 0}, {Pin::Start, 60, 400, 0}};
    art.what = PictureData{.file = "boat.svg", .fit = PictureFit::Contain};
    screen.items.emplace_back(art);
    looks.pictures().setFolder(folder.path());
  }
  QImage draw() { return test::firstScreen(project, looks, tables); }
  QTemporaryDir folder;
  Project project = test::columnMenu({"Dive"});
  LookPainter looks;
  LookTables tables;
};

TEST(SvgPieces, AreTheGroupsThatDrawSomething) {
  Drawn d;
  const auto pieces = piecesOf(d.folder.filePath(QStringLiteral("boat.svg")).toStdString());
  ASSERT_TRUE(pieces) << pieces.error().text();
  ASSERT_EQ(pieces->size(), 2U);
  EXPECT_EQ((*pieces)[0].group, QStringLiteral("hull"));
  EXPECT_EQ((*pieces)[0].box, QRectF(40, 100, 300, 80));
  EXPECT_EQ((*pieces)[1].box, QRectF(160, 40, 60, 60));
  EXPECT_FALSE(piecesOf(d.folder.filePath(QStringLiteral("gone.svg")).toStdString()));
  EXPECT_FALSE(piecesOf(test::sourcePath("README.md")));
}

TEST(SvgPieces, TakenApartThePictureLooksTheSame) {
  Drawn d;
  const QImage before = d.draw();
  EXPECT_EQ(before.pixelColor(200, 300), QColor(Qt::red));
  const ScreenId screen = d.project.screens[0]->id;
  // The document is seen at twice its size.
  const std::vector<ArtPiece> pieces{{"hull", "boat.svg#hull", {80, 200, 600, 160}},
                                     {"tower", "boat.svg#tower", {320, 80, 120, 120}}};
  d.project = test::after(d.project, takeApart(screen, {"art"}, {800, 400}, pieces));
  ASSERT_EQ(d.project.screens[0]->items.size(), 3U);
  EXPECT_EQ(d.project.screens[0]->items[1]->parent, ItemId{"art"});
  EXPECT_EQ(d.project.screens[0]->items[0]->name, "boat");
  EXPECT_EQ(d.draw(), before);
  EXPECT_TRUE(d.looks.pictures().takeProblems().empty());
}

// Where one reads from the right: the picture of the mirrored layout, in one piece or in many.
TEST(SvgPieces, APictureIsTurnedOverWhereOneReadsFromTheRight) {
  Drawn d;
  const ScreenId screen = d.project.screens[0]->id;
  auto& art = std::get<PictureData>(edit(d.project, screen)->items[0].edit().what);
  art.fit = PictureFit::Cover;
  edit(d.project, screen)->items[0].edit().place.x.size = 400;
  art.focusX = 0;
  const QImage read = d.draw();
  Language arabic{.id = {"ar"}, .tag = "ar", .name = "Arabic", .rightToLeft = true};
  d.project.languages = {arabic};
  EXPECT_NE(d.draw(), read.mirrored(true, false)) << "as drawn, unless it is to be turned";
  std::get<PictureData>(edit(d.project, screen)->items[0].edit().what).turns = true;
  EXPECT_EQ(d.draw(), read.mirrored(true, false));
  d.project = test::after(d.project, takeApart(screen, {"art"}, {400, 400},
                                               {{"hull", "boat.svg#hull", {80, 200, 600, 160}},
                                                {"tower", "boat.svg#tower", {320, 80, 120, 120}}}));
  EXPECT_EQ(d.draw(), read.mirrored(true, false));
}

// What covered its box, and was cut there, still is.
TEST(SvgPieces, TakenApartNothingShowsThatWasCutOff) {
  Drawn d;
  const ScreenId screen = d.project.screens[0]->id;
  Item& art = edit(d.project, screen)->items[0].edit();
  art.place.x.size = 200;
  std::get<PictureData>(art.what).fit = PictureFit::Cover;
  const QImage before = d.draw();
  EXPECT_NE(before.pixelColor(80, 300), QColor(Qt::red)) << "beside its box";
  EXPECT_EQ(before.pixelColor(110, 300), QColor(Qt::red));
  d.project = test::after(d.project, takeApart(screen, {"art"}, {200, 400},
                                               {{"hull", "boat.svg#hull", {-220, 200, 600, 160}},
                                                {"tower", "boat.svg#tower", {20, 80, 120, 120}}}));
  EXPECT_EQ(d.draw(), before);
}

TEST(SvgPieces, OnlyAPictureWithGroupsIsTakenApart) {
  Drawn d;
  const ScreenId screen = d.project.screens[0]->id;
  EXPECT_FALSE(takeApart(screen, {"art"}, {1, 1}, {}).apply(d.project));
  EXPECT_FALSE(takeApart(screen, {"gone"}, {1, 1}, {{"a", "b", {}}}).apply(d.project));
}

}  // namespace
}  // namespace bristle
