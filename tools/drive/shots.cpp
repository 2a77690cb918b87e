#include "drive/shots.h"
#include "core/rehearse/reel.h"
#include "desktop/rehearse/rehearsal.h"

#include <QAbstractButton>
#include <QAction>
#include <QApplication>
#include <QDir>
#include <QTest>

#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "core/edit/templates.h"
#include "core/formats/words.h"
#include "desktop/benches.h"
#include "desktop/deliver/deliver_bench.h"
#include "desktop/deliver/made_files.h"
#include "desktop/derive/findings_watch.h"
#include "desktop/frame/window.h"
#include "desktop/motion/law_watch.h"
#include "desktop/motion/laws_panel.h"
#include "desktop/motion/motion_bench.h"
#include "desktop/motion/motion_view.h"
#include "desktop/rehearse/rehearse_bench.h"
#include "desktop/work/theme.h"
#include "drive/picture.h"

namespace bristle {
namespace {

// What is found stands on many views.
void waitForFindings(Work& work) {
  (void)QTest::qWaitFor([&] { return !work.findings().busy(); }, 60'000);
}

// The demos have no findings: some are planted, for this picture only.
void plantFaults(Work& work) {
  const Screen& screen = *work.project().screens[0];
  std::vector<ItemId> buttons;
  for (const auto& item : screen.items)
    if (item->button() && !isStill(work.project(), *item)) buttons.push_back(item->id);
  if (buttons.size() < 3) return;
  const auto change = [&](size_t i, std::function<void(ButtonData&)> how) {
    (void)work.perform(changeItems(screen.id, {buttons[i]}, "plant", {},
                                   [how](Item& item) { how(*item.button()); }));
  };
  change(0,
         [](ButtonData& b) { b.caption = "Take the helm and go down to the bottom of the sea"; });
  change(1, [](ButtonData& b) { b.caption = "Button 2"; });
  change(2, [](ButtonData& b) { b.actions.clear(); });
  const Kind& kind = *work.project().kinds[0];
  for (const Part& part : kind.parts)
    if (part.type == PartType::Label)
      (void)work.perform(
          setLook(kind.id, {Column{}}, {part.id, Prop::Colour}, Colour{128, 140, 142, 255}));
  waitForFindings(work);
  for (const Finding& f : work.findings().now().open)
    if (f.rule == "contrast") return work.findings().pick(f.key);
}

// Something picked on every bench, as a person at work would have it.
void prepare(Window& window, const QString& bench) {
  Work& work = window.work();
  const Project& p = work.project();
  if (bench == QLatin1String("motion"))
    if (auto* motion = dynamic_cast<MotionBench*>(window.bench(bench))) {
      motion->view().pickState({"hover"});
      motion->view().setTime(620);
      (void)QTest::qWaitFor([&] { return motion->laws().now() != nullptr; });
      return;
    }
  if (bench == QLatin1String("shape")) {
    work.pickColumns({StateId{"hover"}}, work.picked().property);
    return;
  }
  if (bench == QLatin1String("flow")) {
    work.pickScreen(p.first);
    for (const auto& item : work.screen()->items)
      if (item->button() && !item->button()->actions.empty() && item->button()->actions[0].leads())
        return work.pickItems({item->id});
    return;
  }
  if (bench == QLatin1String("findings")) return plantFaults(work);
  if (bench == QLatin1String("deliver"))
    if (auto* deliver = dynamic_cast<DeliverBench*>(window.bench(bench))) {
      if (p.deliveries.size() > 1) deliver->pick(p.deliveries[1].id);
      (void)QTest::qWaitFor([&] { return !deliver->busy(); }, 60'000);
      return deliver->files().pick(QStringLiteral("sheets/sheet-1.png"));
    }
  // The screen with the most on it shows the most.
  const Screen* fullest = nullptr;
  for (const auto& screen : p.screens)
    if (!fullest || screen->items.size() > fullest->items.size()) fullest = &*screen;
  if (!fullest) return;
  work.pickScreen(fullest->id);
  const Screen& screen = *work.screen();
  std::vector<ItemId> buttons;
  for (const auto& item : screen.items)
    if (item->button()) buttons.push_back(item->id);
  if (!buttons.empty()) work.pickItems({buttons[buttons.size() / 2]});
  if (bench == QLatin1String("rehearse"))
    if (auto* rehearse = dynamic_cast<RehearseBench*>(window.bench(bench))) {
      for (const bool down : {true, false}) {
        InputEvent e{0, InputType::Move, Device::Controller, 0, 0, Dir::Down, down};
        rehearse->rehearsal().send(e);
      }
      QTest::qWait(400);
    }
}

// The time line of a state that moves, and a template before it is applied.
bool motionShots(Window& window, const QString& folder) {
  window.openBench(QStringLiteral("motion"));
  auto* motion = dynamic_cast<MotionBench*>(window.bench(QStringLiteral("motion")));
  if (!motion) return false;
  motion->view().pickState({"focused"});
  motion->view().setInState(true);
  motion->view().pickFrame(0, 1);
  motion->view().setTime(760);
  QTest::qWait(200);
  const bool line = savePicture(window, folder + QStringLiteral("/motion-in-state.png"));
  motion->view().setInState(false);
  motion->showTemplate(Template::HoldToConfirm);
  QTest::qWait(1500);  // until both sides' laws are checked
  const bool page = savePicture(window, folder + QStringLiteral("/motion-template.png"));
  motion->leave();
  return line && page;
}

void trigger(Window& window, const QKeySequence& keys) {
  for (QAction* action : window.allCommands())
    if (action->shortcut() == keys) action->trigger();
}

// What keys and controller buttons do.
bool keysShot(Window& window, const QString& folder) {
  window.openBench(QStringLiteral("route"));
  auto* keys = window.findChild<QAbstractButton*>(QStringLiteral("keys"));
  if (!keys) return false;
  keys->click();
  QTest::qWait(600);
  const bool done = savePicture(window, folder + QStringLiteral("/route-keys.png"));
  keys->click();
  return done;
}

// The words of all screens, in the project's language and the pretend one.
bool wordsShot(Window& window, const QString& folder) {
  window.openBench(QStringLiteral("place"));
  window.work().pickItems({});
  if (!window.work().perform(pretendLanguage())) return false;
  trigger(window, QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_L));
  QTest::qWait(600);
  const bool done = savePicture(window, folder + QStringLiteral("/place-words.png"));
  window.work().undo();
  return done;
}

}  // namespace

int makeShot(Window& window, const QString& bench, const QString& file) {
  window.resize(1280, 800);
  if (!QTest::qWaitForWindowExposed(&window) || !window.bench(bench)) return 2;
  window.openBench(bench);
  prepare(window, bench);
  QTest::qWait(1500);  // until the miniatures have come
  return savePicture(window, file) ? 0 : 2;
}

int makeShots(Window& window, const QString& folder) {
  QDir().mkpath(folder);
  window.resize(1280, 800);
  if (!QTest::qWaitForWindowExposed(&window)) return 2;
  window.openBench(QStringLiteral("place"));
  trigger(window, QKeySequence(Qt::CTRL | Qt::Key_T));  // the tree beside the canvas
  for (const bool dark : {false, true}) {
    applyTheme(window, dark ? Theme::darkOne() : Theme::light());
    for (const BenchInfo& info : benches()) {
      const QString id = QString::fromLatin1(info.id);
      static const QStringList kAlsoDark{"shape", "motion", "route", "flow"};
      if (dark && !kAlsoDark.contains(id)) continue;
      window.openBench(id);
      prepare(window, id);
      waitForFindings(window.work());
      QTest::qWait(400);
      const QString file = folder + QLatin1Char('/') + id + (dark ? "-dark.png" : ".png");
      if (!savePicture(window, file)) return 2;
      if (id == QLatin1String("findings"))
        for (int i = 0; i < 4; ++i) window.work().undo();
    }
  }
  applyTheme(window, Theme::light());
  waitForFindings(window.work());
  if (!motionShots(window, folder)) return 2;
  // What the store of kinds looks like, once.
  window.openBench(QStringLiteral("shape"));
  trigger(window, QKeySequence(Qt::CTRL | Qt::Key_K));
  QTest::qWait(2000);  // the pictures of the kinds come one after another
  if (!savePicture(window, folder + QStringLiteral("/ready-made.png"))) return 2;
  return keysShot(window, folder) && wordsShot(window, folder) ? 0 : 2;
}

}  // namespace bristle
