// Reads the values of one part out of a look: they lie together, in the order of the registry.
#pragma once
#include "runtime/document/property.h"

namespace bristle {

class PartValues {
 public:
  // Mirrored: from right to left, as its screen; start and end, left and right change places.
  PartValues(PartType type, const Value* first, bool mirrored = false)
      : type_(type), first_(first), mirrored_(mirrored) {}
  PartType type() const { return type_; }
  bool mirrored() const { return mirrored_; }
  double number(Prop prop) const { return std::get<double>(at(prop)); }
  const std::string& text(Prop prop) const { return std::get<std::string>(at(prop)); }
  Colour colour(Prop prop) const { return std::get<Colour>(at(prop)); }
  const Fill& fill(Prop prop) const { return std::get<Fill>(at(prop)); }
  const Shadow& shadow(Prop prop) const { return std::get<Shadow>(at(prop)); }
  const Four& four(Prop prop) const { return std::get<Four>(at(prop)); }
  bool flag(Prop prop) const { return std::get<bool>(at(prop)); }
  bool has(Prop prop) const { return indexOf(type_, prop) >= 0; }
  const Value& value(Prop prop) const { return at(prop); }
  // Channels of `Shown` are numbers, so that parts can fade.
  double shown() const { return number(Prop::Shown); }
  PartValues next(PartType type) const {
    return {type, first_ + propertiesOf(type_).size(), mirrored_};
  }

 private:
  const Value& at(Prop prop) const { return first_[static_cast<size_t>(indexOf(type_, prop))]; }
  PartType type_;
  const Value* first_;
  bool mirrored_;
};

// Calls visit(part, values) for each part of a kind, and gives the values of the whole.
template <class Parts, class Visit>
PartValues eachPart(const Parts& parts, const Value* look, Visit visit, bool mirrored = false) {
  const Value* at = look;
  for (const auto& part : parts) {
    visit(part, PartValues(part.type, at, mirrored));
    at += propertiesOf(part.type).size();
  }
  return {PartType::Whole, at, mirrored};
}

}  // namespace bristle
