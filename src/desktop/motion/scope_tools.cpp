#include "desktop/motion/scope_tools.h"

#include <QAction>
#include <QDir>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QMenu>
#include <QToolButton>
#include <QWidgetAction>

#include "core/formats/file_io.h"
#include "core/formats/score_file.h"
#include "core/formats/take_files.h"
#include "core/laws/take_score.h"
#include "desktop/motion/scope_curves.h"
#include "desktop/motion/timeline_view.h"
#include "desktop/view/takes.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "paint/hit_shape.h"

namespace bristle {
namespace {

constexpr double kSpeeds[] = {1, 0.5, 0.25};
const char* const kSpeedNames[] = {"× 1", "× ½", "× ¼"};
const QString kEnding = QStringLiteral(".scope.jsonl");
constexpr Ms kMostLength = 60'000;

}  // namespace

ScopeTools::ScopeTools(Work& work, MotionView& view, QWidget& bench)
    : work_(work), view_(view), bench_(bench) {
  auto* line = new QHBoxLayout(this);
  line->setContentsMargins(8, 4, 8, 0);
  line->setSpacing(4);
  scope_ = tool(tr("Scope"), tr("Scope: what happens to the button"));
  inState_ = tool(tr("In a state"), tr("Time line: motion while a state lasts"));
  inState_->setToolTip(tr("What moves while a state lasts"));
  for (QToolButton* b : {scope_, inState_}) b->setCheckable(true);
  connect(scope_, &QToolButton::clicked, this, [this] { turn(false); });
  connect(inState_, &QToolButton::clicked, this, [this] { turn(true); });
  line->addSpacing(8);
  play_ = tool(tr("▶"), tr("Play or pause"));
  connect(play_, &QToolButton::clicked, this, [this] { view_.setPlaying(!view_.playing()); });
  speed_ = tool(tr(kSpeedNames[0]), tr("Speed"));
  connect(speed_, &QToolButton::clicked, this, [this] {
    const auto at = std::find(std::begin(kSpeeds), std::end(kSpeeds), view_.speed());
    const auto next = size_t(at - std::begin(kSpeeds) + 1) % std::size(kSpeeds);
    view_.setSpeed(kSpeeds[next]);
    speed_->setText(tr(kSpeedNames[next]));
  });
  auto* loop = tool(tr("loop"), tr("Play again and again"));
  loop->setCheckable(true);
  loop->setChecked(true);
  connect(loop, &QToolButton::toggled, &view_, &MotionView::setLoops);
  auto* reduced = tool(tr("reduced"), tr("Reduced motion"));
  reduced->setToolTip(
      tr("Reduced motion, as those see it who asked for less motion: nothing takes time"));
  reduced->setCheckable(true);
  connect(reduced, &QToolButton::toggled, &view_, &MotionView::setReduced);
  line->addStretch();
  makeTry();
  makeTakes();
  makeCurves();
  connect(&view_, &MotionView::moved, this, &ScopeTools::refresh);
  connect(&view_, &MotionView::scoreChanged, this, &ScopeTools::refresh);
  refresh();
}

QToolButton* ScopeTools::tool(const QString& name, const QString& spoken) {
  auto* button = new QToolButton;
  button->setText(name);
  button->setAccessibleName(spoken);
  button->setFocusPolicy(Qt::StrongFocus);
  layout()->addWidget(button);
  return button;
}

QMenu* ScopeTools::menuOf(QToolButton* button) {
  button->setProperty("popup", true);
  button->setPopupMode(QToolButton::InstantPopup);
  auto* menu = new QMenu(button);
  button->setMenu(menu);
  return menu;
}

QAction* ScopeTools::command(const QString& name, std::function<void()> run) {
  return work_.commands().add(&bench_, name, {}, std::move(run));
}

// One of the two is always on, and a click on it leaves it so.
void ScopeTools::turn(bool inState) {
  view_.setInState(inState);
  refresh();
}

void ScopeTools::makeTry() {
  try_ = tool(tr("Try"), tr("What happens to the button"));
  QMenu* menu = menuOf(try_);
  for (const Preset preset : allPresets())
    menu->addAction(command(tr("Try: %1").arg(toQt(std::string(nameOf(preset)))), [this, preset] {
      view_.setInState(false);
      view_.setScore(scoreOf(preset));
      view_.setTime(0);
      view_.setPlaying(true);
    }));
  menu->addSeparator();
  menu->addAction(command(tr("Clear the scope"), [this] { view_.setScore({}); }));
  const auto longer = [this](Ms by) {
    Score score = view_.score();
    score.length = std::clamp<Ms>(score.length + by, 1000, kMostLength);
    view_.setScore(std::move(score));
  };
  menu->addAction(command(tr("A second more on the scope"), [longer] { longer(1000); }));
  menu->addAction(command(tr("A second less on the scope"), [longer] { longer(-1000); }));
}

// Those of the picked kind are listed; they are kept under its name.
void ScopeTools::makeTakes() {
  takes_ = tool(tr("Takes"), tr("Takes of the scope"));
  QMenu* menu = menuOf(takes_);
  QAction* keepOne = command(tr("Keep the scope as a take"),
                             [this] { keep(work_.kind() ? toQt(work_.kind()->name) : QString()); });
  menu->addAction(keepOne);
  connect(menu, &QMenu::aboutToShow, this, [this, menu, keepOne] {
    menu->clear();
    menu->addAction(keepOne);
    menu->addSeparator();
    const QDir folder(work_.folder() + QStringLiteral("/takes"));
    const auto files = work_.folder().isEmpty()
                           ? QStringList()
                           : folder.entryList({QStringLiteral("*") + kEnding}, QDir::Files);
    for (const QString& file : files)
      menu->addAction(file.chopped(kEnding.size()), this,
                      [this, path = folder.filePath(file)] { bring(path); });
    if (files.isEmpty()) menu->addAction(tr("none kept yet"))->setEnabled(false);
    menu->addSeparator();
    for (const QString& path : takesIn(work_.folder()))
      menu->addAction(tr("From the rehearsal “%1”")
                          .arg(QFileInfo(path).fileName().section(QLatin1Char('.'), 0, 0)),
                      this, [this, path] { bring(path); });
  });
}

void ScopeTools::makeCurves() {
  curves_ = tool(tr("Curves"), tr("Curves on the scope"));
  QMenu* menu = menuOf(curves_);
  connect(menu, &QMenu::aboutToShow, this, [this, menu] {
    menu->clear();
    const Kind* kind = work_.kind();
    const auto table = work_.lookTable();
    if (!kind || !table) return;
    auto* first =
        menu->addAction(tr("the first that move"), this, [this] { view_.setCurves(std::nullopt); });
    first->setCheckable(true);
    first->setChecked(!view_.curves());
    menu->addSeparator();
    const auto all = curvesToChoose(*table);
    for (const PropKey& key : all) {
      auto* action = menu->addAction(nameOfTrack(*kind, key), this, [this, key, all](bool on) {
        std::vector<PropKey> now = view_.curves().value_or(std::vector<PropKey>());
        std::erase(now, key);
        if (on && now.size() < kMostCurves) now.push_back(key);
        view_.setCurves(std::move(now));
      });
      action->setCheckable(true);
      action->setChecked(view_.curves() && std::find(view_.curves()->begin(), view_.curves()->end(),
                                                     key) != view_.curves()->end());
    }
    if (all.empty()) menu->addAction(tr("no number moves here"))->setEnabled(false);
  });
}

bool ScopeTools::keep(const QString& name) {
  const Kind* kind = work_.kind();
  if (!kind) return false;
  const auto refuse = [&](const QString& why) {
    work_.tell(tr("The take is not kept: %1").arg(why), true);
    return false;
  };
  const auto text = writeScore(fromQt(name), kind->id, view_.score(), work_.project());
  if (!text) return refuse(toQt(text.error().text()));
  const auto path = keepText(work_.folder(), fromQt(name), kEnding, *text);
  if (!path) return refuse(toQt(path.error().text()));
  work_.tell(tr("Kept as %1").arg(QFileInfo(*path).fileName()));
  return true;
}

// What happens to one button in a take of the menu.
bool ScopeTools::bringRehearsal(const QString& path) {
  const Kind* kind = work_.kind();
  const auto take = readTake(fromQt(path));
  if (!kind || !take) {
    if (!take) work_.tell(toQt(take.error().text()), true);
    return false;
  }
  const HitShapes hits(work_.looks().pictures());
  const ItemId picked = work_.item() ? work_.item()->id : ItemId{};
  const auto found = scoreIn(work_.project(), *take, kind->id, picked, work_.measure(), &hits);
  if (!found) {
    work_.tell(tr("%1: %2").arg(QFileInfo(path).fileName(), toQt(found.error().text())), true);
    return false;
  }
  view_.setInState(false);
  view_.setScore(found->score);
  view_.setTime(0);
  for (const auto& screen : work_.project().screens)
    if (const Item* item = findItem(*screen, found->item))
      work_.tell(
          tr("What happens to “%1” on %2.").arg(toQt(displayName(*item)), toQt(screen->name)));
  return true;
}

bool ScopeTools::bring(const QString& path) {
  if (!path.endsWith(kEnding)) return bringRehearsal(path);
  const auto text = readFile(fromQt(path), 16 << 20);
  const auto kept = text ? parseScore(*text, work_.project()) : tl::unexpected(text.error());
  if (!kept) {
    work_.tell(tr("%1, %2").arg(path, toQt(kept.error().text())), true);
    return false;
  }
  work_.pickKind(kept->kind);
  view_.setInState(false);
  view_.setScore(kept->score);
  view_.setTime(0);
  std::vector<TakeFailure> failures;
  (void)playKept(*kept, work_.project(), failures);
  if (failures.empty()) {
    work_.tell(tr("It does what it did when it was kept."));
  } else {
    work_.tell(tr("It does not do what it did: line %1 expected “%2”.")
                   .arg(failures.front().source)
                   .arg(toQt(failures.front().expected)),
               true);
  }
  return true;
}

void ScopeTools::refresh() {
  scope_->setChecked(!view_.inState());
  inState_->setChecked(view_.inState());
  play_->setText(view_.playing() ? tr("❚❚") : tr("▶"));
  for (QToolButton* b : {try_, takes_, curves_}) b->setVisible(!view_.inState());
}

}  // namespace bristle
