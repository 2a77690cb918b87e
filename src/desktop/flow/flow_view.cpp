#include "desktop/flow/flow_view.h"
#include "desktop/derive/findings_watch.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>
#include <algorithm>
#include <cmath>

#include "core/derive/action_words.h"
#include "core/edit/flow_edits.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr double kNear = 8;      // px within which a stroke is hit
constexpr double kDragFrom = 5;  // px from which on a press draws

// The screen's buttons that do something or could, in document order.
std::vector<ItemId> buttonsOf(const Project& project, const Screen& screen) {
  std::vector<ItemId> out;
  for (const auto& item : screen.items)
    if (item->button() && !isStill(project, *item)) out.push_back(item->id);
  return out;
}

}  // namespace

FlowView::FlowView(Work& work, QWidget* parent) : QWidget(parent), work_(work) {
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  setMinimumSize(320, 200);
  setAttribute(Qt::WA_OpaquePaintEvent);
  setAccessibleName(tr("Flow between screens"));
  setAccessibleDescription(
      tr("Arrows pick a screen, Page Up and Down a button of it, Return leads it somewhere, Delete "
         "removes what it does"));
  // Many come one after the other.
  soon_.setSingleShot(true);
  soon_.setInterval(40);
  connect(&soon_, &QTimer::timeout, this, [this] { updateRedrawn(); });
  connect(&work.findings(), &FindingsWatch::changed, this, [this] { update(); });
  connect(&work.miniatures(), &Miniatures::forgotten, this, [this] { update(); });
  connect(&work.miniatures(), &Miniatures::changed, this, [this](const ScreenId& screen) {
    redrawn_.push_back(screen);
    if (!soon_.isActive()) soon_.start();
  });
  new WhileSeen(work, this, [this] { refresh(); });
}

void FlowView::refresh() {
  if (!work_.display()) return;
  map_.update(work_);
  viewport_.setRoom(rect(), {map_.places().width, map_.places().height});
  const ButtonData* data = work_.item() ? work_.item()->button() : nullptr;
  const size_t count = data ? data->actions.size() : 0;
  if (at_ >= count) at_ = count ? count - 1 : 0;
  Q_EMIT stepChanged();
  update();
}

// All that leads past them would take long to paint each time.
void FlowView::updateRedrawn() {
  const std::vector<ScreenId> redrawn = std::exchange(redrawn_, {});
  const auto& all = work_.project().screens;
  // Out of sight the map stands still, and may be of fewer screens; all is painted when it is
  // shown.
  if (!isVisible() || map_.graph().screens.size() != all.size()) return;
  for (const ScreenId& id : redrawn) {
    const auto at = std::find_if(all.begin(), all.end(),
                                 [&](const Shared<Screen>& screen) { return screen->id == id; });
    if (at == all.end()) continue;
    const QRectF box = map_.box(int(at - all.begin()));
    update(QRectF(toWidget(box.topLeft()), box.size() * viewport_.zoom())
               .toAlignedRect()
               .adjusted(-2, -2, 2, 2));
  }
}

int FlowView::pickedScreen() const {
  const auto& all = work_.project().screens;
  for (size_t s = 0; s < all.size(); ++s)
    if (all[s]->id == work_.picked().screen) return static_cast<int>(s);
  return -1;
}

std::optional<FlowStep> FlowView::step() const {
  if (!work_.item()) return {};
  const int screen = pickedScreen();
  for (const FlowStep& each : map_.graph().steps)
    if (each.from == screen && each.item == work_.item()->id && each.at == at_) return each;
  return {};
}

void FlowView::pick(int screen, const ItemId& button) {
  if (screen < 0) return;
  const ScreenId id = work_.project().screens[size_t(screen)]->id;
  if (!(work_.picked().screen == id)) work_.pickScreen(id);
  work_.pickItems(button ? std::vector{button} : std::vector<ItemId>{});
}

void FlowView::pickStep(size_t index) {
  const FlowStep step = map_.graph().steps[index];  // a copy: a pick makes the map anew
  if (step.from < 0) return;
  at_ = step.at;
  pick(step.from, step.item);
  at_ = step.at;
  Q_EMIT stepChanged();
  update();
}

void FlowView::pickAction(size_t at) {
  if (at_ == at) return;
  at_ = at;
  Q_EMIT stepChanged();
  update();
}

void FlowView::fit() {
  viewport_.fit();
  update();
}

void FlowView::zoomBy(double factor) {
  viewport_.zoomTo(viewport_.zoom() * factor, viewport_.room().center());
  update();
}

void FlowView::reveal(int screen) {
  if (screen < 0) return;
  viewport_.reveal(map_.box(screen));
  update();
}

// What is painted is moved along; only what comes into sight is painted, and what stays in its
// place: the words at the top, the frame of focus and what is drawn from the pointer.
void FlowView::panBy(const QPointF& by) {
  constexpr int kHeads = 26, kHeadWide = 190, kFrame = 3;
  const QPointF before = viewport_.origin();
  viewport_.moveBy(by);
  const QPoint moved = (viewport_.origin() - before).toPoint();
  if (moved.isNull()) return;
  if (drawing_) return update();
  scroll(moved.x(), moved.y(), rect());
  for (const FlowLayout::Column& column : map_.places().columns)
    if (moved.y() != 0)
      update(int(toWidget({column.x, 0}).x()) - 2, 0, kHeadWide, kHeads + std::max(0, moved.y()));
  if (!hasFocus()) return;
  const QRect within = rect().adjusted(kFrame, kFrame, -kFrame, -kFrame);
  update(QRegion(rect()) - (within & within.translated(moved)));
}

void FlowView::resizeEvent(QResizeEvent*) {
  refresh();
}

void FlowView::showEvent(QShowEvent*) {
  refresh();
}

void FlowView::leadTo(int screen) {
  if (screen < 0 || !work_.item()) return;
  const bool known = step().has_value();
  work_.perform(bristle::leadTo(work_.screen()->id, work_.item()->id,
                                work_.project().screens[size_t(screen)]->id,
                                known ? std::optional(at_) : std::nullopt));
}

void FlowView::leadToNew() {
  if (work_.item()) work_.perform(bristle::leadToNew(work_.screen()->id, work_.item()->id));
}

void FlowView::mousePressEvent(QMouseEvent* event) {
  at2_ = event->position();
  if (event->button() == Qt::MiddleButton) {
    panned_ = at2_;
    return;
  }
  if (event->button() != Qt::LeftButton) return;
  lead_ = -1;
  const QPointF at = toMap(at2_);
  const int stroke = map_.stepAt(at, kNear / viewport_.zoom());
  const int screen = map_.screenAt(at);
  const ItemId button = map_.buttonAt(screen, at);
  pressed_ = at2_;
  drawnFrom_ = {};
  retargets_.reset();
  if (button) {
    at_ = 0;
    pick(screen, button);
    drawnFrom_ = button;
    drawnOn_ = screen;
  } else if (stroke >= 0) {
    pickStep(size_t(stroke));
    // Taken by the end where it arrives it is led elsewhere.
    const QPointF away = map_.stroke(size_t(stroke)).pointAtPercent(1) - at;
    if (std::hypot(away.x(), away.y()) * viewport_.zoom() < 28) {
      retargets_ = size_t(stroke);
      drawnFrom_ = map_.graph().steps[size_t(stroke)].item;
      drawnOn_ = map_.graph().steps[size_t(stroke)].from;
    }
  } else if (screen >= 0) {
    pick(screen, {});
  } else {
    panned_ = at2_;
  }
  update();
}

void FlowView::mouseMoveEvent(QMouseEvent* event) {
  const QPointF was = at2_;
  at2_ = event->position();
  if (panned_) return panBy(at2_ - was);
  if (!pressed_ || !drawnFrom_) return;
  const QPointF away = at2_ - *pressed_;
  drawing_ = drawing_ || std::hypot(away.x(), away.y()) > kDragFrom;
  if (drawing_) update();
}

void FlowView::mouseReleaseEvent(QMouseEvent* event) {
  const bool drawn = std::exchange(drawing_, false);
  panned_.reset();
  pressed_.reset();
  update();
  if (!drawn || !rect().contains(event->position().toPoint())) return;
  const int to = map_.screenAt(toMap(event->position()));
  if (to == drawnOn_) return;  // let go where it began
  if (to >= 0)
    leadTo(to);
  else
    leadToNew();
}

void FlowView::mouseDoubleClickEvent(QMouseEvent* event) {
  if (map_.screenAt(toMap(event->position())) >= 0) Q_EMIT opened();
}

void FlowView::wheelEvent(QWheelEvent* event) {
  constexpr double kNotch = 120, kStep = 1.2, kLine = 48;
  if (event->modifiers() & Qt::ControlModifier) {
    viewport_.zoomTo(viewport_.zoom() * std::pow(kStep, event->angleDelta().y() / kNotch),
                     event->position());
    update();
  } else {
    QPointF by = QPointF(event->angleDelta()) / kNotch * kLine;
    if (event->modifiers() & Qt::ShiftModifier && by.x() == 0) by = by.transposed();
    panBy(by);
  }
  event->accept();
}

// Through the screen's buttons, and through what each does.
void FlowView::stepBy(int by) {
  lead_ = -1;
  const Screen* screen = work_.screen();
  if (!screen) return;
  const auto all = buttonsOf(work_.project(), *screen);
  if (all.empty()) return;
  const ButtonData* now = work_.item() ? work_.item()->button() : nullptr;
  const size_t last = now && !now->actions.empty() ? now->actions.size() - 1 : 0;
  if (now && by > 0 && at_ < last) {
    ++at_;
  } else if (now && by < 0 && at_ > 0) {
    --at_;
  } else {
    const auto found =
        work_.item() ? std::find(all.begin(), all.end(), work_.item()->id) : all.end();
    const auto count = static_cast<int>(all.size());
    const int at = found == all.end() ? (by > 0 ? -1 : count) : int(found - all.begin());
    const int next = std::clamp(at + by, 0, count - 1);
    at_ = 0;
    pick(pickedScreen(), all[size_t(next)]);
  }
  Q_EMIT stepChanged();
  update();
}

// The nearest screen that way; what lies aside counts twice.
void FlowView::goTo(Dir arrow) {
  const int from = lead_ >= 0 ? lead_ : pickedScreen();
  const auto& boxes = map_.places().boxes;
  int best = -1;
  double least = 0;
  for (int s = 0; s < int(boxes.size()) && from >= 0; ++s) {
    const QPointF d = map_.box(s).center() - map_.box(from).center();
    const double on = arrow == Dir::Right  ? d.x()
                      : arrow == Dir::Left ? -d.x()
                      : arrow == Dir::Down ? d.y()
                                           : -d.y();
    const bool across = arrow == Dir::Right || arrow == Dir::Left;
    const double aside = std::abs(across ? d.y() : d.x());
    if (s == from || on < 1) continue;
    const double price = on + 2 * aside;
    if (best >= 0 && price >= least) continue;
    best = s;
    least = price;
  }
  if (from < 0 && !boxes.empty()) best = 0;
  if (best < 0) return;
  if (lead_ >= 0)
    lead_ = best;
  else
    pick(best, {});
  reveal(best);
}

void FlowView::beginLead() {
  if (!work_.item() || !work_.item()->button())
    return work_.tell(tr("Pick the button that is to lead somewhere: Page Down, or a shoulder, "
                         "goes through them"),
                      true);
  const auto now = step();
  lead_ = now && now->to >= 0 ? now->to : pickedScreen();
  work_.tell(
      tr("Arrows choose the screen, Return leads there, N makes a new one, Escape leaves it"));
  update();
}

void FlowView::takeLead() {
  if (lead_ < 0) return beginLead();
  leadTo(std::exchange(lead_, -1));
  update();
}

void FlowView::dropLead() {
  lead_ = -1;
  update();
}

void FlowView::keyPressEvent(QKeyEvent* event) {
  switch (event->key()) {
    case Qt::Key_Up:
      return goTo(Dir::Up);
    case Qt::Key_Down:
      return goTo(Dir::Down);
    case Qt::Key_Left:
      return goTo(Dir::Left);
    case Qt::Key_Right:
      return goTo(Dir::Right);
    case Qt::Key_PageUp:
    case Qt::Key_PageDown:
      return stepBy(event->key() == Qt::Key_PageDown ? 1 : -1);
    case Qt::Key_Return:
    case Qt::Key_Enter:
      return takeLead();
    case Qt::Key_N:
      if (lead_ < 0) break;
      lead_ = -1;
      return leadToNew();
    case Qt::Key_Escape:
      if (lead_ < 0) break;
      return dropLead();
    case Qt::Key_Delete:
    case Qt::Key_Backspace:
      if (step()) work_.perform(bristle::removeAction(work_.screen()->id, work_.item()->id, at_));
      return;
    default:
      break;
  }
  QWidget::keyPressEvent(event);
}

QString FlowView::hintAt(const QPointF& at) const {
  const int stroke = map_.stepAt(at, kNear / viewport_.zoom());
  const int screen = map_.screenAt(at);
  const Project& p = work_.project();
  const ItemId button = map_.buttonAt(screen, at);
  if (button) {
    const Item* item = findItem(*p.screens[size_t(screen)], button);
    return tr("%1: %2").arg(toQt(displayName(*item)), toQt(inWords(p, item->button()->actions)));
  }
  if (stroke >= 0) {
    const FlowStep& step = map_.graph().steps[size_t(stroke)];
    const Screen& from = *p.screens[size_t(step.from)];
    const Item* item = findItem(from, step.item);
    const QString what = toQt(inWords(p, actionsOf(p, step)[step.at]));
    if (!item)
      return tr("%1, when nobody does anything for %2 s: %3")
          .arg(toQt(from.name))
          .arg(double(from.idle.after) / 1000)
          .arg(what);
    return tr("%1: %2").arg(toQt(displayName(*item)), what);
  }
  return screen >= 0 ? toQt(p.screens[size_t(screen)]->name) : QString();
}

bool FlowView::event(QEvent* event) {
  if (event->type() == QEvent::ToolTip) {
    const auto* help = static_cast<QHelpEvent*>(event);
    const QString words = hintAt(toMap(help->pos()));
    words.isEmpty() ? QToolTip::hideText() : QToolTip::showText(help->globalPos(), words, this);
    return true;
  }
  if (event->type() == QEvent::FocusIn || event->type() == QEvent::FocusOut) update();
  return QWidget::event(event);
}

}  // namespace bristle
