// The values that a look is made of: colours, fills, shadows, numbers, texts.
#pragma once
#include <algorithm>
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

#include "runtime/document/ids.h"

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

// A stop of a gradient: `at` runs 0–1 along the gradient line. Where `named` is set, the colour of
// that name counts, and `colour` is only what it was when it was last settled.
struct Stop {
  double at = 0;
  Colour colour;
  NamedId named = {};
  bool operator==(const Stop&) const = default;
};

enum class FillType : std::uint8_t { None, Solid, Linear, Radial };

// How an area is filled. Solid has one stop. Linear has two or more, along `angle` in degrees:
// 0 runs left to right, 90 top to bottom; the line spans the box as in CSS Images Level 3 §3.1.
// Radial runs from the centre (0–1 of the box) outwards over an ellipse whose half axes are
// `radius` times the box's width and height.
struct Fill {
  FillType type = FillType::None;
  double angle = 90;
  std::vector<Stop> stops;
  double x = 0.5, y = 0.5, radius = 0.5;
  bool operator==(const Fill&) const = default;
  static Fill solid(Colour colour) { return {FillType::Solid, 90, {{0, colour}}}; }
  // A gradient along a line at `angle` degrees, with stops at 0–1 in order.
  static Fill linear(double angle, std::vector<Stop> stops) {
    return {FillType::Linear, angle, std::move(stops)};
  }
  bool isGradient() const { return type == FillType::Linear || type == FillType::Radial; }
};

// A shadow: offset and blur in px (blur is twice the standard deviation, as in CSS
// Backgrounds Level 3 §4.6), spread in px. Transparent means none.
struct Shadow {
  double dx = 0, dy = 0, blur = 0, spread = 0;
  Colour colour{0, 0, 0, 0};
  NamedId named = {};  // of the colour; its own alpha is kept
  bool operator==(const Shadow&) const = default;
};

// Four lengths in px: corners from the top left clockwise, or sides from the top clockwise.
struct Four {
  double a = 0, b = 0, c = 0, d = 0;
  bool operator==(const Four&) const = default;
  static Four all(double v) { return {v, v, v, v}; }
  bool even() const { return a == b && b == c && c == d; }
  double most() const { return std::max({a, b, c, d}); }
};

enum class EasingType : std::uint8_t { Linear, CubicBezier, Steps, Spring };

// CSS Easing Functions Level 1. For CubicBezier x1 and x2 are 0–1. For Steps: `count` ≥ 1 and the
// jump at the end of each step, or at its start. A spring is a damped oscillation about the target;
// its run lasts until it rests (runtime/machine/easing.h), whatever the timing's duration is.
struct Easing {
  EasingType type = EasingType::CubicBezier;
  double x1 = 0.25, y1 = 0.1, x2 = 0.25, y2 = 1;
  int count = 1;
  bool jumpAtStart = false;
  double period = 240;   // Spring: of the oscillation without damping, ms, 20–5000
  double damping = 0.5;  // … 0.05–2; 1 just does not overshoot
  bool operator==(const Easing&) const = default;
};

// "linear", "bezier 0.2 0.7 0.2 1", "steps 4", "steps 4 start", "spring 240 0.5".
std::string toText(const Easing& easing);
std::optional<Easing> parseEasing(std::string_view text);

// Stands for a named value of the project (runtime/document/named.h).
struct NamedRef {
  NamedId id;
  bool operator==(const NamedRef&) const = default;
};

using Value = std::variant<double, bool, Colour, Fill, Shadow, std::string, Four, Easing, NamedRef>;

// The values of all channels of a kind at one moment. `Shown` is a number here, 1 or 0 and between,
// so that a part that comes or goes fades.
using Look = std::vector<Value>;

struct Naming;

// A value in a few words, as the ledger shows it and as parseValue takes it back. With `names`,
// what is named is told by its name.
std::string toText(const Value& value, const Naming* names = nullptr);
// Reads a text typed for a value of the same sort as `like`; the error says what was expected.
// With `names`, a name that fits stands for its value.
std::optional<Value> parseValue(std::string_view text, const Value& like, std::string* expected,
                                const Naming* names = nullptr);

}  // namespace bristle
