#include "core/document/property.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cmath>

namespace bristle {
namespace {

using P = Prop;
constexpr double kFar = 4000;  // px: no offset of a part is meant to be larger
const Colour kInk{36, 33, 30, 255};

const std::array kWhole{
    PropertyInfo{P::Opacity, PartType::Whole, "opacity", "Opacity", 1.0, 0, 1, 0.01},
    PropertyInfo{P::Scale, PartType::Whole, "scale", "Scale", 1.0, 0, 10, 0.01},
    PropertyInfo{P::PivotX, PartType::Whole, "pivotX", "Pivot x", 0.5, -2, 3, 0.01},
    PropertyInfo{P::PivotY, PartType::Whole, "pivotY", "Pivot y", 0.5, -2, 3, 0.01},
};
const std::array kShape{
    PropertyInfo{P::Shown, PartType::Shape, "shown", "Shown", true},
    PropertyInfo{P::Fill, PartType::Shape, "fill", "Fill", Fill{}},
    PropertyInfo{P::BorderColour, PartType::Shape, "borderColour", "Border colour", kInk},
    PropertyInfo{P::BorderWidth, PartType::Shape, "borderWidth", "Border width", 0.0, 0, 200},
    PropertyInfo{P::Radius, PartType::Shape, "radius", "Corners", 0.0, 0, 2000},
    PropertyInfo{P::Outset, PartType::Shape, "outset", "Outset", 0.0, -500, 500},
    PropertyInfo{P::Shadow, PartType::Shape, "shadow", "Shadow", Shadow{}},
};
const std::array kLabel{
    PropertyInfo{P::Shown, PartType::Label, "shown", "Shown", true},
    PropertyInfo{P::Colour, PartType::Label, "colour", "Colour", kInk},
    PropertyInfo{P::Family, PartType::Label, "family", "Font", std::string("Inter")},
    PropertyInfo{P::Size, PartType::Label, "size", "Size", 24.0, 4, 400},
    PropertyInfo{P::Weight, PartType::Label, "weight", "Weight", 500.0, 100, 900, 10},
    PropertyInfo{P::Align, PartType::Label, "align", "Align", std::string("centre"), 0, 0, 0,
                 "start|centre|end"},
    PropertyInfo{P::OffsetX, PartType::Label, "offsetX", "Offset x", 0.0, -kFar, kFar},
    PropertyInfo{P::OffsetY, PartType::Label, "offsetY", "Offset y", 0.0, -kFar, kFar},
};
const std::array kMarker{
    PropertyInfo{P::Shown, PartType::Marker, "shown", "Shown", true},
    PropertyInfo{P::Glyph, PartType::Marker, "glyph", "Form", std::string("wedge"), 0, 0, 0,
                 "wedge|bar|drop"},
    PropertyInfo{P::Colour, PartType::Marker, "colour", "Colour", kInk},
    PropertyInfo{P::Size, PartType::Marker, "size", "Size", 12.0, 1, 1000},
    PropertyInfo{P::OffsetX, PartType::Marker, "offsetX", "Offset x", 0.0, -kFar, kFar},
    PropertyInfo{P::OffsetY, PartType::Marker, "offsetY", "Offset y", 0.0, -kFar, kFar},
};
const std::array kPicture{
    PropertyInfo{P::Shown, PartType::Picture, "shown", "Shown", true},
    PropertyInfo{P::File, PartType::Picture, "file", "File", std::string()},
    PropertyInfo{P::Fit, PartType::Picture, "fit", "Fit", std::string("contain"), 0, 0, 0,
                 "contain|cover|whole"},
    PropertyInfo{P::Opacity, PartType::Picture, "opacity", "Opacity", 1.0, 0, 1, 0.01},
};

}  // namespace

std::span<const PropertyInfo> propertiesOf(PartType type) {
  switch (type) {
    case PartType::Whole:
      return kWhole;
    case PartType::Shape:
      return kShape;
    case PartType::Label:
      return kLabel;
    case PartType::Marker:
      return kMarker;
    case PartType::Picture:
      return kPicture;
  }
  return {};
}

const PropertyInfo* findProperty(PartType type, Prop prop) {
  for (const auto& info : propertiesOf(type))
    if (info.prop == prop) return &info;
  return nullptr;
}

const PropertyInfo* findProperty(PartType type, std::string_view key) {
  for (const auto& info : propertiesOf(type))
    if (info.key == key) return &info;
  return nullptr;
}

std::string whyUnsuitable(const PropertyInfo& info, const Value& value) {
  if (value.index() != info.start.index()) return "another type of value";
  if (const auto* number = std::get_if<double>(&value)) {
    if (!std::isfinite(*number) || *number < info.least || *number > info.most)
      return fmt::format("a number from {:g} to {:g}", info.least, info.most);
  }
  if (const auto* text = std::get_if<std::string>(&value); text && !info.choices.empty()) {
    const std::string all = fmt::format("|{}|", info.choices);
    if (text->empty() || all.find("|" + *text + "|") == all.npos)
      return fmt::format("one of {}", info.choices);
  }
  return {};
}

std::string_view nameOf(PartType type) {
  switch (type) {
    case PartType::Whole:
      return "whole";
    case PartType::Shape:
      return "shape";
    case PartType::Label:
      return "label";
    case PartType::Marker:
      return "marker";
    case PartType::Picture:
      return "picture";
  }
  return {};
}

}  // namespace bristle
