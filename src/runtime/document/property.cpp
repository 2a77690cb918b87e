#include "runtime/document/property.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <vector>

namespace bristle {
namespace {

using P = Prop;
using T = PartType;
using Table = std::vector<PropertyInfo>;
constexpr double kFar = 4000;  // px: no offset of a part is meant to be larger
const Colour kInk{36, 33, 30, 255};
const Colour kNoColour{0, 0, 0, 0};

PropertyInfo text(P prop, T part, std::string_view key, std::string_view label, const char* start,
                  std::string_view choices, bool basic) {
  return {prop, part, key, label, std::string(start), 0, 0, 0, choices, basic};
}

PropertyInfo plain(P prop, T part, std::string_view key, std::string_view label, Value start,
                   bool basic) {
  return {prop, part, key, label, std::move(start), 0, 0, 0, {}, basic};
}

// Where a part stands in the button: pinned to an edge or the centre, moved from there, turned and
// scaled about its own pivot. A width or height of 0 is the box's own.
Table placing(T part, const char* pinX, bool sized) {
  Table out{
      text(P::PinX, part, "pinX", "Pinned across", pinX, "start|centre|end", false),
      text(P::PinY, part, "pinY", "Pinned down", "centre", "start|centre|end", false),
      {P::OffsetX, part, "offsetX", "Offset x", 0.0, -kFar, kFar, 1, {}, part != T::Shape},
      {P::OffsetY, part, "offsetY", "Offset y", 0.0, -kFar, kFar, 1, {}, part != T::Shape},
  };
  if (sized) {
    out.push_back({P::Width, part, "width", "Width", 0.0, 0, 8000, 1, {}, false});
    out.push_back({P::Height, part, "height", "Height", 0.0, 0, 8000, 1, {}, false});
  }
  out.push_back({P::Rotation, part, "rotation", "Rotation", 0.0, -3600, 3600, 1, {}, false});
  out.push_back({P::Scale, part, "scale", "Scale", 1.0, 0, 10, 0.01, {}, false});
  out.push_back({P::PivotX, part, "pivotX", "Pivot x", 0.5, -2, 3, 0.01, {}, false});
  out.push_back({P::PivotY, part, "pivotY", "Pivot y", 0.5, -2, 3, 0.01, {}, false});
  out.push_back({P::Opacity, part, "opacity", "Opacity", 1.0, 0, 1, 0.01, {}, part == T::Picture});
  return out;
}

Table joined(Table first, const Table& second) {
  first.insert(first.end(), second.begin(), second.end());
  return first;
}

Table whole() {
  return {
      {P::Opacity, T::Whole, "opacity", "Opacity", 1.0, 0, 1, 0.01},
      {P::Scale, T::Whole, "scale", "Scale", 1.0, 0, 10, 0.01},
      {P::PivotX, T::Whole, "pivotX", "Pivot x", 0.5, -2, 3, 0.01},
      {P::PivotY, T::Whole, "pivotY", "Pivot y", 0.5, -2, 3, 0.01},
      {P::OffsetX, T::Whole, "offsetX", "Offset x", 0.0, -kFar, kFar, 1, {}, false},
      {P::OffsetY, T::Whole, "offsetY", "Offset y", 0.0, -kFar, kFar, 1, {}, false},
      {P::Rotation, T::Whole, "rotation", "Rotation", 0.0, -3600, 3600, 1, {}, false},
  };
}

Table shape() {
  constexpr T t = T::Shape;
  return joined(
      {plain(P::Shown, t, "shown", "Shown", true, true),
       text(P::Form, t, "form", "Form", "rectangle",
            "rectangle|ellipse|pill|chevron|polygon|outline", false),
       plain(P::Fill, t, "fill", "Fill", Fill{}, true),
       plain(P::BorderColour, t, "borderColour", "Border colour", kInk, true),
       {P::BorderWidth, t, "borderWidth", "Border width", 0.0, 0, 200},
       text(P::BorderPlace, t, "borderPlace", "Border lies", "inside", "inside|centre|outside",
            false),
       {P::DashOn, t, "dashOn", "Dash", 0.0, 0, 500, 1, {}, false},
       {P::DashOff, t, "dashOff", "Dash gap", 0.0, 0, 500, 1, {}, false},
       {P::Radius, t, "radius", "Corners", Four{}, 0, 2000},
       {P::Sides, t, "sides", "Sides", 6.0, 3, 24, 1, {}, false},
       {P::Point, t, "point", "Point", 16.0, -2000, 2000, 1, {}, false},
       plain(P::Outline, t, "outline", "SVG path", std::string(), false),
       {P::Outset, t, "outset", "Outset", 0.0, -500, 500},
       plain(P::Shadow, t, "shadow", "Shadow", Shadow{}, true),
       plain(P::InnerShadow, t, "innerShadow", "Inner shadow", Shadow{}, false),
       plain(P::Glow, t, "glow", "Glow", Shadow{}, false),
       {P::Bevel, t, "bevel", "Bevel", 0.0, 0, 100, 1, {}, false},
       plain(P::BevelLight, t, "bevelLight", "Bevel light", Colour{255, 255, 255, 110}, false),
       plain(P::BevelDark, t, "bevelDark", "Bevel dark", Colour{0, 0, 0, 110}, false)},
      placing(t, "centre", true));
}

Table label() {
  constexpr T t = T::Label;
  return joined(
      {plain(P::Shown, t, "shown", "Shown", true, true),
       plain(P::Colour, t, "colour", "Colour", kInk, true),
       plain(P::Family, t, "family", "Font", std::string("Inter"), true),
       {P::Size, t, "size", "Size", 24.0, 4, 400},
       {P::Weight, t, "weight", "Weight", 500.0, 100, 900, 10},
       text(P::Align, t, "align", "Align", "centre", "start|centre|end", true),
       {P::Spacing, t, "spacing", "Letter spacing", 0.0, -50, 200, 0.1, {}, false},
       text(P::Case, t, "case", "Case", "as typed", "as typed|upper|lower", false),
       {P::Padding, t, "padding", "Padding", Four{}, 0, 2000, 1, {}, false},
       {P::Lines, t, "lines", "Lines", 1.0, 1, 2, 0.05, {}, false},
       text(P::Overflow, t, "overflow", "Too long", "ellipsis", "ellipsis|shrink|spill", false)},
      placing(t, "centre", true));
}

Table marker() {
  constexpr T t = T::Marker;
  return joined(
      {plain(P::Shown, t, "shown", "Shown", true, true),
       text(P::Glyph, t, "glyph", "Form", "wedge", "wedge|bar|drop|underline|caret|dot", true),
       plain(P::Colour, t, "colour", "Colour", kInk, true),
       {P::Size, t, "size", "Size", 12.0, 1, 1000}},
      placing(t, "start", false));
}

Table picture() {
  constexpr T t = T::Picture;
  return joined({plain(P::Shown, t, "shown", "Shown", true, true),
                 plain(P::File, t, "file", "File", std::string(), true),
                 text(P::Fit, t, "fit", "Fit", "contain", "contain|cover|whole|nine-slice", true),
                 {P::Slices, t, "slices", "Slice margins", Four{}, 0, 4000, 1, {}, false},
                 plain(P::Tint, t, "tint", "Tint", kNoColour, false),
                 {P::FramesAcross, t, "framesAcross", "Frames across", 1.0, 1, 200, 0.1, {}, false},
                 {P::FramesDown, t, "framesDown", "Frames down", 1.0, 1, 200, 0.1, {}, false},
                 {P::FrameRate, t, "frameRate", "Frames a second", 12.0, 0.1, 120, 0.1, {}, false},
                 text(P::Playing, t, "playing", "Frames play", "stand", "stand|loop|once", false)},
                placing(t, "centre", true));
}

Table icon() {
  constexpr T t = T::Icon;
  return joined({plain(P::Shown, t, "shown", "Shown", true, true),
                 plain(P::Icon, t, "icon", "Icon", std::string("star"), true),
                 plain(P::LikeCaption, t, "likeCaption", "Caption’s colour", true, true),
                 plain(P::Colour, t, "colour", "Colour", kInk, true),
                 {P::Size, t, "size", "Size", 24.0, 1, 1000}},
                placing(t, "start", false));
}

struct Registry {
  std::array<Table, 6> tables{whole(), shape(), label(), marker(), picture(), icon()};
  std::array<std::array<std::int8_t, kPropCount>, 6> places{};
  Registry() {
    for (size_t t = 0; t < tables.size(); ++t) {
      places[t].fill(-1);
      for (size_t i = 0; i < tables[t].size(); ++i)
        places[t][static_cast<size_t>(tables[t][i].prop)] = static_cast<std::int8_t>(i);
    }
  }
};

const Registry& registry() {
  static const Registry all;
  return all;
}

bool within(const PropertyInfo& info, double value) {
  return std::isfinite(value) && value >= info.least && value <= info.most;
}

}  // namespace

std::span<const PropertyInfo> propertiesOf(PartType type) {
  return registry().tables[static_cast<size_t>(type)];
}

int indexOf(PartType type, Prop prop) {
  return registry().places[static_cast<size_t>(type)][static_cast<size_t>(prop)];
}

const PropertyInfo* findProperty(PartType type, Prop prop) {
  const int at = indexOf(type, prop);
  return at < 0 ? nullptr : &propertiesOf(type)[static_cast<size_t>(at)];
}

const PropertyInfo* findProperty(PartType type, std::string_view key) {
  for (const auto& info : propertiesOf(type))
    if (info.key == key) return &info;
  return nullptr;
}

namespace {
const PropertyInfo* anyWith(Prop prop) {
  for (const Table& table : registry().tables)
    for (const PropertyInfo& info : table)
      if (info.prop == prop) return &info;
  return nullptr;
}
}  // namespace

std::string_view keyOf(Prop prop) {
  const PropertyInfo* info = anyWith(prop);
  return info ? info->key : std::string_view();
}

std::string_view labelOf(Prop prop) {
  const PropertyInfo* info = anyWith(prop);
  return info ? info->label : std::string_view();
}

std::optional<Prop> parseProp(std::string_view key) {
  for (const Table& table : registry().tables)
    for (const PropertyInfo& info : table)
      if (info.key == key) return info.prop;
  return {};
}

std::string whyUnsuitable(const PropertyInfo& info, const Value& value) {
  if (value.index() != info.start.index()) return "another type of value";
  if (const auto* number = std::get_if<double>(&value); number && !within(info, *number))
    return fmt::format("a number from {:g} to {:g}", info.least, info.most);
  if (const auto* four = std::get_if<Four>(&value))
    for (double v : {four->a, four->b, four->c, four->d})
      if (!within(info, v)) return fmt::format("lengths from {:g} to {:g}", info.least, info.most);
  if (const auto* text = std::get_if<std::string>(&value); text && !info.choices.empty()) {
    const std::string all = fmt::format("|{}|", info.choices);
    if (text->empty() || all.find("|" + *text + "|") == all.npos)
      return fmt::format("one of {}", info.choices);
  }
  return {};
}

std::string_view nameOf(PartType type) {
  constexpr std::array<std::string_view, 6> names{"whole",  "shape",   "label",
                                                  "marker", "picture", "icon"};
  return names[static_cast<size_t>(type)];
}

std::optional<PartType> parsePartType(std::string_view name) {
  for (auto type : {T::Shape, T::Label, T::Marker, T::Picture, T::Icon})
    if (nameOf(type) == name) return type;
  return {};
}

}  // namespace bristle
