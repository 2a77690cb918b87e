// The values that a look is made of: colours, fills, shadows, numbers, texts.
#pragma once
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

namespace bristle {

// A colour in sRGB, 8 bits a channel, alpha not premultiplied.
struct Colour {
  std::uint8_t r = 0, g = 0, b = 0, a = 255;
  bool operator==(const Colour&) const = default;
};

// "#rrggbb", or "#rrggbbaa" when not opaque.
std::string toHex(Colour colour);
// Takes #rgb, #rrggbb and #rrggbbaa, any case; nothing for other texts.
std::optional<Colour> parseColour(std::string_view text);

// A stop of a gradient: `at` runs 0–1 along the gradient line.
struct Stop {
  double at = 0;
  Colour colour;
  bool operator==(const Stop&) const = default;
};

enum class FillType : std::uint8_t { None, Solid, Linear };

// How an area is filled. Solid has one stop. Linear has two or more, along `angle` in degrees:
// 0 runs left to right, 90 top to bottom; the line spans the box as in CSS Images Level 3 §3.1.
struct Fill {
  FillType type = FillType::None;
  double angle = 90;
  std::vector<Stop> stops;
  bool operator==(const Fill&) const = default;
  static Fill solid(Colour colour) { return {FillType::Solid, 90, {{0, colour}}}; }
  static Fill linear(double angle, std::vector<Stop> stops) {
    return {FillType::Linear, angle, std::move(stops)};
  }
};

// An outer shadow: offset and blur in px (blur is twice the standard deviation, as in CSS
// Backgrounds Level 3 §4.6), spread in px. Transparent means none.
struct Shadow {
  double dx = 0, dy = 0, blur = 0, spread = 0;
  Colour colour{0, 0, 0, 0};
  bool operator==(const Shadow&) const = default;
};

using Value = std::variant<double, bool, Colour, Fill, Shadow, std::string>;

// A value in a few words, as the ledger shows it and as parseValue takes it back.
std::string toText(const Value& value);
// Reads a text typed for a value of the same sort as `like`; the error says what was expected.
std::optional<Value> parseValue(std::string_view text, const Value& like, std::string* expected);

}  // namespace bristle
