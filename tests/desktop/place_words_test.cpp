// Lists laid into containers, and the table of words in all languages.
#include <QFile>
#include <QPlainTextEdit>
#include <QTableView>

#include "core/edit/language_edits.h"
#include "core/formats/words.h"
#include "desktop/place/words_page.h"
#include "place_fixture.h"

namespace bristle {
namespace {

class PlaceWords : public PlaceBenchTest {
 protected:
  void SetUp() override {
    PlaceBenchTest::SetUp();
    ids = test::buttons(project());
    column = item(ids[0]).parent;
    ASSERT_TRUE(work().perform(addLanguage("de", "Deutsch")));
    german = project().languages[1].id;
    work().setFolder(folder.path());
  }
  void open() {
    work().pickItems({});
    click(QStringLiteral("Words in all languages…"));
    page = window->findChild<WordsPage*>();
    ASSERT_TRUE(page);
    table = named<QTableView>(QStringLiteral("Words in all languages"));
  }
  QString write(const char* name, const QByteArray& text) {
    QFile file(path(name));
    EXPECT_TRUE(file.open(QIODevice::WriteOnly));
    file.write(text);
    return file.fileName();
  }
  std::string germanOf(const ItemId& id) {
    const auto& others = item(id).button()->caption.others;
    const auto at = others.find(german);
    return at == others.end() ? "" : at->second;
  }
  std::vector<ItemId> ids;
  ItemId column;
  LanguageId german;
  WordsPage* page = nullptr;
  QTableView* table = nullptr;
};

TEST_F(PlaceWords, AListIsLaidIntoThePickedContainerAndBringsItUpToDate) {
  work().pickItems({column});
  canvas().setFocus();
  key(Qt::Key_Insert);
  auto* list = named<QPlainTextEdit>(QStringLiteral("Captions, one a line"));
  ASSERT_TRUE(list->hasFocus());
  EXPECT_TRUE(QTest::qWaitFor([&] { return list->visibleRegion().contains(list->rect()); }))
      << "far down in the card, it has come into view";
  QTest::keyClicks(list, QStringLiteral("key,caption\rfern,Fern\rmoss,Moss"));
  QTest::keyClick(list, Qt::Key_Return, Qt::ControlModifier);
  ASSERT_EQ(test::buttons(project()).size(), 5u);
  const ItemId fern = test::buttons(project())[2];
  EXPECT_EQ(item(fern).parent, column);
  EXPECT_EQ(item(fern).name, "fern");
  EXPECT_TRUE(work().isPicked(column)) << "so that the list can be given again";
  list->setPlainText(QStringLiteral("key,caption\nfern,Tree fern"));
  click(QStringLiteral("Lay into this container"));
  EXPECT_EQ(item(fern).button()->caption.base, "Tree fern");
  EXPECT_EQ(test::buttons(project()).size(), 5u);
  // A wrong one is told, stays to be mended, and changes nothing.
  const std::string undo = work().history().undoName();
  list->setPlainText(QStringLiteral("key,colour\nfern,green"));
  click(QStringLiteral("Lay into this container"));
  EXPECT_EQ(work().history().undoName(), undo);
  EXPECT_FALSE(list->toPlainText().isEmpty());
}

TEST_F(PlaceWords, WordsAreFoundWrittenAndCountedInTheTable) {
  open();
  ASSERT_EQ(table->model()->rowCount(), 3);
  EXPECT_EQ(table->model()->headerData(2, Qt::Horizontal).toString(),
            QStringLiteral("Deutsch · 3 missing"));
  auto* find = named<QLineEdit>(QStringLiteral("Find words"));
  QTest::keyClicks(find, QStringLiteral("two"));
  ASSERT_EQ(table->model()->rowCount(), 1);
  table->setFocus();
  table->setCurrentIndex(table->model()->index(0, 2));
  QTest::keyClick(table, Qt::Key_F2);
  auto* editor = table->findChild<QLineEdit*>();
  ASSERT_TRUE(editor);
  QTest::keyClick(editor, Qt::Key_A, Qt::ControlModifier);
  QTest::keyClicks(editor, QStringLiteral("Zwei"));
  QTest::keyClick(editor, Qt::Key_Return);
  QCoreApplication::processEvents();  // the view takes it over afterwards
  EXPECT_EQ(germanOf(ids[1]), "Zwei");
  EXPECT_EQ(table->model()->headerData(2, Qt::Horizontal).toString(),
            QStringLiteral("Deutsch · 2 missing"));
  find->clear();
  click(QStringLiteral("Only what is missing"));
  EXPECT_EQ(table->model()->rowCount(), 2);
  table->setFocus();
  key(Qt::Key_Escape);
  EXPECT_TRUE(canvas().isVisible());
}

TEST_F(PlaceWords, WordsAreTakenAwayByEmptyingThem) {
  ASSERT_TRUE(work().perform(writeWords(project().languages[1].id, {{ids[0].text + ".caption", {}, "Eins"}}, "write")));
  open();
  ASSERT_EQ(germanOf(ids[0]), "Eins");
  table->setFocus();
  table->setCurrentIndex(table->model()->index(0, 2));
  QTest::keyClick(table, Qt::Key_Delete);
  EXPECT_EQ(germanOf(ids[0]), "");
  EXPECT_EQ(table->model()->rowCount(), 3);
  work().undo();
  EXPECT_EQ(germanOf(ids[0]), "Eins");
  // In the language that the others are written for it goes from all.
  table->setCurrentIndex(table->model()->index(0, 1));
  QTest::keyClick(table, Qt::Key_F2);
  auto* editor = table->findChild<QLineEdit*>();
  ASSERT_TRUE(editor);
  editor->selectAll();
  QTest::keyClick(editor, Qt::Key_Delete);
  QTest::keyClick(editor, Qt::Key_Return);
  QCoreApplication::processEvents();
  EXPECT_EQ(germanOf(ids[0]), "");
  EXPECT_EQ(table->model()->rowCount(), 2);
}

TEST_F(PlaceWords, EnterGoesOnToTheNextWord) {
  open();
  const auto write = [&](const char* words) {
    QTest::keyClicks(table, QString::fromUtf8(words).left(1));  // which opens the editor
    auto* editor = qobject_cast<QLineEdit*>(QApplication::focusWidget());
    ASSERT_TRUE(editor);
    QTest::keyClicks(editor, QString::fromUtf8(words).mid(1));
    QTest::keyClick(editor, Qt::Key_Return);
    QCoreApplication::processEvents();
  };
  table->setFocus();
  table->setCurrentIndex(table->model()->index(0, 2));
  write("Eins");
  write("Zwei");
  write("Drei");
  for (size_t i = 0; i < 3; ++i) {
    const char* const wanted[] = {"Eins", "Zwei", "Drei"};
    EXPECT_EQ(germanOf(ids[i]), wanted[i]);
  }
  for (int i = 0; i < 3; ++i) work().undo();
  click(QStringLiteral("Only what is missing"));
  table->setFocus();
  table->setCurrentIndex(table->model()->index(0, 2));
  write("Erster");
  write("Zweiter");
  EXPECT_EQ(germanOf(ids[0]), "Erster");
  EXPECT_EQ(germanOf(ids[1]), "Zweiter") << "the row that was written stays where it is";
  EXPECT_EQ(table->model()->rowCount(), 3);
}

TEST_F(PlaceWords, TablesAndCataloguesGoOutAndIn) {
  open();
  ASSERT_TRUE(page->exportWords(path("words.csv")));
  QFile csv(path("words.csv"));
  ASSERT_TRUE(csv.open(QIODevice::ReadOnly));
  EXPECT_TRUE(csv.readAll().startsWith("key,where,"));
  const QByteArray key = QByteArray::fromStdString(ids[0].text + ".caption");
  ASSERT_TRUE(page->importWords(write("in.csv", "key,de\n" + key + ",Eins\nb99.caption,x\n")));
  EXPECT_EQ(germanOf(ids[0]), "Eins");
  EXPECT_EQ(work().history().undoName(), "import words");
  // As a sheet saves it: UTF-16 with its mark.
  const QString sixteen = QStringLiteral("\ufeffkey\tde\n%1\tÜber\n").arg(QString::fromUtf8(key));
  ASSERT_TRUE(page->importWords(
      write("sheet.csv",
            QByteArray(reinterpret_cast<const char*>(sixteen.utf16()), sixteen.size() * 2))));
  EXPECT_EQ(germanOf(ids[0]), "Über");
  // A catalogue is of the language that is shown.
  const QByteArray po = "msgctxt \"" + key + "\"\nmsgid \"One\"\nmsgstr \"Erstens\"\n";
  EXPECT_FALSE(page->importWords(write("de.po", po)));
  work().pickLanguage(german);
  ASSERT_TRUE(page->importWords(write("de.po", po)));
  EXPECT_EQ(germanOf(ids[0]), "Erstens");
  ASSERT_TRUE(page->exportWords(path("out.po")));
  QFile out(path("out.po"));
  ASSERT_TRUE(out.open(QIODevice::ReadOnly));
  EXPECT_TRUE(out.readAll().contains("msgstr \"Erstens\""));
}

TEST_F(PlaceWords, FilesThatCannotBeReadAreToldAndChangeNothing) {
  open();
  work().pickLanguage(german);
  const std::string undo = work().history().undoName();
  EXPECT_FALSE(page->importWords(path("none.csv")));
  EXPECT_FALSE(page->importWords(write("latin.csv", "key,de\na,\xfc\n")));
  EXPECT_FALSE(page->importWords(write("columns.csv", "key,fr\na,b\n")));
  EXPECT_FALSE(page->importWords(write("broken.po", "msgid \"a\nmsgstr \"b\"\n")));
  EXPECT_FALSE(page->exportWords(path("no/such/folder.csv")));
  EXPECT_EQ(work().history().undoName(), undo);
}

TEST_F(PlaceWords, KeysOfTheCanvasChangeNothingWhileItIsOutOfSight) {
  open();
  work().pickItems({free});
  const std::string undo = work().history().undoName();
  table->setFocus();
  key(Qt::Key_Delete);
  key(Qt::Key_D, Qt::ControlModifier);
  EXPECT_EQ(work().history().undoName(), undo);
  EXPECT_NE(findItem(*project().screens[0], free), nullptr);
  click(QStringLiteral("Back to the canvas"));
  canvas().setFocus();
  key(Qt::Key_Delete);
  EXPECT_EQ(findItem(*project().screens[0], free), nullptr);
}

TEST_F(PlaceWords, ThePretendLanguageIsWrittenFromThePage) {
  open();
  click(QStringLiteral("Write pretend words"));
  ASSERT_EQ(project().languages.size(), 3u);
  EXPECT_EQ(item(ids[0]).button()->caption.others.at(project().languages[2].id),
            pretendWords("One"));
  EXPECT_EQ(table->model()->columnCount(), 4);
}

}  // namespace
}  // namespace bristle
