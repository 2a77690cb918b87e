#include "deliver/statechart_words.h"

#include <fmt/format.h>

#include <charconv>
#include <sstream>

namespace bristle {
namespace {

bool isPlain(char c) {
  return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') || c == '-';
}

std::optional<Ms> wholeNumber(std::string_view text) {
  Ms out = 0;
  const auto end = text.data() + text.size();
  const auto [at, error] = std::from_chars(text.data(), end, out);
  if (error != std::errc() || at != end || out < 0 || out > 86'400'000) return {};
  return out;
}

}  // namespace

std::string token(const std::string& text) {
  std::string out;
  for (const char c : text)
    out += isPlain(c) ? std::string(1, c) : fmt::format("_{:02x}", static_cast<unsigned char>(c));
  return out;
}

std::string fromToken(const std::string& token) {
  std::string out;
  for (size_t i = 0; i < token.size(); ++i) {
    unsigned value = 0;
    const char* from = token.data() + i + 1;
    if (token[i] == '_' && i + 2 < token.size() &&
        std::from_chars(from, from + 2, value, 16).ptr == from + 2) {
      out += static_cast<char>(value);
      i += 2;
    } else {
      out += token[i];
    }
  }
  return out;
}

std::string chartEvent(const Transition& t) {
  if (t.on == Event::Message) return "message." + token(t.message);
  return std::string(nameOf(t.on));
}

std::string afterEvent(const StateId& state, Ms after) {
  return fmt::format("after.{}.{}", token(state.text), after);
}

bool setEvent(Transition& t, const std::string& name) {
  if (name.starts_with("after.")) {
    const auto ms = wholeNumber(std::string_view(name).substr(name.rfind('.') + 1));
    t.on = Event::After;
    t.after = ms.value_or(0);
    return ms.has_value();
  }
  if (name.starts_with("message.") && name.size() > 8) {
    t.on = Event::Message;
    t.message = fromToken(name.substr(8));
    return true;
  }
  const auto event = parseEvent(name);
  if (!event || *event == Event::After || *event == Event::Message) return false;
  t.on = *event;
  return true;
}

std::string variable(const ValueId& id) {
  std::string out = "v_" + token(id.text);
  for (char& c : out)
    if (c == '-') c = '$';  // a minus in an expression
  return out;
}

std::string timingText(const Timing& t) {
  return fmt::format("{} {} {}|{}|{}", t.duration, t.delay, toText(t.easing), t.namedDuration.text,
                     t.namedEasing.text);
}

std::string timingsText(const PropTimings& all) {
  std::string out;
  for (const PropTiming& each : all) {
    if (!out.empty()) out += "; ";
    out += fmt::format("{}: {}", keyOf(each.prop), timingText(each.timing));
  }
  return out;
}

PropTimings parseTimings(const std::string& text) {
  PropTimings out;
  for (size_t from = 0; from < text.size();) {
    const size_t end = std::min(text.find("; ", from), text.size());
    const std::string one = text.substr(from, end - from);
    const size_t colon = std::min(one.find(": "), one.size());
    const auto prop = parseProp(one.substr(0, colon));
    const auto timing = parseTiming(one.substr(std::min(colon + 2, one.size())));
    if (prop && timing) out.push_back({*prop, *timing});
    from = end + 2;
  }
  return out;
}

std::optional<Timing> parseTiming(const std::string& text) {
  Timing out;
  const size_t first = text.find('|'), second = text.find('|', first + 1);
  if (first == std::string::npos || second == std::string::npos) return {};
  std::istringstream in(text.substr(0, first));
  std::string rest;
  if (!(in >> out.duration >> out.delay) || !std::getline(in >> std::ws, rest)) return {};
  const auto easing = parseEasing(rest);
  if (!easing || out.duration < 0 || out.delay < 0) return {};
  out.easing = *easing;
  out.namedDuration = {text.substr(first + 1, second - first - 1)};
  out.namedEasing = {text.substr(second + 1)};
  return out;
}

}  // namespace bristle
