#include "core/findings/visible.h"

#include <algorithm>

namespace bristle {
namespace {

struct PartLook {
  PartType type;
  const Value* first;
  const Value& at(Prop prop) const { return first[static_cast<size_t>(indexOf(type, prop))]; }
  double number(Prop prop) const { return std::get<double>(at(prop)); }
  Colour colour(Prop prop) const { return std::get<Colour>(at(prop)); }
};

bool anyColour(const Fill& fill) {
  return fill.type != FillType::None &&
         std::any_of(fill.stops.begin(), fill.stops.end(),
                     [](const Stop& stop) { return stop.colour.a > 0; });
}

bool paints(const PartLook& p) {
  if (p.number(Prop::Shown) <= 0 || p.number(Prop::Opacity) <= 0 || p.number(Prop::Scale) <= 0)
    return false;
  switch (p.type) {
    case PartType::Shape: {
      const auto shade = [&](Prop prop) { return std::get<Shadow>(p.at(prop)).colour.a > 0; };
      return anyColour(std::get<Fill>(p.at(Prop::Fill))) || shade(Prop::Shadow) ||
             shade(Prop::Glow) || shade(Prop::InnerShadow) ||
             (p.number(Prop::BorderWidth) > 0 && p.colour(Prop::BorderColour).a > 0) ||
             p.number(Prop::Bevel) > 0;
    }
    case PartType::Label:
    case PartType::Marker:
      return p.colour(Prop::Colour).a > 0;
    case PartType::Picture:
      return !std::get<std::string>(p.at(Prop::File)).empty();
    case PartType::Icon:
      return std::get<bool>(p.at(Prop::LikeCaption)) || p.colour(Prop::Colour).a > 0;
    case PartType::Whole:
      return false;
  }
  return false;
}

const Value* wholeOf(const Kind& kind, const Look& look) {
  size_t at = 0;
  for (const Part& part : kind.parts) at += propertiesOf(part.type).size();
  return look.data() + at;
}

}  // namespace

bool canBeSeen(const Kind& kind, const Look& look) {
  const PartLook whole{PartType::Whole, wholeOf(kind, look)};
  if (whole.number(Prop::Opacity) <= 0 || whole.number(Prop::Scale) <= 0) return false;
  const Value* at = look.data();
  bool seen = false;
  for (const Part& part : kind.parts) {
    seen |= paints({part.type, at});
    at += propertiesOf(part.type).size();
  }
  return seen;
}

bool lookAlike(const Kind& kind, const Look& a, const Look& b) {
  const Value *x = a.data(), *y = b.data();
  for (const Part& part : kind.parts) {
    const size_t n = propertiesOf(part.type).size();
    const bool seen = paints({part.type, x}) || paints({part.type, y});
    if (seen && !std::equal(x, x + n, y)) return false;
    x += n;
    y += n;
  }
  return std::equal(x, a.data() + a.size(), y);
}

}  // namespace bristle
