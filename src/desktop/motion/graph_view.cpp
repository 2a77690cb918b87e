#include "desktop/motion/graph_view.h"

#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QToolTip>
#include <cmath>

#include "core/edit/machine_edits.h"
#include "desktop/motion/slip_editor.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr double kTileWidth = 128, kTileHeight = 84, kRail = 30, kRim = 10;

// Columns in the order in which a button goes through its roles.
int columnOf(Role role) {
  switch (role) {
    case Role::Rest:
      return 0;
    case Role::Hover:
    case Role::Focus:
      return 1;
    case Role::Press:
      return 2;
    case Role::None:
    case Role::Disabled:
      return 3;
  }
  return 3;
}

Event likelyEvent(const State& to) {
  switch (to.role) {
    case Role::Hover:
      return Event::OverBegin;
    case Role::Press:
      return Event::Press;
    case Role::Focus:
      return Event::FocusGain;
    case Role::Disabled:
      return Event::Disable;
    case Role::Rest:
      return Event::OverEnd;
    case Role::None:
      break;
  }
  return Event::After;
}

// Where the line from a rectangle's middle leaves it.
QPointF edgeOf(const QRectF& r, const QPointF& towards) {
  const QPointF c = r.center(), d = towards - c;
  const double across = std::abs(d.x()) < 1e-6 ? 1e9 : r.width() / 2 / std::abs(d.x());
  const double down = std::abs(d.y()) < 1e-6 ? 1e9 : r.height() / 2 / std::abs(d.y());
  return c + d * std::min({across, down, 1.0});
}

}  // namespace

QString eventOf(const Transition& t) {
  QString out = toQt(std::string(nameOf(t.on)));
  if (t.on == Event::After) out += QStringLiteral(" %1 ms").arg(t.after);
  if (t.on == Event::Message) out += QStringLiteral(" ") + toQt(t.message);
  if (!t.guard.empty()) out += QStringLiteral(" [") + toQt(t.guard) + QStringLiteral("]");
  return out;
}

QString eventsOf(const Machine& machine, const std::vector<int>& transitions) {
  QStringList out;
  for (const int t : transitions) out << eventOf(machine.transitions[size_t(t)]);
  return out.join(QStringLiteral(", "));
}

GraphView::GraphView(Work& work, MotionView& view, LawWatch& laws, QWidget* parent)
    : QWidget(parent), work_(work), view_(view), laws_(laws) {
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  setAccessibleName(tr("Graph: states and transitions"));
  slip_ = new SlipEditor(work, view, this);
  const auto again = [this] { update(); };
  connect(&work, &Work::changed, this, again);
  connect(&view, &MotionView::picked, this, again);
  connect(&view, &MotionView::moved, this, &GraphView::follow);
  connect(&view, &MotionView::scoreChanged, this, again);
  connect(&laws, &LawWatch::changed, this, again);
}

// As time goes on only the mark of the state that is shown moves.
void GraphView::follow() {
  const Machine* machine = work_.machine();
  const StateIndex now = view_.stateAt(view_.time());
  if (!machine || now == active_) return;
  for (const size_t state : {size_t{active_}, size_t{now}})
    if (state < machine->states.size())
      update(tileOf(machine->states[state].id).toAlignedRect().adjusted(-6, -6, 6, 6));
  active_ = now;
}

QRectF GraphView::tileOf(const StateId& id) const {
  const Machine* machine = work_.machine();
  if (!machine || (id && !findState(*machine, id))) return {};
  if (!id) return {kRim, height() - kRail - 4, width() - 2 * kRim, kRail};
  std::array<int, 4> counts{};
  int column = 0, row = 0;
  for (const State& s : machine->states) {
    const auto c = size_t(columnOf(s.role));
    if (s.id == id) {
      column = int(c);
      row = counts[c];
    }
    ++counts[c];
  }
  const double w = std::min(kTileWidth, (width() - 2 * kRim) / 4.0 - 22);
  const int rows = counts[size_t(column)];
  const double room = height() - kRail - 3 * kRim - 8;
  const double h =
      std::min(kTileHeight, room / *std::max_element(counts.begin(), counts.end()) - 12);
  const double x = kRim + (width() - 2 * kRim - w) * column / 3.0;
  // Every other column is set a little lower, so that strokes do not run through tiles.
  const double shift = column % 2 ? 0 : (rows == 1 ? 0 : 10);
  const double y = kRim + shift + (room - 10) * (row + 0.5) / rows - h / 2;
  return {x, y, w, h};
}

std::vector<GraphView::Link> GraphView::links() const {
  std::vector<Link> out;
  const Machine* machine = work_.machine();
  if (!machine) return out;
  for (size_t i = 0; i < machine->transitions.size(); ++i) {
    const Transition& t = machine->transitions[i];
    if (!findState(*machine, t.to)) continue;
    const StateId from = t.from.value_or(StateId{});
    const auto at = std::find_if(out.begin(), out.end(),
                                 [&](const Link& l) { return l.from == from && l.to == t.to; });
    if (at != out.end()) {
      at->transitions.push_back(int(i));
    } else {
      out.push_back({from, t.to, {int(i)}});
    }
  }
  return out;
}

// Wide where it leaves, a point where it arrives; there and back run side by side.
QPainterPath GraphView::strokeOf(const Link& link) const {
  const QRectF to = tileOf(link.to);
  QRectF from = tileOf(link.from);
  if (!link.from) from = QRectF(to.center().x() - 20, from.y(), 40, from.height());
  QPainterPath path;
  if (link.from == link.to) {
    const QPointF top = QPointF(to.right() - 18, to.top());
    path.moveTo(top);
    path.cubicTo(top + QPointF(4, -20), top + QPointF(26, -12), QPointF(to.right(), to.top() + 14));
    path.cubicTo(top + QPointF(20, -6), top + QPointF(8, -14), top + QPointF(-5, 0));
    path.closeSubpath();
    return path;
  }
  const QPointF a = edgeOf(from, to.center()), b = edgeOf(to, from.center());
  const QPointF d = b - a;
  const double length = std::max(1.0, std::hypot(d.x(), d.y()));
  const QPointF along = d / length, side(-along.y(), along.x());
  const QPointF start = a + side * 6, end = b + side * 3;
  const QPointF bend = (start + end) / 2 + side * std::min(28.0, length * 0.14);
  path.moveTo(start - side * 2.6);
  path.quadTo(bend - side * 1.4, end);
  path.quadTo(bend + side * 1.4, start + side * 2.6);
  path.closeSubpath();
  return path;
}

QPointF GraphView::middleOf(const StateId& from, const StateId& to) const {
  const QPainterPath stroke = strokeOf({from, to, {}});
  return (stroke.pointAtPercent(0.25) + stroke.pointAtPercent(0.75)) / 2;
}

const GraphView::Link* GraphView::linkAt(const std::vector<Link>& all, const QPointF& at) const {
  QPainterPathStroker wide;
  wide.setWidth(8);
  for (auto link = all.rbegin(); link != all.rend(); ++link)
    if (const QPainterPath stroke = strokeOf(*link);
        wide.createStroke(stroke).united(stroke).contains(at))
      return &*link;
  return nullptr;
}

std::optional<StateId> GraphView::tileAt(const QPointF& at) const {
  const Machine* machine = work_.machine();
  if (!machine) return {};
  for (const State& s : machine->states)
    if (tileOf(s.id).contains(at)) return s.id;
  if (tileOf({}).contains(at)) return StateId{};
  return {};
}

void GraphView::paintTile(QPainter& p, size_t index, bool active) {
  const Theme& t = themeOf(this);
  const Machine& machine = *work_.machine();
  const Kind& kind = *work_.kind();
  const auto table = work_.lookTable();
  const State& state = machine.states[index];
  const QRectF tile = tileOf(state.id);
  const bool picked = view_.state() == state.id;
  p.setPen(Qt::NoPen);
  p.setBrush(t.work);
  p.drawRoundedRect(tile, 6, 6);
  const QRectF art = tile.adjusted(6, 5, -6, -20);
  if (table && index < table->stateCount() && art.height() > 6) {
    const double s = std::min({1.0, art.width() / kind.width, art.height() / kind.height});
    p.save();
    p.setClipRect(tile);
    p.translate(art.center() - QPointF(kind.width, kind.height) * s / 2);
    p.scale(s, s);
    work_.looks().paintState(p, kind, *table, StateIndex(index), table->state(StateIndex(index)),
                             QRectF(0, 0, kind.width, kind.height), kind.sampleCaption);
    p.restore();
  }
  p.setPen(t.onWork);
  const QRectF words(tile.x() + 6, tile.bottom() - 18, tile.width() - 12, 16);
  p.drawText(words, Qt::AlignLeft | Qt::AlignVCenter,
             p.fontMetrics().elidedText(toQt(state.name), Qt::ElideRight, int(words.width())));
  p.setBrush(Qt::NoBrush);
  if (active) {
    p.setPen(QPen(t.pinned, 3));
    p.drawRoundedRect(tile.adjusted(-3, -3, 3, 3), 8, 8);
  }
  if (picked) {
    p.setPen(QPen(t.chrome, 4));
    p.drawRoundedRect(tile, 6, 6);
    p.setPen(QPen(t.accent, 2));
    p.drawRoundedRect(tile, 6, 6);
  }
}

void GraphView::paintLink(QPainter& p, const Link& link) {
  const Theme& t = themeOf(this);
  const auto has = [&](int index) {
    return std::find(link.transitions.begin(), link.transitions.end(), index) !=
           link.transitions.end();
  };
  const Lawfulness* laws = laws_.now();
  bool never = laws && laws->report.whole && !link.transitions.empty();
  for (const int i : link.transitions)
    never = never && std::find(laws->report.neverTaken.begin(), laws->report.neverTaken.end(),
                               std::uint32_t(i)) != laws->report.neverTaken.end();
  const bool picked = has(view_.transition());
  const bool near =
      !view_.state() ? !link.from : link.from == view_.state() || link.to == view_.state();
  QColor ink = picked ? t.accent : t.ink;
  if (!picked && !near) ink.setAlpha(80);
  p.setPen(never ? QPen(ink, 1, Qt::DashLine) : QPen(Qt::NoPen));
  p.setBrush(never ? QBrush(Qt::NoBrush) : QBrush(ink));
  p.drawPath(strokeOf(link));
  if (!picked) return;
  // What happens there, on a slip at its middle.
  const QString words = p.fontMetrics().elidedText(
      eventOf(work_.machine()->transitions[size_t(view_.transition())]), Qt::ElideRight, 220);
  QRectF slip(0, 0, p.fontMetrics().horizontalAdvance(words) + 12, 18);
  slip.moveCenter(middleOf(link.from, link.to));
  slip.moveLeft(std::clamp(slip.left(), 4.0, std::max(4.0, width() - slip.width() - 4)));
  p.setPen(t.accent);
  p.setBrush(t.raised);
  p.drawRoundedRect(slip, 4, 4);
  p.setPen(t.ink);
  p.drawText(slip, Qt::AlignCenter, words);
}

void GraphView::paintEvent(QPaintEvent* event) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const Theme& t = themeOf(this);
  p.fillRect(rect(), t.chrome);
  const Machine* machine = work_.machine();
  if (!machine || !work_.kind()) return;
  const QRectF rail = tileOf({});
  p.setPen(Qt::NoPen);
  p.setBrush(t.band);
  p.drawRoundedRect(rail, 6, 6);
  if (!view_.state() && view_.transition() < 0 && hasFocus()) {
    p.setPen(QPen(t.accent, 2));
    p.setBrush(Qt::NoBrush);
    p.drawRoundedRect(rail, 6, 6);
  }
  p.setPen(t.quiet);
  p.drawText(rail.adjusted(10, 0, -10, 0), Qt::AlignLeft | Qt::AlignVCenter,
             tr("from every state"));
  const auto all = links();
  for (const Link& link : all)
    if (std::find(link.transitions.begin(), link.transitions.end(), view_.transition()) ==
        link.transitions.end())
      paintLink(p, link);
  active_ = view_.stateAt(view_.time());
  for (size_t i = 0; i < machine->states.size(); ++i)
    if (event->region().intersects(
            tileOf(machine->states[i].id).toAlignedRect().adjusted(-4, -4, 4, 4)))
      paintTile(p, i, i == active_ && !view_.run().states.empty());
  for (const Link& link : all)
    if (std::find(link.transitions.begin(), link.transitions.end(), view_.transition()) !=
        link.transitions.end())
      paintLink(p, link);
  if (pulling_ && !readOnly_) {
    p.setPen(QPen(t.accent, 2, Qt::DashLine));
    p.drawLine(tileOf(*pulling_).center(), now_);
  }
}

void GraphView::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  now_ = event->position();
  pulling_ = tileAt(now_);
  if (pulling_) return view_.pickState(*pulling_);
  const auto all = links();
  if (const Link* link = linkAt(all, now_)) {
    // Another click goes on to the next of several.
    const auto at =
        std::find(link->transitions.begin(), link->transitions.end(), view_.transition());
    const bool next = at != link->transitions.end() && at + 1 != link->transitions.end();
    view_.pickTransition(next ? *(at + 1) : link->transitions.front());
  }
}

void GraphView::mouseDoubleClickEvent(QMouseEvent* event) {
  const auto all = links();
  if (!tileAt(event->position()) && linkAt(all, event->position())) editSlip();
}

// Event and guard of the picked transition, in place.
void GraphView::editSlip() {
  const Machine* m = work_.machine();
  if (readOnly_ || !m || view_.transition() < 0) return;
  const Transition& t = m->transitions[size_t(view_.transition())];
  slip_->openAt(middleOf(t.from.value_or(StateId{}), t.to));
}

void GraphView::mouseMoveEvent(QMouseEvent* event) {
  now_ = event->position();
  if (pulling_ && !readOnly_) update();
}

void GraphView::mouseReleaseEvent(QMouseEvent* event) {
  const auto from = std::exchange(pulling_, std::nullopt);
  update();
  const auto to = tileAt(event->position());
  const Machine* machine = work_.machine();
  const State* target = to && machine ? findState(*machine, *to) : nullptr;
  if (from && target && *from != *to && !readOnly_) add(*from, *to);
}

void GraphView::add(const StateId& from, const StateId& to) {
  const Machine& machine = *work_.machine();
  Transition t;
  if (from) t.from = from;
  t.to = to;
  t.on = likelyEvent(*findState(machine, to));
  if (t.on == Event::After) t.after = 200;
  if (!work_.perform(addTransition(machine.id, t))) return;
  view_.pickTransition(int(work_.machine()->transitions.size()) - 1);
  editSlip();
}

void GraphView::keyPressEvent(QKeyEvent* event) {
  const Machine* machine = work_.machine();
  if (!machine) return;
  const int key = event->key();
  if (key == Qt::Key_Delete && view_.transition() >= 0 && !readOnly_) {
    work_.perform(removeTransition(machine->id, size_t(view_.transition())));
    return;
  }
  if (key == Qt::Key_Return || key == Qt::Key_Enter) return editSlip();
  const bool along = key == Qt::Key_Right || key == Qt::Key_Left;
  if (!along && key != Qt::Key_Up && key != Qt::Key_Down) return QWidget::keyPressEvent(event);
  const int step = key == Qt::Key_Right || key == Qt::Key_Down ? 1 : -1;
  if (along) {  // from state to state, and to the rail
    int at = -1;
    for (size_t i = 0; i < machine->states.size(); ++i)
      if (machine->states[i].id == view_.state()) at = int(i);
    const int count = int(machine->states.size()) + 1;
    at = ((at + 1 + step) % count + count) % count - 1;
    return view_.pickState(at < 0 ? StateId{} : machine->states[size_t(at)].id);
  }
  std::vector<int> own;  // through the picked state's transitions
  for (size_t i = 0; i < machine->transitions.size(); ++i)
    if (machine->transitions[i].from.value_or(StateId{}) == view_.state()) own.push_back(int(i));
  if (own.empty()) return;
  const auto at = std::find(own.begin(), own.end(), view_.transition());
  const int now = at == own.end() ? (step > 0 ? -1 : 0) : int(at - own.begin());
  view_.pickTransition(own[size_t((now + step + int(own.size())) % int(own.size()))]);
}

bool GraphView::event(QEvent* event) {
  if (event->type() == QEvent::ToolTip) {
    auto* help = static_cast<QHelpEvent*>(event);
    const auto all = links();
    const Link* link = tileAt(QPointF(help->pos())) ? nullptr : linkAt(all, QPointF(help->pos()));
    QToolTip::showText(help->globalPos(),
                       link ? eventsOf(*work_.machine(), link->transitions) : QString(), this);
    return true;
  }
  return QWidget::event(event);
}

}  // namespace bristle
