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

MachineGraph GraphView::graph() const {
  static const Machine kNone;
  return {work_.machine() ? *work_.machine() : kNone, size()};
}

QRectF GraphView::tileOf(const StateId& id) const {
  return work_.machine() ? graph().tileOf(id) : QRectF();
}

const MachineLink* GraphView::linkAt(const std::vector<MachineLink>& all, const QPointF& at) const {
  QPainterPathStroker wide;
  wide.setWidth(8);
  for (auto link = all.rbegin(); link != all.rend(); ++link)
    if (const QPainterPath stroke = graph().strokeOf(link->from, link->to);
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

void GraphView::paintLink(QPainter& p, const MachineLink& link) {
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
  p.drawPath(graph().strokeOf(link.from, link.to));
  if (!picked) return;
  // What happens there, on a slip at its middle.
  const QString words = p.fontMetrics().elidedText(
      eventOf(work_.machine()->transitions[size_t(view_.transition())]), Qt::ElideRight, 220);
  QRectF slip(0, 0, p.fontMetrics().horizontalAdvance(words) + 12, 18);
  slip.moveCenter(graph().middleOf(link.from, link.to));
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
  const auto all = graph().links();
  for (const MachineLink& link : all)
    if (std::find(link.transitions.begin(), link.transitions.end(), view_.transition()) ==
        link.transitions.end())
      paintLink(p, link);
  active_ = view_.stateAt(view_.time());
  for (size_t i = 0; i < machine->states.size(); ++i)
    if (event->region().intersects(
            tileOf(machine->states[i].id).toAlignedRect().adjusted(-4, -4, 4, 4)))
      paintTile(p, i, i == active_ && !view_.run().states.empty());
  for (const MachineLink& link : all)
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
  const auto all = graph().links();
  if (const MachineLink* link = linkAt(all, now_)) {
    // Another click goes on to the next of several.
    const auto at =
        std::find(link->transitions.begin(), link->transitions.end(), view_.transition());
    const bool next = at != link->transitions.end() && at + 1 != link->transitions.end();
    view_.pickTransition(next ? *(at + 1) : link->transitions.front());
  }
}

void GraphView::mouseDoubleClickEvent(QMouseEvent* event) {
  const auto all = graph().links();
  if (!tileAt(event->position()) && linkAt(all, event->position())) editSlip();
}

// Event and guard of the picked transition, in place.
void GraphView::editSlip() {
  const Machine* m = work_.machine();
  if (readOnly_ || !m || view_.transition() < 0) return;
  const Transition& t = m->transitions[size_t(view_.transition())];
  slip_->openAt(graph().middleOf(t.from.value_or(StateId{}), t.to));
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
    const auto all = graph().links();
    const MachineLink* link =
        tileAt(QPointF(help->pos())) ? nullptr : linkAt(all, QPointF(help->pos()));
    QToolTip::showText(help->globalPos(),
                       link ? eventsOf(*work_.machine(), link->transitions) : QString(), this);
    return true;
  }
  return QWidget::event(event);
}

}  // namespace bristle
