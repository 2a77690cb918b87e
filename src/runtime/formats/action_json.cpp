#include "runtime/formats/action_json.h"

#include <array>

#include "runtime/formats/look_json.h"

namespace bristle {
namespace {

constexpr std::array<std::string_view, 4> kForms{"cut", "fade", "slide", "grow"};
constexpr std::array<std::string_view, 4> kEdges{"left", "right", "top", "bottom"};

Json toJson(const Action& action) {
  const ActionType type = action.type;
  Json out{{"do", actionNames()[static_cast<size_t>(type)]}};
  if (action.screen) out["screen"] = action.screen.text;
  if (action.item) out["item"] = action.item.text;
  if (action.value) out["value"] = action.value.text;
  if (type == ActionType::Set) out["to"] = action.number;
  if (type == ActionType::Step) out["by"] = action.number;
  if (!action.message.empty())
    out[type == ActionType::Link ? "address" : "message"] = action.message;
  if (action.language) out["language"] = action.language.text;
  if (!action.when.empty()) out["when"] = action.when;
  if (action.change) {
    Json change = Json::object();
    writeMotion(change, "out", action.change->out);
    writeMotion(change, "in", action.change->in);
    out["change"] = std::move(change);
  }
  return out;
}

Action readAction(JsonReader& r, const Json& value, const JsonPlace& at) {
  Action out;
  if (!r.isObject(value, at)) return out;
  out.type = static_cast<ActionType>(r.choice(value, at, "do", actionNames()));
  out.screen = {r.text(value, at, "screen")};
  out.item = {r.text(value, at, "item")};
  out.value = {r.text(value, at, "value")};
  out.message = r.text(value, at, out.type == ActionType::Link ? "address" : "message");
  if (out.type == ActionType::Set) out.number = r.number(value, at, "to", 0, -1e9, 1e9);
  if (out.type == ActionType::Step) out.number = r.number(value, at, "by", 1, -1e6, 1e6);
  out.language = {r.text(value, at, "language")};
  out.when = r.text(value, at, "when");
  if (const Json* change = r.member(value, "change")) {
    const JsonPlace here{&at, "change", 0, false};
    if (!r.isObject(*change, here)) return out;
    out.change =
        ScreenChange{readMotion(r, *change, here, "out"), readMotion(r, *change, here, "in")};
  }
  return out;
}

}  // namespace

Json toJson(const Actions& actions) {
  Json out = Json::array();
  for (const Action& action : actions) out.push_back(toJson(action));
  return out;
}

Actions readActions(JsonReader& r, const Json& value, const JsonPlace& at) {
  Actions out;
  const Json* before = r.member(value, "action");
  const auto doesNothing = [&] {
    const auto what = before->is_object() ? before->find("do") : before->end();
    return before->is_object() && what != before->end() && *what == "none";
  };
  if (before && !doesNothing()) out.push_back(readAction(r, *before, {&at, "action", 0, false}));
  r.each(value, at, "actions", [&](const Json& action, const JsonPlace& here) {
    out.push_back(readAction(r, action, here));
  });
  return out;
}

void writeMotion(Json& out, const char* key, const ScreenMotion& motion) {
  if (motion == ScreenMotion{}) return;
  Json it{{"form", kForms[static_cast<size_t>(motion.form)]},
          {"duration", motion.duration},
          {"easing", toText(motion.easing)}};
  if (motion.form == ScreenMotionForm::Slide) it["edge"] = kEdges[static_cast<size_t>(motion.edge)];
  if (motion.x != 0.5) it["x"] = motion.x;
  if (motion.y != 0.5) it["y"] = motion.y;
  if (motion.follow != 0) it["follow"] = motion.follow;
  out[key] = std::move(it);
}

ScreenMotion readMotion(JsonReader& r, const Json& value, const JsonPlace& at, const char* key) {
  ScreenMotion out;
  const Json* motion = r.member(value, key);
  const JsonPlace here{&at, key, 0, false};
  if (!motion || !r.isObject(*motion, here)) return out;
  out.form = static_cast<ScreenMotionForm>(r.choice(*motion, here, "form", kForms));
  out.duration = r.milliseconds(*motion, here, "duration", out.duration);
  out.easing = readEasing(r, *motion, here);
  if (r.member(*motion, "edge"))
    out.edge = static_cast<ScreenEdge>(r.choice(*motion, here, "edge", kEdges));
  out.x = r.number(*motion, here, "x", 0.5, 0, 1);
  out.y = r.number(*motion, here, "y", 0.5, 0, 1);
  out.follow = r.milliseconds(*motion, here, "follow", 0);
  return out;
}

}  // namespace bristle
