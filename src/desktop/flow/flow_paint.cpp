// How the flow is painted.
#include <QPaintEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "core/derive/action_words.h"
#include "core/findings/rule_info.h"
#include "desktop/derive/findings_watch.h"
#include "desktop/flow/flow_view.h"
#include "desktop/view/counted.h"
#include "desktop/view/strokes.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

const QColor kRim(255, 255, 255, 170);
constexpr double kReadable = 26;      // px: the height of a picture from which on words stand at it
constexpr size_t kManyInSight = 150;  // in sight: of more only those in hand are rimmed and dashed

QString formOf(const ScreenMotion& motion) {
  switch (motion.form) {
    case ScreenMotionForm::Cut:
      return {};
    case ScreenMotionForm::Fade:
      return QObject::tr("fade");
    case ScreenMotionForm::Slide:
      return QObject::tr("slide");
    case ScreenMotionForm::Grow:
      return QObject::tr("grow");
  }
  return {};
}

QString headOf(int depth) {
  if (depth < 0) return QObject::tr("NOTHING LEADS HERE");
  if (depth == 0) return QObject::tr("START");
  return depth == 1 ? QObject::tr("1 STEP") : QObject::tr("%1 STEPS").arg(depth);
}

}  // namespace

void FlowView::paintEvent(QPaintEvent* event) {
  QPainter p(this);
  const Theme& theme = themeOf(this);
  const QRegion& within = event->region();  // its bounds may be all of it: two strips
  p.fillRect(event->rect(), theme.band);
  if (!work_.display()) return;
  p.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
  paintHeads(p);
  const auto& screens = map_.graph().screens;
  for (const bool over : {false, true})
    for (int s = 0; s < int(screens.size()); ++s)
      if ((screens[size_t(s)].over >= 0) == over) paintScreen(p, s, within);
  const auto now = step();
  paintStrokes(p, now, within);
  if (isReadable()) paintStubs(p);
  constexpr size_t kLabels = 16;  // more would lie on one another
  const auto drawn = size_t(std::count_if(map_.graph().steps.begin(), map_.graph().steps.end(),
                                          [](const FlowStep& each) { return each.to >= 0; }));
  for (size_t i = 0; i < map_.graph().steps.size(); ++i)
    if (drawn <= kLabels || (now && map_.graph().steps[i] == *now))
      paintLabel(p, i, now && map_.graph().steps[i] == *now);
  if (drawing_) {
    const QRectF from = map_.button(drawnOn_, drawnFrom_);
    p.setPen(QPen(theme.accent, 3, Qt::SolidLine, Qt::RoundCap));
    p.drawLine(toWidget(from.center()), at2_);
    const int to = map_.screenAt(toMap(at2_));
    p.setPen(theme.ink);
    p.drawText(at2_ + QPointF(14, -6), to >= 0 && to != drawnOn_
                                           ? toQt(work_.project().screens[size_t(to)]->name)
                                           : tr("new screen"));
  }
  if (hasFocus()) {
    p.setPen(QPen(theme.accent, 2));
    p.setBrush(Qt::NoBrush);
    p.drawRect(rect().adjusted(1, 1, -1, -1));
  }
}

void FlowView::paintHeads(QPainter& p) {
  QFont small = font();
  small.setPixelSize(11);
  small.setBold(true);
  small.setLetterSpacing(QFont::AbsoluteSpacing, 1);
  p.setFont(small);
  for (const FlowLayout::Column& column : map_.places().columns) {
    p.setPen(column.depth < 0 ? themeOf(this).wrong : themeOf(this).quiet);
    p.drawText(QPointF(toWidget({column.x, 0}).x(), std::max(20.0, toWidget({0, 20}).y())),
               headOf(column.depth));
  }
}

void FlowView::paintScreen(QPainter& p, int s, const QRegion& within) {
  const Theme& theme = themeOf(this);
  const QRectF map = map_.box(s);
  const QRectF at(toWidget(map.topLeft()), map.size() * viewport_.zoom());
  if (!within.intersects(at.adjusted(-20, -20, 120, 110).toAlignedRect())) return;
  // In steps, so that zooming does not draw them all anew for each.
  const double larger = viewport_.zoom() > 1.2 ? 2 : 1;
  const Miniature wanted{
      map_.shown(s), {}, (map.size() * larger).toSize(), devicePixelRatioF(), theme.work};
  const QImage image = work_.miniatures().get(wanted);
  p.fillRect(at, theme.work);
  if (!image.isNull()) p.drawImage(at, image);
  const bool picked = s == pickedScreen(), target = s == lead_;
  p.setBrush(Qt::NoBrush);
  p.setPen(QPen(picked || target ? theme.accent : theme.line, picked || target ? 3 : 1,
                target ? Qt::DashLine : Qt::SolidLine));
  p.drawRect(at);
  if (picked && work_.item() && work_.item()->button()) {
    const QRectF b = map_.button(s, work_.item()->id);
    p.setPen(QPen(Qt::white, 3));
    const QRectF box(toWidget(b.topLeft()), b.size() * viewport_.zoom());
    p.drawRect(box.adjusted(-2, -2, 2, 2));
    p.setPen(QPen(theme.accent, 2));
    p.drawRect(box.adjusted(-2, -2, 2, 2));
  }
  if (isReadable()) paintMarks(p, s);
}

bool FlowView::isReadable() const {
  return map_.box(0).height() * viewport_.zoom() >= kReadable;
}

// What is wrong with a screen, in words; the worst first.
QString FlowView::faultOf(int s) const {
  const FlowScreen& screen = map_.graph().screens[size_t(s)];
  QStringList out;
  if (screen.depth < 0) out << tr("nothing leads here");
  if (!screen.left) out << tr("no way out");
  if (const int broken = map_.marks(s).broken)
    out << counted(broken, tr("%n leads to what is gone"), tr("%n lead to what is gone"));
  return out.join(QStringLiteral(" · "));
}

void FlowView::paintMarks(QPainter& p, int s) {
  const Theme& theme = themeOf(this);
  const Screen& screen = *work_.project().screens[size_t(s)];
  const QRectF map = map_.box(s);
  const bool covered = map_.marks(s).covered;
  const double wide = std::max(60.0, map.width() * viewport_.zoom() * (covered ? 0.48 : 1));
  QPointF at = toWidget(map.bottomLeft()) + QPointF(0, 16);
  QFont name = font();
  name.setPixelSize(12);
  const bool first = screen.id == work_.project().first;
  name.setBold(first);
  p.setFont(name);
  p.setPen(theme.ink);
  const QFontMetrics metrics(name);
  p.drawText(at, metrics.elidedText(toQt(screen.name), Qt::ElideRight, int(wide)));
  name.setBold(false);
  name.setPixelSize(11);
  p.setFont(name);
  const QFontMetrics small(name);
  const auto line = [&](const QString& words, const QColor& colour) {
    if (words.isEmpty()) return;
    at += QPointF(0, 15);
    p.setPen(colour);
    p.drawText(at, small.elidedText(words, Qt::ElideRight, int(wide) + (covered ? 0 : 60)));
  };
  if (first) line(tr("opens first"), theme.quiet);
  line(faultOf(s), theme.wrong);
  const auto& idle = map_.graph().screens[size_t(s)].idle;
  if (!idle.empty())
    line(counted(qint64(idle.size()), tr("%n does nothing"), tr("%n do nothing")), theme.quiet);
  // What the map tells in its own words stands there already.
  const auto found = work_.findings().wordsOf([&](const Finding& f) {
    return f.screen == screen.id && infoOf(f.rule).group != RuleGroup::Flow;
  });
  if (!found.empty()) line(counted(found.size(), tr("%n finding"), tr("%n findings")), theme.quiet);
  if (!map_.marks(s).back) return;
  // Back: an arrow out of the left side, since where it leads depends on where one came from.
  const QPointF tip = toWidget(QPointF(map.left(), map.bottom() - 8)) - QPointF(20, 0);
  p.setPen(QPen(theme.ink, 1.6));
  p.drawLine(tip, tip + QPointF(16, 0));
  p.drawLine(tip, tip + QPointF(5, -4));
  p.drawLine(tip, tip + QPointF(5, 4));
}

// The one in hand over the others; what is out of sight is left out.
void FlowView::paintStrokes(QPainter& p, const std::optional<FlowStep>& now,
                            const QRegion& within) {
  const auto& steps = map_.graph().steps;
  constexpr double kRoom = 12;  // px that a stroke may reach beside its way
  const auto around = [&](const QPointF& a, const QPointF& b) {
    return QRectF(toWidget(a), toWidget(b))
        .normalized()
        .adjusted(-kRoom, -kRoom, kRoom, kRoom)
        .toAlignedRect();
  };
  // A long one passes by most of what its bounds hold, and little of it is to be painted then.
  const auto stretchSeen = [&](const std::vector<QPointF>& way) {
    std::optional<StrokeStretch> out;
    for (size_t i = 1; i < way.size(); ++i) {
      if (!within.intersects(around(way[i - 1], way[i]))) continue;
      if (!out) out = StrokeStretch{i > 1 ? i - 2 : 0, 0};
      out->to = i + 1;
    }
    return out;
  };
  std::vector<std::pair<size_t, StrokeStretch>> in;
  size_t inSight = 0;
  for (size_t i = 0; i < steps.size(); ++i) {
    if (map_.points(i).empty()) continue;
    const QRectF way = map_.stroke(i).boundingRect();
    const QRect box = around(way.topLeft(), way.bottomRight());
    inSight += box.intersects(rect());
    if (!within.intersects(box)) continue;
    if (const auto stretch = stretchSeen(map_.points(i))) in.emplace_back(i, *stretch);
  }
  const bool many = inSight > kManyInSight;
  const int screen = pickedScreen();
  for (const bool picked : {false, true})
    for (const auto& [i, stretch] : in)
      if ((now && steps[i] == *now) == picked) paintStroke(p, i, {picked, many, screen, stretch});
}

// Solid where it opens in the place of all, hollow and dashed where it puts on top.
void FlowView::paintStroke(QPainter& p, size_t index, const Stroking& how) {
  const FlowStep& step = map_.graph().steps[index];
  const Theme& theme = themeOf(this);
  // Those of the screen in hand stand out.
  const bool inHand = step.from == how.screen || step.to == how.screen;
  const double opacity = how.screen < 0 || how.picked || inHand ? 1 : 0.3;
  if (!step.item) return paintByItself(p, index, opacity);
  std::vector<QPointF> points = map_.points(index);
  for (QPointF& each : points) each = toWidget(each);
  const bool plain = how.many && !how.picked && !inHand;
  // Dashes must not begin anew where it is cut.
  const bool dashed = !plain && step.type != ActionType::Open;
  const QPainterPath outline = tapered(points, dashed ? StrokeStretch() : how.stretch);
  const QColor colour = how.picked ? theme.accent : theme.ink;
  p.setOpacity(opacity);
  if (!plain) p.strokePath(outline, QPen(theme.dark ? QColor(0, 0, 0, 170) : kRim, 3));
  if (step.type == ActionType::Open) {
    p.fillPath(outline, colour);
  } else if (plain) {
    p.setPen(QPen(colour, 1));
    p.setBrush(theme.band);
    p.drawPath(outline);
  } else {
    p.fillPath(outline, theme.band);
    QPen pen(colour, how.picked ? 2 : 1.4);
    pen.setDashPattern({4, 2.5});
    p.strokePath(outline, pen);
  }
  p.setOpacity(1);
}

// A line of dots: nobody's hand leads along it.
void FlowView::paintByItself(QPainter& p, size_t index, double opacity) {
  p.save();
  p.setOpacity(opacity);
  QPolygonF line;
  for (const QPointF& each : map_.points(index)) line << toWidget(each);
  QPen pen(themeOf(this).ink, 2.4, Qt::SolidLine, Qt::RoundCap);
  pen.setDashPattern({0.1, 2.2});
  p.setPen(pen);
  p.drawPolyline(line);
  p.restore();
}

// What does not lead to a screen: a sign at the button.
void FlowView::paintStubs(QPainter& p) {
  const Theme& theme = themeOf(this);
  for (const FlowStep& step : map_.graph().steps) {
    if (step.from < 0 || step.to >= 0 || !step.item) continue;
    const QRectF b = map_.button(step.from, step.item);
    const QPointF at =
        toWidget({b.right(), b.center().y()}) + QPointF(5 + 9.0 * double(step.at), 0);
    p.setPen(QPen(step.broken ? theme.wrong : theme.ink, 1.4));
    p.setBrush(theme.band);
    switch (step.type) {
      case ActionType::Link:
        p.drawLine(at + QPointF(-3, 3), at + QPointF(3, -3));
        p.drawLine(at + QPointF(-1, -3), at + QPointF(3, -3));
        p.drawLine(at + QPointF(3, -3), at + QPointF(3, 1));
        break;
      case ActionType::Quit:
        p.drawRect(QRectF(at - QPointF(3, 3), QSizeF(6, 6)));
        break;
      case ActionType::Message:
        p.drawEllipse(at, 3, 3);
        break;
      case ActionType::Back:
      case ActionType::BackTo:
        break;  // told at the screen
      default:
        if (step.broken) {
          p.drawLine(at - QPointF(3, 3), at + QPointF(3, 3));
          p.drawLine(at - QPointF(3, -3), at + QPointF(3, -3));
        } else {
          p.drawPolygon(QPolygonF(
              {at + QPointF(0, -4), at + QPointF(4, 0), at + QPointF(0, 4), at + QPointF(-4, 0)}));
        }
    }
  }
}

void FlowView::paintLabel(QPainter& p, size_t index, bool picked) {
  const QPainterPath& way = map_.stroke(index);
  const FlowStep& step = map_.graph().steps[index];
  if (way.isEmpty()) return;
  const Project& project = work_.project();
  const Action& action = actionsOf(project, step)[step.at];
  const Screen& to = *project.screens[size_t(step.to)];
  QString words = step.type == ActionType::Open ? tr("open") : tr("on top");
  const QString form = formOf(action.change ? action.change->in : to.comes);
  if (!form.isEmpty()) words += QStringLiteral(", ") + form;
  if (!action.when.empty()) words += tr(", if…");
  if (!step.item) words += tr(", by itself");
  const Theme& theme = themeOf(this);
  QFont small = font();
  small.setPixelSize(11);
  small.setBold(picked);
  p.setFont(small);
  const QFontMetrics metrics(small);
  const QSizeF size(metrics.horizontalAdvance(words) + 14, metrics.height() + 4);
  // Where the stroke is beyond the screen's own art.
  const QPointF at = toWidget(way.pointAtPercent(0.62));
  const QRectF pill(at - QPointF(size.width() / 2, size.height() / 2), size);
  p.setPen(QPen(picked ? theme.accent : theme.line, 1));
  p.setBrush(theme.raised);
  p.drawRoundedRect(pill, size.height() / 2, size.height() / 2);
  p.setPen(picked ? theme.accent : theme.ink);
  p.drawText(pill, Qt::AlignCenter, words);
}

}  // namespace bristle
