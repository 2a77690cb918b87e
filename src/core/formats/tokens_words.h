// What the Design Tokens format calls our types and weights, for reading and writing.
#pragma once
#include <functional>
#include <string>

#include "runtime/document/named.h"
#include "runtime/formats/json_reader.h"

namespace bristle::tokens {

inline constexpr const char* kOurs = "app.bristle";

struct TypeName {
  NamedType ours;
  const char* token;
};
inline constexpr TypeName kTypes[] = {
    {NamedType::Colour, "color"},       {NamedType::Length, "dimension"},
    {NamedType::Number, "number"},      {NamedType::Font, "fontFamily"},
    {NamedType::Weight, "fontWeight"},  {NamedType::Duration, "duration"},
    {NamedType::Easing, "cubicBezier"}, {NamedType::Gradient, "gradient"},
    {NamedType::Shadow, "shadow"},
};
struct Weight {
  const char* name;
  double value;
};
inline constexpr Weight kWeights[] = {
    {"thin", 100},   {"extra-light", 200}, {"light", 300}, {"normal", 400},     {"regular", 400},
    {"medium", 500}, {"semi-bold", 600},   {"bold", 700},  {"extra-bold", 800}, {"black", 900}};

using NameOf = std::function<std::string(const NamedId&)>;
// The value as the format has it, as near as it can.
Json tokenValue(NamedType type, const Value& value, const NameOf& nameOf);

}  // namespace bristle::tokens
