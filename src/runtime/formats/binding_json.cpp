#include "runtime/formats/binding_json.h"

#include <array>

#include "runtime/formats/leftover.h"

namespace bristle {
namespace {

constexpr std::array<std::string_view, 6> kActions{"none", "open",    "top",
                                                   "back", "message", "quit"};

Json bindingJson(const Binding& binding) {
  Json out{{binding.sign.of == Sign::Of::Key ? "key" : "button", toText(binding.sign)},
           {"does", doesNames()[static_cast<size_t>(binding.does)]}};
  if (binding.shortcut) out["shortcut"] = binding.shortcut.text;
  return out;
}

Json shortcutJson(const Shortcut& shortcut) {
  Json out{{"id", shortcut.id.text}, {"name", shortcut.name}};
  if (shortcut.action.type != ActionType::None) out["action"] = toJson(shortcut.action);
  return out;
}

}  // namespace

Json toJson(const Action& action) {
  Json out{{"do", kActions[static_cast<size_t>(action.type)]}};
  if (action.screen) out["screen"] = action.screen.text;
  if (!action.message.empty()) out["message"] = action.message;
  return out;
}

Action readAction(JsonReader& r, const Json& value, const JsonPlace& at) {
  Action out;
  if (!r.isObject(value, at)) return out;
  out.type = static_cast<ActionType>(r.choice(value, at, "do", kActions));
  out.screen = {r.text(value, at, "screen")};
  out.message = r.text(value, at, "message");
  return out;
}

Json toJson(const Binding& binding) {
  Json out = bindingJson(binding);
  putBack(out, binding.extra);
  return out;
}

Binding readBinding(JsonReader& r, const Json& value, const JsonPlace& at) {
  Binding out;
  if (!r.isObject(value, at)) return out;
  const bool key = r.member(value, "key");
  if (key == (r.member(value, "button") != nullptr))
    r.complain(at, "expected either key or button for a binding");
  const char* which = key ? "key" : "button";
  const std::string text = r.text(value, at, which);
  const auto sign = parseSign(key ? Sign::Of::Key : Sign::Of::Button, text);
  if (sign)
    out.sign = *sign;
  else
    r.complain({&at, which, 0, false},
               std::string(key ? "expected a key such as Enter or Ctrl+S"
                               : "expected a button such as lower button or left shoulder") +
                   ", found “" + text + "”");
  out.does = static_cast<Does>(r.choice(value, at, "does", doesNames()));
  out.shortcut = {r.text(value, at, "shortcut")};
  if (out.does == Does::Shortcut && !out.shortcut)
    r.complain({&at, "shortcut", 0, false}, "expected a shortcut’s id");
  out.extra = leftover(value, bindingJson(out));
  return out;
}

std::vector<Binding> readBindings(JsonReader& r, const Json& value, const JsonPlace& at) {
  std::vector<Binding> out;
  r.each(value, at, "bindings", [&](const Json& binding, const JsonPlace& here) {
    out.push_back(readBinding(r, binding, here));
  });
  return out;
}

Json toJson(const Shortcut& shortcut) {
  Json out = shortcutJson(shortcut);
  putBack(out, shortcut.extra);
  return out;
}

Shortcut readShortcut(JsonReader& r, const Json& value, const JsonPlace& at) {
  Shortcut out;
  if (!r.isObject(value, at)) return out;
  out.id = {r.id(value, at, "id")};
  out.name = r.text(value, at, "name");
  if (const Json* action = r.member(value, "action"))
    out.action = readAction(r, *action, {&at, "action", 0, false});
  out.extra = leftover(value, shortcutJson(out));
  return out;
}

}  // namespace bristle
