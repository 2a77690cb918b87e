#include "desktop/shape/carry_page.h"

#include <QPainter>

#include "desktop/shape/kind_picture.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr QSize kCell(102, 60);
constexpr int kLineWords = 46, kShownStates = 3;

}  // namespace

CarryPage::CarryPage(Work& work, QWidget* parent)
    : Page(tr("Carry over"), tr("from “%1”").arg(work.kind() ? toQt(work.kind()->name) : QString()),
           parent),
      work_(work),
      from_(work.picked().kind) {
  auto* columns = new QHBoxLayout;
  columns->setSpacing(16);
  columns->addWidget(aspects());
  auto* middle = new QVBoxLayout;
  auto* head = new QLabel(tr("TO"));
  head->setProperty("heading", true);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Targets"));
  list_->setFixedWidth(200);
  list_->setWordWrap(true);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  middle->setSpacing(2);
  head->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
  middle->addWidget(head);
  middle->addWidget(list_, 1);
  columns->addLayout(middle);
  preview_ = new QLabel;
  preview_->setAccessibleName(tr("Before and after"));
  preview_->setAlignment(Qt::AlignTop | Qt::AlignLeft);
  auto* area = new QScrollArea;
  area->setWidget(preview_);
  area->setWidgetResizable(true);
  area->setFocusPolicy(Qt::NoFocus);
  columns->addWidget(area, 1);
  body()->addLayout(columns, 1);
  carry_ = button(tr("Carry over"));
  carry_->setProperty("main", true);
  row({carry_});
  connect(carry_, &QPushButton::clicked, this, [this] {
    const auto to = targets();
    if (!work_.perform(carryOver(from_, chosen(), to))) return;
    work_.tell(tr("Carried over to %1").arg(to.size()));
    Q_EMIT done();
  });
  connect(list_, &QListWidget::itemChanged, this, &CarryPage::refresh);
  connect(list_, &QListWidget::currentRowChanged, this, &CarryPage::refresh);
  fillTargets();
  refresh();
}

QWidget* CarryPage::aspects() {
  auto* box = new QWidget;
  box->setFixedWidth(190);
  auto* column = new QVBoxLayout(box);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(4);
  const auto heading = [&](const QString& text) {
    auto* label = new QLabel(text);
    label->setProperty("heading", true);
    column->addWidget(label);
  };
  const auto check = [&](const QString& name, bool on) {
    auto* field = new QCheckBox(name);
    field->setAccessibleName(name);
    field->setChecked(on);
    connect(field, &QCheckBox::clicked, this, &CarryPage::refresh);
    column->addWidget(field);
    return field;
  };
  heading(tr("PARTS"));
  if (const Kind* kind = work_.kind())
    for (const Part& part : kind->parts) parts_.push_back({part.id, check(toQt(part.name), true)});
  heading(tr("AND"));
  departures_ = check(tr("What the states change"), true);
  size_ = check(tr("Size of the box"), false);
  hit_ = check(tr("Hit area"), false);
  timing_ = check(tr("Timing"), false);
  sounds_ = check(tr("Sounds"), false);
  machine_ = check(tr("States and transitions"), false);
  column->addStretch();
  return box;
}

void CarryPage::fillTargets() {
  const auto offer = [&](CarryTarget target, const QString& name) {
    auto* item = new QListWidgetItem(name, list_);
    item->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsUserCheckable);
    item->setCheckState(Qt::Unchecked);
    offered_.push_back(std::move(target));
  };
  for (const auto& kind : work_.project().kinds)
    if (kind->id != from_) offer({kind->id}, toQt(kind->name));
  for (const auto& screen : work_.project().screens)
    for (const auto& item : screen->items)
      if (!item->button() && !item->container())
        offer({{}, screen->id, item->id},
              tr("%1 on %2, as a new button").arg(toQt(displayName(*item)), toQt(screen->name)));
  if (list_->count()) list_->setCurrentRow(0);
}

Aspects CarryPage::chosen() const {
  Aspects out;
  for (const auto& [id, field] : parts_)
    if (field->isChecked()) out.parts.insert(id);
  out.departures = departures_->isChecked();
  out.size = size_->isChecked();
  out.hitArea = hit_->isChecked();
  out.timing = timing_->isChecked();
  out.sounds = sounds_->isChecked();
  out.machine = machine_->isChecked();
  return out;
}

std::vector<CarryTarget> CarryPage::targets() const {
  std::vector<CarryTarget> out;
  for (int i = 0; i < list_->count(); ++i)
    if (list_->item(i)->checkState() == Qt::Checked) out.push_back(offered_[size_t(i)]);
  return out;
}

// What is chosen; else the one that is looked at, so that it is seen what choosing it would do.
std::vector<CarryTarget> CarryPage::shown() const {
  auto out = targets();
  const int row = std::max(0, list_->currentRow());
  if (out.empty() && size_t(row) < offered_.size()) out.push_back(offered_[size_t(row)]);
  return out;
}

void CarryPage::paintTarget(QPainter& p, const CarryTarget& to, const Project& after,
                            const KindId& made, int y) {
  const double ratio = devicePixelRatioF();
  p.setPen(themeOf(this).ink);
  p.drawText(QRect(0, y, 3 * kCell.width(), 18), Qt::AlignLeft | Qt::AlignVCenter,
             toQt(bristle::find(after, made)->name));
  p.setPen(themeOf(this).quiet);
  y += 20;
  const auto line = [&](const QString& what, const Project& project, LookTables& tables) {
    p.drawText(QRect(0, y, kLineWords, kCell.height()), Qt::AlignLeft | Qt::AlignVCenter, what);
    for (int s = 0; s < kShownStates; ++s)
      p.drawPixmap(kLineWords + s * (kCell.width() + 2), y,
                   kindPicture(project, made, StateIndex(s), kCell, themeOf(this).work,
                               work_.looks(), tables, ratio));
    y += kCell.height() + 2;
  };
  if (!to.item) line(tr("before"), work_.project(), work_.tables());
  line(tr("after"), after, after_);
}

// The project as it would be is made and shown, not guessed.
void CarryPage::refresh() {
  if (offered_.size() != size_t(list_->count())) return;
  const auto to = targets(), looked = shown();
  carry_->setEnabled(!to.empty());
  carry_->setText(to.empty() ? tr("Carry over: choose targets")
                             : tr("Carry over to %1").arg(to.size()));
  const double ratio = devicePixelRatioF();
  const int width = kLineWords + kShownStates * (kCell.width() + 2);
  const int rowHeight = 2 * kCell.height() + 40;
  QPixmap all(QSize(width, std::max(1, int(looked.size())) * rowHeight) * ratio);
  all.setDevicePixelRatio(ratio);
  all.fill(Qt::transparent);
  const auto after = looked.empty() ? Result<Project>(work_.project())
                                    : carryOver(from_, chosen(), looked).apply(work_.project());
  QPainter p(&all);
  p.setPen(themeOf(this).quiet);
  const auto say = [&](const QString& text) {
    p.drawText(QRect(0, 0, width, 60), Qt::TextWordWrap, text);
  };
  if (!after)
    say(toQt(after.error().text()));
  else if (looked.empty())
    say(tr("There is nothing to carry to yet: no other kind, and no drawn shape on a screen."));
  size_t fresh = work_.project().kinds.size();
  for (size_t i = 0; after && i < looked.size(); ++i)
    paintTarget(p, looked[i], *after, looked[i].item ? after->kinds[fresh++]->id : looked[i].kind,
                int(i) * rowHeight);
  p.end();
  preview_->setPixmap(all);
}

}  // namespace bristle
