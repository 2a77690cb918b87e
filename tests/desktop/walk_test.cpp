// Walks every widget of every bench: nothing cut, nothing overlapping, all named, all within reach
// of Tab, all text readable.
#include <QAbstractScrollArea>
#include <QButtonGroup>
#include <QCheckBox>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <QTextDocument>
#include <QToolButton>
#include <algorithm>
#include <set>
#include <unordered_map>

#include "desktop/rehearse/running_menu.h"
#include "desktop/window_fixture.h"
#include "desktop/work/theme.h"
#include "runtime/machine/mix.h"

namespace bristle {
namespace {

struct WindowSize {
  const char* name;
  int width, height;
  bool dark;
};

QString describe(const QWidget* w) {
  QString text =
      QString::fromLatin1(w->metaObject()->className()) + QLatin1Char(' ') + w->accessibleName();
  if (const auto* label = qobject_cast<const QLabel*>(w)) text += QLatin1Char(' ') + label->text();
  return text;
}

QString plain(const QString& text) {
  QTextDocument document;
  Qt::mightBeRichText(text) ? document.setHtml(text) : document.setPlainText(text);
  return document.toPlainText();
}

class Walk : public test::WindowTest, public testing::WithParamInterface<WindowSize> {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    ASSERT_TRUE(window->files().open(toQt(test::sourcePath("data/demo/saltglass-deep.bristle"))));
    applyTheme(*window, GetParam().dark ? Theme::darkOne() : Theme::light());
    window->resize(GetParam().width, GetParam().height);
  }
  void TearDown() override { applyTheme(*window, Theme::light()); }

  void checkCut(QWidget* w) {
    QSize wanted;
    if (auto* label = qobject_cast<QLabel*>(w); label && !label->text().isEmpty()) {
      if (label->sizePolicy().horizontalPolicy() == QSizePolicy::Ignored)
        return;  // says so in its tip
      wanted =
          label->wordWrap() ? QSize(0, label->heightForWidth(label->width())) : label->sizeHint();
    } else if (auto* button = qobject_cast<QPushButton*>(w)) {
      wanted = button->minimumSizeHint();
    } else if (auto* tool = qobject_cast<QToolButton*>(w)) {
      wanted =
          QSize(tool->fontMetrics().horizontalAdvance(tool->text()), tool->fontMetrics().height());
    } else if (auto* check = qobject_cast<QCheckBox*>(w)) {
      wanted = check->sizeHint();
    } else {
      return;
    }
    EXPECT_GE(w->width(), wanted.width()) << "cut: " << fromQt(describe(w));
    EXPECT_GE(w->height(), wanted.height()) << "cut: " << fromQt(describe(w));
  }

  void checkOverlaps(QWidget* parent) {
    if (qobject_cast<QAbstractScrollArea*>(parent)) return;
    std::vector<QWidget*> children;
    for (QObject* child : parent->children())
      if (auto* w = qobject_cast<QWidget*>(child);
          w && w->isVisible() && !w->isWindow() && !w->size().isEmpty())
        children.push_back(w);
    for (size_t i = 0; i < children.size(); ++i)
      for (size_t k = i + 1; k < children.size(); ++k)
        EXPECT_FALSE(children[i]->geometry().intersects(children[k]->geometry()))
            << fromQt(describe(children[i])) << " overlaps " << fromQt(describe(children[k]));
  }

  // Drawn three times as large, so that the strokes of letters reach their full colour.
  void checkContrast(QWidget* w) {
    QString text;
    if (auto* label = qobject_cast<QLabel*>(w)) text = plain(label->text());
    if (auto* button = qobject_cast<QAbstractButton*>(w)) text = button->text();
    if (auto* field = qobject_cast<QLineEdit*>(w)) text = field->text();
    if (auto* box = qobject_cast<QComboBox*>(w)) text = box->currentText();
    if (text.trimmed().isEmpty() || !w->isEnabled()) return;
    const QRect area(w->mapTo(window.get(), QPoint()) * 3, w->size() * 3);
    std::unordered_map<QRgb, int> count;
    for (int y = area.top(); y <= area.bottom(); ++y) {
      const auto* line = reinterpret_cast<const QRgb*>(picture_.constScanLine(y));
      for (int x = area.left(), from = x; x <= area.right(); from = x) {
        while (x <= area.right() && line[x] == line[from]) ++x;
        count[line[from]] += x - from;
      }
    }
    const QRgb ground =
        std::max_element(count.begin(), count.end(), [](const auto& a, const auto& b) {
          return a.second < b.second;
        })->first;
    double best = 1;
    for (const auto& [colour, n] : count)
      if (n >= 6) best = std::max(best, contrast(fromQt(QColor(colour)), fromQt(QColor(ground))));
    EXPECT_GE(best, 4.5) << "hard to read: " << fromQt(describe(w)) << " “" << fromQt(text) << "”";
  }

  void checkTabReach() {
    std::set<QWidget*> wanted;
    for (QWidget* w : visible())
      if ((w->focusPolicy() & Qt::TabFocus) && w->isEnabled() && !w->focusProxy()) {
        wanted.insert(w);
        EXPECT_FALSE(w->accessibleName().isEmpty())
            << "no accessible name: " << fromQt(describe(w));
      }
    ASSERT_FALSE(wanted.empty());
    // Focus that is set upon one of a group makes this one the group's stop, so begin elsewhere.
    QWidget* start = named<QWidget>(QStringLiteral("Menu of all commands"));
    start->setFocus();
    std::set<QWidget*> reached;
    for (int i = 0; i < 200; ++i) {
      QWidget* now = QApplication::focusWidget();
      if (!now || (i > 0 && now == start)) break;
      reached.insert(now);
      // The running menu keeps Tab for the menu that it runs; F6 leaves it.
      if (qobject_cast<RunningMenu*>(now)) {
        key(Qt::Key_F6);
        if (QApplication::focusWidget() == now) break;
        continue;
      }
      QTest::keyClick(now, Qt::Key_Tab);
    }
    // From the running menu F6 goes on to the card; what comes before it in the chain is reached
    // backwards.
    start->setFocus();
    for (int i = 0; i < 200; ++i) {
      QWidget* now = QApplication::focusWidget();
      if (!now || (i > 0 && now == start) || qobject_cast<RunningMenu*>(now)) break;
      reached.insert(now);
      QTest::keyClick(now, Qt::Key_Backtab, Qt::ShiftModifier);
    }
    // In a group of which one is chosen, Tab goes to the chosen one and arrows to the others.
    std::erase_if(wanted, [](QWidget* w) {
      const auto* button = qobject_cast<QAbstractButton*>(w);
      return button && button->group() && button->group()->exclusive() && !button->isChecked();
    });
    for (QWidget* w : wanted)
      EXPECT_TRUE(reached.count(w)) << "Tab does not reach " << fromQt(describe(w));
  }

  void walk(const QString& bench) {
    SCOPED_TRACE(fromQt(bench));
    window->openBench(bench);
    QTest::qWait(20);
    settle();
    picture_ = QImage(window->size() * 3, QImage::Format_RGB32);
    picture_.setDevicePixelRatio(3);
    window->render(&picture_);
    picture_.setDevicePixelRatio(1);
    for (QWidget* w : visible()) {
      checkCut(w);
      checkOverlaps(w);
      if (inSight(w)) checkContrast(w);
    }
    checkTabReach();
  }

  // Whole within the window, not scrolled out of an area.
  bool inSight(QWidget* w) { return w->visibleRegion().boundingRect() == w->rect(); }

  QImage picture_;
};

TEST_P(Walk, EveryBenchWithNothingPicked) {
  for (const BenchInfo& info : benches()) {
    work().pickItems({});
    walk(QString::fromLatin1(info.id));
  }
}

TEST_P(Walk, EveryBenchWithAButtonAContainerAndAPanelPicked) {
  const auto items = [&](const char* screen, const char* item) {
    work().pickScreen({screen});
    work().pickItems({ItemId{item}});
  };
  items("title", "bay");
  for (const BenchInfo& info : benches()) walk(QString::fromLatin1(info.id));
  items("title", "entries");
  walk(QStringLiteral("place"));
  items("leave", "leave-panel");
  walk(QStringLiteral("place"));
}

TEST_P(Walk, EveryPageOfTheShapeBench) {
  window->openBench(QStringLiteral("shape"));
  for (const char* page : {"Ready-made kinds and libraries", "Named values",
                           "Carry over to other kinds", "Cut buttons from a flat picture"}) {
    for (QAction* action : window->allCommands())
      if (action->text() == QString::fromUtf8(page)) action->trigger();
    SCOPED_TRACE(page);
    walk(QStringLiteral("shape"));
    key(Qt::Key_Escape);
  }
}

INSTANTIATE_TEST_SUITE_P(Sizes, Walk,
                         testing::Values(WindowSize{"usual", 1280, 800, false},
                                         WindowSize{"usual_dark", 1280, 800, true},
                                         WindowSize{"small", 1100, 700, false},
                                         WindowSize{"small_dark", 1100, 700, true}),
                         [](const auto& each) { return each.param.name; });

}  // namespace
}  // namespace bristle
