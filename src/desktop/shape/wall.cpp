#include "desktop/shape/wall.h"

#include <QMouseEvent>
#include <QPainter>
#include <algorithm>

#include "core/machine/mix.h"
#include "desktop/frame/theme.h"
#include "desktop/shape/ledger_model.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr int kHeight = 148;
constexpr int kBar = 6;

}  // namespace

Wall::Wall(Work& work, LedgerModel& model, QWidget* parent)
    : QHeaderView(Qt::Horizontal, parent), work_(work), model_(model) {
  setSectionsClickable(true);
  setHighlightSections(false);
  setSectionResizeMode(QHeaderView::Stretch);
  setMinimumSectionSize(84);
  setAccessibleName(tr("Wall: the kind in every state"));
  const auto again = [this] { viewport()->update(); };
  connect(&work, &Work::changed, this, again);
  connect(&work, &Work::pickedChanged, this, again);
}

QSize Wall::sizeHint() const {
  return {600, kHeight};
}

// One scale for all tiles, so that they can be compared.
double Wall::scale() const {
  const Kind* kind = work_.kind();
  if (!kind || count() == 0) return 1;
  const double room = sectionSize(count() - 1) - 20;
  return std::min({1.0, room / kind->width, 76 / kind->height});
}

void Wall::paintTile(QPainter& painter, const QRectF& rect, const StateId& state) const {
  const Kind* kind = work_.kind();
  const Machine* machine = work_.machine();
  const LookTable* table = work_.tables().get(work_.project(), kind->id);
  if (!machine || !table) return;
  for (size_t i = 0; i < machine->states.size(); ++i) {
    if (machine->states[i].id != state) continue;
    const double s = scale();
    painter.translate(rect.center());
    painter.scale(s, s);
    work_.looks().paint(painter, *kind, *table, table->state(static_cast<StateIndex>(i)),
                        QRectF(-kind->width / 2, -kind->height / 2, kind->width, kind->height),
                        kind->sampleCaption);
  }
}

void Wall::paintSection(QPainter* p, const QRect& rect, int section) const {
  const Kind* kind = work_.kind();
  if (!kind) return;
  const Theme& t = theme();
  const Column column = model_.columnAt(section);
  const auto& picked = work_.picked().columns;
  const bool goesHere = std::find(picked.begin(), picked.end(), column) != picked.end();
  p->save();
  p->setClipRect(rect);
  p->fillRect(rect, column ? t.work : t.band);
  QFont bold = font();
  bold.setWeight(QFont::DemiBold);
  p->setFont(bold);
  p->setPen(column ? t.onWork : t.ink);
  const QString name = model_.headerData(section, Qt::Horizontal, Qt::DisplayRole).toString();
  const QRect text = rect.adjusted(10, 8, -8, -8);
  if (!column) {
    p->drawText(text.adjusted(0, 0, 0, -32), Qt::AlignLeft | Qt::AlignBottom, tr("Base look"));
    p->setFont(font());
    p->setPen(t.quiet);
    p->drawText(text.adjusted(0, 0, 0, -12), Qt::AlignLeft | Qt::AlignBottom,
                tr("all states start here"));
  } else {
    p->drawText(text, Qt::AlignLeft | Qt::AlignTop, name);
    const auto own = kind->departures.find(*column);
    const auto count = own == kind->departures.end() ? size_t{0} : own->second.size();
    p->setFont(font());
    p->drawText(text.adjusted(0, 17, 0, 0), Qt::AlignLeft | Qt::AlignTop,
                count ? tr("%1 depart").arg(count) : tr("as the base"));
    p->setRenderHint(QPainter::Antialiasing);
    p->save();
    paintTile(*p, QRectF(rect).adjusted(0, 42, 0, -kBar - 4), *column);
    p->restore();
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

void Wall::mousePressEvent(QMouseEvent* event) {
  const int section = logicalIndexAt(event->position().toPoint());
  if (section < 0 || event->button() != Qt::LeftButton) return;
  const Column column = model_.columnAt(section);
  std::vector<Column> columns = work_.picked().columns;
  if (event->modifiers() & Qt::ShiftModifier) {
    const auto at = std::find(columns.begin(), columns.end(), column);
    if (at == columns.end()) {
      columns.push_back(column);
    } else if (columns.size() > 1) {
      columns.erase(at);
    }
  } else {
    columns = {column};
  }
  work_.pickColumns(columns, work_.picked().property);
}

}  // namespace bristle
