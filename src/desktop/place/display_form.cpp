#include "desktop/place/display_form.h"

#include <QRegularExpression>

#include "core/edit/display_edits.h"
#include "desktop/view/typed_number.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/document/whynot.h"

namespace bristle {
namespace {

QString inWords(const Insets& safe) {
  if (safe == Insets(safe.left)) return QStringLiteral("%1 px").arg(safe.left);
  return QStringLiteral("%1, %2, %3, %4 px")
      .arg(safe.left)
      .arg(safe.top)
      .arg(safe.right)
      .arg(safe.bottom);
}

QString inWords(const std::vector<Box>& areas) {
  QStringList out;
  for (const Box& box : areas)
    out << QStringLiteral("%1, %2, %3 × %4").arg(box.x).arg(box.y).arg(box.w).arg(box.h);
  return out.join(QStringLiteral("; "));
}

// Numbers with what is written between them left out; nothing where one of them is none.
std::optional<std::vector<double>> numbersIn(QString typed) {
  static const QRegularExpression kBetween(QStringLiteral(R"(\s*[x×,]\s*)"));
  typed.remove(QStringLiteral("px"));
  std::vector<double> out;
  for (const QString& each : typed.trimmed().split(kBetween)) {
    const auto number = typedNumber(each);
    if (!number) return {};
    out.push_back(*number);
  }
  return out;
}

}  // namespace

DisplayForm::DisplayForm(Work& work) : work_(work) {
  heading(tr("DISPLAYS"));
  shown_ = choice(tr("Shown on"), {}, [this](int i) {
    const auto& all = work_.project().displays;
    if (i >= 0 && size_t(i) < all.size()) work_.pickDisplay(all[size_t(i)].id);
  });
  name_ = text(tr("Name"), [this](const QString& typed) {
    return change("rename display", [typed](Display& d) { d.name = fromQt(typed.trimmed()); });
  });
  name_->setAccessibleName(tr("Display name"));
  size_ = text(tr("Size"), [this](const QString& typed) { return setSize(typed); });
  size_->setAccessibleName(tr("Display size"));
  size_->setToolTip(tr("px across × px down, for example 1920 × 1080"));
  turn_ = button(tr("Turn it upright or lying"), [this] {
    change("turn display", [](Display& d) {
      std::swap(d.width, d.height);
      const Px width = d.width;  // a quarter turn to the right
      d.safe = {d.safe.bottom, d.safe.left, d.safe.top, d.safe.right};
      for (Box& box : d.blocked) box = {width - box.y - box.h, box.x, box.h, box.w};
    });
  });
  scale_ = number(tr("Scale"), 0.1, 8, [this](double v) {
    return change("change scale", [v](Display& d) { d.scale = v; });
  });
  scale_->setAccessibleName(tr("Display scale"));
  scale_->setToolTip(tr("Display px to one px of the screen: with 2 all is drawn twice as large"));
  safe_ = text(tr("Safe area"), [this](const QString& typed) { return setSafe(typed); });
  safe_->setToolTip(tr("px from all edges, or left, top, right, bottom: 44, 0, 34, 0"));
  corner_ = number(
      tr("Round corners"), 0, 1000,
      [this](double v) { return change("change corners", [v](Display& d) { d.corner = v; }); },
      QStringLiteral("px"));
  blocked_ = text(tr("Blocked"), [this](const QString& typed) { return setBlocked(typed); });
  blocked_->setPlaceholderText(tr("none"));
  blocked_->setToolTip(
      tr("What cannot be seen or touched, such as a notch: left, top, width × height in px; "
         "several separated by semicolons"));
  dense_ = number(tr("Px to an inch"), 0, 2000, [this](double v) {
    return change("change density", [v](Display& d) { d.perInch = v; });
  });
  dense_->setToolTip(tr("How dense it is, so that sizes in mm can be checked; 0: not known"));
  far_ = number(
      tr("Seen from"), 0, 20'000,
      [this](double v) { return change("change distance", [v](Display& d) { d.distance = v; }); },
      QStringLiteral("mm"));
  far_->setToolTip(tr("How far the eyes are, so that captions can be checked; 0: not known"));
  first_ = button(tr("Make it the first"),
                  [this] { work_.perform(putDisplayFirst(work_.display()->id)); });
  first_->setToolTip(tr("Menus open on the first, and new screens are drawn on it"));
  remove_ = button(tr("Remove this display"), [this] { removeShown(); });
  button(tr("Add a display"), [this] { addOne(); });
  new WhileSeen(work, this, [this] { refresh(); });
  refresh();
}

bool DisplayForm::change(const char* name, std::function<void(Display&)> apply) {
  return work_.display() &&
         work_.perform(changeDisplay(work_.display()->id, name, {}, std::move(apply)));
}

bool DisplayForm::setSize(const QString& typed) {
  const auto sides = numbersIn(typed);
  const auto well = [](double side) { return side >= 1 && side <= kLargestDisplay; };
  if (!sides || sides->size() != 2 || !well((*sides)[0]) || !well((*sides)[1])) {
    work_.tell(tr("expected a size of 1 to %1 px, for example 1920 × 1080").arg(kLargestDisplay),
               true);
    return false;
  }
  return change("change size", [&](Display& d) {
    d.width = (*sides)[0];
    d.height = (*sides)[1];
  });
}

bool DisplayForm::setSafe(const QString& typed) {
  const auto edges = numbersIn(typed.trimmed().isEmpty() ? QStringLiteral("0") : typed);
  if (!edges || (edges->size() != 1 && edges->size() != 4)) {
    work_.tell(tr("expected px from all edges, or left, top, right, bottom: 44, 0, 34, 0"), true);
    return false;
  }
  const auto& e = *edges;
  return change("change safe area", [&](Display& d) {
    d.safe = e.size() == 1 ? Insets(e[0]) : Insets(e[0], e[1], e[2], e[3]);
  });
}

bool DisplayForm::setBlocked(const QString& typed) {
  std::vector<Box> areas;
  for (const QString& each : typed.split(QLatin1Char(';'), Qt::SkipEmptyParts)) {
    if (each.trimmed().isEmpty()) continue;
    const auto sides = numbersIn(each);
    if (!sides || sides->size() != 4) {
      work_.tell(tr("expected left, top, width × height in px, for example 800, 0, 320 × 60; "
                    "“%1” is none")
                     .arg(each.trimmed()),
                 true);
      return false;
    }
    areas.push_back({(*sides)[0], (*sides)[1], (*sides)[2], (*sides)[3]});
  }
  return change("change blocked areas", [&](Display& d) { d.blocked = areas; });
}

void DisplayForm::addOne() {
  if (work_.perform(addDisplay(fromQt(tr("Display")))))
    work_.pickDisplay(work_.project().displays.back().id);
}

void DisplayForm::removeShown() {
  if (work_.display()) work_.perform(removeDisplay(work_.display()->id));
}

void DisplayForm::refresh() {
  const auto& all = work_.project().displays;
  const Display* now = work_.display();
  if (!now) return;
  QStringList names;
  int shown = 0;
  for (const Display& each : all) {
    if (&each == now) shown = int(names.size());
    names << toQt(each.name);
  }
  refill(shown_, names, shown);
  refill(name_, toQt(now->name));
  refill(size_, tr("%1 × %2 px").arg(now->width).arg(now->height));
  refill(scale_, QString::number(now->scale, 'g', 6));
  refill(safe_, inWords(now->safe));
  refill(corner_, QString::number(now->corner));
  refill(blocked_, inWords(now->blocked));
  refill(dense_, QString::number(now->perInch));
  refill(far_, QString::number(now->distance));
  first_->setVisible(shown > 0);
  remove_->setVisible(all.size() > 1);
}

}  // namespace bristle
