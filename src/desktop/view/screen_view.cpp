#include "desktop/view/screen_view.h"

#include <QHelpEvent>
#include <QPainter>
#include <QToolTip>

#include "desktop/work/theme.h"
#include "desktop/work/work.h"
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
  connect(&work, &Work::pickedChanged, this, &ScreenView::refresh);
  connect(&work, &Work::derivedChanged, this, [this] { update(); });
  connect(&work, &Work::picturesChanged, this, [this] {
    shown_.reset();
    update();
  });
}

void ScreenView::refresh() {
  if (!isVisible()) return;  // what is painted is compared when it comes into sight
  place();
  update();
}

void ScreenView::showEvent(QShowEvent*) {
  refresh();
}

// What an item may paint, with what its looks reach beyond its box.
QRectF ScreenView::extent(const ShownScreen& shown, size_t item, const Layout& layout) {
  double reach = 1;
  if (const ButtonData* button = shown.find()->items[item]->button()) {
    const Kind* kind = bristle::find(shown.project, button->kind);
    const auto table = work_.tables().get(shown.project, button->kind, &button->own);
    if (kind && table) reach += LookPainter::reach(*kind, *table);
  }
  return toQt(layout.items[item].box).adjusted(-reach, -reach, reach, reach);
}

// The parts of the art that are out of date, in layout px; nothing where it is all of it.
std::optional<QRectF> ScreenView::stalePart(const ShownScreen& now, const Layout& layout) {
  const auto changed = changedItems(*shown_, shownLayout_, now, layout);
  if (!changed) return {};
  QRectF out;
  for (size_t i : *changed) {
    // What it painted before, too: its looks may have reached farther.
    out |= extent(*shown_, i, shownLayout_) | extent(now, i, layout);
  }
  return out;
}

void ScreenView::paintArt() {
  const Layout& layout = work_.layout();
  const double ratio = devicePixelRatioF();
  const QSize size = (QSizeF(layout.width, layout.height) * zoom_ * ratio).toSize();
  const ShownScreen now = work_.shown();
  const bool fits = shown_ && art_.size() == size && art_.devicePixelRatio() == ratio;
  if (fits && samePicture(*shown_, now)) return;
  const auto part = fits ? stalePart(now, layout) : std::nullopt;
  if (!part) {
    art_ = QPixmap(size);
    art_.setDevicePixelRatio(ratio);
  }
  // Whole device pixels, so that what is painted anew meets what stays without a seam.
  const QRectF all(QPointF(0, 0), QSizeF(size));
  const QRectF device =
      part ? QRectF(QRectF(part->topLeft() * zoom_ * ratio, part->size() * zoom_ * ratio)
                        .toAlignedRect()) &
                 all
           : all;
  if (!device.isEmpty()) {
    QPainter art(&art_);
    art.setClipRect(QRectF(device.topLeft() / ratio, device.size() / ratio));
    art.fillRect(QRectF(device.topLeft() / ratio, device.size() / ratio), Qt::black);
    art.scale(zoom_, zoom_);
    const double scale = zoom_ * ratio;
    paintScreen(art, work_.looks(), work_.tables(), now.project, *now.find(), layout,
                part ? QRectF(device.topLeft() / scale, device.size() / scale) : QRectF());
  }
  shown_ = now;
  shownLayout_ = layout;
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
  painter.fillRect(rect(), themeOf(this).work);
  const Screen* screen = work_.screen();
  if (screen && work_.display()) {
    paintArt();
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
    painter.setPen(QPen(themeOf(this).accent, 2));
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
