// The Shape bench: an edit on the wall with 8 states of 10 parts, one kind's picture, a shelf of
// 200.
#include <QApplication>
#include <QDir>
#include <QListWidget>
#include <QScrollBar>
#include <QThread>

#include "core/edit/state_edits.h"
#include "deliver/pictures.h"
#include "desktop/frame/window.h"
#include "desktop/shape/ledger.h"
#include "desktop/shape/shape_bench.h"
#include "desktop/shape/wall.h"
#include "measure.h"

namespace {

using namespace bristle;

// Ten parts, half of them with gradients and shadows of their own, and eight states.
void heavyKind(Work& work) {
  (void)work.perform(addKind("Heavy", Wins::Hover));
  const KindId kind = work.project().kinds.back()->id;
  work.pickKind(kind);
  for (int i = 0; i < 7; ++i) {
    (void)work.perform(addPart(kind, i % 3 ? PartType::Shape : PartType::Icon, "P"));
    const PartId part = work.kind()->parts.back().id;
    if (i % 3 == 0) continue;
    (void)work.perform(
        changeCells({kind},
                    {{Column{},
                      {part, Prop::Fill},
                      Fill::linear(90, {{0, {80, 160, 170, 255}}, {1, {20, 60, 70, 255}}})},
                     {Column{}, {part, Prop::Shadow}, Shadow{0, 3, 12, 0, {0, 0, 0, 120}}},
                     {Column{}, {part, Prop::InnerShadow}, Shadow{0, 2, 6, 0, {0, 0, 0, 120}}},
                     {Column{}, {part, Prop::Radius}, Four{3.0 * i, 8, 3.0 * i, 8}},
                     {Column{}, {part, Prop::Outset}, Value(-4.0 * i)}},
                    "heavy"));
  }
  for (const char* state : {"current", "visited", "locked"})
    (void)work.perform(addState(kind, state, Role::None, StateId{"hover"}));
}

}  // namespace

int main(int argc, char** argv) {
  qputenv("QT_QPA_PLATFORM", "offscreen");
  QApplication app(argc, argv);
  Window window(QDir::temp().filePath(QStringLiteral("bristle-bench.ini")));
  window.resize(1280, 800);
  window.show();
  Work& work = window.work();
  heavyKind(work);
  window.openBench(QStringLiteral("shape"));
  QApplication::processEvents();
  auto& ledger = static_cast<ShapeBench*>(window.bench(QStringLiteral("shape")))->ledger();
  const PropKey radius{work.kind()->parts[4].id, Prop::Outset};
  double value = 0;
  // As a scrub does it: the edit, and all of the window that it has drawn anew.
  const auto edit = [&] {
    value = value > -30 ? value - 1 : 0;
    (void)work.perform(setLook(work.kind()->id, {Column{}}, radius, value));
    QApplication::processEvents();
  };
  const double edits = bench::best(9, [&] {
    value = value > -30 ? value - 1 : 0;
    (void)work.perform(setLook(work.kind()->id, {Column{}}, radius, value));
  });
  double sum = 0, worst = 0;
  for (int i = 0; i < 60; ++i) {
    const double ms = bench::best(1, edit);
    sum += ms;
    worst = std::max(worst, ms);
  }
  const double still = bench::best(9, [&] { ledger.wall().viewport()->repaint(); });
  std::printf(
      "scrub on the wall, 8 states of 10 parts: mean %.1f ms, worst %.1f ms (aim 16); without "
      "painting %.1f ms; tiles painted again unchanged %.1f ms, ratio %.1f\n",
      sum / 60, worst, edits, still, sum / 60 / still);
  const LookTable& table = *work.lookTable();
  LookPainter looks;
  const double cold =
      bench::best(1, [&] { bench::keep(pictureOf(*work.kind(), table, 0, looks)); });
  const double warm =
      bench::best(20, [&] { bench::keep(pictureOf(*work.kind(), table, 0, looks)); });
  std::printf(
      "picture of a kind in one state: %.2f ms, the first time %.2f ms (aim 5); ratio %.1f\n", warm,
      cold, cold / warm);
  Project many = emptyProject();
  History history(many);
  for (int i = 0; i < 200; ++i)
    (void)history.perform(addKind("Kind " + std::to_string(i), Wins::Hover));
  work.replace(history.now(), {}, false);
  while (work.kind() == nullptr) QApplication::processEvents();
  for (int i = 0; i < 400; ++i) {
    QApplication::processEvents();
    QThread::msleep(8);
  }
  QListWidget* shelf = nullptr;
  for (auto* list : window.findChildren<QListWidget*>())
    if (list->count() == 200) shelf = list;
  if (!shelf) return 1;
  double scroll = 0;
  for (int i = 0; i <= 100; ++i) {
    shelf->verticalScrollBar()->setValue(shelf->verticalScrollBar()->maximum() * i / 100);
    scroll = std::max(scroll, bench::best(1, [&] { shelf->viewport()->repaint(); }));
  }
  const double pick = bench::best(5, [&] {
    static int at = 0;
    shelf->setCurrentRow(at = (at + 37) % 200);
    QApplication::processEvents();
  });
  std::printf(
      "shelf of 200 kinds: worst frame while scrolling %.1f ms (aim 16), picking another kind %.1f "
      "ms; ratio %.1f\n",
      scroll, pick, pick / scroll);
}
