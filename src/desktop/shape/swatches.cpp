#include "desktop/shape/swatches.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <map>

#include "desktop/work/theme.h"
#include "paint/convert.h"

namespace bristle {
namespace {
constexpr int kCell = 24, kColumns = 8;
}

std::vector<Colour> coloursOf(const Project& project, size_t most) {
  std::map<std::string, std::pair<int, Colour>> counted;
  const auto count = [&](Colour c) {
    auto& entry = counted[toHex(c)];
    ++entry.first;
    entry.second = c;
  };
  const auto look = [&](const LookValues& values) {
    for (const auto& entry : values) {
      if (const auto* colour = std::get_if<Colour>(&entry.second)) count(*colour);
      if (const auto* fill = std::get_if<Fill>(&entry.second))
        for (const Stop& stop : fill->stops) count(stop.colour);
    }
  };
  for (const auto& kind : project.kinds) {
    look(kind->base);
    for (const auto& entry : kind->departures) look(entry.second);
  }
  std::vector<std::pair<int, Colour>> all;
  for (const auto& entry : counted) all.push_back(entry.second);
  std::stable_sort(all.begin(), all.end(),
                   [](const auto& a, const auto& b) { return a.first > b.first; });
  std::vector<Colour> out;
  for (const auto& entry : all)
    if (out.size() < most) out.push_back(entry.second);
  return out;
}

Swatches::Swatches(QWidget* parent) : QWidget(parent) {
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("Colours of the project"));
  setToolTip(tr("Colours that the project uses: a click, or arrows and Enter, takes one"));
}

void Swatches::setColours(std::vector<Colour> colours) {
  if (colours == colours_) return;
  colours_ = std::move(colours);
  current_ = std::min(current_, std::max(0, int(colours_.size()) - 1));
  updateGeometry();
  update();
}

QSize Swatches::sizeHint() const {
  const int rows = (int(colours_.size()) + kColumns - 1) / kColumns;
  return {kColumns * kCell, std::max(1, rows) * kCell};
}

QRect Swatches::cell(int i) const {
  return {(i % kColumns) * kCell + 1, (i / kColumns) * kCell + 1, kCell - 4, kCell - 4};
}

void Swatches::paintEvent(QPaintEvent*) {
  QPainter p(this);
  for (int i = 0; i < int(colours_.size()); ++i) {
    p.fillRect(cell(i), toQt(colours_[size_t(i)]));
    p.setPen(themeOf(this).quiet);
    p.drawRect(cell(i));
    if (i != current_ || !hasFocus()) continue;
    p.setPen(QPen(themeOf(this).accent, 2));
    p.drawRect(cell(i).adjusted(-1, -1, 1, 1));
  }
}

void Swatches::mousePressEvent(QMouseEvent* event) {
  for (int i = 0; i < int(colours_.size()); ++i) {
    if (!cell(i).contains(event->position().toPoint())) continue;
    current_ = i;
    Q_EMIT taken(colours_[size_t(i)]);
    update();
  }
}

void Swatches::keyPressEvent(QKeyEvent* event) {
  const int n = int(colours_.size());
  int to = current_;
  switch (event->key()) {
    case Qt::Key_Left:
      --to;
      break;
    case Qt::Key_Right:
      ++to;
      break;
    case Qt::Key_Up:
      to -= kColumns;
      break;
    case Qt::Key_Down:
      to += kColumns;
      break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
    case Qt::Key_Space:
      if (current_ < n) Q_EMIT taken(colours_[size_t(current_)]);
      return;
    default:
      return QWidget::keyPressEvent(event);
  }
  if (to >= 0 && to < n) current_ = to;
  update();
}

void Swatches::focusInEvent(QFocusEvent*) {
  update();
}
void Swatches::focusOutEvent(QFocusEvent*) {
  update();
}

}  // namespace bristle
