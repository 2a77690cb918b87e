// The window on the Shape bench with one kind picked, and what tests do there.
#pragma once
#include <QClipboard>
#include <QDir>
#include <QDragEnterEvent>
#include <QDropEvent>
#include <QMimeData>
#include <set>

#include "core/edit/button_edits.h"
#include "core/edit/kind_edits.h"
#include "core/edit/named_edits.h"
#include "core/edit/state_edits.h"
#include "core/findings/check.h"
#include "core/formats/tokens_file.h"
#include "desktop/place/canvas.h"
#include "desktop/shape/carry_page.h"
#include "desktop/shape/cut_page.h"
#include "desktop/shape/ledger.h"
#include "desktop/shape/library_page.h"
#include "desktop/shape/named_page.h"
#include "desktop/shape/picker.h"
#include "desktop/shape/picture_kinds.h"
#include "desktop/shape/shape_bench.h"
#include "desktop/shape/tile_view.h"
#include "desktop/shape/wall.h"
#include "desktop/work/theme.h"
#include "paint/convert.h"
#include "runtime/formats/project_file.h"
#include "support/menus.h"
#include "window_fixture.h"

namespace bristle::test {

class Shape : public WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    window->openBench(QStringLiteral("shape"));
    ASSERT_TRUE(work().perform(addKind("Hatch", Wins::Hover)));
    work().pickKind(project().kinds[0]->id);
  }
  ShapeBench& bench() { return *static_cast<ShapeBench*>(window->bench(QStringLiteral("shape"))); }
  Ledger& ledger() { return bench().ledger(); }
  const Kind& kind(size_t i = 0) { return *project().kinds[i]; }
  PropKey key(int part, Prop prop) {
    return {part < 0 ? PartId{} : kind().parts[size_t(part)].id, prop};
  }
  Value seen(const char* state, const PropKey& at, size_t i = 0) {
    return valueIn(kind(i), StateId{state}, at);
  }
  QModelIndex cell(const PropKey& at, int column) {
    return ledger().model()->index(ledger().ledger().rowOf(at), column);
  }
  QPoint middle(const PropKey& at, int column) {
    ledger().scrollTo(cell(at, column));
    return ledger().visualRect(cell(at, column)).center();
  }
  void clickCell(const PropKey& at, int column, Qt::KeyboardModifiers modifiers = {}) {
    const QPoint place = middle(at, column);
    QTest::mouseClick(ledger().viewport(), Qt::LeftButton, modifiers, place);
  }
  void typeCell(const PropKey& at, int column, const QString& text) {
    clickCell(at, column);
    QTest::keyClick(&ledger(), Qt::Key_Return);
    auto* editor = qobject_cast<QLineEdit*>(QApplication::focusWidget());
    ASSERT_NE(editor, nullptr);
    editor->selectAll();
    QTest::keyClicks(editor, text);
    QTest::keyClick(editor, Qt::Key_Return);
    QCoreApplication::processEvents();  // the commit is queued
  }
  template <class P>
  P* page() {
    return bench().findChild<P*>();
  }
  QImage tile(int section) {
    auto& wall = ledger().wall();
    return wall.viewport()
        ->grab(QRect(wall.sectionViewportPosition(section), 40, wall.sectionSize(section), 90))
        .toImage();
  }
  int count(const QImage& image, const QColor& colour, int tolerance = 0) {
    int n = 0;
    for (int y = 0; y < image.height(); ++y)
      for (int x = 0; x < image.width(); ++x) {
        const QColor c = image.pixelColor(x, y);
        n += std::abs(c.red() - colour.red()) <= tolerance &&
             std::abs(c.green() - colour.green()) <= tolerance &&
             std::abs(c.blue() - colour.blue()) <= tolerance;
      }
    return n;
  }
  void save() { ASSERT_TRUE(window->files().saveAs(path("menu.bristle"))); }
};

}  // namespace bristle::test
