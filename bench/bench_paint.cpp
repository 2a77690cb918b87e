// A rehearsal frame with 200 buttons, all in transition at once.
#include <QGuiApplication>
#include <QImage>

#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "measure.h"
#include "paint/fonts.h"
#include "paint/screen_painter.h"
#include "runtime/session/session.h"

namespace {

using namespace bristle;

Project twoHundred() {
  History history(emptyProject());
  (void)history.perform(addKind("Entry", Wins::Hover));
  const KindId kind = history.now().kinds[0]->id;
  (void)history.perform(resizeKind(kind, 160, 40));
  const PartId plate = history.now().kinds[0]->parts[0].id;
  (void)history.perform(
      setLook(kind, {StateId{"hover"}}, {plate, Prop::Fill},
              Fill::linear(90, {{0, {80, 160, 170, 255}}, {1, {20, 60, 70, 255}}})));
  (void)history.perform(
      setLook(kind, {Column{}}, {plate, Prop::Shadow}, Shadow{0, 3, 8, 0, {0, 0, 0, 120}}));
  (void)history.perform(addScreen("Screen"));
  const ScreenId screen = history.now().screens[0]->id;
  for (int i = 0; i < 200; ++i)
    (void)history.perform(
        addButton(screen, kind, "Button", 30 + (i % 10) * 186, 30 + (i / 10) * 52));
  return history.now();
}

// Every nine frames all turn round. Ratio: ours in a frame at rest.
void frameOf200InTransition(benchmark::State& state) {
  const int width = static_cast<int>(state.range(0)), height = static_cast<int>(state.range(1));
  const Project project = twoHundred();
  const FontMeasure measure;
  auto session = Session::start(project, project.displays[0], measure);
  LookPainter looks;
  QImage image(width, height, QImage::Format_ARGB32_Premultiplied);
  const auto paint = [&] {
    QPainter painter(&image);
    painter.scale(width / 1920.0, width / 1920.0);  // as the rehearsal does: never stretched
    paintSession(painter, looks, *session);
  };
  paint();
  Ms now = 0;
  int frame = 0;
  bench::frames(state, [&] {
    if (frame % 9 == 0)
      for (ButtonRun& button : session->stack()[0].buttons)
        button.player.go(frame / 9 % 2 ? 0 : 1, Timing{160, 0, {}}, now);
    ++frame;
    now += 16;
    session->feed({.at = now, .type = InputType::Tick});
    paint();
  });
  const double moving = bench::once(paint);
  session->feed({.at = now += 1000, .type = InputType::Tick});
  state.counters["ratio"] = moving / bench::best(5, paint);
}
BENCHMARK(frameOf200InTransition)
    ->Args({1280, 800})
    ->Args({1920, 1080})
    ->UseManualTime()
    ->Iterations(72)
    ->Unit(benchmark::kMillisecond);

}  // namespace

int main(int argc, char** argv) {
  QGuiApplication app(argc, argv);
  benchmark::Initialize(&argc, argv);
  benchmark::RunSpecifiedBenchmarks();
}
