#include "desktop/place/display_strip.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "desktop/work/theme.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {
constexpr int kHeight = 92, kPicture = 56, kSlot = 148;
}

DisplayStrip::DisplayStrip(Work& work, QWidget* parent) : QWidget(parent), work_(work) {
  setFixedHeight(kHeight);
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("Displays"));
  new WhileSeen(work, this, [this] { update(); });
  connect(&work.miniatures(), &Miniatures::changed, this, [this] { update(); });
}

QRect DisplayStrip::frame(int i) const {
  const Display& d = work_.project().displays[size_t(i)];
  const double s = std::min(kPicture / d.height, (kSlot - 16) / d.width);
  return {16 + i * kSlot, 10, qRound(d.width * s), qRound(d.height * s)};
}

Miniature DisplayStrip::miniature(int i, const QSize& size) const {
  return {{work_.project(),
           work_.picked().screen,
           {work_.project().displays[size_t(i)], work_.language().id}},
          {},
          size,
          devicePixelRatioF(),
          themeOf(this).work};
}

int DisplayStrip::picked() const {
  const auto& all = work_.project().displays;
  for (size_t i = 0; i < all.size(); ++i)
    if (all[i].id == work_.picked().display) return static_cast<int>(i);
  return 0;
}

void DisplayStrip::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const Screen* screen = work_.screen();
  const auto& displays = work_.project().displays;
  for (int i = 0; i < int(displays.size()); ++i) {
    const QRect box = frame(i);
    p.fillRect(box, themeOf(this).work);
    if (screen) p.drawImage(box, work_.miniatures().get(miniature(i, box.size())));
    const bool on = i == picked();
    p.setPen(QPen(on ? themeOf(this).accent : themeOf(this).line, on ? 2 : 1));
    p.drawRect(box.adjusted(-2, -2, 2, 2));
    if (on && hasFocus()) p.drawRect(box.adjusted(-5, -5, 5, 5));
    p.setPen(on ? themeOf(this).accent : themeOf(this).quiet);
    p.drawText(
        QRect(box.x(), kPicture + 14, kSlot - 8, 18), Qt::AlignLeft | Qt::AlignVCenter,
        fontMetrics().elidedText(toQt(displays[size_t(i)].name), Qt::ElideRight, kSlot - 12));
  }
}

void DisplayStrip::mousePressEvent(QMouseEvent* event) {
  const auto& displays = work_.project().displays;
  for (int i = 0; i < int(displays.size()); ++i)
    if (frame(i).adjusted(-4, -4, 4, 28).contains(event->position().toPoint()))
      work_.pickDisplay(displays[size_t(i)].id);
}

void DisplayStrip::keyPressEvent(QKeyEvent* event) {
  const auto& displays = work_.project().displays;
  const int by = event->key() == Qt::Key_Right ? 1 : event->key() == Qt::Key_Left ? -1 : 0;
  if (by == 0) return QWidget::keyPressEvent(event);
  const int n = int(displays.size());
  work_.pickDisplay(displays[size_t((picked() + by + n) % n)].id);
}

void DisplayStrip::focusInEvent(QFocusEvent*) {
  update();
}
void DisplayStrip::focusOutEvent(QFocusEvent*) {
  update();
}

}  // namespace bristle
