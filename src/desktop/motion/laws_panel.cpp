#include "desktop/motion/laws_panel.h"

#include <QHBoxLayout>
#include <QVBoxLayout>

#include "core/edit/machine_edits.h"
#include "desktop/motion/graph_view.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

LawsPanel::LawsPanel(Work& work, MotionView& view, LawWatch& laws, QWidget* parent)
    : QWidget(parent), work_(work), view_(view), laws_(laws) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(12, 4, 12, 8);
  column->setSpacing(6);
  head_ = new QLabel;
  head_->setProperty("quiet", true);
  column->addWidget(head_);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Laws"));
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  column->addWidget(list_, 1);
  what_ = new QLabel;
  what_->setWordWrap(true);
  what_->setAlignment(Qt::AlignLeft | Qt::AlignTop);
  what_->setTextInteractionFlags(Qt::TextSelectableByMouse);
  column->addWidget(what_);
  play_ = new QPushButton(tr("Play it"));
  play_->setAccessibleName(tr("Play it on the scope"));
  play_->setAutoDefault(true);
  connect(play_, &QPushButton::clicked, this, [this] { show(list_->currentRow()); });
  auto* ways = new QHBoxLayout;
  ways->setSpacing(8);
  ways->addWidget(play_, 1);
  mend_ = new QPushButton(tr("Mend it"));
  mend_->setAccessibleName(tr("Mend the law"));
  mend_->setAutoDefault(true);
  connect(mend_, &QPushButton::clicked, this, &LawsPanel::mend);
  ways->addWidget(mend_, 1);
  column->addLayout(ways);
  reason_ = new QLineEdit;
  reason_->setAccessibleName(tr("Why this law is switched off"));
  reason_->setPlaceholderText(tr("switch off: say why"));
  connect(reason_, &QLineEdit::returnPressed, this, [this] {
    if (const Machine* m = work_.machine(); m && list_->currentRow() < kLaws)
      work_.perform(waiveLaw(m->id, list_->currentRow() + 1, fromQt(reason_->text().trimmed())));
  });
  column->addWidget(reason_);
  connect(&laws, &LawWatch::changed, this, &LawsPanel::refresh);
  connect(&work, &Work::pickedChanged, this, &LawsPanel::refresh);
  connect(list_, &QListWidget::currentRowChanged, this, [this] {
    if (!filling_) tellOne();
  });
  connect(list_, &QListWidget::itemActivated, this, [this] { show(list_->currentRow()); });
  refresh();
}

void LawsPanel::refresh() {
  const Lawfulness* now = laws_.now();
  filling_ = true;
  int row = std::max(0, list_->currentRow());
  list_->clear();
  if (!now) {
    head_->setText(tr("LAWS · checking …"));
  } else if (now->error) {
    head_->setText(tr("LAWS · not checked"));
  } else {
    row = list(now->report, row);
  }
  list_->setCurrentRow(std::min(row, list_->count() - 1));
  filling_ = false;
  tellOne();
}

// Lists the laws and the advice; gives the row to be picked where `row` was.
int LawsPanel::list(const LawReport& report, int row) {
  int broken = 0, first = -1;
  for (int i = 0; i < kLaws; ++i) {
    if (!report.laws[size_t(i)].broken || !report.laws[size_t(i)].waived.empty()) continue;
    ++broken;
    if (first < 0) first = i;
  }
  head_->setText(tr("LAWS · %1 · %2 situations")
                     .arg(broken         ? tr("%1 broken").arg(broken)
                          : report.whole ? tr("all kept")
                                         : tr("not proved"))
                     .arg(report.visited));
  // What is broken is told without asking; a broken one that is read stays.
  if (first >= 0 && (row >= kLaws || !report.laws[size_t(row)].broken)) row = first;
  for (int i = 0; i < kLaws; ++i) {
    const LawResult& r = report.laws[size_t(i)];
    const LawVerdict verdict = report.verdict(Law(i + 1));
    const QString sign = !r.waived.empty()                  ? tr("–")
                         : verdict == LawVerdict::Broken    ? tr("✕")
                         : verdict == LawVerdict::NotProved ? tr("?")
                                                            : tr("✓");
    auto* item = new QListWidgetItem(
        tr("%1  %2 %3").arg(sign).arg(i + 1).arg(toQt(std::string(nameOf(Law(i + 1))))), list_);
    item->setToolTip(
        verdict == LawVerdict::NotProved
            ? tr("%1 Not proved: %2.")
                  .arg(toQt(std::string(meaningOf(Law(i + 1)))), toQt(report.whyNotWhole))
            : toQt(std::string(meaningOf(Law(i + 1)))));
    if (r.broken && r.waived.empty()) {
      QFont bold = item->font();
      bold.setWeight(QFont::Bold);
      item->setFont(bold);
      item->setForeground(themeOf(this).wrong);
    }
  }
  const auto advise = [&](const QString& text) {
    auto* item = new QListWidgetItem(tr("·  advice: %1").arg(text), list_);
    item->setToolTip(text);
  };
  for (const auto t : report.neverTaken) {
    const Machine* m = work_.machine();
    if (!m || t >= m->transitions.size()) continue;
    const Transition& one = m->transitions[t];
    const State* from = one.from ? findState(*m, *one.from) : nullptr;
    const bool idle = one.on == Event::Press && from && from->role == Role::Rest;
    advise(idle ? tr("%1, %2, can’t happen here: a press without pointer or focus")
                      .arg(t + 1)
                      .arg(eventOf(one))
                : tr("%1, %2, can’t happen here").arg(t + 1).arg(eventOf(one)));
  }
  for (const auto& text : report.advice) advise(toQt(text));
  return row;
}

void LawsPanel::tellOne() {
  const Lawfulness* now = laws_.now();
  const int row = list_->currentRow();
  const bool isLaw = now && !now->error && row >= 0 && row < kLaws;
  reason_->setVisible(isLaw);
  play_->setVisible(false);
  mend_->setVisible(false);
  if (!isLaw) {
    const QListWidgetItem* item = list_->currentItem();
    what_->setText(now && now->error ? toQt(now->error->text())
                   : item            ? item->toolTip()
                                     : QString());
    return;
  }
  const LawResult& r = now->report.laws[size_t(row)];
  if (r.broken) {
    QString words = tr("%1 – when %2.").arg(toQt(r.what), toQt(inWords(r.sequence, now->symbols)));
    if (const auto mend = now->mends.find(row); mend != now->mends.end()) {
      QStringList lines;
      for (const auto& line : mend->second.words) lines << toQt(line);
      words += tr("\nMend: %1.").arg(lines.join(QStringLiteral("; ")));
      mend_->setVisible(true);
    }
    what_->setText(words);
  } else {
    what_->setText(toQt(std::string(meaningOf(Law(row + 1)))));
  }
  play_->setVisible(r.broken && !r.sequence.empty());
  if (!reason_->hasFocus()) reason_->setText(toQt(r.waived));
}

void LawsPanel::mend() {
  const Lawfulness* now = laws_.now();
  const auto at =
      now ? now->mends.find(list_->currentRow()) : std::map<int, Mend>::const_iterator{};
  if (!now || at == now->mends.end() || !work_.machine()) return;
  const Mend mend = at->second;
  work_.perform(mendMachine(work_.machine()->id, mend.before, mend.after));
}

void LawsPanel::show(int law) {
  const Lawfulness* now = laws_.now();
  if (!now || law < 0 || law >= kLaws) return;
  const LawResult& r = now->report.laws[size_t(law)];
  if (!r.broken || r.sequence.empty()) return;
  view_.setPlaying(false);
  view_.setScore(scoreOf(r.sequence));
  view_.setTime(0);
  view_.setPlaying(true);
}

}  // namespace bristle
