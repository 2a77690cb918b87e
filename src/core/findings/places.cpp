// How a screen lies on each display in each language: the same fault is told once, with all of
// where it shows.
#include <fmt/format.h>

#include <algorithm>
#include <map>

#include "core/edit/screen_edits.h"
#include "core/findings/overlaps.h"
#include "core/findings/place_faults.h"
#include "core/findings/rules.h"

namespace bristle {

std::string_view ruleOf(PlaceFaultSort sort) {
  switch (sort) {
    case PlaceFaultSort::CaptionCut:
      return "caption-cut";
    case PlaceFaultSort::TooSmall:
      return "too-small";
    case PlaceFaultSort::Outside:
      return "outside";
    case PlaceFaultSort::Beyond:
      return "beyond";
    case PlaceFaultSort::Unsafe:
      return "unsafe";
    case PlaceFaultSort::Overlap:
      return "hit-overlap";
    case PlaceFaultSort::Blocked:
      return "blocked";
    case PlaceFaultSort::Unpinned:
      return "unpinned";
    case PlaceFaultSort::Unlocked:
      return "unlocked";
  }
  return {};
}

namespace {

// One fault wherever it shows.
struct Seen {
  PlaceFault worst = {};
  DisplayId display = {};
  LanguageId language = {};
  size_t times = 0;
};

std::string whereOf(const Project& project, const Seen& seen) {
  const std::string display = find(project, seen.display)->name;
  const std::string language = languageOf(project, seen.language).name;
  std::string out = project.languages.size() > 1 ? display + ", " + language : display;
  if (seen.times > 1) out += fmt::format(", and {} more", seen.times - 1);
  return out;
}

// What mends it at once; other faults are for the person to decide.
std::vector<Edit> mendsOf(const Screen& screen, const PlaceFault& fault) {
  const ItemId item = screen.items[fault.item]->id;
  if (fault.sort != PlaceFaultSort::Unlocked) return {};
  return {
      changeItems(screen.id, {item}, "lock the background", {}, [](Item& i) { i.locked = true; })};
}

void tell(const Surroundings& around, const Screen& screen, const Seen& seen, Findings& out) {
  const PlaceFault& fault = seen.worst;
  Finding f{.rule = ruleOf(fault.sort),
            .place = fmt::format("{} · {}", screen.name, displayName(*screen.items[fault.item])),
            .reason = fmt::format("{} ({})", inWords(fault, screen), whereOf(around.project, seen)),
            .screen = screen.id,
            .item = screen.items[fault.item]->id,
            .display = seen.display,
            .language = seen.language,
            .mends = mendsOf(screen, fault)};
  if (fault.sort == PlaceFaultSort::Overlap) f.detail = screen.items[fault.other]->id.text;
  if (fault.by > 0) {
    f.figure = fault.by;
    f.limit = 0;
    f.unit = "px";
  }
  out.push_back(std::move(f));
}

// Where fonts are not known only what no text changes is told of.
void tellOverlaps(const Surroundings& around, const Screen& screen, Findings& out) {
  const Project& project = around.project;
  const Display& display = project.displays.front();
  const Layout layout = layOut(project, screen, display, PlainMeasure());
  for (const Overlap& overlap : overlapsOf(project, screen, layout, around.stop)) {
    const auto [below, above] = std::minmax(overlap.left, overlap.right);
    tell(around, screen,
         {{PlaceFaultSort::Overlap, above, below, overlap.by},
          display.id,
          project.languages.front().id,
          1},
         out);
  }
}

}  // namespace

void checkPlaces(const Surroundings& around, const Screen& screen, Findings& out) {
  const Project& project = around.project;
  if (project.displays.empty()) return;
  if (!around.eyes) return tellOverlaps(around, screen, out);
  std::map<std::tuple<size_t, PlaceFaultSort, size_t>, Seen> all;
  for (const Display& display : project.displays)
    for (const Language& language : project.languages) {
      if (around.stopped()) return;
      const Layout layout = layOut(project, screen, {display, language.id}, around.eyes->measure());
      const auto isCut = [&](size_t item) {
        return around.eyes->cutsCaption(project, screen, layout, item);
      };
      for (const PlaceFault& fault : placeFaults(project, screen, layout, isCut)) {
        Seen& seen = all[{fault.item, fault.sort, fault.other}];
        if (seen.times == 0 || fault.by > seen.worst.by) {
          seen.worst = fault;
          seen.display = display.id;
          seen.language = language.id;
        }
        ++seen.times;
      }
    }
  for (const auto& [key, seen] : all) tell(around, screen, seen, out);
}

}  // namespace bristle
