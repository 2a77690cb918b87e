#include <CLI/CLI.hpp>
#include <cmath>

#include "command/command.h"
#include "command/graphics.h"
#include "core/formats/file_io.h"
#include "deliver/pictures.h"
#include "paint/convert.h"
#include "paint/fonts.h"
#include "paint/screen_painter.h"
#include "runtime/layout/layout.h"

namespace bristle {
namespace {

struct Options {
  std::string project, screen, kind, state, display, language, out;
  bool allowMissing = false;
};

Result<QImage> screenPicture(const Project& project, const Options& o, LookPainter& looks) {
  const ScreenId id = o.screen.empty() ? project.first : ScreenId{o.screen};
  const Screen* screen = find(project, id);
  if (!screen) return fail(o.project, "no screen “" + id.text + "”");
  const auto showing = showingOf(project, {o.display}, {o.language});
  if (!showing) return fail(o.project, showing.error().reason);
  const Display* display = &showing->display;
  const FontMeasure measure;
  auto image = canvasOf(QSizeF(std::round(display->width), std::round(display->height)),
                        "display “" + display->name + "”");
  if (!image) return image;
  image->fill(Qt::black);
  QPainter painter(&*image);
  painter.scale(display->scale, display->scale);
  LookTables tables;
  paintScreen(painter, looks, tables, project, *screen,
              layOut(project, *screen, *showing, measure));
  return image;
}

Result<QImage> kindPicture(const Project& project, const Options& o, LookPainter& looks) {
  const Kind* kind = find(project, KindId{o.kind});
  if (!kind) return fail(o.project, "no kind “" + o.kind + "”");
  const Machine* machine = find(project, kind->machine);
  if (!machine) return fail(o.project, "the kind's machine is not there");
  for (size_t i = 0; i < machine->states.size(); ++i)
    if (o.state.empty() || machine->states[i].id.text == o.state)
      return pictureOf(*kind, LookTable(*kind, *machine, naming(project)),
                       static_cast<StateIndex>(i), looks);
  return fail(o.project, "no state “" + o.state + "”");
}

int run(const Options& o, Streams s) {
  Project project;
  if (!openProject(o.project, project, s)) return kUnusable;
  const Graphics graphics(o.project);
  LookPainter looks;
  looks.pictures().setFolder(folderOf(o.project));
  const auto image =
      o.kind.empty() ? screenPicture(project, o, looks) : kindPicture(project, o, looks);
  if (!image) return tell(s, image.error());
  if (auto missing = missingIn(looks.pictures().takeProblems()); missing && !o.allowMissing)
    return tellMissing(s, *missing);
  const auto bytes = pngOf(*image, o.out);
  if (!bytes) return tell(s, bytes.error());
  if (auto written = writeFile(o.out, *bytes); !written) return tell(s, written.error());
  s.out << o.out << "\n";
  return kFine;
}

}  // namespace

Subcommand addPicture(CLI::App& app) {
  auto o = std::make_shared<Options>();
  CLI::App* sub =
      app.add_subcommand("picture", "Draws a screen, or a kind in a state, as a picture");
  sub->add_option("project", o->project, "A .bristle file")->required();
  auto* screen = sub->add_option("--screen", o->screen, "The screen's id; else the first");
  auto* kind =
      sub->add_option("--kind", o->kind, "A kind's id instead of a screen")->excludes(screen);
  sub->add_option("--state", o->state, "The state's id; else the first")->needs(kind);
  sub->add_option("--display", o->display, "The display's id; else the first");
  sub->add_option("--language", o->language, "The language's id; else the first");
  sub->add_option("-o,--out", o->out, "The PNG file to write")->required();
  sub->add_flag("--allow-missing", o->allowMissing,
                "Draw a stand-in for pictures that are missing or broken");
  return {sub, [o](Streams s) { return run(*o, s); }};
}

}  // namespace bristle
