#include "desktop/place/size_form.h"

#include <QRegularExpression>

#include "core/arrange/place_at.h"
#include "core/edit/screen_edits.h"
#include "desktop/view/typed_number.h"
#include "desktop/work/work.h"
#include "runtime/document/tree.h"
#include "runtime/layout/pins.h"
#include "runtime/layout/size_from.h"

namespace bristle {
namespace {

constexpr double kMost = 1e6;  // px

QString px(double value) {
  return QString::number(value, 'g', 6);
}

// "100–400", "100–", "–400".
QString inWords(const AxisPlace& axis) {
  if (axis.least <= 0 && axis.most <= 0) return {};
  return (axis.least > 0 ? px(axis.least) : QString()) + QStringLiteral("–") +
         (axis.most > 0 ? px(axis.most) : QString());
}

}  // namespace

SizeForm::SizeForm(Work& work) : work_(work) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->addWidget(form_ = new Form);
  form_->layout()->setContentsMargins(0, 0, 0, 0);
  across_ = build(true);
  down_ = build(false);
}

SizeForm::Axis SizeForm::build(bool horizontal) {
  Axis out;
  out.size = form_->text(horizontal ? tr("Width") : tr("Height"),
                         [=, this](const QString& typed) { return setSize(horizontal, typed); });
  out.size->setProperty("unit", QStringLiteral("px"));
  out.size->setToolTip(tr("px, or % of what it is pinned in; empty: as what the field says then"));
  out.bounds =
      form_->text(horizontal ? tr("Width within") : tr("Height within"),
                  [=, this](const QString& typed) { return setBounds(horizontal, typed); });
  out.bounds->setPlaceholderText(tr("any"));
  out.bounds->setToolTip(tr("px from–to, for example 100–400, 100– or –400; empty: any"));
  out.rest = form_->number(
      horizontal ? tr("Share, width") : tr("Share, height"), 0, 1000, [=, this](double v) {
        return change("share the rest", [=](Item& i) { axisOf(i.place, horizontal).rest = v; });
      });
  out.rest->setToolTip(
      tr("Of the room that the others leave: with 2 twice as much as with 1; 0: its own size"));
  out.cells = form_->number(
      horizontal ? tr("Columns taken") : tr("Rows taken"), 1, kMostColumns, [=, this](double v) {
        const int cells = static_cast<int>(v);
        return cells == v &&
               change("take cells", [=](Item& i) { (horizontal ? i.columns : i.rows) = cells; });
      });
  return out;
}

bool SizeForm::change(const char* name, std::function<void(Item&)> apply) {
  if (!work_.screen()) return false;
  return work_.perform(
      changeItems(work_.screen()->id, work_.picked().items, name, {}, std::move(apply)));
}

bool SizeForm::setSize(bool horizontal, const QString& typed) {
  const bool part = typed.trimmed().endsWith(QLatin1Char('%'));
  if (part) return setShare(horizontal, typed);
  const auto size = typed.trimmed().isEmpty() ? 0 : typedNumber(typed, QStringLiteral("px"));
  if (!size || *size < 0 || *size > kMost) {
    work_.tell(tr("expected px from 0 to %1, or nothing").arg(kMost), true);
    return false;
  }
  return change("resize", [=](Item& i) {
    axisOf(i.place, horizontal).size = *size;
    axisOf(i.place, horizontal).share = 0;
  });
}

bool SizeForm::setShare(bool horizontal, const QString& typed) {
  const Screen* screen = work_.screen();
  if (!screen || !work_.item()) return false;
  const auto share = typedNumber(typed, QStringLiteral("%"));
  if (!isLoose(*screen, *work_.item()) || !share || *share <= 0 || *share > 100) {
    work_.tell(tr("expected more than 0 to 100 % of what it is pinned in; in a row, column or grid "
                  "px or a share"),
               true);
    return false;
  }
  return change("resize", [=](Item& i) { axisOf(i.place, horizontal).share = *share / 100; });
}

bool SizeForm::setBounds(bool horizontal, const QString& typed) {
  static const QRegularExpression kForm(
      QStringLiteral(R"(^\s*([0-9.]*)\s*(?:px)?\s*(?:–|-|\.\.)\s*([0-9.]*)\s*(?:px)?\s*$)"));
  const auto match = kForm.match(typed);
  const auto bound = [&](int group) {
    bool ok = true;
    const QString text = match.captured(group);
    const double out = text.isEmpty() ? 0 : text.toDouble(&ok);
    return ok ? out : -1;
  };
  const bool none = typed.trimmed().isEmpty();
  const double least = none ? 0 : bound(1), most = none ? 0 : bound(2);
  const bool well = none || (match.hasMatch() && least >= 0 && most >= 0 && least <= kMost &&
                             most <= kMost && (most == 0 || least <= most));
  if (!well) {
    work_.tell(tr("expected px from–to, for example 100–400, 100– or –400"), true);
    return false;
  }
  return change("bound size", [=](Item& i) {
    axisOf(i.place, horizontal).least = least;
    axisOf(i.place, horizontal).most = most;
  });
}

void SizeForm::refresh() {
  refresh(across_, true);
  refresh(down_, false);
}

void SizeForm::refresh(const Axis& fields, bool horizontal) {
  const Item& item = *work_.item();
  const Screen& screen = *work_.screen();
  const AxisPlace& axis = axisOf(item.place, horizontal);
  const Placed& placed = work_.layout().items[*indexOf(screen, item.id)];
  const Box box = placed.own();
  const QString now = px(horizontal ? box.w : box.h);
  const QString follows[] = {tr("between its pins, %1"),
                             tr("its share, %1"),
                             tr("stretched, %1"),
                             QString(),
                             QString(),
                             tr("as its kind, %1"),
                             tr("as its caption, %1"),
                             tr("as content, %1"),
                             tr("as a new one, %1")};
  const SizeFrom from = sizeFrom(work_.project(), screen, item, horizontal);
  // With its own unit, which the field would else add.
  fields.size->setProperty("unit",
                           from == SizeFrom::Share ? QStringLiteral("%") : QStringLiteral("px"));
  refill(fields.size, from == SizeFrom::Own     ? px(axis.size)
                      : from == SizeFrom::Share ? px(axis.share * 100)
                                                : QString());
  const bool own = from == SizeFrom::Own || from == SizeFrom::Share;
  fields.size->setPlaceholderText(own ? QString() : follows[size_t(from)].arg(now));
  refill(fields.bounds, inWords(axis));
  refill(fields.rest, QString::number(axis.rest));
  refill(fields.cells, QString::number(horizontal ? item.columns : item.rows));
  const Item* holder = item.parent ? findItem(screen, item.parent) : nullptr;
  const ContainerData* in = holder ? holder->container() : nullptr;
  form_->setRowVisible(fields.rest, in && in->flow != Flow::Ring && in->flow != Flow::Free);
  form_->setRowVisible(fields.cells, in && in->flow == Flow::Grid);
}

}  // namespace bristle
