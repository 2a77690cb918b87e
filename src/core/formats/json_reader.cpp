#include "core/formats/json_reader.h"

#include <fmt/format.h>

#include <algorithm>
#include <charconv>
#include <cmath>

namespace bristle {
namespace {

std::string lineAndColumn(std::string_view text, size_t byte) {
  byte = std::min(byte, text.size());
  const auto before = text.substr(0, byte);
  const auto line = 1 + std::count(before.begin(), before.end(), '\n');
  const auto start = before.rfind('\n');
  return fmt::format("line {}, column {}", line, byte - (start == before.npos ? 0 : start + 1) + 1);
}

// Where the text nests deeper than allowed; the parser itself would go on until memory ends.
std::optional<size_t> tooDeep(std::string_view text) {
  int depth = 0;
  bool quoted = false;
  for (size_t i = 0; i < text.size(); ++i) {
    const char c = text[i];
    if (quoted) {
      if (c == '\\') ++i;
      if (c == '"') quoted = false;
    } else if (c == '"') {
      quoted = true;
    } else if (c == '{' || c == '[') {
      if (++depth > kDeepestJson) return i;
    } else if (c == '}' || c == ']') {
      --depth;
    }
  }
  return {};
}

// Where the first number stands that no double can hold.
std::string tooLarge(std::string_view text) {
  bool quoted = false;
  for (size_t i = 0; i < text.size(); ++i) {
    const char c = text[i];
    if (quoted) {
      if (c == '\\') ++i;
      if (c == '"') quoted = false;
      continue;
    }
    quoted = c == '"';
    if (quoted || (c != '-' && (c < '0' || c > '9'))) continue;
    const size_t end = std::min(text.find_first_of(",]} \t\r\n", i), text.size());
    double value = 0;
    const auto read = std::from_chars(text.data() + i, text.data() + end, value);
    if (read.ec == std::errc::result_out_of_range) return lineAndColumn(text, i);
    i = end - 1;
  }
  return "line 1, column 1";
}

// The library's messages name its own source; a person needs the gist.
std::string gist(const std::string& what) {
  const auto colon = what.find(": ", what.find("column"));
  const auto cut = colon == what.npos ? what : what.substr(colon + 2);
  return "not valid JSON: " + cut;
}

}  // namespace

Result<Json> parseJson(std::string_view text) {
  if (text.starts_with("\xef\xbb\xbf")) text.remove_prefix(3);
  if (std::all_of(text.begin(), text.end(),
                  [](char c) { return c == ' ' || c == '\n' || c == '\r' || c == '\t'; }))
    return fail("line 1, column 1", "the file is empty");
  if (const auto at = tooDeep(text))
    return fail(lineAndColumn(text, *at),
                fmt::format("nested deeper than {} levels", kDeepestJson));
  try {
    return Json::parse(text);
  } catch (const nlohmann::json::parse_error& e) {
    return fail(lineAndColumn(text, e.byte ? e.byte - 1 : 0), gist(e.what()));
  } catch (const nlohmann::json::out_of_range&) {
    return fail(tooLarge(text), "a number that is too large to be read");
  } catch (const nlohmann::json::exception& e) {
    return fail("line 1, column 1", "not valid JSON: " + std::string(e.what()));
  }
}

std::string JsonPlace::pointer() const {
  std::string before = parent ? parent->pointer() : "";
  if (isIndex) return before + "/" + std::to_string(index);
  if (key.empty() && !parent) return before;
  std::string escaped;
  for (char c : key) escaped += c == '~' ? "~0" : c == '/' ? "~1" : std::string(1, c);
  return before + "/" + escaped;
}

std::string JsonReader::sortOf(const Json& value) {
  if (value.is_string()) {
    const auto& text = value.get_ref<const std::string&>();
    return text.size() > 40 ? "a long text" : "“" + text + "”";
  }
  if (value.is_number() || value.is_boolean() || value.is_null()) return value.dump();
  return value.is_array() ? "a list" : "an object";
}

const Json* JsonReader::member(const Json& object, std::string_view key) const {
  const auto* members = error_ ? nullptr : object.get_ptr<const Json::object_t*>();
  if (!members) return nullptr;
  for (const auto& [name, value] : *members)
    if (name == key) return &value;
  return nullptr;
}

bool JsonReader::isObject(const Json& value, const JsonPlace& at) {
  if (!value.is_object()) complain(at, "expected an object, found " + sortOf(value));
  return value.is_object();
}

double JsonReader::plainNumber(const Json& value, const JsonPlace& at, double least, double most) {
  if (!value.is_number()) {
    complain(at, "expected a number, found " + sortOf(value));
    return std::clamp(0.0, least, most);
  }
  const auto number = value.get<double>();
  if (std::isfinite(number) && number >= least && number <= most) return number;
  complain(
      at, fmt::format("expected a number from {:g} to {:g}, found {}", least, most, sortOf(value)));
  return std::clamp(0.0, least, most);
}

double JsonReader::number(const Json& object, const JsonPlace& at, std::string_view key,
                          double otherwise, double least, double most) {
  const Json* value = member(object, key);
  return value ? plainNumber(*value, {&at, key, 0, false}, least, most) : otherwise;
}

Ms JsonReader::milliseconds(const Json& object, const JsonPlace& at, std::string_view key,
                            Ms otherwise) {
  const Json* value = member(object, key);
  if (!value) return otherwise;
  const JsonPlace here{&at, key, 0, false};
  const double number = plainNumber(*value, here, 0, 3'600'000);
  if (number != std::floor(number)) complain(here, "expected whole milliseconds");
  return static_cast<Ms>(number);
}

bool JsonReader::boolean(const Json& object, const JsonPlace& at, std::string_view key,
                         bool otherwise) {
  const Json* value = member(object, key);
  if (!value) return otherwise;
  if (!value->is_boolean())
    complain({&at, key, 0, false}, "expected true or false, found " + sortOf(*value));
  return value->is_boolean() ? value->get<bool>() : otherwise;
}

std::string JsonReader::text(const Json& object, const JsonPlace& at, std::string_view key,
                             std::string otherwise) {
  const Json* value = member(object, key);
  if (!value) return otherwise;
  if (value->is_string()) return value->get<std::string>();
  complain({&at, key, 0, false}, "expected a text, found " + sortOf(*value));
  return otherwise;
}

std::string JsonReader::id(const Json& object, const JsonPlace& at, std::string_view key) {
  if (error_) return {};
  const Json* value = member(object, key);
  const JsonPlace here{&at, key, 0, false};
  if (!value) {
    complain(here, "expected an id, found nothing");
  } else if (!value->is_string() || value->get_ref<const std::string&>().empty() ||
             value->get_ref<const std::string&>().size() > 100) {
    complain(here, "expected an id, a text of 1 to 100 characters, found " + sortOf(*value));
  } else {
    return value->get<std::string>();
  }
  return {};
}

}  // namespace bristle
