// What the canvas paints over the screen.
#include <algorithm>
#include <map>

#include "core/arrange/place_at.h"
#include "core/findings/rule_info.h"
#include "desktop/derive/findings_watch.h"
#include "desktop/derive/place_watch.h"
#include "desktop/place/canvas.h"
#include "desktop/place/drop_mark.h"
#include "desktop/place/handles.h"
#include "desktop/place/hit_areas.h"
#include "desktop/place/route_lines.h"
#include "desktop/place/rulers.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "paint/display_edges.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

constexpr double kNearestLines = 6;  // widget px between lines of the grid that are drawn

// Its four sides, filled: strokes of hundreds of picked things would take half a frame.
void paintFrame(QPainter& p, const QRect& r, int width, const QColor& colour) {
  p.fillRect(r.left(), r.top(), r.width(), width, colour);
  p.fillRect(r.left(), r.bottom() + 1 - width, r.width(), width, colour);
  p.fillRect(r.left(), r.top() + width, width, r.height() - 2 * width, colour);
  p.fillRect(r.right() + 1 - width, r.top() + width, width, r.height() - 2 * width, colour);
}

}  // namespace

// Grid, safe area and guides.
void Canvas::paintAids(QPainter& p) {
  const Screen& screen = *work().screen();
  const Layout& layout = work().layout();
  const Theme& t = themeOf(this);
  const QRectF shown = toWidget(Box{0, 0, layout.width, layout.height}) & QRectF(rect());
  if (aids_.grid) {
    const Settings& settings = work().project().settings;
    // White and dark by turns: seen on light and on dark art.
    p.setRenderHint(QPainter::Antialiasing, false);
    const auto lines = [&](double step, bool upright) {
      if (step * zoom() < kNearestLines) return;
      const double end = upright ? layout.width : layout.height;
      int line = 0;
      for (double at = 0; at <= end; at += step, ++line) {
        p.setPen(line % 2 ? QColor(255, 255, 255, 60) : QColor(0, 0, 0, 60));
        const QPointF on = toWidget(QPointF(at, at));
        upright ? p.drawLine(QLineF(on.x(), shown.top(), on.x(), shown.bottom()))
                : p.drawLine(QLineF(shown.left(), on.y(), shown.right(), on.y()));
      }
    };
    lines(settings.gridWidth, true);
    lines(settings.gridHeight, false);
    p.setRenderHint(QPainter::Antialiasing);
  }
  const Display& display = *work().display();
  paintBlocked(p, display, toWidget(Box{0, 0, layout.width, layout.height}));
  if (!display.safe.none()) {
    p.setPen(QPen(QColor(255, 255, 255, 90), 1, Qt::DotLine));
    p.drawRect(toWidget(layout.safe));
  }
  if (!aids_.guides) return;
  for (const Guide& guide : screen.guides) {
    const QPointF on = toWidget(QPointF(guide.at, guide.at));
    const QLineF line =
        guide.upright ? QLineF(on.x(), 0, on.x(), height()) : QLineF(0, on.y(), width(), on.y());
    p.setPen(QPen(QColor(255, 255, 255, 150), 3));
    p.drawLine(line);
    p.setPen(QPen(t.accent, 1, screen.guidesLocked ? Qt::DashLine : Qt::SolidLine));
    p.drawLine(line);
  }
}

void Canvas::paintItems(QPainter& p) {
  const Screen& screen = *work().screen();
  const Layout& layout = work().layout();
  const Theme& t = themeOf(this);
  const auto movers = moversOf(screen, work().picked().items);
  for (size_t i = 0; i < screen.items.size(); ++i) {
    const Item& item = *screen.items[i];
    const bool moves = std::binary_search(movers.begin(), movers.end(), i);
    const bool picked = work().isPicked(item.id);
    if (!moves && !picked && item.id != screen.entry) continue;
    const QRectF box = toWidget(layout.items[i].box);
    if (item.container() && (moves || picked)) {
      p.setPen(QPen(t.onWork, 1, Qt::DashLine));
      p.drawRect(box.adjusted(-4, -4, 4, 4));
    }
    if (item.id == screen.entry) {
      p.setPen(Qt::NoPen);
      p.setBrush(t.accent);
      p.drawEllipse(box.topLeft(), 5, 5);
      p.setBrush(Qt::NoBrush);
    }
    if (!picked) continue;
    // White under teal: seen on dark and on light art.
    const QRect at = box.toAlignedRect();
    if (!at.adjusted(-4, -4, 4, 4).intersects(rect())) continue;
    paintFrame(p, at.adjusted(-4, -4, 4, 4), 4, Qt::white);
    paintFrame(p, at.adjusted(-3, -3, 3, 3), 2, QColor("#0f6e6e"));
  }
}

// A mark at the upper right of what is wrong; what it is, is said by its tooltip and its card.
void Canvas::paintFaults(QPainter& p) {
  const Screen& screen = *work().screen();
  // One mark each: whether anything is wrong, or but worth knowing.
  std::map<size_t, bool> marks;
  // Soon found anew where items have come or gone; until then what is no more is left out.
  for (const auto& fault : watch_.of(screen.id, work().display()->id, work().language().id))
    if (fault.index < screen.items.size() && screen.items[fault.index]->id == fault.item)
      marks[fault.index] |= !isAdvice(fault.sort);
  for (const Finding& f : work().findings().now().open)
    if (f.screen == screen.id && f.item)
      if (const auto at = indexOf(screen, f.item)) marks[*at] |= f.severity != Severity::Note;
  for (const auto& [item, wrong] : marks) paintFault(p, item, wrong);
}

void Canvas::paintFault(QPainter& p, size_t item, bool wrong) {
  constexpr double kMark = 16;
  const Theme& t = themeOf(this);
  const QRectF box = toWidget(work().layout().items[item].box);
  const QRectF seen = QRectF(rect()).marginsRemoved(QMarginsF(edges()));
  if (!box.intersects(seen)) return;
  // Beside the handle of what is picked.
  const double aside = work().isPicked(work().screen()->items[item]->id) ? kMark : 0;
  const QPointF at(std::clamp(box.right() + aside, seen.left() + kMark, seen.right() - kMark),
                   std::clamp(box.top(), seen.top() + kMark, seen.bottom() - kMark));
  // Hollow where it is but worth knowing.
  const QColor on = t.dark ? t.onAccent : QColor(Qt::white);
  p.setPen(QPen(wrong ? QColor(Qt::white) : t.wrong, 1.5));
  p.setBrush(wrong ? t.wrong : QColor(Qt::white));
  p.drawPolygon(QPolygonF({at + QPointF(0, -kMark / 2), at + QPointF(kMark / 2 + 1, kMark / 2),
                           at + QPointF(-kMark / 2 - 1, kMark / 2)}));
  p.setPen(QPen(wrong ? on : t.wrong, 1.5));
  p.drawLine(at + QPointF(0, -2.5), at + QPointF(0, 2.5));
  p.drawPoint(at + QPointF(0, 5));
  p.setBrush(Qt::NoBrush);
}

QString Canvas::hint(int item) const {
  const Screen& screen = *work().screen();
  QStringList lines{ScreenView::hint(item)};
  for (const auto& fault : watch_.of(screen.id, work().display()->id, work().language().id))
    if (fault.item == screen.items[size_t(item)]->id) lines << toQt(fault.words);
  lines << work().findings().wordsOf([&](const Finding& f) {
    return f.screen == screen.id && f.item == screen.items[size_t(item)]->id &&
           infoOf(f.rule).group != RuleGroup::Layout;
  });
  return lines.join(QLatin1Char('\n'));
}

void Canvas::paintOver(QPainter& p) {
  if (!work().screen() || !work().display()) return;
  paintAids(p);
  if (aids_.hitAreas) paintHitAreas(p, *this, work());
  if (aids_.routes) paintRouteLines(p, *this, work());
  paintItems(p);
  if (!drag_) paintFaults(p);
  const Resizable picked = resizableOf(work());
  if (!picked.items.empty() && !drag_)
    paintHandles(p, toWidget(picked.bounds), picked.loose, themeOf(this));
  if (drag_) drag_->paint(p);
  if (dropMark_) paintDropMark(p, *this, *dropMark_);
  if (aids_.rulers) paintRulers(p, *this, picked.items.empty() ? Box{0, 0, 0, 0} : picked.bounds);
}

}  // namespace bristle
