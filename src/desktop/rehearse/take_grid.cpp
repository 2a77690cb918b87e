#include "desktop/rehearse/take_grid.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>
#include <algorithm>

#include "desktop/work/theme.h"
#include "paint/convert.h"
#include "runtime/document/project.h"

namespace bristle {
namespace {
constexpr double kCellHigh = 18, kCellGap = 3, kName = 76;
}

TakeGrid::TakeGrid(QWidget* parent) : QWidget(parent) {
  setFocusPolicy(Qt::StrongFocus);
  setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
  setAccessibleName(tr("Displays and languages"));
}

void TakeGrid::show(const Project& project, std::vector<TakeRun> runs) {
  runs_ = std::move(runs);
  columns_.clear();
  rows_.clear();
  for (const Display& each : project.displays) columns_.emplace_back(each.id, toQt(each.name));
  for (const Language& each : project.languages) rows_.emplace_back(each.id, toQt(each.name));
  now_ = std::clamp(now_, 0, std::max(0, int(runs_.size()) - 1));
  updateGeometry();
  update();
}

QSize TakeGrid::sizeHint() const {
  return {180, static_cast<int>(double(rows_.size()) * (kCellHigh + kCellGap)) + 2};
}

QRectF TakeGrid::cell(int column, int row) const {
  const double wide = (width() - kName) / std::max<double>(1, double(columns_.size()));
  return {kName + column * wide, row * (kCellHigh + kCellGap) + 1, wide - kCellGap, kCellHigh};
}

int TakeGrid::runAt(const QPointF& at) const {
  for (size_t i = 0; i < runs_.size(); ++i) {
    const auto column = std::find_if(columns_.begin(), columns_.end(),
                                     [&](const auto& c) { return c.first == runs_[i].display; });
    const auto row = std::find_if(rows_.begin(), rows_.end(),
                                  [&](const auto& r) { return r.first == runs_[i].language; });
    if (column != columns_.end() && row != rows_.end() &&
        cell(int(column - columns_.begin()), int(row - rows_.begin())).contains(at))
      return static_cast<int>(i);
  }
  return -1;
}

QString TakeGrid::wordsOf(const TakeRun& run) const {
  const auto nameIn = [](const auto& list, const auto& id) {
    for (const auto& [is, name] : list)
      if (is == id) return name;
    return QString();
  };
  const QString place =
      tr("%1, %2").arg(nameIn(columns_, run.display), nameIn(rows_, run.language));
  switch (run.end) {
    case TakeEnd::Passed:
      return tr("%1: passed").arg(place);
    case TakeEnd::LeftOut:
      return tr("%1: left out").arg(place);
    case TakeEnd::Failed:
      return tr("%1: failed, first at line %2").arg(place).arg(run.failures.front().source);
    case TakeEnd::Stopped:
      return tr("%1: stopped, %2").arg(place, toQt(run.why));
  }
  return place;
}

// Told apart by a sign, too: passed is full, failed has a cross, left out is a line.
void TakeGrid::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const Theme& theme = themeOf(this);
  QFont small = font();
  small.setPixelSize(11);
  p.setFont(small);
  p.setPen(theme.quiet);
  for (size_t r = 0; r < rows_.size(); ++r)
    p.drawText(QRectF(0, cell(0, int(r)).top(), kName - 6, kCellHigh), Qt::AlignVCenter,
               p.fontMetrics().elidedText(rows_[r].second, Qt::ElideRight, int(kName) - 8));
  for (size_t c = 0; c < columns_.size(); ++c)
    for (size_t r = 0; r < rows_.size(); ++r) {
      p.setPen(QPen(theme.line, 1));
      p.setBrush(Qt::NoBrush);
      p.drawRect(cell(int(c), int(r)));
    }
  for (size_t i = 0; i < runs_.size(); ++i) {
    const TakeRun& run = runs_[i];
    for (size_t c = 0; c < columns_.size(); ++c)
      for (size_t r = 0; r < rows_.size(); ++r) {
        if (!(columns_[c].first == run.display && rows_[r].first == run.language)) continue;
        const QRectF box = cell(int(c), int(r));
        const QPointF m = box.center();
        p.setPen(Qt::NoPen);
        p.setBrush(run.end == TakeEnd::Passed    ? theme.accent
                   : run.end == TakeEnd::LeftOut ? theme.band
                                                 : theme.wrong);
        p.drawRect(box);
        p.setPen(QPen(run.end == TakeEnd::LeftOut ? theme.quiet : theme.onAccent, 1.6));
        if (run.end == TakeEnd::LeftOut) p.drawLine(m - QPointF(4, 0), m + QPointF(4, 0));
        if (run.end == TakeEnd::Failed || run.end == TakeEnd::Stopped) {
          p.drawLine(m - QPointF(4, 4), m + QPointF(4, 4));
          p.drawLine(m - QPointF(4, -4), m + QPointF(4, -4));
        }
        if (run.end == TakeEnd::Passed)
          p.drawPolyline(QPolygonF({m + QPointF(-4, 0), m + QPointF(-1, 3), m + QPointF(4, -4)}));
        if (hasFocus() && int(i) == now_) {
          p.setPen(QPen(theme.pinned, 2));
          p.setBrush(Qt::NoBrush);
          p.drawRect(box.adjusted(-1, -1, 1, 1));
        }
      }
  }
}

void TakeGrid::mousePressEvent(QMouseEvent* event) {
  const int at = runAt(event->position());
  if (at < 0) return;
  now_ = at;
  tell();
  Q_EMIT picked(runs_[size_t(at)]);
}

void TakeGrid::keyPressEvent(QKeyEvent* event) {
  if (runs_.empty()) return QWidget::keyPressEvent(event);
  const int across = std::max<int>(1, static_cast<int>(rows_.size()));
  const int last = static_cast<int>(runs_.size()) - 1;
  switch (event->key()) {
    case Qt::Key_Down:
      now_ = std::min(last, now_ + 1);
      break;
    case Qt::Key_Up:
      now_ = std::max(0, now_ - 1);
      break;
    case Qt::Key_Right:
      now_ = std::min(last, now_ + across);
      break;
    case Qt::Key_Left:
      now_ = std::max(0, now_ - across);
      break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
    case Qt::Key_Space:
      return Q_EMIT picked(runs_[size_t(now_)]);
    default:
      return QWidget::keyPressEvent(event);
  }
  tell();
}

void TakeGrid::tell() {
  setAccessibleDescription(runs_.empty() ? QString() : wordsOf(runs_[size_t(now_)]));
  update();
}

void TakeGrid::focusInEvent(QFocusEvent* event) {
  tell();
  QWidget::focusInEvent(event);
}

void TakeGrid::focusOutEvent(QFocusEvent* event) {
  update();
  QWidget::focusOutEvent(event);
}

bool TakeGrid::event(QEvent* event) {
  if (event->type() == QEvent::ToolTip) {
    auto* help = static_cast<QHelpEvent*>(event);
    const int at = runAt(help->pos());
    QToolTip::showText(help->globalPos(), at < 0 ? QString() : wordsOf(runs_[size_t(at)]), this);
    return true;
  }
  return QWidget::event(event);
}

}  // namespace bristle
