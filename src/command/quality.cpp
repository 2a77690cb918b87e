#include "command/quality.h"

#include <fmt/format.h>

#include <nlohmann/json.hpp>

#include "core/derive/route_quality.h"
#include "paint/fonts.h"

namespace bristle {
namespace {

using Json = nlohmann::ordered_json;

// What belongs to one display.
struct Judged {
  Layout layout;
  ScreenRoutes routes;
  RouteQuality quality;
};

struct Figure {
  const char* key;
  const char* words;
  const std::vector<RouteMove> RouteQuality::*moves;
};

constexpr Figure kFigures[] = {{"oneWay", "do not lead back", &RouteQuality::oneWay},
                               {"noMemory", "do not in a session", &RouteQuality::noMemory},
                               {"jumps", "jump over something", &RouteQuality::jumps},
                               {"steep", "steep", &RouteQuality::steep},
                               {"dear", "something else is better", &RouteQuality::dear},
                               {"stopgaps", "stopgaps", &RouteQuality::stopgaps},
                               {"repairs", "repairs", &RouteQuality::repairs},
                               {"empty", "empty beside something", &RouteQuality::empty}};

const std::string& idOf(const Screen& screen, const Judged& j, int box) {
  return screen.items[size_t(j.routes.items[size_t(box)])]->id.text;
}

Json inJson(const Screen& screen, const Judged& j, const std::vector<RouteMove>& moves) {
  Json out = Json::array();
  for (const RouteMove& m : moves)
    out.push_back({{"from", idOf(screen, j, m.box)}, {"dir", nameOf(m.dir)}});
  return out;
}

Json inJson(const Screen& screen, const Judged& j, const std::vector<int>& boxes) {
  Json out = Json::array();
  for (const int box : boxes) out.push_back(idOf(screen, j, box));
  return out;
}

Json inJson(const Steps& steps) {
  return {{"mean", steps.mean}, {"most", steps.most}};
}

Json inJson(const Screen& screen, const Judged& j) {
  const RouteQuality& q = j.quality;
  Json out{{"display", j.layout.display.text},
           {"buttons", q.buttons},
           {"moves", q.moves},
           {"unreachable", inJson(screen, j, q.unreachable)},
           {"traps", inJson(screen, j, q.traps)},
           {"returning", q.returning()},
           {"returningWithMemory", q.returningWithMemory()}};
  for (const Figure& f : kFigures) out[f.key] = inJson(screen, j, q.*(f.moves));
  out["fromEntry"] = inJson(q.fromEntry);
  out["between"] = inJson(q.between);
  out["least"] = inJson(q.least);
  return out;
}

void print(const QualityAsked& asked, const Judged& j, const Judged& first, Streams s) {
  const RouteQuality& q = j.quality;
  const Display* display = find(asked.project, j.layout.display);
  s.out << (display ? display->name : j.layout.display.text) << ": " << q.buttons << " buttons, "
        << q.moves << " moves\n";
  for (const auto& [boxes, words] : {std::pair(&q.unreachable, "cannot be reached"),
                                     std::pair(&q.traps, "cannot be left again")})
    for (const int box : *boxes)
      s.out << "  " << idOf(asked.screen, j, box) << " " << words << "\n";
  s.out << fmt::format("  lead back: {:.0f} %, in a session {:.0f} %\n", 100 * q.returning(),
                       100 * q.returningWithMemory());
  for (const Figure& f : kFigures) {
    const auto& moves = q.*(f.moves);
    if (moves.empty() || f.moves == &RouteQuality::oneWay) continue;
    s.out << "  " << f.words << ": " << moves.size();
    for (const RouteMove& m : moves)
      s.out << (&m == moves.data() ? " (" : ", ") << idOf(asked.screen, j, m.box) << " "
            << nameOf(m.dir);
    s.out << ")\n";
  }
  s.out << fmt::format(
      "  steps: {:.1f} from where focus starts, {} at most; {:.1f} between any two, {} at most"
      " (least possible {:.1f}, {})\n",
      q.fromEntry.mean, q.fromEntry.most, q.between.mean, q.between.most, q.least.mean,
      q.least.most);
  if (&j == &first) return;
  const auto changed = changedMoves(j.routes, first.routes);
  if (!changed.empty()) s.out << "  lead elsewhere than on the first: " << changed.size() << "\n";
}

}  // namespace

int tellQuality(const QualityAsked& asked, Streams s) {
  std::vector<Judged> all;
  bool sound = true;
  for (const Display& display : asked.displays) {
    Judged j;
    j.layout = layOut(asked.project, asked.screen, {display, asked.language}, FontMeasure());
    j.routes = screenRoutes(asked.screen, j.layout);
    j.quality = routeQuality(asked.screen, j.layout, j.routes);
    sound = sound && j.quality.sound();
    all.push_back(std::move(j));
  }
  Json list = Json::array();
  for (const Judged& j : all)
    asked.json ? list.push_back(inJson(asked.screen, j)) : print(asked, j, all.front(), s);
  if (asked.json)
    s.out << Json{{"screen", asked.screen.id.text}, {"displays", list}}.dump(2) << "\n";
  return sound ? kFine : kFound;
}

}  // namespace bristle
