#include "desktop/view/screen_view.h"

#include <QHelpEvent>
#include <QPainter>
#include <QToolTip>
#include <QWheelEvent>
#include <algorithm>
#include <cmath>

#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/blur.h"
#include "paint/convert.h"
#include "runtime/document/tree.h"
#include "runtime/layout/scroll.h"

namespace bristle {

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
QRectF ScreenView::extent(const ShownScreen& shown, size_t item, const Layout& layout,
                          Reaches& reaches) {
  double reach = 1;
  if (const ButtonData* button = shown.find()->items[item]->button()) {
    const Kind* kind = bristle::find(shown.project, button->kind);
    const auto table = work_.tables().get(shown.project, button->kind, &button->own);
    if (kind && table) {
      const auto [known, first] = reaches.try_emplace(table, 0.0);
      if (first) known->second = LookPainter::reach(*kind, *table);
      reach += known->second;
    }
  }
  reach *= layout.items[item].scale;
  return toQt(layout.items[item].box).adjusted(-reach, -reach, reach, reach);
}

// The parts of the art that are out of date, in device px; nothing where it is all of it.
std::optional<QRegion> ScreenView::staleParts(const ShownScreen& now, const Layout& layout) {
  constexpr size_t kMostParts = 500;  // beyond that one large part costs less than many
  const auto changed = changedItems(*shown_, shownLayout_, now, layout);
  if (!changed || changed->size() > kMostParts) return {};
  const bool panes =
      !panesOver(*now.find(), layout, QRectF(0, 0, layout.width, layout.height)).empty();
  QRegion out;
  Reaches reaches;
  for (size_t i : *changed)
    // What it painted before, too: its looks may have reached farther.
    for (const QRectF& part :
         {extent(*shown_, i, shownLayout_, reaches), extent(now, i, layout, reaches)}) {
      out |= inDevice(part);
      if (!panes) continue;
      for (const QRectF& pane : panesOver(*now.find(), layout, part, i + 1)) out |= inDevice(pane);
    }
  return out & QRect(QPoint(0, 0), art_.size());
}

// Whole device pixels, so that what is painted anew meets what stays without a seam.
QRect ScreenView::inDevice(const QRectF& part) const {
  const double ratio = art_.devicePixelRatio();
  return QRectF(toWidget(part.topLeft()) * ratio, part.size() * zoom() * ratio).toAlignedRect();
}

void ScreenView::startArt(const QSize& size) {
  art_ = QPixmap(size);
  art_.setDevicePixelRatio(devicePixelRatioF());
  art_.fill(themeOf(this).work);
  shown_.reset();
}

// Parts of the art, in device px.
void ScreenView::paintParts(const QRegion& parts, const ShownScreen& now, const Layout& layout) {
  if (parts.isEmpty()) return;
  const double ratio = art_.devicePixelRatio();
  const auto inWidget = [ratio](const QRect& r) {
    return QRectF(QPointF(r.topLeft()) / ratio, QSizeF(r.size()) / ratio);
  };
  const auto inLayout = [this](const QRectF& r) {
    return QRectF(toScreen(r.topLeft()), r.size() / zoom());
  };
  const QRectF all = inWidget(parts.boundingRect());
  QPainter art(&art_);
  QRegion touched;
  // A region has whole px of the widget: where these are not the device's, the rectangle serves.
  if (ratio == 1 && parts.rectCount() > 1) {
    art.setClipRegion(parts);
    for (const QRect& part : parts) touched |= inLayout(inWidget(part)).toAlignedRect();
  } else {
    art.setClipRect(all);
  }
  art.fillRect(all, themeOf(this).work);
  art.fillRect(toWidget(Box{0, 0, layout.width, layout.height}), Qt::black);
  art.translate(viewport_.origin());
  art.scale(zoom(), zoom());
  paintScreen(art, work_.looks(), work_.tables(), now.project, *now.find(), layout, inLayout(all),
              touched);
}

// Takes along what is in sight before and after; false where there is nothing of that.
bool ScreenView::moveArt() {
  const double ratio = art_.devicePixelRatio();
  const QPointF by = (viewport_.origin() - shownAt_.origin()) * ratio;
  if (by.isNull()) return true;
  const QPoint whole = by.toPoint();
  if (whole != by || std::abs(whole.x()) >= art_.width() || std::abs(whole.y()) >= art_.height())
    return false;
  QRegion exposed;
  art_.scroll(whole.x(), whole.y(), art_.rect(), &exposed);
  const ShownScreen now = *shown_;
  paintParts(exposed, now, shownLayout_);
  return true;
}

namespace {

bool sameMoves(const Layout& a, const Layout& b) {
  const auto open = [](const PlacedFlyOut& x, const PlacedFlyOut& y) { return x.open == y.open; };
  return offsetsOf(a) == offsetsOf(b) &&
         std::equal(a.flyOuts.begin(), a.flyOuts.end(), b.flyOuts.begin(), b.flyOuts.end(), open);
}

}  // namespace

void ScreenView::paintArt() {
  const Layout& layout = work_.layout();
  const double ratio = devicePixelRatioF();
  const QSize size = (QSizeF(this->size()) * ratio).toSize();
  const ShownScreen now = work_.shown();
  const bool fits = shown_ && art_.size() == size && art_.devicePixelRatio() == ratio &&
                    shownAt_.zoom() == zoom() && moveArt();
  if (!fits) startArt(size);
  shownAt_ = viewport_;
  // Scrollers and fly-outs may show something else of the same.
  if (shown_ && samePicture(*shown_, now) && sameMoves(shownLayout_, layout)) return;
  const auto parts = shown_ ? staleParts(now, layout) : std::nullopt;
  paintParts(parts ? *parts : QRegion(QRect(QPoint(0, 0), size)), now, layout);
  shown_ = now;
  shownLayout_ = layout;
}

void ScreenView::place() {
  const Display* display = work_.display();
  if (!display) return;
  const Viewport before = viewport_;
  viewport_.setRoom(QRectF(rect().marginsRemoved(edges())),
                    QSizeF(display->layoutWidth(), display->layoutHeight()));
  if (viewport_ != before) Q_EMIT viewChanged();
}

void ScreenView::resizeEvent(QResizeEvent*) {
  refresh();
}

void ScreenView::viewMoved() {
  update();
  Q_EMIT viewChanged();
}

void ScreenView::fit() {
  viewport_.fit();
  viewMoved();
}

void ScreenView::zoomBy(double factor) {
  viewport_.zoomTo(zoom() * factor, viewport_.room().center());
  viewMoved();
}

void ScreenView::showTrueSize() {
  if (!work_.display()) return;
  viewport_.zoomTo(work_.display()->scale / devicePixelRatioF(), viewport_.room().center());
  viewMoved();
}

void ScreenView::reveal(const Box& box) {
  const Viewport before = viewport_;
  viewport_.reveal(toQt(box));
  if (viewport_ != before) viewMoved();
}

// Turning moves the view, with Shift sideways; with Ctrl it zooms about the pointer.
void ScreenView::wheelEvent(QWheelEvent* event) {
  constexpr double kNotch = 120, kStep = 1.2, kLine = 48;  // px that a notch moves by
  if (event->modifiers() & Qt::ControlModifier) {
    viewport_.zoomTo(zoom() * std::pow(kStep, event->angleDelta().y() / kNotch), event->position());
  } else {
    QPointF by = event->pixelDelta().isNull() ? QPointF(event->angleDelta()) / kNotch * kLine
                                              : QPointF(event->pixelDelta());
    if (event->modifiers() & Qt::ShiftModifier && by.x() == 0) by = by.transposed();
    viewport_.moveBy(by);
  }
  viewMoved();
  event->accept();
}

// The middle button moves the view, and any while the space bar is held.
bool ScreenView::panned(QEvent* event) {
  const auto type = event->type();
  if (type == QEvent::KeyPress || type == QEvent::KeyRelease) {
    const auto* key = static_cast<QKeyEvent*>(event);
    if (key->key() != Qt::Key_Space || key->isAutoRepeat()) return key->key() == Qt::Key_Space;
    panKey_ = type == QEvent::KeyPress;
    panKey_ ? setCursor(Qt::OpenHandCursor) : unsetCursor();
    return true;
  }
  if (type == QEvent::FocusOut && panKey_) {
    panKey_ = false;
    unsetCursor();
  }
  if (type == QEvent::MouseButtonPress) {
    const auto* mouse = static_cast<QMouseEvent*>(event);
    if (!panKey_ && mouse->button() != Qt::MiddleButton) return false;
    panFrom_ = mouse->position();
    setCursor(Qt::ClosedHandCursor);
    return true;
  }
  if (type == QEvent::MouseMove && panFrom_) {
    const QPointF at = static_cast<QMouseEvent*>(event)->position();
    viewport_.moveBy(at - *panFrom_);
    panFrom_ = at;
    viewMoved();
    return true;
  }
  if (type == QEvent::MouseButtonRelease && panFrom_) {
    panFrom_.reset();
    panKey_ ? setCursor(Qt::OpenHandCursor) : unsetCursor();
    return true;
  }
  return false;
}

QRectF ScreenView::toWidget(const Box& b) const {
  return {toWidget(QPointF(b.x, b.y)), QSizeF(b.w, b.h) * zoom()};
}

void ScreenView::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  const Screen* screen = work_.screen();
  if (screen && work_.display()) {
    paintArt();
    painter.drawPixmap(0, 0, art_);
    const QRect shown =
        toWidget(Box{0, 0, work_.layout().width, work_.layout().height}).toAlignedRect();
    // What lies beyond the display steps back: it is there, but nobody will see it.
    QColor beyond = themeOf(this).work;
    beyond.setAlpha(190);
    for (const QRect& part : QRegion(rect()).subtracted(shown)) painter.fillRect(part, beyond);
    if (fade() > 0) {
      QColor veil(0xc6, 0xc2, 0xbb);  // light: dark strokes must stand out over dark art
      veil.setAlphaF(static_cast<float>(fade()));
      painter.fillRect(shown, veil);
    }
  } else {
    painter.fillRect(rect(), themeOf(this).work);
  }
  painter.setRenderHint(QPainter::Antialiasing);
  paintOver(painter);
  if (hasFocus()) {
    painter.setPen(QPen(themeOf(this).accent, 2));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(rect().adjusted(1, 1, -1, -1));
  }
}

std::vector<int> ScreenView::itemsAt(const QPointF& at, bool buttonsOnly) const {
  std::vector<int> out;
  const Screen* screen = work_.screen();
  if (!screen) return out;
  const Layout& layout = work_.layout();
  const auto nesting = nestingOf(*screen);
  for (size_t i = screen->items.size(); i-- > 0;) {
    const Item& item = *screen->items[i];
    if (nesting[i].locked || (buttonsOnly && !item.button())) continue;
    if (!layout.shows(i, at.x(), at.y())) continue;
    if (item.container()) continue;  // picked by their edge, or through what is in them
    if (toQt(layout.items[i].box).contains(at)) out.push_back(static_cast<int>(i));
  }
  return out;
}

int ScreenView::itemAt(const QPointF& at, bool buttonsOnly) const {
  const auto all = itemsAt(at, buttonsOnly);
  return all.empty() ? -1 : all.front();
}

QString ScreenView::hint(int item) const {
  return toQt(displayName(*work_.screen()->items[size_t(item)]));
}

bool ScreenView::event(QEvent* event) {
  if (panned(event)) return true;
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
  if (event->type() == QEvent::StyleChange) shown_.reset();  // its ground is the theme's
  if (event->type() == QEvent::FocusIn || event->type() == QEvent::FocusOut) update();
  return QWidget::event(event);
}

}  // namespace bristle
