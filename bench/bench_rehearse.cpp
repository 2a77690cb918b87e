// Going back in a long rehearsal, the restless visitor, all takes everywhere, and a change of two
// large screens with blur.
#include <QGuiApplication>
#include <QImage>

#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "core/formats/file_io.h"
#include "core/formats/take_files.h"
#include "core/rehearse/reel.h"
#include "core/rehearse/restless.h"
#include "core/rehearse/take_runs.h"
#include "everywhere.h"
#include "measure.h"
#include "paint/fonts.h"
#include "paint/kept_layers.h"
#include "paint/screen_painter.h"
#include "runtime/formats/project_file.h"

namespace {

using namespace bristle;

std::string dataFolder() {
  return std::string(BRISTLE_SOURCE) + "/data/";
}

Project opened(const std::string& file) {
  return parseProject(*readFile(dataFolder() + file))->project;
}

Session begun(const Project& project) {
  static const FontMeasure measure;
  return std::move(*Session::start(project, project.displays[0], measure));
}

constexpr Ms kTenMinutes = 600'000;

// Four presses a second for ten minutes.
Reel longReel(const Project& project) {
  Reel reel(begun(project));
  for (Ms at = 250; at < kTenMinutes; at += 250) {
    const auto step = at / 250;
    InputEvent e;
    e.at = at;
    e.type = step % 9 == 8     ? InputType::Accept
             : step % 31 == 30 ? InputType::Cancel
                               : InputType::Move;
    e.dir = kDirs[static_cast<size_t>(step / 2 % 4)];
    e.down = true;
    reel.feed(e);
    e.at += 100;
    e.down = false;
    reel.feed(e);
  }
  return reel;
}

// To any moment. Ratio: done again from the begin.
void seekIn10Minutes(benchmark::State& state) {
  const Project project = opened("demo/saltglass-deep.bristle");
  Reel reel = longReel(project);
  const auto at = [&](int i) { return Ms(i) * 7'919'000 % reel.end(); };
  int i = 0;
  bench::frames(state, [&] { reel.seek(at(++i)); });
  const auto plain = [&] {
    Session session = reel.begun();
    for (const InputEvent& e : reel.fed()) {
      if (e.at > reel.end() / 2) break;
      session.feed(e);
    }
  };
  bench::ratioTo(state, plain, [&] { reel.seek(reel.end() / 2); });
}
BENCHMARK(seekIn10Minutes)->Unit(benchmark::kMillisecond);

// Events each second, with all that is looked for after each.
void restlessVisitor(benchmark::State& state) {
  const Project project = opened("demo/saltglass-deep.bristle");
  const Session session = begun(project);
  std::uint64_t seed = 1, events = 0;
  for (auto _ : state) events += visit(session, 20'000, seed++).events;
  state.counters["events/s"] =
      benchmark::Counter(static_cast<double>(events), benchmark::Counter::kIsRate);
}
BENCHMARK(restlessVisitor)->Unit(benchmark::kMillisecond);

// Both demos, on six displays in three languages.
void allTakes(benchmark::State& state) {
  const FontMeasure measure;
  struct Demo {
    Project project;
    std::vector<Take> takes;
  };
  std::vector<Demo> demos;
  for (const auto& [folder, file] :
       {std::pair("demo", "saltglass-deep"), std::pair("glasshouse", "fernhollow-glasshouse")}) {
    Demo demo{opened(std::string(folder) + "/" + file + ".bristle"), {}};
    for (const std::string& path : takeFilesIn(dataFolder() + folder))
      demo.takes.push_back(*readTake(path));
    everywhere(demo.project);
    demos.push_back(std::move(demo));
  }
  double runsDone = 0;
  for (auto _ : state)
    for (const Demo& demo : demos)
      for (TakeRun& each : runsOf(demo.project, demo.takes)) {
        run(each, demo.project, demo.takes[each.take], measure);
        ++runsDone;
      }
  state.counters["runs/s"] = benchmark::Counter(runsDone, benchmark::Counter::kIsRate);
}
BENCHMARK(allTakes)->Unit(benchmark::kMillisecond)->Iterations(1);

// Two screens of a hundred buttons each, the upper one over a blurred lower one.
Project hundreds() {
  History history(emptyProject());
  (void)history.perform(addKind("Entry", Wins::Hover));
  const KindId kind = history.now().kinds[0]->id;
  (void)history.perform(resizeKind(kind, 160, 40));
  for (const char* name : {"Lower", "Upper"}) {
    (void)history.perform(addScreen(name));
    const ScreenId screen = history.now().screens.back()->id;
    for (int i = 0; i < 100; ++i)
      (void)history.perform(
          addButton(screen, kind, "Button", 30 + (i % 10) * 186, 30 + (i / 10) * 100));
  }
  Project project = history.now();
  Screen& upper = project.screens[1].edit();
  upper.comes = {ScreenMotionForm::Fade, 960, {}};
  upper.goes = upper.comes;
  upper.blurBelow = 12;
  upper.dimBelow = 0.4;
  edit(project.screens[0].edit(), project.screens[0]->items[0]->id)->button()->actions = {
      {.type = ActionType::PutOnTop, .screen = upper.id}};
  return project;
}

// Frame by frame until it is there. Ratio: painted without what is kept between frames.
void changeOfTwoHundreds(benchmark::State& state) {
  const Project project = hundreds();
  Session session = begun(project);
  LookPainter looks;
  QImage image(1280, 720, QImage::Format_ARGB32_Premultiplied);
  KeptLayers kept;
  const auto paint = [&] {
    QPainter painter(&image);
    painter.scale(1280 / 1920.0, 1280 / 1920.0);
    paintSession(painter, looks, session, {}, &kept);
  };
  const auto plain = [&] {
    QPainter painter(&image);
    painter.scale(1280 / 1920.0, 1280 / 1920.0);
    paintSession(painter, looks, session);
  };
  // As a person has it: the lower one is there before somebody presses something on it.
  paint();
  session.feed({.at = 100, .type = InputType::Accept});
  paint();
  session.feed({.at = 200, .type = InputType::Accept, .down = false});
  Ms now = 184;  // the first frame is the one right after the press
  bench::frames(state, [&] {
    session.feed({.at = now += 16});
    paint();
  });
  session.feed({.at = now += 16, .type = InputType::Cancel});
  bench::ratioTo(
      state, [&] { plain(); }, [&] { paint(); });
}
BENCHMARK(changeOfTwoHundreds)->Unit(benchmark::kMillisecond)->Iterations(60);

}  // namespace

int main(int argc, char** argv) {
  qputenv("QT_QPA_PLATFORM", "offscreen");
  QGuiApplication app(argc, argv);
  benchmark::Initialize(&argc, argv);
  benchmark::RunSpecifiedBenchmarks();
  return 0;
}
