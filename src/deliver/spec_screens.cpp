#include <fmt/format.h>

#include <QPainter>

#include "core/derive/action_words.h"
#include "core/derive/formula_names.h"
#include "core/derive/route_words.h"
#include "deliver/spec_sections.h"
#include "paint/convert.h"
#include "paint/fonts.h"
#include "runtime/focus/screen_routes.h"

namespace bristle {
namespace {

constexpr double kScreenWide = 860;  // px of the picture of a screen, at most

// Buttons by the numbers that they have in pictures and tables.
struct Numbered {
  std::vector<size_t> items;
  std::vector<int> numberOf;  // by item, from 1; 0: none
};

Numbered numbered(const Screen& screen, const Project& project) {
  Numbered out;
  out.numberOf.assign(screen.items.size(), 0);
  for (size_t i = 0; i < screen.items.size(); ++i)
    if (screen.items[i]->button() && !isStill(project, *screen.items[i])) {
      out.items.push_back(i);
      out.numberOf[i] = int(out.items.size());
    }
  return out;
}

void paintNumber(QPainter& p, const QRectF& hit, int number) {
  p.setPen(QPen(QColor(255, 255, 255, 220), 1));
  p.setBrush(Qt::NoBrush);
  p.drawRect(hit);
  const QString words = QString::number(number);
  QRectF plate(0, 0, p.fontMetrics().horizontalAdvance(words) + 6, 14);
  plate.moveTopLeft(hit.topLeft() + QPointF(1, 1));
  p.fillRect(plate, QColor(15, 110, 110));
  p.setPen(Qt::white);
  p.drawText(plate, Qt::AlignCenter, words);
}

SpecFigure pictureOf(SpecMaking& making, const Screen& screen, const Layout& layout,
                     const Numbered& numbers, const std::string& caption) {
  const double s = std::min(1.0, kScreenWide / layout.width);
  QImage image(std::max(1, int(layout.width * s)), std::max(1, int(layout.height * s)),
               QImage::Format_RGB32);
  image.fill(QColor(110, 109, 107));
  QPainter p(&image);
  p.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
  p.save();
  p.scale(s, s);
  paintScreen(p, making.looks, making.tables, making.project, screen, layout);
  p.restore();
  QFont font = p.font();
  font.setPixelSize(11);
  p.setFont(font);
  for (const size_t item : numbers.items) {
    const Placed& at = layout.items[item];
    const Box& seen = at.visible;
    if (at.isSeen() && seen.w > 0 && seen.h > 0)
      paintNumber(p, QRectF(seen.x * s, seen.y * s, seen.w * s, seen.h * s),
                  numbers.numberOf[item]);
  }
  p.end();
  SpecFigure out{screen.id.text + "." + layout.display.text, image, double(image.width()), caption};
  out.exact = false;
  return out;
}

// “4 Winch”, with why where it is not plainly solved.
std::string routeWords(const Screen& screen, const ScreenRoutes& routes, const Numbered& numbers,
                       int box, Dir dir) {
  const Route& route = routes.output.routes[size_t(box)][size_t(dir)];
  if (route.target < 0) return "–";
  const size_t item = size_t(routes.items[size_t(route.target)]);
  std::string out = fmt::format("{} {}", numbers.numberOf[item], displayName(*screen.items[item]));
  if (routes.wraps[size_t(box)][size_t(dir)]) return out + " (wraps)";
  if (route.reason == RouteReason::Fixed) return out + " (pinned)";
  return out;
}

void addMeasures(const Screen& screen, const Layout& layout, const Numbered& numbers,
                 SpecSection& out) {
  out.head = {"No.",      "Button", "x",    "y",    "Width", "Height",
              "Hit area", "Up",     "Down", "Left", "Right"};
  const ScreenRoutes routes = screenRoutes(screen, layout);
  for (const size_t item : numbers.items) {
    const Placed& at = layout.items[item];
    SpecRow row{screen.items[item]->id.text,
                {std::to_string(numbers.numberOf[item]), displayName(*screen.items[item])}};
    for (const double v : {at.box.x, at.box.y, at.box.w, at.box.h})
      row.cells.push_back(shortNumber(v));
    row.cells.push_back(at.hit == at.box
                            ? std::string("as the box")
                            : fmt::format("{} × {}", shortNumber(at.hit.w), shortNumber(at.hit.h)));
    const int box = routes.boxOf[item];
    for (const Dir dir : kDirs)
      row.cells.push_back(box < 0 ? std::string("never has focus")
                                  : routeWords(screen, routes, numbers, box, dir));
    out.rows.push_back(std::move(row));
  }
}

std::string whenWords(const Project& project, const Item& item) {
  std::string out;
  const auto add = [&](const char* what, const std::string& formula) {
    if (formula.empty()) return;
    out += fmt::format("{}{} while {}", out.empty() ? "" : "; ", what, withNames(project, formula));
  };
  const ButtonData& b = *item.button();
  if (item.hidden) out = "hidden at first";
  if (b.disabled) out += out.empty() ? "disabled" : "; disabled";
  add("shown", item.shownWhen);
  add("enabled", b.when.enabled);
  add("current", b.when.current);
  return out;
}

std::string allActions(const Project& project, const ButtonData& b) {
  std::string out;
  for (const Action& action : b.actions)
    out += (out.empty() ? "" : ", then ") + inWords(project, action);
  if (b.answers.cancel) out += out.empty() ? "pressed by cancel" : "; pressed by cancel, too";
  return out.empty() ? "–" : out;
}

SpecSection buttonsOf(const Project& project, const Screen& screen, const Numbered& numbers) {
  SpecSection out{3, screen.id.text + "-buttons", "Buttons"};
  out.head = {"No.", "Name for screen readers", "Kind"};
  for (const Language& language : project.languages)
    out.head.push_back(language.name.empty() ? language.tag : language.name);
  out.head.insert(out.head.end(), {"Does", "When"});
  for (const size_t i : numbers.items) {
    const Item& item = *screen.items[i];
    const ButtonData& b = *item.button();
    const Kind* kind = find(project, b.kind);
    const Text& name = b.accessibleName.empty() ? b.caption : b.accessibleName;
    SpecRow row{item.id.text,
                {std::to_string(numbers.numberOf[i]), wordsIn(project, name, {}),
                 kind ? kind->name : "not there: " + b.kind.text}};
    for (const Language& language : project.languages)
      row.cells.push_back(wordsIn(project, b.caption, language.id));
    row.cells.push_back(allActions(project, b));
    row.cells.push_back(whenWords(project, item));
    out.rows.push_back(std::move(row));
  }
  return out;
}

std::string motionWords(const ScreenMotion& motion) {
  static constexpr const char* kForms[] = {"at once", "fade", "slide", "grow"};
  const std::string form = kForms[size_t(motion.form)];
  if (motion.form == ScreenMotionForm::Cut) return form;
  return fmt::format(
      "{} {}, {}{}", form, msWords(motion.duration), toText(motion.easing),
      motion.follow > 0 ? ", each button " + msWords(motion.follow) + " after the one before" : "");
}

std::string aboutScreen(const Project& project, const Screen& screen) {
  std::string out =
      fmt::format("Comes: {}. Goes: {}.", motionWords(screen.comes), motionWords(screen.goes));
  if (screen.id == project.first) out = "The menu opens with it. " + out;
  if (screen.dimBelow > 0)
    out += fmt::format(" Darkens what is below it by {:.0f} %.", 100 * screen.dimBelow);
  if (screen.blurBelow > 0)
    out += fmt::format(" Blurs what is below it by {} px.", shortNumber(screen.blurBelow));
  if (const Item* entry = findItem(screen, screen.entry))
    out += fmt::format(" Focus starts on “{}”.", displayName(*entry));
  if (!screen.music.file.empty())
    out += fmt::format(" Music: {} at {:.0f} %.", screen.music.file, 100 * screen.music.volume);
  if (screen.idle.after > 0)
    out += fmt::format(" After {} in which nobody did anything: {}.", msWords(screen.idle.after),
                       inWords(project, screen.idle.actions));
  return out;
}

}  // namespace

void specifyScreens(SpecMaking& making, SpecSections& out) {
  const Project& project = making.project;
  out.push_back({1, "screens", "Screens",
                 "Each screen on each display, in the first language. Frames are hit areas; "
                 "numbers are rows of the tables. Measures are px of the layout, from the upper "
                 "left corner: times the display’s scale they are px of the device."});
  const FontMeasure measure;
  for (const auto& screen : project.screens) {
    const Numbered numbers = numbered(*screen, project);
    out.push_back({2, screen->id.text, screen->name, aboutScreen(project, *screen)});
    if (!numbers.items.empty()) out.push_back(buttonsOf(project, *screen, numbers));
    for (const Display& display : project.displays) {
      const Layout layout = layOut(project, *screen, Showing(display), measure);
      SpecSection section{3, screen->id.text + "-" + display.id.text,
                          screen->name + " on " + display.name};
      section.figures.push_back(pictureOf(
          making, *screen, layout, numbers,
          fmt::format("{} × {} px", shortNumber(layout.width), shortNumber(layout.height))));
      addMeasures(*screen, layout, numbers, section);
      out.push_back(std::move(section));
      if (!making.goesOn()) return;
    }
  }
}

}  // namespace bristle
