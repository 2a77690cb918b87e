// Light and dark, and the bench as others see it.
#include <QListWidget>

#include "core/edit/screen_edits.h"
#include "desktop/frame_fixture.h"
#include "desktop/work/theme.h"
#include "runtime/machine/mix.h"

namespace bristle::test {
namespace {

TEST_F(Frame, BothThemesKeepTheirContrast) {
  for (const Theme& t : {Theme::light(), Theme::darkOne()}) {
    const auto least = [&](const QColor& text, std::initializer_list<QColor> grounds) {
      for (const QColor& ground : grounds)
        EXPECT_GE(contrast(fromQt(text), fromQt(ground)), 4.5)
            << fromQt(text.name()) << " on " << fromQt(ground.name());
    };
    least(t.ink, {t.chrome, t.raised, t.band, t.tint});
    least(t.quiet, {t.chrome, t.raised, t.band, t.tint});
    least(t.accent, {t.chrome, t.raised});
    least(t.wrong, {t.chrome, t.raised});
    least(t.onAccent, {t.accent});
    least(t.onWork, {t.work});
  }
}

TEST_F(Frame, EachWindowHasAThemeOfItsOwn) {
  applyTheme(*window, Theme::darkOne());
  QWidget other;
  auto* inOther = new QWidget(&other);
  applyTheme(other, Theme::light());
  EXPECT_TRUE(themeOf(window->findChild<QListWidget*>()).dark);
  EXPECT_FALSE(themeOf(inOther).dark);
  QWidget asking(window.get(), Qt::Dialog);  // a window of its own over the other
  EXPECT_TRUE(themeOf(&asking).dark);
  QWidget nowhere;
  EXPECT_FALSE(themeOf(&nowhere).dark);
  applyTheme(*window, Theme::light());
  EXPECT_FALSE(themeOf(window->findChild<QListWidget*>()).dark);
}

// One key goes through how others see the bench; what is around it stays as it is.
TEST_F(Frame, TheBenchIsSeenAsOthersSeeIt) {
  window->openBench(QStringLiteral("place"));
  ASSERT_TRUE(work().perform(changeScreen(project().screens[0]->id, "red", {}, [](Screen& s) {
    s.backdrop = Fill::solid({220, 30, 30, 255});
  })));
  Bench* bench = window->bench(QStringLiteral("place"));
  const auto redness = [&] {
    int most = 0;
    const QImage shot =
        window->grab(QRect(bench->mapTo(window.get(), QPoint()), bench->size())).toImage();
    for (int y = 0; y < shot.height(); y += 9)
      for (int x = 0; x < shot.width(); x += 9) {
        const QColor c = shot.pixelColor(x, y);
        most = std::max(most, c.red() - c.green());
      }
    return most;
  };
  EXPECT_GT(redness(), 150);
  key(Qt::Key_F4);
  EXPECT_LE(redness(), 6) << "in grey, but for the window’s own ground";
  key(Qt::Key_F4);
  EXPECT_GT(redness(), 6);
  EXPECT_LT(redness(), 60) << "without red cones";
  for (int i = 0; i < 5; ++i) key(Qt::Key_F4);
  EXPECT_GT(redness(), 150) << "round to as it is";
}

}  // namespace
}  // namespace bristle::test
