#include <cmath>
#include <map>

#include "core/formats/tokens_file.h"
#include "core/formats/tokens_words.h"
#include "runtime/document/map_names.h"
#include "runtime/formats/json_reader.h"
#include "runtime/formats/leftover.h"
#include "runtime/formats/look_json.h"

namespace bristle {
namespace {

using namespace tokens;

constexpr int kDeepest = 32;

class TokenReader {
 public:
  Result<Tokens> run(const Json& root) {
    if (!root.is_object()) return fail("", "expected an object of groups and tokens");
    group(root, JsonPlace{}, "", "", 0);
    if (!r_.error()) link();
    if (r_.error()) return tl::unexpected(*r_.error());
    if (broken_) return tl::unexpected(*broken_);
    if (!foreign_.empty()) out_.foreign.json = std::make_shared<std::string>(foreign_.dump());
    return std::move(out_);
  }

 private:
  void group(const Json& value, const JsonPlace& place, const std::string& path,
             const std::string& inherited, int depth) {
    if (depth > kDeepest) return r_.complain(place, "expected groups nested at most 32 deep");
    const std::string type = r_.text(value, place, "$type", inherited);
    Json own = Json::object();
    for (const auto& [name, member] : value.items()) {
      const JsonPlace here{&place, name, 0, false};
      if (name.starts_with('$')) {
        own[name] = member;
        continue;
      }
      if (name.empty() || name.find_first_of("{}.") != name.npos)
        return r_.complain(here, "expected a name without dots and braces");
      if (!member.is_object())
        return r_.complain(here,
                           "expected a group or a token, found " + JsonReader::sortOf(member));
      const std::string inner = path.empty() ? name : path + "." + name;
      if (member.contains("$value"))
        token(member, here, inner, type);
      else
        group(member, here, inner, type, depth + 1);
      if (r_.error()) return;
    }
    if (!own.empty()) foreign_[path] = std::move(own);
  }

  void token(const Json& value, const JsonPlace& place, const std::string& path,
             const std::string& inherited) {
    const std::string type = r_.text(value, place, "$type", inherited);
    const Json& held = value["$value"];
    const JsonPlace at{&place, "$value", 0, false};
    Pending pending{type, place.pointer()};
    NamedValue named;
    named.id = {path};
    named.name = path;
    named.description = r_.text(value, place, "$description");
    const bool isAlias = aliasOf(held).has_value();
    if (type.empty() && !isAlias)
      return r_.complain(place, "expected a $type, here or in a group above");
    const TypeName* known = typeOf(type);
    const bool usable = (known && isOurs(known->ours, held) && whyNoName(path).empty()) ||
                        (type.empty() && isAlias);
    if (!usable) {
      if (known && !isAlias && !foreignForm(known->ours, held))
        return r_.complain(at, std::string("expected the value of a ") + known->token + ", found " +
                                   JsonReader::sortOf(held));
      foreign_[path] = value;
      out_.kept.push_back(path);
      return;
    }
    named.value = known ? read(known->ours, held, at) : Value(NamedRef{{*aliasOf(held)}});
    if (known) named.type = known->ours;
    if (const Json* more = r_.member(value, "$extensions"); more && more->is_object())
      extensions(named, *more, {&place, "$extensions", 0, false}, known);
    Json others = Json::object();
    for (const auto& [name, member] : value.items()) {
      if (name == "$type" || name == "$value" || name == "$description") continue;
      if (name == "$extensions" && member.is_object()) {
        Json rest = member;
        rest.erase(kOurs);
        if (!rest.empty()) others[name] = rest;
        continue;
      }
      others[name] = member;
    }
    if (!others.empty()) named.extra = leftover(others, Json::object());
    out_.values.push_back(std::move(named));
    pending_.push_back(std::move(pending));
  }

  // Our own words count only while they still say what the value says: somebody may have changed
  // that since.
  void extensions(NamedValue& named, const Json& all, const JsonPlace& place,
                  const TypeName* known) {
    const Json* ours = r_.member(all, kOurs);
    if (!ours || !ours->is_object() || !known) return;
    const JsonPlace here{&place, kOurs, 0, false};
    const auto name = [](const NamedId& id) { return id.text; };
    const auto exact = [&](const char* key, Value& value) {
      const Json* member = r_.member(*ours, key);
      if (!member) return;
      const Value said = readValue(r_, *member, {&here, key, 0, false}, startOf(known->ours));
      if (tokenValue(known->ours, said, name) == tokenValue(known->ours, value, name)) value = said;
    };
    exact("exact", named.value);
    if (const Json* dark = r_.member(*ours, "dark")) {
      named.dark = read(known->ours, *dark, {&here, "dark", 0, false});
      exact("darkExact", *named.dark);
    }
  }

  static const TypeName* typeOf(const std::string& type) {
    for (const TypeName& t : kTypes)
      if (type == t.token) return &t;
    return nullptr;
  }

  static std::optional<std::string> aliasOf(const Json& value) {
    if (!value.is_string()) return {};
    const auto& text = value.get_ref<const std::string&>();
    if (text.size() < 3 || text.front() != '{' || text.back() != '}') return {};
    return text.substr(1, text.size() - 2);
  }

  static bool isLength(const Json& v, const char* unit = "px") {
    return v.is_object() && v.contains("value") && v["value"].is_number() && v.contains("unit") &&
           v["unit"] == unit;
  }
  static bool isColour(const Json& v) {
    if (aliasOf(v)) return true;
    if (v.is_string()) return parseColour(v.get<std::string>()).has_value();
    if (!v.is_object() || v.value("colorSpace", Json()) != "srgb" || !v.contains("components"))
      return false;
    const Json& parts = v["components"];
    if (!parts.is_array() || parts.size() != 3) return false;
    for (const Json& part : parts)
      if (!part.is_number() || part.get<double>() < 0 || part.get<double>() > 1) return false;
    return !v.contains("alpha") || (v["alpha"].is_number() && v["alpha"].get<double>() >= 0 &&
                                    v["alpha"].get<double>() <= 1);
  }

  // Whether the value has the form that we use.
  static bool isOurs(NamedType type, const Json& v) {
    if (aliasOf(v)) return true;
    switch (type) {
      case NamedType::Colour:
        return isColour(v);
      case NamedType::Length:
        return isLength(v);
      case NamedType::Duration:
        return isLength(v, "ms") || isLength(v, "s");
      case NamedType::Number:
        return v.is_number();
      case NamedType::Weight:
        return weightOf(v).has_value();
      case NamedType::Font:
        return v.is_string() || (v.is_array() && !v.empty() && v[0].is_string());
      case NamedType::Easing:
        return v.is_array() && v.size() == 4 && v[0].is_number() && v[1].is_number() &&
               v[2].is_number() && v[3].is_number() && v[0] >= 0 && v[0] <= 1 && v[2] >= 0 &&
               v[2] <= 1;
      case NamedType::Gradient:
        return isGradient(v);
      case NamedType::Shadow:
        return v.is_object() && v.contains("color") && isColour(v["color"]) && isPx(v, "offsetX") &&
               isPx(v, "offsetY") && isPx(v, "blur") && isPx(v, "spread") &&
               v.value("inset", Json(false)) == false;
    }
    return false;
  }
  static bool isPx(const Json& v, const char* key) { return v.contains(key) && isLength(v[key]); }
  static bool isGradient(const Json& v) {
    if (!v.is_array() || v.size() < 2 || v.size() > 32) return false;
    double last = 0;
    for (const Json& stop : v) {
      if (!stop.is_object() || !stop.contains("color") || !isColour(stop["color"]) ||
          !stop.contains("position") || !stop["position"].is_number())
        return false;
      const double here = stop["position"].get<double>();
      if (here < last || here > 1) return false;
      last = here;
    }
    return true;
  }

  // Valid by the standard, but not for us: other colour spaces and units, several shadows, inner
  // ones, parts that are aliases.
  static bool foreignForm(NamedType type, const Json& v) {
    switch (type) {
      case NamedType::Colour:
        return v.is_object() && v.contains("colorSpace") && v["colorSpace"].is_string() &&
               v["colorSpace"] != "srgb" && v.contains("components");
      case NamedType::Length:
        return isLength(v, "rem");
      case NamedType::Shadow:
        return v.is_array() || (v.is_object() && v.contains("color"));
      case NamedType::Gradient:
        return v.is_array() && v.size() >= 1 && v[0].is_object();
      default:
        return false;
    }
  }

  static std::optional<double> weightOf(const Json& v) {
    if (v.is_number() && v >= 1 && v <= 1000) return std::clamp(v.get<double>(), 100.0, 900.0);
    if (v.is_string())
      for (const Weight& w : kWeights)
        if (v == w.name) return w.value;
    return {};
  }

  Colour colour(const Json& v) const {
    if (v.is_string()) return parseColour(v.get<std::string>()).value_or(Colour{});
    const auto part = [](const Json& p) {
      return static_cast<std::uint8_t>(std::lround(p.get<double>() * 255));
    };
    const Json& parts = v["components"];
    return {part(parts[0]), part(parts[1]), part(parts[2]),
            v.contains("alpha") ? part(v["alpha"]) : std::uint8_t{255}};
  }

  Value read(NamedType type, const Json& v, const JsonPlace& place) {
    if (const auto to = aliasOf(v)) return NamedRef{{*to}};
    if (!isOurs(type, v)) {
      r_.complain(place, "expected the value of a " + std::string(nameOf(type)));
      return startOf(type);
    }
    switch (type) {
      case NamedType::Colour:
        return colour(v);
      case NamedType::Length:
        return v["value"].get<double>();
      case NamedType::Duration:
        return v["value"].get<double>() * (v["unit"] == "s" ? 1000 : 1);
      case NamedType::Number:
        return v.get<double>();
      case NamedType::Weight:
        return *weightOf(v);
      case NamedType::Font: {
        if (v.is_string()) return v.get<std::string>();
        std::string all;
        for (const Json& family : v)
          if (family.is_string()) all += (all.empty() ? "" : ", ") + family.get<std::string>();
        return all;
      }
      case NamedType::Easing:
        return Easing{EasingType::CubicBezier, v[0], v[1], v[2], v[3]};
      case NamedType::Gradient: {
        Fill fill = Fill::linear(90, {});
        for (const Json& stop : v) {
          Stop one{stop["position"].get<double>(), {}};
          if (const auto to = aliasOf(stop["color"]))
            one.named = {*to};
          else
            one.colour = colour(stop["color"]);
          fill.stops.push_back(one);
        }
        return fill;
      }
      case NamedType::Shadow: {
        const auto px = [&](const char* key) { return v[key]["value"].get<double>(); };
        Shadow s{px("offsetX"), px("offsetY"), px("blur"), px("spread"), {0, 0, 0, 255}};
        if (const auto to = aliasOf(v["color"]))
          s.named = {*to};
        else
          s.colour = colour(v["color"]);
        return s;
      }
    }
    return 0.0;
  }

  // Every alias leads to a token of the same type, and none in a circle.
  void link() {
    std::map<std::string, size_t> byName;
    for (size_t i = 0; i < out_.values.size(); ++i) byName[out_.values[i].name] = i;
    // A token without a type of its own takes that of what it stands for.
    for (size_t i = 0; i < out_.values.size(); ++i) {
      if (!pending_[i].type.empty()) continue;
      size_t now = i, steps = 0;
      while (pending_[now].type.empty() && steps++ <= out_.values.size()) {
        const auto* ref = std::get_if<NamedRef>(&out_.values[now].value);
        const auto next = ref ? byName.find(ref->id.text) : byName.end();
        if (next == byName.end()) break;
        now = next->second;
      }
      out_.values[i].type = out_.values[now].type;
    }
    const Naming names{&out_.values, false};
    for (size_t i = 0; i < out_.values.size(); ++i) {
      const auto complain = [&](const std::string& why) {
        if (!broken_) broken_ = Error{pending_[i].pointer + "/$value", why};
      };
      const auto look = [&](const Value& value) {
        eachName(value, [&](const NamedId& id) {
          const auto to = byName.find(id.text);
          if (to == byName.end()) return complain("the alias {" + id.text + "} leads nowhere");
          if (std::holds_alternative<NamedRef>(value) &&
              out_.values[to->second].type != out_.values[i].type)
            complain("the alias {" + id.text + "} leads to another type");
        });
      };
      look(out_.values[i].value);
      if (out_.values[i].dark) look(*out_.values[i].dark);
      if (!broken_ && (!names.settle(out_.values[i].id) ||
                       !Naming{&out_.values, true}.settle(out_.values[i].id)))
        complain("the alias goes in a circle");
    }
  }

  struct Pending {
    std::string type, pointer;
  };
  JsonReader r_;
  Tokens out_;
  std::vector<Pending> pending_;
  std::optional<Error> broken_;
  Json foreign_ = Json::object();
};

}  // namespace

Result<Tokens> parseTokens(std::string_view text) {
  const auto json = parseJson(text);
  if (!json) return tl::unexpected(json.error());
  return TokenReader().run(*json);
}

}  // namespace bristle
