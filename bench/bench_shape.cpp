// The Shape bench: an edit on the wall with 8 states of 10 parts, one kind's picture, a shelf of
// 200.
#include <QListWidget>
#include <QScrollBar>
#include <QThread>

#include "core/edit/state_edits.h"
#include "deliver/pictures.h"
#include "desktop/shape/ledger.h"
#include "desktop/shape/shape_bench.h"
#include "desktop/shape/wall.h"
#include "in_window.h"

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

Window* window = nullptr;

// As a scrub does it: the edit, and all of the window that it has drawn anew. Ratio: in the tiles
// painted again unchanged.
void scrubOnTheWall(benchmark::State& state) {
  Work& work = window->work();
  heavyKind(work);
  window->openBench(QStringLiteral("shape"));
  QApplication::processEvents();
  auto& ledger = static_cast<ShapeBench*>(window->bench(QStringLiteral("shape")))->ledger();
  const PropKey row{work.kind()->parts[4].id, Prop::Outset};
  double value = 0;
  const auto edit = [&] {
    value = value > -30 ? value - 1 : 0;
    (void)work.perform(setLook(work.kind()->id, {Column{}}, row, value));
  };
  const auto frame = [&] {
    edit();
    QApplication::processEvents();
  };
  bench::frames(state, frame);
  state.counters["edit_ms"] = bench::best(9, edit);
  QApplication::processEvents();
  bench::ratioTo(
      state, frame, [&] { ledger.wall().viewport()->repaint(); }, 9);
}
BENCHMARK(scrubOnTheWall)->UseManualTime()->Iterations(60)->Unit(benchmark::kMillisecond);

// Ratio: the first time in later ones.
void pictureOfAKind(benchmark::State& state) {
  const Work& work = window->work();
  const auto table = window->work().lookTable();
  LookPainter looks;
  const auto draw = [&] { bench::keep(pictureOf(*work.kind(), *table, 0, looks)); };
  const double cold = bench::once(draw);
  for (auto _ : state) draw();
  state.counters["ratio"] = cold / bench::best(20, draw);
}
BENCHMARK(pictureOfAKind)->Unit(benchmark::kMillisecond);

// A shelf of 200 kinds, with all its miniatures.
QListWidget* shelfOf200() {
  History history(emptyProject());
  for (int i = 0; i < 200; ++i)
    (void)history.perform(addKind("Kind " + std::to_string(i), Wins::Hover));
  Work& work = window->work();
  work.replace(history.now(), {}, false);
  for (int i = 0; i < 40 || work.miniatures().busy(); ++i) {
    QApplication::processEvents();
    QThread::msleep(4);
  }
  QListWidget* shelf = nullptr;
  for (auto* list : window->findChildren<QListWidget*>())
    if (list->count() == 200) shelf = list;
  return shelf;
}

void shelfScrolled(benchmark::State& state) {
  QListWidget* shelf = shelfOf200();
  int i = 0;
  bench::frames(state, [&] {
    shelf->verticalScrollBar()->setValue(shelf->verticalScrollBar()->maximum() * (i++ % 101) / 100);
    shelf->viewport()->repaint();
  });
}
BENCHMARK(shelfScrolled)->UseManualTime()->Iterations(101)->Unit(benchmark::kMillisecond);

void anotherKindPicked(benchmark::State& state) {
  QListWidget* shelf = shelfOf200();
  int at = 0;
  bench::frames(state, [&] {
    shelf->setCurrentRow(at = (at + 37) % 200);
    QApplication::processEvents();
  });
}
BENCHMARK(anotherKindPicked)->UseManualTime()->Iterations(20)->Unit(benchmark::kMillisecond);

}  // namespace

int main(int argc, char** argv) {
  return bench::runInWindow(argc, argv, [](Window& shown) { window = &shown; });
}
