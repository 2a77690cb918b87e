// Captions that are too small from where people sit, and letters that a font does not have.
#include <fmt/format.h>

#include <cmath>
#include <map>
#include <numbers>

#include "core/findings/rules.h"
#include "runtime/layout/layout.h"

namespace bristle {
namespace {

constexpr double kCapital = 0.7;  // of a font’s size: about as high as its capitals are
constexpr double kMmToAnInch = 25.4;

// Minutes of arc.
double seenHigh(double px, const Display& display) {
  const double mm = px * display.scale * kMmToAnInch / display.perInch;
  return 2 * std::atan(mm / 2 / display.distance) * 180 / std::numbers::pi * 60;
}

}  // namespace

// As they are painted, shrunk where they have to be, on each display and in each language; of each
// button the worst is told.
void checkTextSize(const Surroundings& around, const Screen& screen, Findings& out) {
  const Project& project = around.project;
  const double least = project.settings.leastText;
  if (!around.eyes || least <= 0) return;
  struct Worst {
    double seen = 1e9;
    const Display* display = nullptr;
    LanguageId language;
  };
  std::map<size_t, Worst> worst;
  for (const Display& display : project.displays) {
    if (display.perInch <= 0 || display.distance <= 0) continue;
    for (const Language& language : project.languages) {
      if (around.stopped()) return;
      const Layout layout = layOut(project, screen, {display, language.id}, around.eyes->measure());
      for (size_t i = 0; i < screen.items.size(); ++i) {
        if (!screen.items[i]->button() || !layout.items[i].isSeen()) continue;
        const double px = around.eyes->captionSize(project, screen, layout, i);
        if (px <= 0) continue;
        const double seen = seenHigh(px * kCapital * layout.items[i].scale, display);
        if (seen < worst[i].seen) worst[i] = {seen, &display, language.id};
      }
    }
  }
  for (const auto& [i, each] : worst) {
    if (each.seen >= least) continue;
    const Item& item = *screen.items[i];
    out.push_back({.rule = "small-text",
                   .place = fmt::format("{} · {}", screen.name, displayName(item)),
                   .reason = fmt::format("its capitals are seen {:.1f}′ high on {}; {:g}′ are "
                                         "wanted",
                                         each.seen, each.display->name, least),
                   .screen = screen.id,
                   .item = item.id,
                   .display = each.display->id,
                   .language = each.language,
                   .figure = each.seen,
                   .limit = least,
                   .unit = "′"});
  }
}

// In each language; of each button what is missing first is told.
void checkGlyphs(const Surroundings& around, const Screen& screen, Findings& out) {
  const Project& project = around.project;
  if (!around.eyes || project.displays.empty()) return;
  for (const auto& item : screen.items) {
    if (!item->button() || around.stopped()) continue;
    for (const Language& language : project.languages) {
      const auto missing = around.eyes->missingLetters(project, *item->button(), language.id);
      if (missing.letters.empty()) continue;
      out.push_back({.rule = "missing-letters",
                     .place = fmt::format("{} · {}", screen.name, displayName(*item)),
                     .reason = fmt::format("{} has no “{}”, which its caption has in {}",
                                           missing.family, missing.letters, language.name),
                     .screen = screen.id,
                     .item = item->id,
                     .language = language.id});
      break;
    }
  }
}

}  // namespace bristle
