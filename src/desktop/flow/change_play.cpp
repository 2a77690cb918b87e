#include "desktop/flow/change_play.h"

#include <QPainter>
#include <algorithm>

#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "paint/screen_painter.h"
#include "runtime/machine/easing.h"

namespace bristle {
namespace {

constexpr int kPlayFrame = 16;  // ms
constexpr Ms kStays = 250;      // before and after it, so that one sees what it was and is
constexpr int kHigh = 132;      // px

double gone(const ScreenMotion& motion, Ms at) {
  if (motion.time() <= 0 || at >= motion.time()) return at >= 0 ? 1 : 0;
  return at <= 0 ? 0 : ease(motion.easing, double(at) / double(motion.time()));
}

}  // namespace

ChangePlay::ChangePlay(Work& work, QWidget* parent) : QWidget(parent), work_(work) {
  setFixedHeight(kHigh);
  setAccessibleName(tr("The change, played in small"));
  frames_.setInterval(kPlayFrame);
  connect(&frames_, &QTimer::timeout, this, [this] {
    if (clock_.elapsed() > lasts() + 2 * kStays) frames_.stop();
    update();
  });
  connect(&work.miniatures(), &Miniatures::changed, this, [this] { update(); });
}

void ChangePlay::show(const ScreenId& from, const ScreenId& to, const ScreenChange& change,
                      bool onTop) {
  from_ = from;
  to_ = to;
  change_ = change;
  onTop_ = onTop;
  update();
}

void ChangePlay::play() {
  clock_.start();
  frames_.start();
}

Ms ChangePlay::lasts() const {
  return std::max(onTop_ ? 0 : change_.out.time(), change_.in.time());
}

void ChangePlay::paintOne(QPainter& p, const ScreenId& screen, const ScreenMotion& motion,
                          double presence, const QRectF& at) {
  const QImage image = work_.miniatures().get({{work_.project(), screen, work_.showing()},
                                               {},
                                               at.size().toSize(),
                                               devicePixelRatioF(),
                                               QColor(Qt::transparent)});
  if (image.isNull() || presence <= 0) return;
  p.save();
  p.setClipRect(at);
  if (motion.form == ScreenMotionForm::Fade) p.setOpacity(presence);
  p.setTransform(screenMotion(motion, presence, at.size(), work_.language().rightToLeft,
                              {at.width() * motion.x, at.height() * motion.y}) *
                     QTransform::fromTranslate(at.x(), at.y()),
                 true);
  p.drawImage(QRectF(QPointF(), at.size()), image);
  p.restore();
}

void ChangePlay::paintEvent(QPaintEvent*) {
  QPainter p(this);
  const Display* display = work_.display();
  const Screen* to = bristle::find(work_.project(), to_);
  if (!display || !to) return;
  const QSizeF size = QSizeF(display->layoutWidth(), display->layoutHeight())
                          .scaled(QSizeF(width(), height()), Qt::KeepAspectRatio);
  const QRectF at(QPointF((width() - size.width()) / 2, (height() - size.height()) / 2), size);
  p.setRenderHint(QPainter::SmoothPixmapTransform);
  p.fillRect(at, Qt::black);
  // At rest one sees where it leads.
  const Ms now = frames_.isActive() ? clock_.elapsed() - kStays : lasts();
  const double in = gone(change_.in, now), out = onTop_ ? 1 : 1 - gone(change_.out, now);
  paintOne(p, from_, change_.out, out, at);
  if (to->dimBelow > 0) p.fillRect(at, QColor(0, 0, 0, int(to->dimBelow * in * 255)));
  paintOne(p, to_, change_.in, in, at);
  p.setPen(themeOf(this).line);
  p.drawRect(at);
}

}  // namespace bristle
