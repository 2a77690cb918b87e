#include "desktop/view/screen_view.h"

#include <QHelpEvent>
#include <QPainter>
#include <QToolTip>

#include "desktop/work/theme.h"
#include "paint/convert.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {
constexpr double kMargin = 16;  // px around the screen
}

ScreenView::ScreenView(Work& work, QWidget* parent) : QWidget(parent), work_(work) {
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  setMinimumSize(320, 200);
  setAttribute(Qt::WA_OpaquePaintEvent);
  connect(&work, &Work::changed, this, &ScreenView::refresh);
  connect(&work, &Work::pickedChanged, this, [this] {
    const bool other = work_.picked().screen != shownScreen_ ||
                       work_.picked().display != shownDisplay_ ||
                       work_.picked().language != shownLanguage_;
    other ? refresh() : update();  // the art stays while only what is picked changes
  });
}

void ScreenView::refresh() {
  art_ = {};
  shownScreen_ = work_.picked().screen;
  shownDisplay_ = work_.picked().display;
  shownLanguage_ = work_.picked().language;
  place();
  update();
}

void ScreenView::place() {
  const Display* display = work_.display();
  if (!display) return;
  const double w = display->layoutWidth(), h = display->layoutHeight();
  zoom_ = std::max(0.02, std::min((width() - 2 * kMargin) / w, (height() - 2 * kMargin) / h));
  origin_ = {std::round((width() - w * zoom_) / 2), std::round((height() - h * zoom_) / 2)};
}

void ScreenView::resizeEvent(QResizeEvent*) {
  refresh();
}

QPointF ScreenView::toScreen(const QPointF& p) const {
  return (p - origin_) / zoom_;
}
QPointF ScreenView::toWidget(const QPointF& p) const {
  return p * zoom_ + origin_;
}
QRectF ScreenView::toWidget(const Box& b) const {
  return {toWidget(QPointF(b.x, b.y)), QSizeF(b.w, b.h) * zoom_};
}

void ScreenView::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), theme().work);
  const Screen* screen = work_.screen();
  if (screen && work_.display()) {
    if (art_.isNull()) {
      const Layout& layout = work_.layout();
      const double ratio = devicePixelRatioF();
      art_ = QPixmap((QSizeF(layout.width, layout.height) * zoom_ * ratio).toSize());
      art_.setDevicePixelRatio(ratio);
      art_.fill(Qt::black);
      QPainter art(&art_);
      art.scale(zoom_, zoom_);
      paintScreen(art, work_.looks(), work_.tables(), work_.project(), *screen, layout);
    }
    painter.drawPixmap(origin_, art_);
    if (fade() > 0) {
      QColor veil(0xc6, 0xc2, 0xbb);  // light: dark strokes must stand out over dark art
      veil.setAlphaF(static_cast<float>(fade()));
      painter.fillRect(QRectF(origin_, QSizeF(art_.size()) / art_.devicePixelRatio()), veil);
    }
  }
  painter.setRenderHint(QPainter::Antialiasing);
  paintOver(painter);
  if (hasFocus()) {
    painter.setPen(QPen(theme().accent, 2));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(rect().adjusted(1, 1, -1, -1));
  }
}

int ScreenView::itemAt(const QPointF& at, bool buttonsOnly) const {
  const Screen* screen = work_.screen();
  if (!screen) return -1;
  const Layout& layout = work_.layout();
  const auto nesting = nestingOf(*screen);
  for (size_t i = screen->items.size(); i-- > 0;) {
    const Item& item = *screen->items[i];
    if (nesting[i].hidden || nesting[i].locked || (buttonsOnly && !item.button())) continue;
    if (item.container()) continue;  // picked by their edge, or through what is in them
    if (toQt(layout.items[i].box).contains(at)) return static_cast<int>(i);
  }
  return -1;
}

QString ScreenView::hint(int item) const {
  return toQt(displayName(*work_.screen()->items[size_t(item)]));
}

bool ScreenView::event(QEvent* event) {
  if (event->type() == QEvent::ToolTip) {
    const auto* help = static_cast<QHelpEvent*>(event);
    const int item = itemAt(toScreen(help->pos()), false);
    if (item >= 0) {
      QToolTip::showText(help->globalPos(), hint(item), this);
    } else {
      QToolTip::hideText();
    }
    return true;
  }
  if (event->type() == QEvent::FocusIn || event->type() == QEvent::FocusOut) update();
  return QWidget::event(event);
}

}  // namespace bristle
