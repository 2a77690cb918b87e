// A rehearsal frame with 200 buttons, all in transition at once.
#include <QGuiApplication>
#include <QImage>

#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "measure.h"
#include "paint/fonts.h"
#include "paint/screen_painter.h"

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

void frame(int width, int height) {
  const Project project = twoHundred();
  const FontMeasure measure;
  auto session = Session::start(project, project.displays[0], measure);
  LookPainter looks;
  QImage image(width, height, QImage::Format_ARGB32_Premultiplied);
  const auto paint = [&] {
    QPainter painter(&image);
    painter.scale(width / 1920.0, width / 1920.0);  // as the stage does: never stretched
    paintSession(painter, looks, *session);
  };
  paint();
  Ms now = 0;
  double worst = 0, sum = 0;
  int frames = 0;
  for (int round = 0; round < 4; ++round) {
    for (ButtonRun& button : session->stack()[0].buttons)
      button.player.go(round % 2 ? 0 : 1, Timing{160, 0, {}}, now);
    for (int i = 0; i < 9; ++i) {
      now += 16;
      session->feed({now, InputType::Tick, {}, 0, 0, {}, true});
      const double ms = bench::best(1, paint);
      worst = std::max(worst, ms);
      sum += ms;
      ++frames;
    }
  }
  const double rest = bench::best(5, [&] {
    session->feed({now += 1000, InputType::Tick, {}, 0, 0, {}, true});
    paint();
  });
  std::printf(
      "frame of 200 buttons in transition at %d × %d: mean %.1f ms, worst %.1f ms; at rest %.1f "
      "ms; ratio %.2f\n",
      width, height, sum / frames, worst, rest, sum / frames / rest);
}

}  // namespace

int main(int argc, char** argv) {
  QGuiApplication app(argc, argv);
  frame(1280, 800);
  frame(1920, 1080);
}
