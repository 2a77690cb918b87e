#include "desktop/findings/rules_form.h"

#include <QHeaderView>
#include <QSignalBlocker>
#include <algorithm>

#include "core/edit/settings_edit.h"
#include "core/findings/profiles.h"
#include "core/findings/rule_info.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr int kRule = Qt::UserRole;
constexpr int kWide = 150;  // px that the words of a rule have in the card

QString words(std::string_view text) {
  return QString::fromUtf8(text.data(), static_cast<qsizetype>(text.size()));
}

}  // namespace

RulesForm::RulesForm(Work& work) : work_(work) {
  heading(tr("LIMITS"));
  QStringList names{tr("of its own")};
  for (const LimitProfile& profile : limitProfiles()) names << words(profile.name);
  profile_ = choice(tr("As for"), names, [this](int i) {
    if (i > 0) work_.perform(takeProfile(limitProfiles()[size_t(i - 1)]));
    refresh();
  });
  profile_->setAccessibleName(tr("Limits as for"));
  about_ = note(QString());
  hit_ = limit(tr("Hit areas, at least"), 400, tr("px"), &Settings::leastHit);
  hitMm_ = limit(tr("… on the glass"), 50, tr("mm"), &Settings::leastHitMm);
  hitMm_->setToolTip(tr("On displays that say how many px there are to an inch; 0: not asked"));
  gap_ = limit(tr("Between them"), 400, tr("px"), &Settings::leastGap);
  text_ = limit(tr("Captions, at least"), 60, tr("′"), &Settings::leastText);
  text_->setToolTip(
      tr("Minutes of arc, as high as capitals are seen from where people sit, on displays that say "
         "how far that is; 0: not asked"));
  heading(tr("RULES"));
  buildRules();
  new WhileSeen(work, this, [this] { refresh(); });
  refresh();
}

QLineEdit* RulesForm::limit(const QString& name, double most, const QString& unit,
                            double Settings::*which) {
  const double least = which == &Settings::leastHit ? 1 : 0;
  return number(
      name, least, most,
      [this, which](double v) {
        return work_.perform(
            changeSettings("change a limit", [which, v](Settings& s) { s.*which = v; }));
      },
      unit);
}

void RulesForm::buildRules() {
  rules_ = new QTreeWidget;
  rules_->setAccessibleName(tr("Rules"));
  rules_->setHeaderHidden(true);
  rules_->setRootIsDecorated(true);
  rules_->setIndentation(12);
  rules_->setTextElideMode(Qt::ElideNone);
  rules_->setWordWrap(true);
  rules_->setMinimumHeight(360);
  QTreeWidgetItem* group = nullptr;
  std::optional<RuleGroup> last;
  for (const RuleInfo& info : ruleInfos()) {
    if (!group || last != info.group) {
      group = new QTreeWidgetItem(rules_, {words(nameOf(info.group))});
      last = info.group;
    }
    auto* line = new QTreeWidgetItem(group, {words(info.asks)});
    line->setToolTip(0, words(info.why));
    const QRect room(0, 0, kWide, 200);
    const int high = fontMetrics().boundingRect(room, Qt::TextWordWrap, words(info.asks)).height();
    line->setSizeHint(0, QSize(kWide, high + 8));
    line->setData(0, kRule, words(info.name));
    line->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsUserCheckable);
    line->setCheckState(0, Qt::Checked);
  }
  connect(rules_, &QTreeWidget::itemChanged, this, [this](QTreeWidgetItem* line) { turn(line); });
  wide(rules_);
}

void RulesForm::turn(QTreeWidgetItem* line) {
  const std::string rule = fromQt(line->data(0, kRule).toString());
  if (rule.empty()) return;
  const bool on = line->checkState(0) == Qt::Checked;
  work_.perform(changeSettings(on ? "ask a rule" : "do not ask a rule", [rule, on](Settings& s) {
    std::erase(s.rulesOff, rule);
    if (!on) s.rulesOff.push_back(rule);
  }));
}

void RulesForm::refresh() {
  const Settings& s = work_.project().settings;
  const LimitProfile* now = profileOf(s);
  const auto all = limitProfiles();
  refill(profile_, now ? static_cast<int>(now - all.data()) + 1 : 0);
  about_->setText(now ? words(now->about) : tr("as typed here"));
  refill(hit_, QString::number(s.leastHit));
  refill(hitMm_, QString::number(s.leastHitMm));
  refill(gap_, QString::number(s.leastGap));
  refill(text_, QString::number(s.leastText));
  const QSignalBlocker quiet(rules_);
  for (int g = 0; g < rules_->topLevelItemCount(); ++g) {
    QTreeWidgetItem* group = rules_->topLevelItem(g);
    int off = 0;
    for (int i = 0; i < group->childCount(); ++i) {
      QTreeWidgetItem* line = group->child(i);
      const bool isOff = std::find(s.rulesOff.begin(), s.rulesOff.end(),
                                   fromQt(line->data(0, kRule).toString())) != s.rulesOff.end();
      line->setCheckState(0, isOff ? Qt::Unchecked : Qt::Checked);
      off += isOff;
    }
    // What is off is not overlooked in a group that is shut.
    const QString name = group->text(0).section(QStringLiteral(" · "), 0, 0);
    group->setText(0, off ? tr("%1 · %2 off").arg(name).arg(off) : name);
  }
}

}  // namespace bristle
