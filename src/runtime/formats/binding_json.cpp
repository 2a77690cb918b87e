#include "runtime/formats/binding_json.h"

#include "runtime/formats/action_json.h"
#include "runtime/formats/leftover.h"

namespace bristle {
namespace {

Json bindingJson(const Binding& binding) {
  Json out{{binding.sign.of == Sign::Of::Key ? "key" : "button", toText(binding.sign)},
           {"does", doesNames()[static_cast<size_t>(binding.does)]}};
  if (binding.shortcut) out["shortcut"] = binding.shortcut.text;
  return out;
}

Json shortcutJson(const Shortcut& shortcut) {
  Json out{{"id", shortcut.id.text}, {"name", shortcut.name}};
  if (!shortcut.actions.empty()) out["actions"] = toJson(shortcut.actions);
  return out;
}

}  // namespace

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
  out.actions = readActions(r, value, at);
  out.extra = leftover(value, shortcutJson(out), {"action"});
  return out;
}

}  // namespace bristle
