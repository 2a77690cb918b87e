// The registry of what a part's look is made of. A new property is one line in property.cpp; the
// ledger, the file format, motion and the checks read this table.
#pragma once
#include <cstdint>
#include <optional>
#include <span>
#include <string_view>

#include "runtime/document/ids.h"
#include "runtime/document/value.h"

namespace bristle {

enum class PartType : std::uint8_t { Whole, Shape, Label, Marker, Picture, Icon };

enum class Prop : std::uint8_t {
  Shown,
  Fill,
  BorderColour,
  BorderWidth,
  Radius,
  Outset,
  Shadow,
  Colour,
  Family,
  Size,
  Weight,
  Align,
  OffsetX,
  OffsetY,
  Glyph,
  File,
  Fit,
  Opacity,
  Scale,
  PivotX,
  PivotY,
  Form,
  Sides,
  Point,
  Outline,
  BorderPlace,
  DashOn,
  DashOff,
  InnerShadow,
  Glow,
  Bevel,
  BevelLight,
  BevelDark,
  Spacing,
  Case,
  Padding,
  Lines,
  Overflow,
  Slices,
  Tint,
  FramesAcross,
  FramesDown,
  FrameRate,
  Playing,
  Icon,
  LikeCaption,
  PinX,
  PinY,
  Width,
  Height,
  Rotation,
};
inline constexpr size_t kPropCount = static_cast<size_t>(Prop::Rotation) + 1;

// One property of one part of a kind. An empty part is the whole button.
struct PropKey {
  PartId part;
  Prop prop = Prop::Shown;
  bool operator==(const PropKey&) const = default;
  bool operator<(const PropKey& other) const {
    return part == other.part ? prop < other.prop : part < other.part;
  }
};

struct PropertyInfo {
  Prop prop;
  PartType part;
  std::string_view key;                  // its name in files
  std::string_view label;                // its name in the ledger
  Value start;                           // what it is where nothing is said; tells its type, too
  double least = 0, most = 0, step = 1;  // for numbers: range, and what one scrubbed pixel adds
  std::string_view choices = {};         // for texts with fixed answers: "start|centre|end"
  bool basic = true;                     // false: the ledger folds it away while nobody has set it
};

// In the order of the ledger and of a look’s channels.
std::span<const PropertyInfo> propertiesOf(PartType type);
// The place of a property among those of its sort of part; −1 where it has none such.
int indexOf(PartType type, Prop prop);
// Null where that sort of part has no such property.
const PropertyInfo* findProperty(PartType type, Prop prop);
const PropertyInfo* findProperty(PartType type, std::string_view key);
// The key by which a property is known whatever part has it; nothing where no property has it.
std::string_view keyOf(Prop prop);
std::string_view labelOf(Prop prop);
std::optional<Prop> parseProp(std::string_view key);
// Empty when the value suits the property, else what was expected.
std::string whyUnsuitable(const PropertyInfo& info, const Value& value);

// As it stands in files.
std::string_view nameOf(PartType type);
std::optional<PartType> parsePartType(std::string_view name);  // not "whole"

}  // namespace bristle
