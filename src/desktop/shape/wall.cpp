#include "desktop/shape/wall.h"

#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>
#include <algorithm>

#include "core/findings/visible.h"
#include "desktop/derive/findings_watch.h"
#include "desktop/shape/ledger_model.h"
#include "desktop/shape/readings.h"
#include "desktop/shape/tile_view.h"
#include "desktop/view/counted.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "paint/hit_shape.h"

namespace bristle {
namespace {

constexpr int kHeight = 252, kTallHeight = 340;
constexpr int kLeast = 150, kMost = 520;  // px: what the border may be dragged to
constexpr int kBorder = 6;
constexpr int kBar = 7;
constexpr int kHead = 40, kFoot = 20;  // px for the words above and below a tile
constexpr double kGrab = 8;            // px: a handle is caught from this near

}  // namespace

Wall::Wall(Work& work, TileView& view, Readings& readings, LedgerModel& model, QWidget* parent)
    : QHeaderView(Qt::Horizontal, parent),
      work_(work),
      view_(view),
      readings_(readings),
      model_(model) {
  setSectionsClickable(true);
  setHighlightSections(false);
  setSectionResizeMode(QHeaderView::Stretch);
  setMinimumSectionSize(84);
  setMouseTracking(true);
  setAccessibleName(tr("Wall: the kind in every state"));
  const auto again = [this] { viewport()->update(); };
  connect(&work, &Work::changed, this, again);
  connect(&work, &Work::pickedChanged, this, again);
  connect(&work.findings(), &FindingsWatch::changed, this, again);
  connect(&view, &TileView::changed, this, again);
  connect(&readings, &Readings::changed, this, again);
}

QSize Wall::sizeHint() const {
  const Kind* kind = work_.kind();
  const int needed = kind && view_.trueSize() ? int(kind->height) + kHead + kFoot + 40 : 0;
  const int usual = view_.alone() ? kTallHeight : kHeight;
  return {600, std::clamp(std::max(needed, chosen_ ? chosen_ : usual), kLeast, kMost)};
}

void Wall::setChosenHeight(int px) {
  chosen_ = px ? std::clamp(px, kLeast, kMost) : 0;
  Q_EMIT geometriesChanged();
}

// The border to the ledger below, grabbed a little beyond the bar that shows where edits go.
bool Wall::onBorder(const QPointF& at) const {
  return at.y() > height() - kBorder;
}

QRectF Wall::tileOf(int section) const {
  return QRectF(sectionViewportPosition(section), kHead, sectionSize(section),
                height() - kHead - kFoot - kBar);
}

// One scale for all tiles, so that they can be compared.
double Wall::scale() const {
  const Kind* kind = work_.kind();
  if (!kind || count() == 0) return 1;
  if (view_.trueSize()) return 1;
  double width = 0;
  for (int i = 1; i < count(); ++i)
    if (!isSectionHidden(i)) width = std::max(width, double(sectionSize(i)));
  const double most = view_.alone() ? 4 : 1;
  const double margin = view_.alone() ? 80 : 20;
  return std::min({most, (width - margin) / kind->width,
                   (height() - kHead - kFoot - kBar - margin / 2) / kind->height});
}

QPointF Wall::toTile(int section, const QPointF& button) const {
  const Kind* kind = work_.kind();
  const QPointF origin = kind ? QPointF(kind->width / 2, kind->height / 2) : QPointF();
  return tileOf(section).center() + (button - origin) * scale();
}

QPointF Wall::fromTile(int section, const QPointF& tile) const {
  const Kind* kind = work_.kind();
  const QPointF origin = kind ? QPointF(kind->width / 2, kind->height / 2) : QPointF();
  return (tile - tileOf(section).center()) / scale() + origin;
}

int Wall::handled() const {
  if (!work_.kind()) return -1;
  // The base has no tile of its own: its handles stand on the first state's.
  const int at = std::max(1, model_.columnOf(work_.picked().columns.back()));
  if (at >= count() || isSectionHidden(at)) return -1;
  return at;
}

void Wall::paintTile(QPainter& painter, int section, StateIndex state) const {
  const Kind* kind = work_.kind();
  const auto table = work_.lookTable();
  if (!table || state >= table->stateCount()) return;
  const double s = scale();
  const QRectF tile = tileOf(section);
  const QPointF corner = toTile(section, {0, 0});
  painter.save();
  painter.setClipRect(tile);
  view_.paintBackdrop(painter, tile, QRectF(corner, QSizeF(kind->width * s, kind->height * s)), s);
  painter.translate(corner);
  painter.scale(s, s);
  const QRectF box(0, 0, kind->width, kind->height);
  work_.looks().paintState(painter, *kind, *table, state, table->state(state), box,
                           kind->sampleCaption);
  if (view_.hitAreas()) {
    painter.setPen(QPen(QColor(255, 255, 255), 2 / s));
    painter.setBrush(QColor(15, 110, 110, 70));
    const QPainterPath area = hitOutline(*kind, table->base(), box, work_.looks().pictures());
    painter.drawPath(area);
    painter.setPen(QPen(themeOf(this).accent, 1 / s, Qt::DashLine));
    painter.drawPath(area);
  }
  painter.restore();
}

void Wall::paintHandles(QPainter& painter, int section) const {
  const Theme& t = themeOf(this);
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setClipRect(tileOf(section).adjusted(0, -6, 0, 6));
  for (const Handle& handle : handlesOf(work_, work_.picked().columns.back())) {
    const QPointF at = toTile(section, handle.at);
    painter.setPen(QPen(t.accent, 1.5));
    painter.setBrush(Qt::white);
    switch (handle.sort) {
      case Handle::Sort::Size:
        painter.drawRect(QRectF(at.x() - 3.5, at.y() - 3.5, 7, 7));
        break;
      case Handle::Sort::Pivot:
      case Handle::Sort::Move:
        painter.setPen(QPen(Qt::white, 3));
        painter.drawLine(at - QPointF(6, 0), at + QPointF(6, 0));
        painter.drawLine(at - QPointF(0, 6), at + QPointF(0, 6));
        painter.setPen(QPen(t.accent, 1.5));
        painter.drawLine(at - QPointF(6, 0), at + QPointF(6, 0));
        painter.drawLine(at - QPointF(0, 6), at + QPointF(0, 6));
        if (handle.sort == Handle::Sort::Pivot) painter.drawEllipse(at, 2.5, 2.5);
        break;
      default:
        painter.drawEllipse(at, 4, 4);
    }
  }
  painter.restore();
}

void Wall::paintWords(QPainter& p, const QRect& rect, int section, StateIndex state) const {
  const Theme& t = themeOf(this);
  const Kind& kind = *work_.kind();
  const Column column = model_.columnAt(section);
  const auto table = work_.lookTable();
  QFont bold = font();
  bold.setWeight(QFont::DemiBold);
  const QRect text = rect.adjusted(10, 5, -8, -kBar - 3);
  p.setFont(bold);
  p.setPen(t.onWork);
  p.drawText(text, Qt::AlignLeft | Qt::AlignTop,
             QFontMetrics(bold).elidedText(
                 model_.headerData(section, Qt::Horizontal, Qt::DisplayRole).toString(),
                 Qt::ElideRight, text.width()));
  const auto own = kind.departures.find(*column);
  const auto count = own == kind.departures.end() ? size_t{0} : own->second.size();
  QString words = count == 0   ? tr("as the base")
                  : count == 1 ? tr("1 value differs")
                               : tr("%1 values differ").arg(count);
  if (table && state < table->stateCount()) {
    if (!canBeSeen(kind, table->state(state)))
      words = tr("⚠ cannot be seen");
    else if (count && lookAlike(kind, table->state(state), table->base()))
      words = tr("looks like the base");
  }
  const auto found = work_.findings().wordsOf(
      [&](const Finding& f) { return f.kind == kind.id && column && f.state == *column; });
  if (!found.empty())
    words += QLatin1Char('\n') + counted(found.size(), tr("%n finding"), tr("%n findings"));
  p.setFont(font());
  p.drawText(text.adjusted(0, 16, 0, 0), Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, words);
  if (const CaptionContrast* read = readings_.of(column))
    p.drawText(text, Qt::AlignLeft | Qt::AlignBottom | Qt::TextWordWrap,
               tr("contrast %1\u00a0:\u00a01%2")
                   .arg(read->ratio, 0, 'f', 1)
                   .arg(readings_.weak(column) ? tr("\u00a0⚠") : QString()));
}

// Where edits go, in words beside the bar that shows it.
void Wall::paintTarget(QPainter& p, const QRect& text) const {
  const Theme& t = themeOf(this);
  QStringList names;
  for (const Column& column : work_.picked().columns)
    names << model_.headerData(model_.columnOf(column), Qt::Horizontal, Qt::DisplayRole).toString();
  p.setPen(t.quiet);
  p.drawText(text, Qt::AlignLeft | Qt::AlignTop,
             work_.ownLook() ? tr("Edits go to “%1” alone:").arg(toQt(displayName(*work_.item())))
                             : tr("Edits go to"));
  QFont bold = font();
  bold.setWeight(QFont::DemiBold);
  p.setFont(bold);
  p.setPen(work_.ownLook() ? t.pinned : t.accent);
  p.drawText(text.adjusted(0, 17, 0, -50), Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap,
             names.join(tr(", ")));
}

void Wall::paintSection(QPainter* p, const QRect& rect, int section) const {
  const Kind* kind = work_.kind();
  if (!kind) return;
  const Theme& t = themeOf(this);
  const Column column = model_.columnAt(section);
  const auto& picked = work_.picked().columns;
  const bool goesHere = std::find(picked.begin(), picked.end(), column) != picked.end();
  p->save();
  p->setClipRect(rect);
  p->fillRect(rect, column ? t.work : t.band);
  if (!column) {
    QFont bold = font();
    bold.setWeight(QFont::DemiBold);
    const QRect text = rect.adjusted(14, 8, -8, -8);
    p->setFont(bold);
    p->setPen(t.ink);
    p->drawText(text.adjusted(0, 0, 0, -28), Qt::AlignLeft | Qt::AlignBottom, tr("Base look"));
    p->setFont(font());
    p->setPen(t.quiet);
    p->drawText(text.adjusted(0, 0, 0, -8), Qt::AlignLeft | Qt::AlignBottom,
                tr("all states start here"));
    paintTarget(*p, text);
  } else {
    const auto state = StateIndex(section - 1);
    paintTile(*p, section, state);
    p->setClipRect(rect);
    paintWords(*p, rect, section, state);
    if (section == handled()) paintHandles(*p, section);
    p->setPen(QColor(0, 0, 0, 50));
    p->drawLine(rect.topRight(), rect.bottomRight());
  }
  if (goesHere) {
    // Dark and light edges: the bar is seen on every ground.
    const QRect bar(rect.x(), rect.bottom() - kBar + 1, rect.width(), kBar);
    p->fillRect(bar.adjusted(0, -1, 0, 0), t.onAccent);
    p->fillRect(bar, t.accent);
  }
  p->restore();
}

std::optional<Handle> Wall::handleAt(const QPointF& at) const {
  const int section = handled();
  if (section < 0 || logicalIndexAt(at.toPoint()) != section) return {};
  std::optional<Handle> best;
  double nearest = kGrab;
  for (const Handle& handle : handlesOf(work_, work_.picked().columns.back())) {
    const QPointF d = toTile(section, handle.at) - at;
    const double far = std::hypot(d.x(), d.y());
    if (far > nearest) continue;
    nearest = far;
    best = handle;
  }
  return best;
}

void Wall::mousePressEvent(QMouseEvent* event) {
  const QPointF at = event->position();
  const int section = logicalIndexAt(at.toPoint());
  if (event->button() != Qt::LeftButton) return;
  if (onBorder(at)) {
    borderFrom_ = int(event->globalPosition().y()) - height();
    return;
  }
  if (section < 0) return;
  if (!(event->modifiers() & Qt::ShiftModifier)) {
    dragging_ = handleAt(at);
    grabbed_ = fromTile(section, at);
    if (dragging_) return;
  }
  const Column column = model_.columnAt(section);
  std::vector<Column> columns = work_.picked().columns;
  if (event->modifiers() & Qt::ShiftModifier) {
    const auto found = std::find(columns.begin(), columns.end(), column);
    if (found == columns.end()) {
      columns.push_back(column);
    } else if (columns.size() > 1) {
      columns.erase(found);
    }
  } else {
    columns = {column};
  }
  work_.pickCells(columns, work_.picked().rows, work_.picked().property);
}

void Wall::mouseMoveEvent(QMouseEvent* event) {
  if (borderFrom_) return setChosenHeight(int(event->globalPosition().y()) - *borderFrom_);
  if (!dragging_) {
    viewport()->setCursor(onBorder(event->position())   ? Qt::SplitVCursor
                          : handleAt(event->position()) ? Qt::SizeAllCursor
                                                        : Qt::ArrowCursor);
    return;
  }
  const int section = handled();
  if (section < 0) return;
  const QPointF to = fromTile(section, event->position());
  const auto edit = dragged(work_, work_.picked().columns.back(), *dragging_, grabbed_, to);
  if (edit) work_.perform(*edit);
}

void Wall::mouseReleaseEvent(QMouseEvent*) {
  if (dragging_) work_.seal();
  dragging_.reset();
  borderFrom_.reset();
}

bool Wall::viewportEvent(QEvent* event) {
  if (event->type() == QEvent::ToolTip) {
    auto* help = static_cast<QHelpEvent*>(event);
    const auto handle = handleAt(QPointF(help->pos()));
    QToolTip::showText(help->globalPos(), handle ? handle->name : QString(), viewport());
    return true;
  }
  return QHeaderView::viewportEvent(event);
}

}  // namespace bristle
