#include "desktop/view/display_strip.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>
#include <algorithm>

#include "desktop/view/strip_marks.h"
#include "desktop/work/theme.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "paint/display_edges.h"

namespace bristle {
namespace {
constexpr int kStripHeight = 92, kPicture = 56, kMargin = 16, kGap = 20;
constexpr int kLeastPicture = 104;  // px that the words need
constexpr int kBadge = 18;
}  // namespace

DisplayStrip::DisplayStrip(Work& work, const StripMarks& marks, QWidget* parent)
    : QWidget(parent), work_(work), marks_(marks) {
  setFixedHeight(kStripHeight);
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("Displays"));
  new WhileSeen(work, this, [this] { update(); });
  connect(&work.miniatures(), &Miniatures::changed, this, [this] { update(); });
  connect(&marks, &StripMarks::changed, this, [this] { update(); });
}

std::vector<DisplayStrip::Slot> DisplayStrip::slotsNow() const {
  std::vector<Slot> out;
  int x = kMargin - scrolled_;
  for (const Display& display : work_.project().displays)
    for (const Language& language : work_.project().languages) {
      const double s = std::min(kPicture / display.height, 132 / display.width);
      const QRect picture(x, 10, qRound(display.width * s), qRound(display.height * s));
      const int width = std::max(picture.width(), kLeastPicture);
      out.push_back({&display, &language, picture, QRect(x, 0, width, kStripHeight)});
      x += width + kGap;
    }
  return out;
}

int DisplayStrip::picked(const std::vector<Slot>& all) const {
  for (size_t i = 0; i < all.size(); ++i)
    if (all[i].display->id == work_.picked().display && all[i].language->id == work_.language().id)
      return static_cast<int>(i);
  return 0;
}

QString DisplayStrip::words(const Slot& slot) const {
  const QString display = toQt(slot.display->name);
  return work_.project().languages.size() < 2
             ? display
             : tr("%1 · %2").arg(display,
                                 toQt(slot.language->tag).section(QStringLiteral("-x-"), 0, 0));
}

void DisplayStrip::paintSlot(QPainter& p, const Slot& slot, bool on) const {
  const Theme& t = themeOf(this);
  p.fillRect(slot.picture, t.work);
  if (work_.screen())
    p.drawImage(slot.picture,
                work_.miniatures().get(
                    {{work_.project(), work_.picked().screen, {*slot.display, slot.language->id}},
                     {},
                     slot.picture.size(),
                     devicePixelRatioF(),
                     t.work}));
  paintBlocked(p, *slot.display, slot.picture);
  p.setPen(QPen(on ? t.accent : t.line, on ? 2 : 1));
  p.setBrush(Qt::NoBrush);
  p.drawRect(slot.picture.adjusted(-2, -2, 2, 2));
  if (on && hasFocus()) p.drawRect(slot.picture.adjusted(-5, -5, 5, 5));
  const StripMarks::Mark mark = marks_.markOf(*slot.display, *slot.language);
  if (mark.wrong + mark.worth > 0) {
    const QString count = QString::number(mark.wrong > 0 ? mark.wrong : mark.worth);
    const int wide = std::max(kBadge, p.fontMetrics().horizontalAdvance(count) + 10);
    const QRect badge(slot.picture.right() - wide + 6, slot.picture.top() - 7, wide, kBadge);
    // Hollow where it is but worth knowing.
    p.setPen(mark.wrong > 0 ? QPen(Qt::NoPen) : QPen(t.wrong, 1.5));
    p.setBrush(mark.wrong > 0 ? t.wrong : QColor(Qt::white));
    p.drawRoundedRect(badge, kBadge / 2.0, kBadge / 2.0);
    p.setPen(mark.wrong == 0 ? Theme::light().wrong : t.dark ? t.onAccent : QColor(Qt::white));
    p.drawText(badge, Qt::AlignCenter, count);
  }
  p.setPen(on ? t.accent : t.quiet);
  p.drawText(QRect(slot.all.x(), kPicture + 14, slot.all.width() + kGap - 6, 18),
             Qt::AlignLeft | Qt::AlignVCenter,
             fontMetrics().elidedText(words(slot), Qt::ElideRight, slot.all.width() + kGap - 8));
}

void DisplayStrip::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const auto all = slotsNow();
  const int on = picked(all);
  for (int i = 0; i < int(all.size()); ++i)
    if (all[size_t(i)].all.intersects(rect())) paintSlot(p, all[size_t(i)], i == on);
}

void DisplayStrip::pick(const Slot& slot) {
  // Both are told of when they are already picked otherwise: the slot's own are looked up anew.
  const DisplayId display = slot.display->id;
  const LanguageId language = slot.language->id;
  work_.pickDisplay(display);
  work_.pickLanguage(language);
  const auto all = slotsNow();
  const QRect now = all[size_t(picked(all))].all;
  if (now.left() < kMargin) scrollTo(scrolled_ + now.left() - kMargin);
  if (now.right() > width() - kMargin) scrollTo(scrolled_ + now.right() - width() + kMargin);
}

void DisplayStrip::scrollTo(int x) {
  const auto all = slotsNow();
  const int end = all.empty() ? 0 : all.back().all.right() + scrolled_ + kMargin;
  scrolled_ = std::clamp(x, 0, std::max(0, end - width()));
  update();
}

void DisplayStrip::mousePressEvent(QMouseEvent* event) {
  for (const Slot& slot : slotsNow())
    if (slot.all.contains(event->position().toPoint())) return pick(slot);
}

void DisplayStrip::wheelEvent(QWheelEvent* event) {
  const QPoint turned = event->angleDelta();
  scrollTo(scrolled_ - (turned.x() != 0 ? turned.x() : turned.y()));
  event->accept();
}

void DisplayStrip::keyPressEvent(QKeyEvent* event) {
  const int by = event->key() == Qt::Key_Right ? 1 : event->key() == Qt::Key_Left ? -1 : 0;
  if (by == 0) return QWidget::keyPressEvent(event);
  const auto all = slotsNow();
  const int n = int(all.size());
  pick(all[size_t((picked(all) + by + n) % n)]);
}

// What there is to say of it, a line each.
bool DisplayStrip::event(QEvent* event) {
  if (event->type() != QEvent::ToolTip) return QWidget::event(event);
  const auto* help = static_cast<QHelpEvent*>(event);
  for (const Slot& slot : slotsNow()) {
    if (!slot.all.contains(help->pos())) continue;
    QStringList lines = QStringList{words(slot)} + marks_.linesOf(*slot.display, *slot.language);
    constexpr int kLines = 12;
    if (lines.size() > kLines + 1) {
      const auto more = lines.size() - kLines;
      lines = lines.mid(0, kLines);
      lines << tr("and %1 more").arg(more);
    }
    QToolTip::showText(help->globalPos(), lines.join(QLatin1Char('\n')), this);
    return true;
  }
  QToolTip::hideText();
  return true;
}

void DisplayStrip::focusInEvent(QFocusEvent*) {
  update();
}
void DisplayStrip::focusOutEvent(QFocusEvent*) {
  update();
}

}  // namespace bristle
