#include "core/derive/ground.h"

#include "runtime/document/named.h"
#include "runtime/document/property.h"
#include "runtime/machine/mix.h"

namespace bristle {
namespace {

const Colour kMiddle{110, 109, 107, 255};
constexpr int kHalf = 128;  // of 255: a panel that is less opaque is a veil, and no ground

bool isGround(const Fill& fill) {
  return !fill.stops.empty() && fill.stops[0].colour.a >= kHalf;
}

Colour colourOf(const Project& project, const Fill& ground) {
  const Value fill =
      settled(Value(ground), *findProperty(PartType::Shape, Prop::Fill), naming(project));
  return over(std::get<Fill>(fill).stops[0].colour, {0, 0, 0, 255});
}

// Calls `found(kind, ground)` for each button that stands on something, until it says that this is
// enough.
template <class Found>
void walk(const Project& project, Found found) {
  for (const auto& screen : project.screens) {
    const Fill* ground = screen->backdrop.stops.empty() ? nullptr : &screen->backdrop;
    for (const auto& item : screen->items) {
      if (const auto* panel = std::get_if<PanelData>(&item->what)) {
        if (isGround(panel->fill)) ground = &panel->fill;
      } else if (const auto* button = item->button(); button && ground) {
        if (found(button->kind, *ground)) return;
      }
    }
  }
}

}  // namespace

Colour groundOf(const Project& project, const KindId& kind) {
  Colour out = kMiddle;
  walk(project, [&](const KindId& of, const Fill& ground) {
    if (of != kind) return false;
    out = colourOf(project, ground);
    return true;
  });
  return out;
}

std::map<KindId, Colour> groundsOf(const Project& project) {
  std::map<KindId, Colour> out;
  walk(project, [&](const KindId& kind, const Fill& ground) {
    const auto [at, isNew] = out.try_emplace(kind);
    if (isNew) at->second = colourOf(project, ground);
    return out.size() == project.kinds.size();
  });
  return out;
}

}  // namespace bristle
