// The real window, driven by real mouse and key events.
#pragma once
#include <gtest/gtest.h>

#include <QAbstractButton>
#include <QAction>
#include <QCheckBox>
#include <QComboBox>
#include <QLineEdit>
#include <QScrollArea>
#include <QTemporaryDir>
#include <QTest>
#include <QTimer>
#include <functional>
#include <memory>
#include <tuple>
#include <vector>

#include "desktop/benches.h"
#include "desktop/derive/findings_watch.h"
#include "desktop/frame/window.h"
#include "paint/convert.h"
#include "support/menus.h"

namespace bristle::test {

class WindowTest : public testing::Test {
 protected:
  void SetUp() override { open(); }
  void open() {
    window.reset();
    window = std::make_unique<Window>(benches(), folder.filePath(QStringLiteral("settings.ini")));
    window->show();
    ASSERT_TRUE(QTest::qWaitForWindowExposed(window.get()));
    window->activateWindow();
    QTest::qWait(1);
  }
  Work& work() { return window->work(); }
  const Project& project() { return work().project(); }
  QString path(const char* name) const { return folder.filePath(QString::fromLatin1(name)); }

  std::vector<QWidget*> visible() const {
    std::vector<QWidget*> out;
    for (QWidget* w : window->findChildren<QWidget*>())
      if (w->isVisible() && !w->size().isEmpty()) out.push_back(w);
    return out;
  }
  // A worker may just have told something, and laying that out may take several rounds of events:
  // until a round has changed neither what any widget wants nor what it has.
  void settle() const {
    const auto sizes = [this] {
      std::vector<std::tuple<QWidget*, QRect, QSize>> out;
      for (QWidget* w : visible()) out.emplace_back(w, w->geometry(), w->sizeHint());
      return out;
    };
    for (auto before = sizes();;) {
      QCoreApplication::sendPostedEvents();
      auto now = sizes();
      if (now == before) return;
      before = std::move(now);
    }
  }

  // Until the project as it is now has been checked: of one that was open before nothing is left.
  void waitForFindings() {
    ASSERT_TRUE(QTest::qWaitFor([&] { return !work().findings().busy(); }, 60'000));
  }

  // The visible widget of that accessible name.
  template <class T>
  T* named(const QString& name) {
    T* found = nullptr;
    for (T* widget : window->findChildren<T*>())
      if (widget->isVisible() && widget->accessibleName() == name) found = widget;
    EXPECT_NE(found, nullptr) << "nothing visible is called " << fromQt(name);
    return found;
  }
  // Scrolls to it, as a person would.
  static void bringIntoSight(QWidget* widget) {
    for (QWidget* at = widget; at; at = at->parentWidget())
      if (auto* area = qobject_cast<QScrollArea*>(at)) area->ensureWidgetVisible(widget);
    QCoreApplication::processEvents();
  }
  void click(const QString& name) {
    auto* button = named<QAbstractButton>(name);
    if (!button) return;
    bringIntoSight(button);
    // A check box is hit on its box and words only, not all over its row.
    const bool check = qobject_cast<QCheckBox*>(button);
    QTest::mouseClick(button, Qt::LeftButton, {},
                      check ? QPoint(8, button->height() / 2) : button->rect().center());
  }
  // Types into a field as a person would: click, all gone, the text, Enter.
  void fill(const QString& name, const QString& text) {
    auto* field = named<QLineEdit>(name);
    if (!field) return;
    bringIntoSight(field);
    QTest::mouseClick(field, Qt::LeftButton);
    QTest::keyClick(field, Qt::Key_A, Qt::ControlModifier);
    text.isEmpty() ? QTest::keyClick(field, Qt::Key_Delete) : QTest::keyClicks(field, text);
    QTest::keyClick(field, Qt::Key_Return);
  }
  // Chooses with the keyboard.
  void choose(const QString& name, int index) {
    auto* box = named<QComboBox>(name);
    if (!box) return;
    box->setFocus();
    QTest::keyClick(box, Qt::Key_Home);
    while (box->currentIndex() < index) {
      const int before = box->currentIndex();
      QTest::keyClick(box, Qt::Key_Down);
      if (box->currentIndex() == before) break;
    }
    EXPECT_EQ(box->currentIndex(), index);
  }
  void drag(QWidget* widget, const QPointF& from, const QPointF& to) {
    QTest::mousePress(widget, Qt::LeftButton, {}, from.toPoint());
    for (int i = 1; i <= 4; ++i) {
      const QPointF at = from + (to - from) * i / 4;
      QTest::mouseMove(widget, at.toPoint());
      // Off screen a move without a button held arrives; widgets that drag look at the place alone.
      QCoreApplication::processEvents();
    }
    QTest::mouseRelease(widget, Qt::LeftButton, {}, to.toPoint());
  }
  // A command by its name, as the finder runs it.
  void run(const char* name) {
    for (QAction* action : window->allCommands())
      if (action->text() == QString::fromUtf8(name)) return action->trigger();
    FAIL() << "no command " << name;
  }
  void key(int key, Qt::KeyboardModifiers modifiers = {}) {
    QWidget* at = QApplication::focusWidget() ? QApplication::focusWidget() : window.get();
    QTest::keyClick(at, Qt::Key(key), modifiers);
  }
  // Answers the next message box with the button whose text holds `text`.
  void answer(const QString& text, QString* asked = nullptr);

  QTemporaryDir folder;
  std::unique_ptr<Window> window;
};

}  // namespace bristle::test
