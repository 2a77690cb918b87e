#include "desktop/route/quality_panel.h"

#include <set>

#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "paint/fonts.h"

namespace bristle {

QualityPanel::QualityPanel(Work& work)
    : work_(work),
      marks_(new RouteMarks(this)),
      judging_(this, [this](Found found) { tell(std::move(found)); }) {
  heading(tr("HOW GOOD THEY ARE"));
  words_ = note(QString());
  words_->setAccessibleName(tr("Figures of the routes"));
  unreachable_ = button(tr("Cannot be reached"), [this] { goTo(found_.quality.unreachable); });
  traps_ = button(tr("Cannot be left again"), [this] { goTo(found_.quality.traps); });
  figures_ = {{tr("Not back in a session: %1"), &RouteQuality::noMemory},
              {tr("Jump over something: %1"), &RouteQuality::jumps},
              {tr("Steep: %1"), &RouteQuality::steep},
              {tr("Something else is better: %1"), &RouteQuality::dear},
              {tr("Repairs: %1"), &RouteQuality::repairs},
              {tr("Stopgaps: %1"), &RouteQuality::stopgaps},
              {tr("Do not lead back: %1"), &RouteQuality::oneWay}};
  for (Figure& figure : figures_)
    figure.button =
        button(figure.words.section(QLatin1Char(':'), 0, 0), [this, &figure] { goTo(figure); });
  elsewhere_ =
      button(tr("Lead elsewhere on other displays"), [this] { goTo(otherMoves_, nextOther_); });
  buildWonders();
  new WhileSeen(work, this, [this] { ask(); });
  ask();
}

// One at a time, the worst first: its reason, and what would mend it.
void QualityPanel::buildWonders() {
  wonderHead_ = heading(tr("WORTH A LOOK"));
  wonderNext_ = button(tr("Next move to wonder about"), [this] { nextWonder(); });
  wonderWhy_ = note(QString());
  wonderWhy_->setAccessibleName(tr("Why one would wonder"));
  for (size_t i = 0; i < mends_.size(); ++i) {
    mends_[i] = button(tr("Mend %1").arg(i + 1), [this, i] { mend(i); });
    mends_[i]->hide();
  }
}

void QualityPanel::showWonder() {
  const auto& all = found_.wonders;
  if (wonder_ && *wonder_ >= all.size()) wonder_.reset();
  wonderHead_->show();
  wonderNext_->setVisible(!all.empty());
  wonderNext_->setText(wonder_           ? tr("Next: %1 of %2").arg(*wonder_ + 1).arg(all.size())
                       : all.size() == 1 ? tr("One move to wonder about")
                                         : tr("%1 moves to wonder about").arg(all.size()));
  const Wonder* wonder = wonder_ ? &all[*wonder_] : nullptr;
  const size_t box = wonder ? size_t(wonder->move.box) : 0;
  const ScreenRoutes& routes = work_.routes();
  const bool there = wonder && work_.screen() && box < routes.items.size();
  wonderWhy_->setVisible(there || all.empty());
  if (all.empty()) wonderWhy_->setText(tr("Every move leads where one expects."));
  if (there)
    wonderWhy_->setText(
        tr("%1, %2: %3")
            .arg(toQt(displayName(*work_.screen()->items[size_t(routes.items[box])])),
                 toQt(std::string(nameOf(wonder->move.dir))), toQt(wonder->why)));
  for (size_t i = 0; i < mends_.size(); ++i) {
    const bool offered = there && i < wonder->mends.size();
    mends_[i]->setVisible(offered);
    if (!offered) continue;
    QString name = toQt(wonder->mends[i].name);
    name[0] = name[0].toUpper();
    mends_[i]->setToolTip(name);
    mends_[i]->setText(mends_[i]->fontMetrics().elidedText(name, Qt::ElideRight, 200));
  }
}

void QualityPanel::nextWonder() {
  if (found_.wonders.empty()) return;
  wonder_ = wonder_ ? (*wonder_ + 1) % found_.wonders.size() : 0;
  const RouteMove move = found_.wonders[*wonder_].move;
  showWonder();
  goTo(std::vector{move.box});
  work_.pickDir(move.dir);
  Q_EMIT wantsSeen({move});
}

// The next one takes its place when this one has been judged anew.
void QualityPanel::mend(size_t which) {
  if (!wonder_ || *wonder_ >= found_.wonders.size()) return;
  const auto& mends = found_.wonders[*wonder_].mends;
  if (which >= mends.size()) return;
  const Edit edit = mends[which];
  if (work_.perform(edit)) wonder_.reset();
}

void QualityPanel::tellNothing() {
  judging_.cancel();
  judgedOf_.reset();
  words_->setText(tr("They are judged where there are two buttons or more."));
  for (QPushButton* each : findChildren<QPushButton*>()) each->hide();
  for (QLabel* each : {wonderHead_, wonderWhy_}) each->hide();
  marks_->set({});
  Q_EMIT judged({});
}

void QualityPanel::ask() {
  const Screen* screen = work_.screen();
  if (!screen || !work_.display() || work_.routes().items.size() < 2) return tellNothing();
  // Picking something else changes nothing here, and must not begin the places from the first.
  ShownScreen shown = work_.shown();
  if (judgedOf_ && sameLayout(*judgedOf_, shown) &&
      judgedOf_->project.displays == shown.project.displays &&
      judgedOf_->project.languages == shown.project.languages &&
      judged_ == work_.routes().output.routes)
    return;
  judged_ = work_.routes().output.routes;
  judgedOf_ = std::move(shown);
  judging_.ask([shown = *judgedOf_, layout = work_.layout(), routes = work_.routes()](
                   const std::atomic<bool>& stop) { return judge(shown, layout, routes, stop); });
}

// Where one reads the other way the routes are the other way round, and lead to the same.
QualityPanel::Found QualityPanel::judge(const ShownScreen& shown, const Layout& layout,
                                        const ScreenRoutes& routes, const std::atomic<bool>& stop) {
  const Screen& its = *bristle::find(shown.project, shown.screen);
  Found out{routeQuality(its, layout, routes, &stop), {}, {}, {}};
  const FontMeasure measure;
  for (const Display& display : shown.project.displays)
    for (const Language& language : shown.project.languages) {
      if (stop) return out;
      RouteMarks::Judged& judged = out.everywhere[{display.id, language.id}];
      if (display.id == layout.display && language.id == layout.language) {
        judged.quality = out.quality;
        continue;
      }
      const Layout there = layOut(shown.project, its, {display, language.id}, measure);
      ScreenRoutes others = screenRoutes(its, there);
      judged.quality = routeQuality(its, there, others, &stop);
      if (there.rightToLeft != layout.rightToLeft)
        for (auto& each : others.output.routes)
          std::swap(each[size_t(Dir::Left)], each[size_t(Dir::Right)]);
      auto moves = changedMoves(routes, others);
      judged.elsewhere = moves.size();
      std::string where = display.name;
      if (shown.project.languages.size() > 1) where += ", " + language.name;
      out.elsewhere.emplace_back(std::move(where), std::move(moves));
    }
  if (!stop) out.wonders = routeWonders(its, layout, routes, out.quality);
  return out;
}

void QualityPanel::tell(Found found) {
  found_ = std::move(found);
  const RouteQuality& q = found_.quality;
  words_->setText(
      tr("%1 buttons, %2 moves\n%3 % lead back, %4 % in a session\nFrom the start %5 steps, %6 at "
         "most\nBetween any two %7, %8 at most\nLeast possible %9")
          .arg(q.buttons)
          .arg(q.moves)
          .arg(qRound(100 * q.returning()))
          .arg(qRound(100 * q.returningWithMemory()))
          .arg(q.fromEntry.mean, 0, 'f', 1)
          .arg(q.fromEntry.most)
          .arg(q.between.mean, 0, 'f', 1)
          .arg(q.between.most)
          .arg(q.least.mean, 0, 'f', 1));
  unreachable_->setVisible(!q.unreachable.empty());
  unreachable_->setText(tr("Cannot be reached: %1").arg(q.unreachable.size()));
  traps_->setVisible(!q.traps.empty());
  traps_->setText(tr("Cannot be left again: %1").arg(q.traps.size()));
  for (Figure& figure : figures_) {
    const auto& moves = q.*(figure.moves);
    figure.button->setVisible(!moves.empty());
    figure.button->setText(figure.words.arg(moves.size()));
    figure.next = 0;
  }
  otherMoves_.clear();
  QStringList where;
  std::set<std::pair<int, Dir>> seen;  // each once, wherever it does
  for (const auto& [display, moves] : found_.elsewhere) {
    if (moves.empty()) continue;
    where << tr("%1: %2").arg(toQt(display)).arg(moves.size());
    for (const RouteMove& move : moves)
      if (seen.emplace(move.box, move.dir).second) otherMoves_.push_back(move);
  }
  nextOther_ = 0;
  elsewhere_->setVisible(!otherMoves_.empty());
  elsewhere_->setText(tr("Lead elsewhere on others: %1").arg(otherMoves_.size()));
  elsewhere_->setToolTip(where.join(QLatin1Char('\n')));
  wonder_.reset();
  showWonder();
  marks_->set(found_.everywhere);
  Q_EMIT judged(found_.quality.stepsTo);
}

void QualityPanel::goTo(Figure& figure) {
  goTo(found_.quality.*(figure.moves), figure.next);
}

// One after the other, with all of them to be seen.
void QualityPanel::goTo(const std::vector<RouteMove>& moves, size_t& next) {
  if (moves.empty()) return;
  const RouteMove move = moves[next % moves.size()];
  next = (next + 1) % moves.size();
  const auto all = moves;  // picking may judge anew
  goTo(std::vector{move.box});
  work_.pickDir(move.dir);
  Q_EMIT wantsSeen(all);
}

void QualityPanel::goTo(const std::vector<int>& boxes) {
  const Screen& screen = *work_.screen();
  std::vector<ItemId> items;
  const ScreenRoutes& routes = work_.routes();
  for (const int box : boxes)
    if (size_t(box) < routes.items.size())  // some may have gone since they were judged
      items.push_back(screen.items[size_t(routes.items[size_t(box)])]->id);
  work_.pickItems(std::move(items));
}

}  // namespace bristle
