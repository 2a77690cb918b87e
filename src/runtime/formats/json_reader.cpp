#include "runtime/formats/json_reader.h"

#include <fmt/format.h>

#include <algorithm>
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

// The number that the parser has just read.
size_t startOfNumber(std::string_view text, size_t end) {
  size_t at = std::min(end, text.size());
  while (at > 0 && std::string_view(",[:{ \t\r\n").find(text[at - 1]) == std::string_view::npos)
    --at;
  return at;
}

// Where the text nests deeper than allowed.
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

// The library's messages name its own source; a person needs the gist.
std::string gist(const std::string& what) {
  const auto colon = what.find(": ", what.find("column"));
  const auto cut = colon == what.npos ? what : what.substr(colon + 2);
  return "not valid JSON: " + cut;
}

}  // namespace

namespace {

// Builds the values that the parser tells of, and keeps what was wrong: nothing is thrown.
class Builder : public nlohmann::json_sax<Json> {
 public:
  bool null() override { return put(nullptr); }
  bool boolean(bool value) override { return put(value); }
  bool number_integer(std::int64_t value) override { return put(value); }
  bool number_unsigned(std::uint64_t value) override { return put(value); }
  bool number_float(double value, const std::string&) override { return put(value); }
  bool string(std::string& value) override { return put(std::move(value)); }
  bool binary(Json::binary_t& value) override { return put(std::move(value)); }
  bool start_object(size_t) override { return enter(Json::object()); }
  bool start_array(size_t) override { return enter(Json::array()); }
  bool end_object() override { return leave(); }
  bool end_array() override { return leave(); }
  bool key(std::string& name) override {
    key_ = std::move(name);
    return true;
  }
  bool parse_error(size_t at, const std::string&, const nlohmann::detail::exception& e) override {
    position = at;
    what = e.what();
    outOfRange = e.id == 406;  // of the library: a number that no double can hold
    return false;
  }

  Json root;
  size_t position = 0;  // in bytes, 1 for the first
  std::string what;     // empty: nothing was wrong
  bool outOfRange = false, tooDeep = false;

 private:
  Json* add(Json&& value) {
    if (open_.empty()) return &(root = std::move(value));
    if (auto* list = open_.back()->get_ptr<Json::array_t*>())
      return &list->emplace_back(std::move(value));
    auto& members = open_.back()->get_ref<Json::object_t&>();
    const auto same = std::find_if(members.begin(), members.end(),
                                   [&](const auto& member) { return member.first == key_; });
    if (same != members.end()) return &(same->second = std::move(value));  // the last one counts
    return &members.emplace_back(std::move(key_), std::move(value)).second;
  }
  bool put(Json&& value) {
    add(std::move(value));
    return true;
  }
  bool enter(Json&& value) {
    tooDeep = open_.size() == size_t(kDeepestJson);
    if (tooDeep) return false;
    open_.push_back(add(std::move(value)));
    if (auto* members = open_.back()->get_ptr<Json::object_t*>()) members->reserve(8);
    return true;
  }
  bool leave() {
    open_.pop_back();
    return true;
  }
  std::vector<Json*> open_;  // the lists and objects that are being read, from outside
  std::string key_;
};

}  // namespace

Result<Json> parseJson(std::string_view text) {
  if (text.starts_with("\xef\xbb\xbf")) text.remove_prefix(3);
  if (text.find_first_not_of(" \n\r\t") == text.npos)
    return fail("line 1, column 1", "the file is empty");
  Builder builder;
  if (Json::sax_parse(text.begin(), text.end(), &builder)) return std::move(builder.root);
  if (builder.tooDeep)
    return fail(lineAndColumn(text, tooDeep(text).value_or(0)),
                fmt::format("nested deeper than {} levels", kDeepestJson));
  if (builder.outOfRange)
    return fail(lineAndColumn(text, startOfNumber(text, builder.position)),
                "a number that is too large to be read");
  return fail(lineAndColumn(text, builder.position ? builder.position - 1 : 0), gist(builder.what));
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

size_t JsonReader::choice(const Json& object, const JsonPlace& at, std::string_view key,
                          std::span<const std::string_view> words, size_t otherwise) {
  const std::string found = text(object, at, key, std::string(words[otherwise]));
  for (size_t i = 0; i < words.size(); ++i)
    if (words[i] == found) return i;
  std::string all;
  for (auto word : words) all += (all.empty() ? "" : ", ") + std::string(word);
  complain({&at, key, 0, false}, "expected one of " + all + ", found “" + found + "”");
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
