#include "desktop/rehearse/takes_panel.h"

#include <QFileInfo>
#include <QVBoxLayout>
#include <algorithm>

#include "core/formats/file_io.h"
#include "core/formats/take_files.h"
#include "core/rehearse/reel.h"
#include "desktop/rehearse/rehearsal.h"
#include "desktop/rehearse/take_grid.h"
#include "desktop/rehearse/time_line.h"
#include "desktop/rehearse/trace_model.h"
#include "desktop/view/counted.h"
#include "desktop/view/form.h"
#include "desktop/view/takes.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/formats/take_file.h"

namespace bristle {
namespace {

const auto kTyped = [](const QString&) { return true; };
constexpr double kMostEvents = 100'000'000;

QString ofTake(const QString& path) {
  return QFileInfo(path).fileName().section(QLatin1Char('.'), 0, 0);
}

}  // namespace

TakesPanel::TakesPanel(Work& work, Rehearsal& rehearsal, TimeLine& line, TraceModel& trace,
                       QWidget* parent)
    : QWidget(parent),
      work_(work),
      rehearsal_(rehearsal),
      line_(line),
      trace_(trace),
      runner_(work) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 8);
  column->setSpacing(0);
  auto* keep = new Form;
  buildKeep(*keep);
  column->addWidget(keep);
  buildTakes(this);
  connect(&runner_, &TakeRunner::progress, this, [this](qulonglong done, qulonglong all) {
    const bool busy = runner_.busy() && done < all;
    runAll_->setText(busy ? tr("Stop (%1 of %2)").arg(done).arg(all) : tr("Run all"));
    restless_->setEnabled(!busy);
  });
  connect(&runner_, &TakeRunner::ran, this, &TakesPanel::setResults);
  connect(&runner_, &TakeRunner::visited, this, &TakesPanel::showFound);
  connect(&line, &TimeLine::cut, this, &TakesPanel::refreshWhatIsKept);
  connect(&trace, &TraceModel::expectedChanged, this, &TakesPanel::refreshWhatIsKept);
}

void TakesPanel::buildKeep(Form& form) {
  name_ = form.text(tr("Name"), kTyped);
  name_->setText(tr("take"));
  about_ = form.text(tr("About"), kTyped);
  about_->setAccessibleName(tr("What the take is for"));
  about_->setToolTip(tr("What it is for, in a sentence"));
  kept_ = form.note(QString());
  keep_ = form.button(tr("Keep this rehearsal as a take"), [this] { keep(); });
}

void TakesPanel::buildTakes(QWidget* panel) {
  auto* column = static_cast<QVBoxLayout*>(panel->layout());
  auto* heading = new Form;
  heading->heading(tr("TAKES"));
  column->addWidget(heading);
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Takes"));
  list_->setMinimumHeight(96);
  connect(list_, &QListWidget::currentRowChanged, this, [this](int row) { show(row); });
  connect(list_, &QListWidget::itemActivated, this, [this] { replayPicked(); });
  auto* inset = new QVBoxLayout;
  inset->setContentsMargins(16, 0, 16, 8);
  inset->setSpacing(8);
  inset->addWidget(list_, 1);
  grid_ = new TakeGrid;
  connect(grid_, &TakeGrid::picked, this, [this](const TakeRun& run) { open(run); });
  inset->addWidget(grid_);
  result_ = new QLabel;
  result_->setWordWrap(true);
  result_->setTextInteractionFlags(Qt::TextSelectableByMouse);
  inset->addWidget(result_);
  column->addLayout(inset, 1);
  auto* form = new Form;
  auto [replay, all] =
      form->buttons({tr("Replay the take"), tr("Replay"), [this] { replayPicked(); }},
                    {tr("Run all takes everywhere"), tr("Run all"),
                     [this] { runner_.busy() ? runner_.cancel() : runAll(); }});
  replay_ = replay;
  runAll_ = all;
  auto [accept, out] = form->buttons(
      {tr("Accept what happened as what is expected"), tr("Accept"), [this] { this->accept(); }},
      {tr("Leave this display and language out"), tr("Leave out"), [this] { leaveOut(); }});
  accept_ = accept;
  leaveOut_ = out;
  form->heading(tr("RESTLESS VISITOR"));
  events_ = form->number(tr("Events"), 1, kMostEvents, [](double) { return true; });
  events_->setText(QStringLiteral("20000"));
  seed_ = form->number(tr("Seed"), 0, 1e9, [](double) { return true; });
  seed_->setText(QStringLiteral("1"));
  restless_ =
      form->button(tr("Let a restless visitor press everything"), [this] { runRestless(); });
  restless_->setToolTip(
      tr("Random events by mouse, keys and controller: looks for where one is "
         "stuck, focus lost, two highlights, presses left, endless chains"));
  column->addWidget(form);
}

void TakesPanel::refresh() {
  const QString before = picked() ? picked()->path : QString();
  QStringList were, are = takesIn(work_.folder());
  for (const Entry& entry : takes_) were << entry.path;
  // What is still being run is told by the place in the list.
  if (were != are) forgetRuns();
  takes_.clear();
  found_.clear();
  QStringList wrong;
  for (const QString& path : are) {
    auto take = readTake(fromQt(path));
    if (take)
      takes_.push_back({path, std::move(*take)});
    else
      wrong << toQt(take.error().text());
  }
  const QSignalBlocker quiet(list_);
  list_->clear();
  int row = -1;
  for (size_t i = 0; i < takes_.size(); ++i) {
    auto* item = new QListWidgetItem(wordsOf(i), list_);
    item->setToolTip(toQt(takes_[i].take.about));
    if (takes_[i].path == before) row = int(i);
  }
  list_->setCurrentRow(row < 0 && !takes_.empty() ? 0 : row);
  show(list_->currentRow());
  if (!wrong.isEmpty()) result_->setText(wrong.join(QLatin1Char('\n')));
  refreshWhatIsKept();
}

void TakesPanel::forgetRuns() {
  if (runner_.busy()) runner_.cancel();
  runs_.clear();
}

// What would be kept just now, in words.
void TakesPanel::refreshWhatIsKept() {
  QStringList words;
  const auto expected = trace_.expected().size();
  words << (expected ? counted(qint64(expected), tr("expects the %n line marked in the trace"),
                               tr("expects the %n lines marked in the trace"))
                     : tr("expects all that happened"));
  const Ms end = rehearsal_.reel() ? rehearsal_.reel()->end() : 0;
  if (line_.from() > 0 || line_.until() < end)
    words << tr("cut to %1–%2 s")
                 .arg(double(line_.from()) / 1000, 0, 'f', 2)
                 .arg(double(std::min(line_.until(), end)) / 1000, 0, 'f', 2);
  kept_->setText(words.join(QStringLiteral("; ")));
  keep_->setEnabled(rehearsal_.running());
}

QString TakesPanel::wordsOf(size_t take) const {
  const QString name = ofTake(takes_[take].path);
  int passed = 0, all = 0;
  for (const TakeRun& run : runs_)
    if (run.take == take && run.end != TakeEnd::LeftOut) {
      ++all;
      passed += run.end == TakeEnd::Passed;
    }
  return all ? tr("%1   %2 of %3").arg(name).arg(passed).arg(all) : name;
}

TakesPanel::Entry* TakesPanel::picked() {
  const int row = list_->currentRow();
  return row >= 0 && size_t(row) < takes_.size() ? &takes_[size_t(row)] : nullptr;
}

void TakesPanel::show(int index) {
  const Entry* entry = picked();
  std::vector<TakeRun> its;
  for (const TakeRun& run : runs_)
    if (entry && run.take == size_t(index)) its.push_back(run);
  grid_->setVisible(entry);
  grid_->show(work_.project(), std::move(its));
  opened_ = {};
  replay_->setEnabled(index >= 0);
  runAll_->setEnabled(!takes_.empty());
  accept_->setEnabled(false);
  leaveOut_->setEnabled(false);
  result_->setText(entry ? toQt(entry->take.about) : QString());
}

void TakesPanel::keep() {
  if (!rehearsal_.running()) return;
  const QString wanted = name_->text().trimmed().isEmpty() ? tr("take") : name_->text().trimmed();
  const std::vector<size_t> expected(trace_.expected().begin(), trace_.expected().end());
  const auto take = rehearsal_.keep({.name = fromQt(wanted),
                                     .about = fromQt(about_->text().trimmed()),
                                     .from = line_.from(),
                                     .until = line_.until(),
                                     .expected = expected});
  if (!take) return work_.tell(tr("The take is not kept: %1").arg(toQt(take.error().reason)), true);
  const auto path = saveTake(work_.folder(), *take);
  if (!path) return work_.tell(tr("The take is not kept: %1").arg(toQt(path.error().text())), true);
  refresh();
  for (size_t i = 0; i < takes_.size(); ++i)
    if (takes_[i].path == *path) list_->setCurrentRow(int(i));
  work_.tell(tr("Kept as %1").arg(QFileInfo(*path).fileName()));
}

void TakesPanel::replay(const Take& take) {
  Q_EMIT replays();
  if (!rehearsal_.replay(take))
    return result_->setText(tr("The take can’t be played: %1").arg(rehearsal_.problem()));
  Q_EMIT replays();
  if (rehearsal_.replaying())
    result_->setText(tr("Replaying…"));
  else
    told();
}

void TakesPanel::replayPicked() {
  if (const auto found = found_.find(list_->currentRow()); found != found_.end())
    return replay(found->second);
  if (const Entry* entry = picked()) replay(entry->take);
}

// Expected and happened, side by side.
void TakesPanel::told() {
  const auto& failures = rehearsal_.failures();
  // Elsewhere than where it was recorded it is left out rather than accepted.
  const Entry* entry = picked();
  accept_->setEnabled(entry && !failures.empty() && isItsOwn(entry->take));
  if (!rehearsal_.stopped().isEmpty())
    return result_->setText(tr("The take failed: %1").arg(rehearsal_.stopped()));
  if (failures.empty()) return result_->setText(tr("The take passed: all came as expected."));
  const TakeFailure& first = failures.front();
  QStringList happened;
  for (size_t i = 0; i < first.happened.size() && i < 4; ++i) happened << toQt(first.happened[i]);
  result_->setText(
      counted(qint64(failures.size()),
              tr("The take failed once. Line %1 expected “%2”; happened: %3"),
              tr("The take failed %n times. First, line %1 expected “%2”; happened: %3"))
          .arg(first.source)
          .arg(toQt(first.expected))
          .arg(happened.isEmpty() ? tr("nothing") : happened.join(QStringLiteral("; "))));
}

// Whether what runs is on the take's own display and in its language.
bool TakesPanel::isItsOwn(const Take& take) const {
  const Session* session = rehearsal_.session();
  const auto own = showingOf(work_.project(), take.display, take.language);
  return session && own && session->display().id == own->display.id &&
         session->language() == own->language;
}

void TakesPanel::open(const TakeRun& run) {
  const Entry* entry = picked();
  if (!entry) return;
  Take take = entry->take;
  take.display = run.display;
  take.language = run.language;
  replay(take);
  opened_ = run;
  leaveOut_->setEnabled(true);
}

void TakesPanel::runAll() {
  std::vector<Take> takes;
  for (const Entry& entry : takes_) takes.push_back(entry.take);
  if (!takes.empty()) runner_.run(std::move(takes));
}

void TakesPanel::setResults(const std::vector<TakeRun>& runs) {
  runs_ = runs;
  const auto failed = std::count_if(runs.begin(), runs.end(), [](const TakeRun& r) {
    return r.end == TakeEnd::Failed || r.end == TakeEnd::Stopped;
  });
  const int row = list_->currentRow();
  for (size_t i = 0; i < takes_.size(); ++i) list_->item(int(i))->setText(wordsOf(i));
  show(row);
  const auto out = std::count_if(runs.begin(), runs.end(),
                                 [](const TakeRun& r) { return r.end == TakeEnd::LeftOut; });
  const QString all = out ? counted(out, tr("All takes passed; %n run is left out."),
                                    tr("All takes passed; %n runs are left out."))
                          : tr("All takes passed everywhere.");
  result_->setText(failed ? counted(failed,
                                    tr("%n run did not pass; pick the crossed cell to see where"),
                                    tr("%n runs did not pass; pick a crossed cell to see where"))
                          : all);
}

void TakesPanel::write(const Take& take) {
  Entry* entry = picked();
  if (const auto written = writeFile(fromQt(entry->path), writeTake(take)); !written)
    return work_.tell(toQt(written.error().text()), true);
  forgetRuns();
  refresh();
}

void TakesPanel::accept() {
  Entry* entry = picked();
  if (!entry) return;
  Take take = entry->take;
  const auto accepted = rehearsal_.accepted(take);
  if (!accepted) return work_.tell(toQt(accepted.error().text()), true);
  write(*accepted);
  work_.tell(tr("%1 expects what happens now").arg(QFileInfo(entry->path).fileName()));
}

// Where the take is not meant for: a display as a whole, unless that is its own.
void TakesPanel::leaveOut() {
  Entry* entry = picked();
  if (!entry || !opened_.display) return;
  Take take = entry->take;
  const auto own = showingOf(work_.project(), take.display, take.language);
  if (own && opened_.display == own->display.id)
    take.notIn.push_back(opened_.language);
  else
    take.notOn.push_back(opened_.display);
  write(take);
}

void TakesPanel::runRestless() {
  runner_.visit(static_cast<std::uint64_t>(events_->text().toDouble()),
                static_cast<std::uint64_t>(seed_->text().toDouble()));
  result_->setText(tr("Pressing everything…"));
}

void TakesPanel::showFound(const Restless& all) {
  refresh();
  if (all.events == 0) return result_->setText(tr("The menu cannot be run."));
  for (const Found& found : all.found) {
    const Project& project = work_.project();
    QString where = toQt(found.screen.text);
    if (const Screen* screen = bristle::find(project, found.screen)) {
      where = toQt(screen->name);
      if (const Item* item = found.item ? findItem(*screen, found.item) : nullptr)
        where = tr("%1 on %2").arg(toQt(displayName(*item)), where);
    }
    found_[list_->count()] = found.take;
    auto* item = new QListWidgetItem(
        tr("%1: %2").arg(where, toQt(std::string(nameOf(found.trouble)))), list_);
    item->setToolTip(toQt(std::string(wordsFor(found.trouble))));
  }
  result_->setText(all.found.empty()
                       ? tr("%1 events: nothing found.").arg(all.events)
                       : counted(qint64(all.found.size()),
                                 tr("%1 events: %n found, with the shortest take that shows it: "
                                    "replay it to look."),
                                 tr("%1 events: %n found, each with the shortest take that shows "
                                    "it: replay it to look."))
                             .arg(all.events));
  if (!all.found.empty()) list_->setCurrentRow(found_.begin()->first);
}

}  // namespace bristle
