#include "runtime/formats/take_file.h"

#include <algorithm>
#include <array>

#include "runtime/formats/json_lines.h"

namespace bristle {
namespace {

constexpr std::array<std::string_view, 15> kDo{
    "tick", "point", "point.down", "point.up", "scroll", "move",     "accept",  "cancel",
    "step", "gone",  "enable",     "message",  "set",    "shoulder", "shortcut"};
// Which member names what the host's event is about.
std::string_view nameMember(InputType type) {
  switch (type) {
    case InputType::Point:
    case InputType::PointDown:
    case InputType::PointUp:
      return "on";
    case InputType::Enable:
      return "button";
    case InputType::Message:
      return "message";
    case InputType::SetValue:
      return "value";
    case InputType::Shortcut:
      return "name";
    default:
      return {};
  }
}
constexpr size_t kShortest = 12;  // bytes of a step, at least: empty lines are none
bool hasDir(InputType type) {
  return type == InputType::Move || type == InputType::Shoulder || type == InputType::Scroll;
}
constexpr std::array<std::string_view, 4> kBy{"mouse", "touch", "keyboard", "controller"};

template <class Enum>
Enum named(JsonReader& r, const Json& value, const JsonPlace& at, std::string_view key,
           std::span<const std::string_view> names, Enum otherwise) {
  return static_cast<Enum>(r.choice(value, at, key, names, static_cast<size_t>(otherwise)));
}

TakeStep readStep(JsonReader& r, const Json& value, const JsonPlace& top) {
  TakeStep step;
  const Ms at = r.milliseconds(value, top, "at", 0);
  if (!r.member(value, "at")) r.complain({&top, "at", 0, false}, "expected a time in ms");
  if (r.member(value, "expect")) {
    step.what = Expectation{at, r.text(value, top, "expect")};
    return step;
  }
  InputEvent e;
  e.at = at;
  if (!r.member(value, "do")) r.complain(top, "expected do or expect");
  e.type = named(r, value, top, "do", kDo, InputType::Tick);
  const bool pointer = isPointerEvent(e.type) || e.type == InputType::Scroll;
  e.device = named(r, value, top, "by", kBy, pointer ? Device::Mouse : Device::Keyboard);
  e.x = r.number(value, top, "x", 0, -1e6, 1e6);
  e.y = r.number(value, top, "y", 0, -1e6, 1e6);
  e.unit = static_cast<int>(r.number(value, top, "unit", 0, 0, 1e9));
  e.key = static_cast<int>(r.number(value, top, "key", 0, 0, 1e9));
  if (const auto member = nameMember(e.type); !member.empty()) {
    e.name = r.text(value, top, member);
    if (e.name.empty() && !pointer)
      r.complain({&top, member, 0, false}, "expected a text, found nothing");
  }
  if (e.type == InputType::Scroll) e.number = r.number(value, top, "px", 0, 0, 1e6);
  if (e.type == InputType::SetValue) e.number = r.number(value, top, "to", 0, -1e12, 1e12);
  if (hasDir(e.type)) {
    const std::string dir = r.text(value, top, "dir");
    if (const auto known = parseDir(dir)) {
      e.dir = *known;
    } else {
      r.complain({&top, "dir", 0, false}, "expected up, down, left or right, found “" + dir + "”");
    }
  }
  e.down = r.boolean(value, top, "press", true);
  step.what = e;
  return step;
}

Json stepJson(const TakeStep& step) {
  if (const auto* expected = std::get_if<Expectation>(&step.what))
    return {{"at", expected->at}, {"expect", expected->line}};
  const auto& e = std::get<InputEvent>(step.what);
  Json out{{"at", e.at}, {"do", kDo[static_cast<size_t>(e.type)]}};
  switch (e.type) {
    case InputType::Tick:
    case InputType::Gone:
      break;
    case InputType::Point:
    case InputType::PointDown:
    case InputType::PointUp:
      if (!e.name.empty()) break;
      out["x"] = e.x;
      out["y"] = e.y;
      break;
    case InputType::Scroll:
      out["x"] = e.x;
      out["y"] = e.y;
      out["dir"] = nameOf(e.dir);
      out["px"] = e.number;
      break;
    case InputType::Message:
      break;
    case InputType::SetValue:
      out["to"] = e.number;
      break;
    default:
      if (hasDir(e.type)) out["dir"] = nameOf(e.dir);
      out["press"] = e.down;
  }
  if (const auto member = nameMember(e.type); !member.empty() && !e.name.empty())
    out[std::string(member)] = e.name;
  out["by"] = kBy[static_cast<size_t>(e.device)];
  if (e.unit != 0) out["unit"] = e.unit;
  if (e.key != 0) out["key"] = e.key;
  return out;
}

template <class Id>
void readIds(JsonReader& r, const Json& value, const JsonPlace& at, const char* key,
             std::vector<Id>& out) {
  r.each(value, at, key, [&](const Json& each, const JsonPlace& here) {
    if (each.is_string())
      out.push_back({each.get<std::string>()});
    else
      r.complain(here, "expected a text, found " + JsonReader::sortOf(each));
  });
}

}  // namespace

Result<Take> parseTake(std::string_view text) {
  Take take;
  bool header = false;
  Ms last = 0;
  // As many as there are lines: a take of a million must not take twice its memory.
  const auto lines = static_cast<size_t>(std::count(text.begin(), text.end(), '\n'));
  take.steps.reserve(std::min(lines, text.size() / kShortest) + 1);
  const auto done =
      eachJsonLine(text, [&](JsonReader& r, const Json& json, int number) -> std::string {
        const JsonPlace top;
        if (!header) {
          if (r.number(json, top, "take", 0) != 1)
            return "expected a take's header, {\"take\":1, …}";
          if (r.member(json, "kind"))
            return "a take of a kind alone, not of a menu: it plays on the scope of Motion";
          take.name = r.text(json, top, "name");
          take.display = {r.text(json, top, "display")};
          take.screen = {r.text(json, top, "screen")};
          take.language = {r.text(json, top, "language")};
          take.about = r.text(json, top, "about");
          readIds(r, json, top, "notOn", take.notOn);
          readIds(r, json, top, "notIn", take.notIn);
          header = true;
          return {};
        }
        take.steps.push_back(readStep(r, json, top));
        take.steps.back().source = number;
        const auto& what = take.steps.back().what;
        const Ms at =
            what.index() == 0 ? std::get<InputEvent>(what).at : std::get<Expectation>(what).at;
        if (!r.error() && at < last)
          return "expected a time of " + std::to_string(last) + " ms or later, found " +
                 std::to_string(at);
        last = at;
        return {};
      });
  if (!done) return tl::unexpected(done.error());
  if (!header)
    return fail("line 1", "expected a take's header, {\"take\":1, …}; the file is empty");
  return take;
}

std::string writeTake(const Take& take) {
  Json header{{"take", 1}, {"name", take.name}, {"display", take.display.text}};
  if (take.screen) header["screen"] = take.screen.text;
  if (take.language) header["language"] = take.language.text;
  if (!take.about.empty()) header["about"] = take.about;
  for (const DisplayId& id : take.notOn) header["notOn"].push_back(id.text);
  for (const LanguageId& id : take.notIn) header["notIn"].push_back(id.text);
  std::string out = header.dump() + "\n";
  for (const TakeStep& step : take.steps) out += stepJson(step).dump() + "\n";
  return out;
}

}  // namespace bristle
