// The Shape bench's pages, and kinds from files: libraries, names, carrying over, cutting,
// pictures.
#include <QScrollArea>
#include <QScrollBar>
#include "core/edit/kind_edits.h"

#include "shape_fixture.h"

namespace bristle::test {
namespace {

TEST_F(Shape, AValueGetsANameOnTheCardAndChangesInOnePlace) {
  clickCell(key(0, Prop::Fill), 0);
  fill(QStringLiteral("Name it"), QStringLiteral("body.plain"));
  ASSERT_EQ(project().named->size(), 1U);
  EXPECT_EQ(cell(key(0, Prop::Fill), 0).data().toString(), QStringLiteral("body.plain"));
  run("Named values");
  auto* table = named<QTableWidget>(QStringLiteral("Named values"));
  ASSERT_NE(table, nullptr);
  EXPECT_EQ(table->item(0, 4)->text(), QStringLiteral("1"));
  table->setCurrentCell(0, 2);
  table->editItem(table->item(0, 2));
  auto* editor = qobject_cast<QLineEdit*>(QApplication::focusWidget());
  ASSERT_NE(editor, nullptr);
  editor->selectAll();
  QTest::keyClicks(editor, QStringLiteral("#20c040"));
  QTest::keyClick(editor, Qt::Key_Return);
  QCoreApplication::processEvents();  // the commit is queued
  EXPECT_EQ(project().named->front().value, Value(Colour{0x20, 0xc0, 0x40, 255}));
  fill(QStringLiteral("New name"), QStringLiteral("other"));
  ASSERT_EQ(project().named->size(), 2U);
  table->setCurrentCell(0, 0);
  choose(QStringLiteral("What takes its place"), 1);
  click(QStringLiteral("Remove"));
  ASSERT_EQ(project().named->size(), 1U);
  EXPECT_EQ(usesOf(project(), project().named->front().id).size(), 1U) << "replaced";
  click(QStringLiteral("Back to the wall"));
  EXPECT_EQ(cell(key(0, Prop::Fill), 0).data().toString(), QStringLiteral("other"));
}

TEST_F(Shape, PicturesDroppedOnTheBenchBecomeKinds) {
  save();
  QImage image(50, 30, QImage::Format_RGB32);
  image.fill(Qt::darkGreen);
  image.save(path("leaf.png"));
  QMimeData data;
  data.setUrls({QUrl::fromLocalFile(path("leaf.png"))});
  QDragEnterEvent enter(QPoint(200, 200), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
  QApplication::sendEvent(&bench(), &enter);
  EXPECT_TRUE(enter.isAccepted());
  QDropEvent drop(QPointF(200, 200), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
  QApplication::sendEvent(&bench(), &drop);
  ASSERT_EQ(project().kinds.size(), 2U);
  EXPECT_EQ(kind(1).name, "leaf");
  EXPECT_GT(count(tile(1), QColor(Qt::darkGreen)), 300);
}

TEST_F(Shape, TokensComeInAndGoOut) {
  run("Named values");
  auto* named = page<NamedPage>();
  ASSERT_NE(named, nullptr);
  QFile file(path("in.tokens.json"));
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  file.write(
      R"({"sea": {"$type": "color", "deep": {"$value": "#102030"}, "line": {"$type": "strokeStyle", "$value": "dotted"}}})");
  file.close();
  EXPECT_TRUE(named->importTokens(path("in.tokens.json")));
  ASSERT_EQ(project().named->size(), 1U);
  EXPECT_EQ(project().named->front().name, "sea.deep");
  EXPECT_TRUE(named->exportTokens(path("out.tokens.json")));
  QFile out(path("out.tokens.json"));
  ASSERT_TRUE(out.open(QIODevice::ReadOnly));
  const auto again = parseTokens(out.readAll().toStdString());
  ASSERT_TRUE(again);
  EXPECT_EQ(again->kept, std::vector<std::string>{"sea.line"}) << "kept though it is not used";
  QFile bad(path("bad.tokens.json"));
  ASSERT_TRUE(bad.open(QIODevice::WriteOnly));
  bad.write(R"({"a": {"$type": "color", "$value": "{a}"}})");
  bad.close();
  const Project before = project();
  EXPECT_FALSE(named->importTokens(path("bad.tokens.json")));
  EXPECT_TRUE(equal(project(), before));
}

TEST_F(Shape, AReadyMadeKindIsTakenByKeyboard) {
  run("Ready-made kinds and libraries");
  auto* list = named<QListWidget>(QStringLiteral("Kinds of the library"));
  ASSERT_NE(list, nullptr);
  ASSERT_GE(list->count(), 12);
  list->setFocus();
  QTest::keyClick(list, Qt::Key_Right);
  QTest::keyClick(list, Qt::Key_Return);
  ASSERT_EQ(project().kinds.size(), 2U);
  EXPECT_EQ(kind(1).name, fromQt(list->item(1)->text()));
  EXPECT_EQ(work().picked().kind, kind(1).id);
  EXPECT_TRUE(check(project()).empty());
}

TEST_F(Shape, ReadyMadeKindsAreWholeInEveryState) {
  const Project library = LibraryPage::readyMade();
  ASSERT_GE(library.kinds.size(), 12U);
  EXPECT_TRUE(check(library).empty());
  LookPainter looks;
  for (const auto& each : library.kinds) {
    const Machine& machine = *find(library, each->machine);
    const LookTable table(*each, machine, naming(library));
    for (size_t a = 0; a < machine.states.size(); ++a) {
      if (machine.states[a].role == Role::None) continue;  // passed through in no time
      for (size_t b = 0; b < a; ++b)
        EXPECT_NE(table.state(StateIndex(a)), table.state(StateIndex(b)))
            << each->name << ": " << machine.states[a].name << " and " << machine.states[b].name;
    }
  }
}

TEST_F(Shape, ALibraryIsSavedOpenedAndItsConflictsAnswered) {
  run("Ready-made kinds and libraries");
  auto* library = page<LibraryPage>();
  ASSERT_NE(library, nullptr);
  ASSERT_TRUE(library->saveLibrary(path("mine.bristle"), false));
  ASSERT_TRUE(
      work().perform(setLook(kind().id, {Column{}}, key(0, Prop::BorderWidth), Value(9.0))));
  ASSERT_TRUE(library->openLibrary(path("mine.bristle")));
  QCoreApplication::processEvents();
  choose(QStringLiteral("What becomes of Hatch"), 2);
  click(QStringLiteral("Take into this project"));
  EXPECT_EQ(project().kinds.size(), 1U);
  EXPECT_EQ(baseValue(kind(), key(0, Prop::BorderWidth)), Value(1.0)) << "theirs took its place";
  QFile bad(path("bad.bristle"));
  ASSERT_TRUE(bad.open(QIODevice::WriteOnly));
  bad.write("{]");
  bad.close();
  run("Ready-made kinds and libraries");
  EXPECT_FALSE(page<LibraryPage>()->openLibrary(path("bad.bristle")));
}

TEST_F(Shape, LooksAreCarriedOverToChosenKindsInOneStep) {
  ASSERT_TRUE(work().perform(addKind("Other", Wins::Hover)));
  ASSERT_TRUE(work().perform(
      setLook(kind().id, {StateId{"hover"}}, key(0, Prop::Fill), Fill::solid({9, 9, 9, 255}))));
  run("Carry over to other kinds");
  auto* targets = named<QListWidget>(QStringLiteral("Targets"));
  ASSERT_NE(targets, nullptr);
  const QPixmap picture = named<QLabel>(QStringLiteral("Before and after"))->pixmap();
  EXPECT_GT(count(picture.toImage(), QColor(9, 9, 9)), 100) << "nothing is chosen yet";
  const QWidget* area = bench().card();
  while (area && !qobject_cast<const QScrollArea*>(area)) area = area->parentWidget();
  ASSERT_NE(area, nullptr);
  QCoreApplication::processEvents();
  EXPECT_EQ(qobject_cast<const QScrollArea*>(area)->verticalScrollBar()->maximum(), 0)
      << "a page says little on the card";
  targets->setFocus();
  targets->setCurrentRow(0);
  QTest::keyClick(targets, Qt::Key_Space);
  const Project before = project();
  click(QStringLiteral("Carry over"));
  EXPECT_EQ(toText(valueIn(kind(1), StateId{"hover"}, {kind(1).parts[0].id, Prop::Fill})),
            "#090909");
  work().undo();
  EXPECT_TRUE(equal(project(), before));
}

TEST_F(Shape, ButtonsAreCutFromFlatArt) {
  save();
  // Two plates on a plain ground, lit in the second picture.
  const auto sheet = [&](const char* name, QColor plate, QSize size = {320, 180}) {
    QImage image(size, QImage::Format_RGB32);
    image.fill(QColor(30, 40, 50));
    QPainter p(&image);
    p.fillRect(40, 30, 120, 40, plate);
    p.fillRect(40, 100, 120, 40, plate);
    p.end();
    image.save(path(name));
    return path(name);
  };
  const QStringList sheets{sheet("menu-normal.png", QColor(200, 60, 40)),
                           sheet("menu-hover.png", QColor(250, 160, 40))};
  run("Cut buttons from a flat picture");
  auto* page = this->page<CutPage>();
  ASSERT_NE(page, nullptr);
  EXPECT_FALSE(
      page->openSheets(sheets + QStringList{sheet("menu-pressed.png", Qt::red, {320, 170})}))
      << "one differs in size";
  ASSERT_TRUE(page->openSheets(sheets));
  QCoreApplication::processEvents();
  auto* view = named<CutView>(QStringLiteral("Flat picture with the marked buttons"));
  ASSERT_NE(view, nullptr);
  // Drawn roughly; the edges in the picture pull it straight.
  drag(view, view->toWidget({37, 33}), view->toWidget({163, 67}));
  drag(view, view->toWidget({42, 97}), view->toWidget({157, 143}));
  click(QStringLiteral("Make the buttons"));
  ASSERT_EQ(project().kinds.size(), 3U);
  EXPECT_EQ(kind(1).width, 120 * 6);
  EXPECT_EQ(kind(1).height, 40 * 6);
  const Screen& screen = *project().screens.back();
  const auto placed = buttons(project(), project().screens.size() - 1);
  ASSERT_EQ(placed.size(), 2U);
  EXPECT_EQ(findItem(screen, placed[0])->place.x.offset, 40 * 6);
  EXPECT_EQ(findItem(screen, placed[1])->place.y.offset, 100 * 6);
  EXPECT_TRUE(screen.items.front()->locked) << "the rest is the locked background";
  const auto file = std::get<std::string>(seen("hover", {kind(1).parts[0].id, Prop::File}, 1));
  const QImage hover(QDir(folder.path()).filePath(toQt(file)));
  EXPECT_EQ(hover.pixelColor(60, 20), QColor(250, 160, 40));
  const auto& ground = std::get<PictureData>(screen.items.front()->what);
  EXPECT_EQ(QImage(QDir(folder.path()).filePath(toQt(ground.file))).pixelColor(100, 50),
            QColor(30, 40, 50))
      << "the hole is filled from around it";
}

TEST_F(Shape, PicturesDroppedTogetherAreMatchedByTheirNames) {
  save();
  const auto write = [&](const char* name, QSize size) {
    QImage image(size, QImage::Format_RGB32);
    image.fill(Qt::blue);
    image.save(path(name));
    return path(name);
  };
  EXPECT_FALSE(kindsFromFiles(work(), {write("a.png", {40, 20}), write("a-hover.png", {42, 20})}))
      << "a hover picture that is 2 px wider";
  EXPECT_EQ(project().kinds.size(), 1U);
  EXPECT_TRUE(kindsFromFiles(work(), {write("b.png", {40, 20}), write("b-hover.png", {40, 20}),
                                      write("c.png", {60, 30})}));
  ASSERT_EQ(project().kinds.size(), 3U);
  EXPECT_EQ(std::get<std::string>(seen("hover", {kind(1).parts[0].id, Prop::File}, 1)),
            "b-hover.png");
  EXPECT_EQ(kind(2).width, 60);
}

TEST_F(Shape, TheGroupsOfAnSvgBecomeStates) {
  save();
  QFile file(path("bolt.svg"));
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  file.write(R"(<svg xmlns="http://www.w3.org/2000/svg" width="80" height="40" viewBox="0 0 80 40">
    <g id="normal"><rect x="10" y="5" width="60" height="30" fill="#ff0000"/></g>
    <g id="hover"><rect x="10" y="5" width="60" height="30" fill="#00ff00"/></g></svg>)");
  file.close();
  ASSERT_TRUE(kindsFromFiles(work(), {path("bolt.svg")}));
  EXPECT_EQ(kind(1).width, 80);
  EXPECT_EQ(std::get<std::string>(seen("hover", {kind(1).parts[0].id, Prop::File}, 1)),
            "bolt.svg#hover");
  EXPECT_GT(count(tile(1), QColor(255, 0, 0)), 400);
  EXPECT_GT(count(tile(2), QColor(0, 255, 0)), 400);
  QFile evil(path("evil.svg"));
  ASSERT_TRUE(evil.open(QIODevice::WriteOnly));
  evil.write(
      R"(<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="9" height="9"><image xlink:href="file:///etc/hostname" width="9" height="9"/></svg>)");
  evil.close();
  EXPECT_FALSE(kindsFromFiles(work(), {path("evil.svg")}));
  EXPECT_EQ(project().kinds.size(), 2U);
}

TEST_F(Shape, ALibraryCannotReachOutOfItsFolder) {
  save();
  QDir(folder.path()).mkpath(QStringLiteral("lib"));
  QImage image(10, 10, QImage::Format_RGB32);
  image.fill(Qt::red);
  image.save(path("secret.png"));
  image.save(path("lib/own.png"));
  const auto library = [&](const char* file, const char* picture) {
    Project p =
        test::after(emptyProject(), kindFromPictures({"Art", 10, 10, {{Role::Rest, picture}}, {}}));
    QFile out(path(file));
    EXPECT_TRUE(out.open(QIODevice::WriteOnly));
    out.write(QByteArray::fromStdString(writeProject(p)));
  };
  library("lib/bad.bristle", "../secret.png");
  library("lib/good.bristle", "own.png");
  run("Ready-made kinds and libraries");
  ASSERT_TRUE(page<LibraryPage>()->openLibrary(path("lib/bad.bristle")));
  click(QStringLiteral("Take into this project"));
  EXPECT_EQ(project().kinds.size(), 1U) << "nothing is taken";
  ASSERT_TRUE(page<LibraryPage>()->openLibrary(path("lib/good.bristle")));
  click(QStringLiteral("Take into this project"));
  EXPECT_EQ(project().kinds.size(), 2U);
  EXPECT_TRUE(QFile::exists(path("own.png"))) << "its picture came along";
  // The same name for another picture: what is here is not written over.
  image.fill(Qt::blue);
  image.save(path("lib/own.png"));
  library("lib/other.bristle", "own.png");
  run("Ready-made kinds and libraries");
  ASSERT_TRUE(page<LibraryPage>()->openLibrary(path("lib/other.bristle")));
  click(QStringLiteral("Take into this project"));
  EXPECT_EQ(QImage(path("own.png")).pixelColor(5, 5), QColor(Qt::red));
}

TEST_F(Shape, TheDarkSetIsShownAndBadNamesAreRefused) {
  ASSERT_TRUE(work().perform(addNamed(NamedType::Colour, "sea", Colour{250, 250, 250, 255})));
  const NamedId sea = project().named->front().id;
  ASSERT_TRUE(work().perform(setNamed(sea, true, Value(Colour{3, 200, 4, 255}))));
  typeCell(key(0, Prop::Fill), 0, QStringLiteral("sea"));
  EXPECT_EQ(count(tile(1), QColor(3, 200, 4)), 0);
  run("Named values");
  click(QStringLiteral("Show the dark set"));
  EXPECT_TRUE(project().settings.darkSet);
  const Project before = project();
  for (const char* bad : {"sea", "a..b", "{x}", "two words"}) {
    fill(QStringLiteral("New name"), QString::fromLatin1(bad));
    EXPECT_TRUE(equal(project(), before)) << bad;
  }
  click(QStringLiteral("Back to the wall"));
  EXPECT_GT(count(tile(1), QColor(3, 200, 4)), 200) << "the tiles show the dark side";
}

TEST_F(Shape, ASheetOfMarksIsMadeByKeyboard) {
  save();
  QImage image(200, 160, QImage::Format_RGB32);
  image.fill(Qt::gray);
  image.save(path("flat.png"));
  run("Cut buttons from a flat picture");
  ASSERT_TRUE(page<CutPage>()->openSheets({path("flat.png")}));
  QCoreApplication::processEvents();
  auto* view = named<CutView>(QStringLiteral("Flat picture with the marked buttons"));
  view->setFocus();
  QTest::keyClick(view, Qt::Key_Return);
  for (int i = 0; i < 2; ++i) QTest::keyClick(view, Qt::Key_Right, Qt::ControlModifier);
  QTest::keyClick(view, Qt::Key_Down, Qt::ShiftModifier | Qt::ControlModifier);
  QTest::keyClick(view, Qt::Key_Return);
  QTest::keyClick(view, Qt::Key_Delete);
  auto* list = named<QListWidget>(QStringLiteral("Marked buttons"));
  ASSERT_EQ(list->count(), 1);
  list->item(0)->setText(QStringLiteral("Anchor"));
  click(QStringLiteral("Make the buttons"));
  ASSERT_EQ(project().kinds.size(), 2U);
  EXPECT_EQ(kind(1).name, "Anchor");
  const double scale = 1920.0 / 200;
  EXPECT_NEAR(kind(1).width, 40 * scale, 1);
  EXPECT_NEAR(kind(1).height, 30 * scale, 1);
}

}  // namespace
}  // namespace bristle::test
