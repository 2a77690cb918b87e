// The Flow bench with two hundred screens: opened, moved about in, edited.
#include <QMouseEvent>

#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "desktop/flow/flow_view.h"
#include "in_window.h"

namespace {

using namespace bristle;

Window* window = nullptr;

// Two hundred screens of five buttons each: three lead deeper, one to the side, one back.
Project many() {
  constexpr int kScreens = 200;
  History history(emptyProject());
  (void)history.perform(addKind("Entry", Wins::Hover));
  for (int s = 0; s < kScreens; ++s)
    (void)history.perform(addScreen("Screen " + std::to_string(s)));
  Project p = history.now();
  const KindId kind = p.kinds[0]->id;
  std::vector<ScreenId> ids;
  for (const auto& screen : p.screens) ids.push_back(screen->id);
  for (int s = 0; s < kScreens; ++s) {
    p = *addSeries(ids[size_t(s)], kind, {"One", "Two", "Three", "Beside", "Back"}, Flow::Column,
                   60, 60)
             .apply(p);
    int button = 0;
    for (auto& item : p.screens[size_t(s)].edit().items) {
      if (!item->button()) continue;
      ButtonData& data = *item.edit().button();
      const int to = button < 3 ? s * 3 + button + 1 : button == 3 ? (s + 7) % kScreens : kScreens;
      if (to < kScreens)
        data.actions = {{.type = button == 1 ? ActionType::PutOnTop : ActionType::Open,
                         .screen = ids[size_t(to)]}};
      else
        data.actions = {{.type = ActionType::Back}};
      ++button;
    }
  }
  return p;
}

// From another bench until its first frame is there.
void open(benchmark::State& state) {
  std::vector<Project> projects;  // none the same as another: nothing of it is kept
  for (int i = 0; i < 5; ++i) projects.push_back(many());
  bench::frames(state, [&] {
    window->openBench(QStringLiteral("motion"));
    window->work().replace(projects.back(), {}, false);
    projects.pop_back();
    window->openBench(QStringLiteral("flow"));
    window->repaint();
    QApplication::processEvents();
  });
}
BENCHMARK(open)->UseManualTime()->Iterations(4)->Unit(benchmark::kMillisecond);

void send(QWidget& widget, QEvent::Type type, const QPointF& at, Qt::MouseButtons held) {
  QMouseEvent event(type, at, widget.mapToGlobal(at),
                    type == QEvent::MouseMove ? Qt::NoButton : Qt::MiddleButton, held,
                    Qt::NoModifier);
  QApplication::sendEvent(&widget, &event);
}

void settle() {
  do QApplication::processEvents();
  while (window->work().miniatures().busy());
}

// One frame while all of it is dragged about, at first as a whole, then near.
void pan(benchmark::State& state) {
  window->work().replace(many(), {}, false);
  window->openBench(QStringLiteral("flow"));
  settle();
  auto& view = *window->findChild<FlowView*>();
  view.fit();
  for (int i = 0; i < state.range(0); ++i) view.zoomBy(1.25);
  settle();
  view.repaint();
  const QPointF from(300, 300);
  send(view, QEvent::MouseButtonPress, from, Qt::MiddleButton);
  int i = 0;
  const auto frame = [&] {
    ++i;
    send(view, QEvent::MouseMove, from + QPointF(i % 90, i % 40), Qt::MiddleButton);
    QApplication::processEvents();
  };
  frame();
  bench::frames(state, frame);
  send(view, QEvent::MouseButtonRelease, from, Qt::NoButton);
}
BENCHMARK(pan)->Arg(0)->Arg(8)->UseManualTime()->Iterations(100)->Unit(benchmark::kMillisecond);

// A button leads elsewhere: until the picture shows it.
void edit(benchmark::State& state) {
  window->work().replace(many(), {}, false);
  window->openBench(QStringLiteral("flow"));
  settle();
  Work& work = window->work();
  size_t i = 0;
  bench::frames(state, [&] {
    const auto& screens = work.project().screens;
    const Screen& screen = *screens[++i % screens.size()];
    ItemId button;
    for (const auto& item : screen.items)
      if (item->button()) button = item->id;
    (void)work.perform(
        setActions(screen.id, {button},
                   {{.type = ActionType::Open, .screen = screens[(i * 31) % screens.size()]->id}}));
    QApplication::processEvents();
  });
}
BENCHMARK(edit)->UseManualTime()->Iterations(20)->Unit(benchmark::kMillisecond);

}  // namespace

int main(int argc, char** argv) {
  return bench::runInWindow(argc, argv, [](Window& shown) { window = &shown; });
}
