#include "desktop/place/display_strip.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "desktop/work/theme.h"
#include "paint/convert.h"

namespace bristle {
namespace {
constexpr int kHeight = 92, kPicture = 56, kSlot = 148;
}

DisplayStrip::DisplayStrip(Work& work, QWidget* parent) : QWidget(parent), work_(work) {
  setFixedHeight(kHeight);
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("Displays"));
  const auto again = [this] { rebuild(); };
  connect(&work, &Work::changed, this, again);
  connect(&work, &Work::pickedChanged, this, again);
}

void DisplayStrip::rebuild() {
  pictures_.clear();
  update();
}

QRect DisplayStrip::frame(int i) const {
  const Display& d = work_.project().displays[size_t(i)];
  const double s = std::min(kPicture / d.height, (kSlot - 16) / d.width);
  return {16 + i * kSlot, 10, qRound(d.width * s), qRound(d.height * s)};
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
  if (pictures_.size() != displays.size()) {
    pictures_.clear();
    for (size_t i = 0; i < displays.size(); ++i) {
      const QRect box = frame(int(i));
      QPixmap picture(box.size() * devicePixelRatio());
      picture.setDevicePixelRatio(devicePixelRatio());
      picture.fill(theme().work);
      if (screen) {
        QPainter art(&picture);
        art.scale(box.width() / displays[i].layoutWidth(),
                  box.height() / displays[i].layoutHeight());
        paintScreen(art, work_.looks(), work_.tables(), work_.project(), *screen,
                    layOut(work_.project(), *screen, {displays[i], work_.language().id}, work_.measure()));
      }
      pictures_.push_back(picture);
    }
  }
  for (int i = 0; i < int(displays.size()); ++i) {
    const QRect box = frame(i);
    p.drawPixmap(box, pictures_[size_t(i)]);
    const bool on = i == picked();
    p.setPen(QPen(on ? theme().accent : theme().line, on ? 2 : 1));
    p.drawRect(box.adjusted(-2, -2, 2, 2));
    if (on && hasFocus()) p.drawRect(box.adjusted(-5, -5, 5, 5));
    p.setPen(on ? theme().accent : theme().quiet);
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
