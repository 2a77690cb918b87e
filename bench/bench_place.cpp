// The Place bench: a button dragged among many, a screen of 10,000 that is opened.
#include <QElapsedTimer>
#include <QMouseEvent>
#include <algorithm>

#include "core/edit/display_edits.h"
#include "core/edit/kind_edits.h"
#include "core/edit/language_edits.h"
#include "core/edit/screen_edits.h"
#include "desktop/derive/place_watch.h"
#include "desktop/place/canvas.h"
#include "desktop/route/route_view.h"
#include "in_window.h"

namespace {

using namespace bristle;

Window* window = nullptr;

// So many buttons, 25 to a row.
Project many(int count) {
  History history(emptyProject());
  (void)history.perform(addKind("Entry", Wins::Hover));
  (void)history.perform(resizeKind(history.now().kinds[0]->id, 60, 34));
  (void)history.perform(addScreen("Screen"));
  std::vector<std::string> captions(size_t(count), "Dive");
  Project p = history.now();
  const ScreenId screen = p.screens[0]->id;
  p = *addSeries(screen, p.kinds[0]->id, captions, Flow::Column, 0, 0).apply(p);
  Screen& s = *edit(p, screen);
  std::erase_if(s.items, [](const auto& item) { return item->container(); });
  for (size_t i = 0; i < s.items.size(); ++i) {
    Item& item = s.items[i].edit();
    item.parent = {};
    item.place.x.offset = 20 + double(i % 25) * 75;
    item.place.y.offset = 20 + double(i / 25) * 50;
  }
  return p;
}

void send(QWidget& widget, QEvent::Type type, const QPointF& at, Qt::MouseButtons held) {
  QMouseEvent event(type, at, widget.mapToGlobal(at),
                    type == QEvent::MouseMove ? Qt::NoButton : Qt::LeftButton, held,
                    Qt::NoModifier);
  QApplication::sendEvent(&widget, &event);
}

// That many things, the one at the pointer among them.
void pick(int count) {
  const Screen& screen = *window->work().screen();
  std::vector<ItemId> items;
  const size_t all = screen.items.size();
  for (size_t i = 137 % all; items.size() < size_t(count); i = (i + 7) % all)
    items.push_back(screen.items[i]->id);
  window->work().pickItems(std::move(items));
}

// One frame: the mouse moves, it snaps, the edit is made, all that it touches is painted. Ratio: in
// painting the canvas again unchanged.
void dragAmong(benchmark::State& state) {
  window->work().replace(many(static_cast<int>(state.range(0))), {}, false);
  window->openBench(QStringLiteral("place"));
  for (int i = 0; i < 50; ++i) QApplication::processEvents();
  auto& canvas = *window->findChild<Canvas*>();
  pick(static_cast<int>(state.range(1)));
  canvas.repaint();
  const QPointF from = canvas.toWidget(QPointF(20 + 12 * 75 + 20, 20 + 5 * 50 + 12));
  send(canvas, QEvent::MouseButtonPress, from, Qt::LeftButton);
  int i = 0;
  const auto frame = [&] {
    ++i;
    send(canvas, QEvent::MouseMove, from + QPointF(10 + i % 90, 6 + i % 40), Qt::LeftButton);
    QApplication::processEvents();
  };
  frame();
  bench::frames(state, frame);
  bench::ratioTo(
      state, frame, [&] { canvas.repaint(); }, 9);
  send(canvas, QEvent::MouseButtonRelease, from, Qt::NoButton);
}
BENCHMARK(dragAmong)
    ->Args({50, 1})
    ->Args({500, 1})
    ->Args({2000, 1})
    ->Args({2000, 200})
    ->Args({10000, 1})
    ->UseManualTime()
    ->Iterations(120)
    ->Unit(benchmark::kMillisecond);

// The same with the routes of what is dragged drawn, solved anew in each frame.
void dragWithRoutes(benchmark::State& state) {
  window->openBench(QStringLiteral("place"));
  auto& canvas = *window->findChild<Canvas*>();
  Canvas::Aids aids = canvas.aids();
  aids.routes = true;
  canvas.setAids(aids);
  dragAmong(state);
  aids.routes = false;
  canvas.setAids(aids);
}
BENCHMARK(dragWithRoutes)
    ->Args({50, 1})
    ->Args({1000, 1})
    ->UseManualTime()
    ->Iterations(120)
    ->Unit(benchmark::kMillisecond);

// One frame of the Route bench with all routes drawn and nothing picked. Ratio: in the canvas of
// Place with the same buttons.
void allRoutesPainted(benchmark::State& state) {
  window->work().replace(many(static_cast<int>(state.range(0))), {}, false);
  window->openBench(QStringLiteral("place"));  // so that there is its canvas
  window->openBench(QStringLiteral("route"));
  for (int i = 0; i < 50; ++i) QApplication::processEvents();
  auto& view = *window->findChild<RouteView*>();
  auto& canvas = *window->findChild<Canvas*>();
  window->work().pickItems({});
  const auto frame = [&] { view.repaint(); };
  frame();
  while (view.busy()) QApplication::processEvents();
  bench::frames(state, frame);
  bench::ratioTo(
      state, frame, [&] { canvas.grab(); }, 9);
}
BENCHMARK(allRoutesPainted)
    ->Arg(50)
    ->Arg(100)
    ->Arg(1000)
    ->UseManualTime()
    ->Iterations(40)
    ->Unit(benchmark::kMillisecond);

// Six displays, each in three languages.
Project manyShowings(int buttons) {
  Project p = many(buttons);
  for (int i = int(p.displays.size()); i < 6; ++i) p = *addDisplay("Display").apply(p);
  for (size_t i = 0; i < p.displays.size(); ++i) p.displays[i].width = 1280 + 160 * double(i);
  for (const char* tag : {"de", "ar"}) p = *addLanguage(tag, tag).apply(p);
  return p;
}

// From the end of an edit until every picture of the strip, and what is wrong on it, is there; the
// second figure is the longest that the interface stood still meanwhile. Ratio: in laying the
// screen out for all of them.
void stripAfterEdit(benchmark::State& state) {
  window->work().replace(manyShowings(static_cast<int>(state.range(0))), {}, false);
  window->openBench(QStringLiteral("place"));
  Work& work = window->work();
  auto& watch = *window->findChild<PlaceWatch*>();
  const auto settle = [&] {
    double longest = 0;
    QElapsedTimer step;
    do {
      step.start();
      QApplication::processEvents();
      longest = std::max(longest, double(step.nsecsElapsed()) / 1e6);
    } while (watch.busy() || work.miniatures().busy());
    return longest;
  };
  settle();
  double longest = 0;
  int i = 0;
  const auto edited = [&] {
    const Screen& screen = *work.screen();
    (void)work.perform(changeItems(screen.id, {screen.items[size_t(++i) % screen.items.size()]->id},
                                   "move", {}, [](Item& item) { item.place.x.offset += 3; }));
    longest = std::max(longest, settle());
  };
  bench::frames(state, edited);
  state.counters["longest_halt_ms"] = longest;
  bench::ratioTo(
      state, edited,
      [&] {
        for (const bristle::Display& display : work.project().displays)
          for (const Language& language : work.project().languages)
            bench::keep(
                layOut(work.project(), *work.screen(), {display, language.id}, work.measure()));
      },
      5);
}
BENCHMARK(stripAfterEdit)
    ->Arg(50)
    ->Arg(300)
    ->UseManualTime()
    ->Iterations(20)
    ->Unit(benchmark::kMillisecond);

// From the project to the first frame, on each bench that shows a screen.
void firstFrame(benchmark::State& state) {
  constexpr const char* kBenches[] = {"shape", "place", "route"};
  std::vector<Project> projects;  // none the same as another: nothing of it is kept
  for (int i = 0; i < 4; ++i) projects.push_back(many(10000));
  window->openBench(QString::fromLatin1(kBenches[state.range(0)]));
  bench::frames(state, [&] {
    window->work().replace(projects.back(), {}, false);
    projects.pop_back();
    window->repaint();
    QApplication::processEvents();
  });
  state.SetLabel(kBenches[state.range(0)]);
}
BENCHMARK(firstFrame)
    ->DenseRange(0, 2)
    ->UseManualTime()
    ->Iterations(4)
    ->Unit(benchmark::kMillisecond);

}  // namespace

int main(int argc, char** argv) {
  return bench::runInWindow(argc, argv, [](Window& shown) { window = &shown; });
}
