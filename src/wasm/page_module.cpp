// The runtime in a web page: what its script calls (data/page). Texts go in and out as
// UTF-8 in the module's memory; what is handed out holds until the next call.
#include <cstdlib>
#include <memory>
#include <string>

#include "library/handles.h"
#include "markup/css.h"
#include "markup/scene.h"

using namespace bristle;

namespace {

struct Page {
  bristle_menu* menu = nullptr;
  bristle_run* run = nullptr;
  std::unique_ptr<Scene> scene;
  SheetPictures pictures;
  std::string out;
  char why[300] = "";
};
Page page;

#define EXPORT(name) extern "C" __attribute__((export_name(#name)))

// Starts on a display as large as the window shows it, in layout px; 0: as it is.
bool begin(const Showing& showing, const ScreenId& screen) {
  auto session = Session::start(page.menu->project, showing, page.menu->measure, screen);
  if (!session) return false;
  bristle_stop(page.run);
  page.run = new bristle_run(*page.menu, std::move(*session));
  page.scene = std::make_unique<Scene>(page.pictures);
  return true;
}

}  // namespace

EXPORT(take) void* pageTake(size_t size) {
  return std::malloc(size);
}
EXPORT(give) void pageGive(void* memory) {
  std::free(memory);
}

// The delivered menu; why it cannot be read, or nothing.
EXPORT(open) const char* pageOpen(const char* bytes, size_t size) {
  const auto code = bristle_open(bytes, size, &page.menu, page.why, sizeof page.why);
  return code == BRISTLE_OK ? "" : page.why;
}

// A picture that the style sheet has under a number.
EXPORT(picture) void pagePicture(const char* file, int number, double w, double h) {
  page.pictures[file] = {number, w, h};
}

// `dark`: the set of named values. The values that are set in the run before stay as they are where
// there is one. 1: it runs.
EXPORT(start) int pageStart(const char* display, const char* language, const char* screen, double w,
                            double h, int dark) {
  if (!page.menu) return 0;
  page.menu->project.settings.darkSet = dark != 0;
  auto showing = showingOf(page.menu->project, {display}, {language});
  if (!showing) return 0;
  if (w > 0 && h > 0) {
    showing->display.width = w * showing->display.scale;
    showing->display.height = h * showing->display.scale;
  }
  std::vector<std::pair<ValueId, double>> values;
  if (page.run)
    for (const ProjectValue& value : page.menu->project.values)
      values.emplace_back(value.id, page.run->session.value(value.id));
  if (!begin(*showing, {screen})) return 0;
  for (const auto& [id, number] : values)
    if (page.run->session.value(id) != number)
      page.run->feed({.type = InputType::SetValue, .name = id.text, .number = number});
  return 1;
}

EXPORT(reduce) void pageReduce(int on) {
  bristle_reduce_motion(page.run, on);
}

EXPORT(feed) void pageFeed(int input, int device, double at, double x, double y, int direction,
                           int down, int unit, int key, double number, const char* name) {
  const bristle_event event{sizeof event, static_cast<std::int64_t>(at), input, device, x, y,
                            direction,    down, unit, key, name, number};
  bristle_feed(page.run, &event);
}

// 0: there is no such sign.
EXPORT(sign) int pageSign(double at, int of, const char* name, int modifiers, int unit, int down) {
  const auto when = static_cast<std::int64_t>(at);
  const auto which = static_cast<bristle_sign_of>(of);
  return (down ? bristle_press_sign(page.run, when, which, name, modifiers, unit)
               : bristle_release_sign(page.run, when, which, name, unit)) == BRISTLE_OK;
}

EXPORT(stick) void pageStick(double at, int unit, double x, double y) {
  bristle_stick(page.run, static_cast<std::int64_t>(at), unit, x, y);
}

// Whether anything may look otherwise than it did, or has happened.
EXPORT(step) int pageStep(double at) {
  if (!page.run) return 0;
  const bool moved = page.run->session.moving();
  bristle_step(page.run, static_cast<std::int64_t>(at));
  return moved || page.run->session.moving() || !page.run->session.trace().empty();
}

// The screen on top.
EXPORT(top) const char* pageTop() {
  const bool any = page.run && !page.run->session.stack().empty();
  return any ? page.run->session.stack().back().screen->id.text.c_str() : "";
}

EXPORT(frame) const char* pageFrame() {
  page.out = page.scene->frame(page.run->session);
  return page.out.c_str();
}

// What happened since the last call: a list of {type, how, number, screen, line}.
EXPORT(happened) const char* pageHappened() {
  page.out = "[";
  for (const TraceEntry& e : page.run->session.drainTrace()) {
    if (page.out.size() > 1) page.out += ',';
    page.out += "{\"type\":" + std::to_string(static_cast<int>(e.type)) +
                ",\"at\":" + std::to_string(e.at) + ",\"how\":" + jsonText(e.how) +
                ",\"number\":" + cssNumber(e.number) + ",\"screen\":" + jsonText(e.screen.text) +
                ",\"line\":" + jsonText(toLine(e)) + "}";
  }
  page.out += "]";
  return page.out.c_str();
}
