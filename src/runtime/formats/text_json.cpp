#include "runtime/formats/text_json.h"

#include "runtime/formats/leftover.h"

namespace bristle {

Json toJson(const Text& text) {
  if (text.others.empty()) return text.base;
  Json out{{"base", text.base}, {"in", Json::object()}};
  for (const auto& [language, words] : text.others) out["in"][language.text] = words;
  return out;
}

Text readText(JsonReader& r, const Json& object, const JsonPlace& at, std::string_view key) {
  const Json* value = r.member(object, key);
  if (!value) return {};
  if (!value->is_object()) return r.text(object, at, key);
  const JsonPlace here{&at, key, 0, false};
  Text out = r.text(*value, here, "base");
  const Json* in = r.member(*value, "in");
  const JsonPlace inside{&here, "in", 0, false};
  if (!in || !r.isObject(*in, inside)) return out;
  for (const auto& member : in->items())
    out.others[{member.key()}] = r.text(*in, inside, member.key());
  return out;
}

Json toJson(const Language& l) {
  Json out{{"id", l.id.text}, {"tag", l.tag}, {"name", l.name}};
  if (l.rightToLeft) out["rightToLeft"] = true;
  if (l.fallback) out["fallback"] = l.fallback.text;
  putBack(out, l.extra);
  return out;
}

Language readLanguage(JsonReader& r, const Json& value, const JsonPlace& at) {
  Language l;
  if (!r.isObject(value, at)) return l;
  l.id = {r.id(value, at, "id")};
  l.tag = r.text(value, at, "tag", "und");
  l.name = r.text(value, at, "name");
  l.rightToLeft = r.boolean(value, at, "rightToLeft", false);
  l.fallback = {r.text(value, at, "fallback")};
  l.extra = leftover(value, toJson(l));
  return l;
}

}  // namespace bristle
