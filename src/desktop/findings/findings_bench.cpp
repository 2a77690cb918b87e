#include "desktop/findings/findings_bench.h"

#include <QHeaderView>
#include <QSettings>
#include <QSplitter>
#include <QVBoxLayout>

#include "desktop/derive/findings_watch.h"
#include "desktop/findings/finding_card.h"
#include "desktop/findings/finding_lines.h"
#include "desktop/findings/finding_picture.h"
#include "desktop/findings/findings_model.h"
#include "desktop/findings/rules_form.h"
#include "desktop/view/bench_head.h"
#include "desktop/view/card_tabs.h"
#include "desktop/view/counted.h"
#include "desktop/view/form.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

FindingsBench::FindingsBench(Work& work, QWidget* parent) : Bench(parent), work_(work) {
  const auto [column, head, title, about] = makeHead(this);
  title->setText(tr("Findings"));
  about_ = about;
  filter_ = new QLineEdit;
  filter_->setAccessibleName(tr("Find in the findings"));
  filter_->setPlaceholderText(tr("find"));
  filter_->setClearButtonEnabled(true);
  filter_->setMaximumWidth(180);
  head->addWidget(filter_);
  groups_ = new QComboBox;
  groups_->setAccessibleName(tr("Grouped by"));
  groups_->addItems({tr("by rule"), tr("by place"), tr("by severity")});
  head->addWidget(groups_);
  order_ = new QComboBox;
  order_->setAccessibleName(tr("In the order"));
  order_->addItems({tr("as found"), tr("by name"), tr("worst first")});
  head->addWidget(order_);
  list_ = new FindingsList;
  list_->setModel(model_ = new FindingsModel(this));
  list_->setItemDelegate(new FindingLines(list_));
  list_->setAccessibleName(tr("Findings"));
  list_->setProperty("plain", true);  // lines show themselves that they are picked
  list_->setHeaderHidden(true);
  list_->setWordWrap(true);
  list_->setIndentation(14);
  picture_ = new FindingPicture(work);
  auto* both = new QSplitter(Qt::Vertical);
  both->setChildrenCollapsible(false);
  both->addWidget(list_);
  both->addWidget(picture_);
  both->setSizes({380, 300});
  empty_ = new QLabel;
  empty_->setAlignment(Qt::AlignCenter);
  empty_->setWordWrap(true);
  pages_ = new QStackedWidget;
  pages_->addWidget(both);
  pages_->addWidget(empty_);
  column->addWidget(pages_, 1);
  finding_ = new FindingCard(work);
  card_ = new CardTabs({tr("Finding"), tr("Rules")});
  card_->addCard(finding_);
  card_->addCard(new RulesForm(work));
  connect(finding_, &FindingCard::wantsPlace, this, &FindingsBench::goThere);
  connect(finding_, &FindingCard::leftKeys, list_, [this] { list_->setFocus(); });
  connect(filter_, &QLineEdit::textChanged, this, &FindingsBench::refresh);
  connect(groups_, &QComboBox::activated, this, &FindingsBench::refresh);
  connect(order_, &QComboBox::activated, this, &FindingsBench::refresh);
  connect(list_->selectionModel(), &QItemSelectionModel::currentChanged, this,
          [this](const QModelIndex& now) {
            const QString key = now.data(FindingsModel::kKey).toString();
            if (!key.isEmpty()) work_.findings().pick(fromQt(key));
          });
  connect(list_, &QTreeView::activated, this, [this](const QModelIndex& at) {
    if (at.parent().isValid()) goThere();
  });
  connect(&work.findings(), &FindingsWatch::changed, this, &FindingsBench::refresh);
  connect(&work.findings(), &FindingsWatch::pickedChanged, this, &FindingsBench::showPicked);
  addCommands();
  refresh();
}

void FindingsBench::addCommands() {
  const auto group = [this](const QString& name, int index) {
    work_.commands().add(
        this, name, {},
        [this, index] {
          groups_->setCurrentIndex(index);
          refresh();
        },
        KeysWork::InWindow);
  };
  group(tr("Findings by rule"), 0);
  group(tr("Findings by place"), 1);
  group(tr("Findings by severity"), 2);
  const auto card = [this](const QString& name, int index) {
    work_.commands().add(
        this, name, {}, [this, index] { card_->choose(index); }, KeysWork::InWindow);
  };
  card(tr("The finding in hand"), 0);
  card(tr("Rules and limits"), 1);
  work_.commands().add(
      this, tr("Mend the finding in hand"), QKeySequence(Qt::CTRL | Qt::Key_Return),
      [this] { finding_->mend(0); }, KeysWork::InWindow);
  work_.commands().add(
      this, tr("Mend all findings alike"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_Return),
      [this] { finding_->mendAlike(); }, KeysWork::InWindow);
  work_.commands().add(
      this, tr("Find in the findings"), QKeySequence::Find, [this] { filter_->setFocus(); },
      KeysWork::InWindow);
}

QWidget* FindingsBench::card() {
  return card_;
}

void FindingsBench::refresh() {
  if (!isVisible()) return;  // when it comes into sight again
  const SortedFindings& found = work_.findings().now();
  if (model_->show(work_.project(), found, static_cast<FindingGroups>(groups_->currentIndex()),
                   static_cast<FindingOrder>(order_->currentIndex()), filter_->text()))
    list_->expandToDepth(0);  // headings, not the findings, too
  int errors = 0, warnings = 0, notes = 0;
  for (const Finding& f : found.open)
    ++(f.severity == Severity::Error ? errors : f.severity == Severity::Warning ? warnings : notes);
  about_->setText(tr("%1 · %2 · %3")
                      .arg(counted(errors, tr("%n error"), tr("%n errors")),
                           counted(warnings, tr("%n warning"), tr("%n warnings")),
                           counted(notes, tr("%n note"), tr("%n notes"))));
  const bool any = model_->rowCount() > 0;
  const bool none = found.open.empty() && found.accepted.empty();
  empty_->setText(!none                     ? tr("No finding has these words.")
                  : work_.findings().busy() ? tr("Looking at everything …")
                                            : tr("Nothing is wrong, as far as the rules can see."));
  if (none && work_.findings().busy()) about_->setText({});
  pages_->setCurrentIndex(any ? 0 : 1);
  // The one that followed comes to hand for what was mended.
  const Finding* picked = work_.findings().picked();
  if (any && !model_->indexOf(picked ? picked->key : "").isValid()) {
    const auto keys = model_->keys();
    work_.findings().pick(keys[std::min(at_, keys.size() - 1)]);
  }
  showPicked();
}

void FindingsBench::showPicked() {
  const Finding* f = work_.findings().picked();
  picture_->show(f);
  const auto keys = model_->keys();
  const auto row = std::find(keys.begin(), keys.end(), f ? f->key : std::string());
  if (row != keys.end()) at_ = size_t(row - keys.begin());
  const QModelIndex at = f ? model_->indexOf(f->key) : QModelIndex();
  if (at.isValid() && at != list_->currentIndex()) {
    list_->setCurrentIndex(at);
    list_->scrollTo(at);
  }
  Q_EMIT hintChanged();
}

void FindingsBench::goThere() {
  if (work_.findings().picked()) Q_EMIT wantsFinding();
}

QString FindingsBench::hint() const {
  return tr(
      "Return: to where it is made · Ctrl+Return mends it, with Shift all alike · F9: the next "
      "one, "
      "from any bench");
}

void FindingsBench::keepState(QSettings& settings) const {
  settings.setValue(QStringLiteral("findings/groups"), groups_->currentIndex());
  settings.setValue(QStringLiteral("findings/order"), order_->currentIndex());
}

void FindingsBench::restoreState(const QSettings& settings) {
  groups_->setCurrentIndex(
      std::clamp(settings.value(QStringLiteral("findings/groups")).toInt(), 0, 2));
  order_->setCurrentIndex(
      std::clamp(settings.value(QStringLiteral("findings/order")).toInt(), 0, 2));
  refresh();
}

}  // namespace bristle
