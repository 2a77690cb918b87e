#include "desktop/findings/finding_card.h"

#include <QApplication>
#include <QDate>
#include <QVBoxLayout>

#include "core/edit/accept_edits.h"
#include "core/findings/rule_info.h"
#include "desktop/derive/findings_watch.h"
#include "desktop/findings/figure_scale.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {
constexpr size_t kMostMends = 4;  // that one finding may offer
}

FindingCard::FindingCard(Work& work) : work_(work) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  none_ =
      new QLabel(tr("Pick a finding in the list: here stands why it matters, and what mends it."));
  none_->setWordWrap(true);
  none_->setProperty("quiet", true);
  none_->setContentsMargins(16, 8, 16, 0);
  column->addWidget(none_);
  auto* form = new Form;
  column->addWidget(all_ = form);
  column->addStretch();
  rule_ = form->heading(QString());
  place_ = form->note(QString());
  reason_ = form->note(QString());
  form->wide(scale_ = new FigureScale);
  go_ = form->button(tr("Go to it"), [this] { Q_EMIT wantsPlace(); });
  form->heading(tr("WHY IT MATTERS"));
  why_ = form->note(QString());
  standard_ = form->note(QString());
  buildMends(*form);
  buildAccepting(*form);
  connect(&work.findings(), &FindingsWatch::changed, this, &FindingCard::refresh);
  connect(&work.findings(), &FindingsWatch::pickedChanged, this, &FindingCard::refresh);
  refresh();
}

void FindingCard::buildMends(Form& form) {
  form.heading(tr("MEND"));
  byHand_ = form.note(tr("By hand, where it is made"));
  for (size_t i = 0; i < kMostMends; ++i)
    mends_.push_back(form.button(tr("Mend %1").arg(i + 1), [this, i] { mend(i); }));
  mendAll_ = form.button(tr("Mend all alike"), [this] { mendAlike(); });
}

void FindingCard::buildAccepting(Form& form) {
  form.heading(tr("LET IT BE"));
  because_ = form.text(tr("Because"), [](const QString&) { return true; });
  because_->setPlaceholderText(tr("the reason"));
  accept_ = form.button(tr("Accept the finding"), [this] {
    if (const Finding* f = work_.findings().picked()) accept({f->key});
  });
  acceptAll_ = form.button(tr("Accept all alike"), [this] {
    if (const Finding* f = work_.findings().picked()) accept(alike(*f));
  });
  accepted_ = form.note(QString());
  again_ = form.button(tr("Tell it again"), [this] {
    if (const Finding* f = work_.findings().picked()) work_.perform(tellAgain({f->key}));
  });
}

// Of the same rule, itself among them.
std::vector<std::string> FindingCard::alike(const Finding& finding) const {
  std::vector<std::string> out;
  for (const Finding& f : work_.findings().now().open)
    if (f.rule == finding.rule) out.push_back(f.key);
  return out;
}

// The picked one, where it can be mended now; else it is told why not.
const Finding* FindingCard::mendable() const {
  const Finding* f = work_.findings().picked();
  if (!f) return nullptr;
  const bool busy = work_.findings().busy();
  if (!busy && !f->mends.empty()) return f;
  work_.tell(busy ? tr("The project is being looked at again: a moment, then mend it")
                  : tr("This is mended by hand: Return goes to where it is made"),
             true);
  return nullptr;
}

// Made for the project as it was checked; where that has changed meanwhile, the edit says so.
void FindingCard::mend(size_t which) {
  const Finding* f = mendable();
  if (f && which < f->mends.size()) work_.perform(f->mends[which]);
}

// In one step, so that one undo takes all of it back.
void FindingCard::mendAlike() {
  const Finding* picked = mendable();
  if (!picked) return;
  std::vector<Edit> all;
  for (const Finding& f : work_.findings().now().open)
    if (f.rule == picked->rule && !f.mends.empty()) all.push_back(f.mends.front());
  work_.perform(together("mend all alike", all));
}

void FindingCard::accept(const std::vector<std::string>& keys) {
  if (work_.perform(acceptFindings(keys, fromQt(because_->text().trimmed()),
                                   fromQt(QDate::currentDate().toString(Qt::ISODate)))))
    because_->clear();
}

void FindingCard::refresh() {
  QWidget* keys = isAncestorOf(QApplication::focusWidget()) ? QApplication::focusWidget() : nullptr;
  show(work_.findings().picked());
  if (keys && !keys->isVisible()) Q_EMIT leftKeys();
}

void FindingCard::show(const Finding* f) {
  none_->setVisible(!f);
  all_->setVisible(f);
  if (!f) return;
  const RuleInfo& info = infoOf(f->rule);
  const auto words = [](std::string_view text) { return toQt(std::string(text)); };
  rule_->setText(words(info.asks).toUpper());
  place_->setText(toQt(f->place));
  reason_->setText(toQt(f->reason));
  scale_->setVisible(f->figure.has_value());
  if (f->figure) scale_->show(*f->figure, f->limit.value_or(0), words(f->unit));
  why_->setText(words(info.why));
  standard_->setText(words(info.standard));
  standard_->setVisible(!info.standard.empty());
  size_t can = 0;
  for (const Finding& each : work_.findings().now().open)
    can += each.rule == f->rule && !each.mends.empty();
  for (size_t i = 0; i < mends_.size(); ++i) {
    mends_[i]->setVisible(i < f->mends.size());
    if (i >= f->mends.size()) continue;
    QString name = toQt(f->mends[i].name);
    name[0] = name[0].toUpper();
    constexpr int kWide = 208;  // px that the card leaves to words on a button
    mends_[i]->setText(mends_[i]->fontMetrics().elidedText(name, Qt::ElideRight, kWide));
    mends_[i]->setToolTip(mends_[i]->text() == name ? QString() : name);
    mends_[i]->setAccessibleName(name);
  }
  byHand_->setVisible(f->mends.empty());
  mendAll_->setVisible(can > 1 && !f->mends.empty());
  mendAll_->setText(tr("Mend all %1 alike").arg(can));
  const auto& accepted = work_.findings().now().accepted;
  const auto at = std::find_if(accepted.begin(), accepted.end(),
                               [&](const auto& each) { return each.finding.key == f->key; });
  const bool isAccepted = at != accepted.end();
  const size_t sisters = alike(*f).size();
  all_->setRowVisible(because_, !isAccepted);
  accept_->setVisible(!isAccepted);
  acceptAll_->setVisible(!isAccepted && sisters > 1);
  acceptAll_->setText(tr("Accept all %1 alike").arg(sisters));
  accepted_->setVisible(isAccepted);
  again_->setVisible(isAccepted);
  if (isAccepted) accepted_->setText(tr("Accepted %1: %2").arg(toQt(at->on), toQt(at->reason)));
}

}  // namespace bristle
