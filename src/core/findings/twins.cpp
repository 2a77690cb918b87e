// Colours of one kind that are so near to each other that one was meant.
#include <fmt/format.h>

#include <vector>

#include "core/edit/kind_edits.h"
#include "core/findings/rules.h"
#include "core/findings/vision.h"

namespace bristle {
namespace {

// Of OKLab (Ottosson 2020): about what can just be told apart side by side.
constexpr double kNear = 0.02;

std::string hex(Colour c) {
  return c.a == 255 ? fmt::format("#{:02x}{:02x}{:02x}", c.r, c.g, c.b)
                    : fmt::format("#{:02x}{:02x}{:02x}{:02x}", c.r, c.g, c.b, c.a);
}

template <class AnyKind, class Use>
void eachLook(AnyKind& kind, Use use) {
  use(kind.base);
  for (auto& [state, values] : kind.departures) use(values);
}

void put(LookValues& values, Colour go, Colour keep) {
  std::vector<PropKey> keys;
  for (const auto& [key, value] : values)
    if (value == Value(go)) keys.push_back(key);
  for (const PropKey& key : keys) values.set(key, keep);
}

}  // namespace

// What is named is meant; only what is typed drifts.
void checkTwins(const Surroundings&, const Kind& kind, Findings& out) {
  std::vector<std::pair<Colour, int>> all;  // each once, and how often
  const auto count = [&](const Colour& c) {
    for (auto& [known, times] : all)
      if (known == c) return void(++times);
    all.emplace_back(c, 1);
  };
  eachLook(kind, [&](const LookValues& values) {
    for (const auto& [key, value] : values)
      if (const auto* colour = std::get_if<Colour>(&value)) count(*colour);
  });
  for (size_t i = 0; i < all.size(); ++i)
    for (size_t j = i + 1; j < all.size(); ++j) {
      Colour keep = all[i].first, go = all[j].first;
      if (keep.a != go.a || keep.a == 0) continue;
      const double far = lookApart(keep, go);
      if (far >= kNear) continue;
      if (all[j].second > all[i].second) std::swap(keep, go);
      out.push_back(
          {.place = "kind “" + kind.name + "”",
           .reason =
               fmt::format("{} and {} look the same: one of them was meant", hex(keep), hex(go)),
           .kind = kind.id,
           .detail = hex(all[i].first) + " " + hex(all[j].first),
           .figure = far,
           .limit = kNear,
           .unit = "ΔE",
           .mends = {changeKind(kind.id, fmt::format("use {} for both", hex(keep)), {},
                                [keep, go](Kind& k) {
                                  eachLook(k, [&](LookValues& values) { put(values, go, keep); });
                                })}});
    }
}

}  // namespace bristle
