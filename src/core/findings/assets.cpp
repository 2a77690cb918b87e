// Files that can be read, and are not what they should be.
#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>

#include "core/edit/used_files.h"
#include "core/findings/check.h"

namespace bristle {
namespace {

constexpr double kMostTimes = 2;         // as wide and as high as it is shown, at most
constexpr double kSmall = 512;           // px: below, nobody minds
constexpr int kMostCutOff = 8;           // samples: that many nobody hears
constexpr const char* kFonts = "fonts";  // the folder of those that a project brings along

std::string fileOf(const std::string& file) {
  return file.substr(0, file.find('#'));
}

struct Extent {
  double w = 0, h = 0;
};

// The largest that each picture is shown on any display, device px.
std::map<std::string, Extent> shownSizes(const Project& project) {
  std::map<std::string, Extent> out;
  double scale = 1;
  for (const Display& display : project.displays) scale = std::max(scale, display.scale);
  const auto show = [&](const std::string& file, double w, double h) {
    Extent& known = out[fileOf(file)];
    known = {std::max(known.w, w * scale), std::max(known.h, h * scale)};
  };
  const auto kinds = [&](const LookValues& values, const Kind& kind, double w, double h) {
    for (const auto& [key, value] : values)
      if (const auto* file = std::get_if<std::string>(&value); file && key.prop == Prop::File)
        show(*file, std::max(w, kind.width), std::max(h, kind.height));
  };
  double widest = 0, highest = 0;
  for (const Display& display : project.displays) {
    widest = std::max(widest, display.layoutWidth());
    highest = std::max(highest, display.layoutHeight());
  }
  for (const auto& kind : project.kinds) {
    kinds(kind->base, *kind, 0, 0);
    for (const auto& [state, values] : kind->departures) kinds(values, *kind, 0, 0);
  }
  for (const auto& screen : project.screens)
    for (const auto& item : screen->items) {
      if (const auto* picture = std::get_if<PictureData>(&item->what))
        // What follows its container may be as large as the display.
        show(picture->file, item->place.x.size > 0 ? item->place.x.size : widest,
             item->place.y.size > 0 ? item->place.y.size : highest);
      const ButtonData* button = item->button();
      const Kind* kind = button ? find(project, button->kind) : nullptr;
      if (!kind) continue;
      for (const LookValues* values : {&kind->base, &button->own.base})
        kinds(*values, *kind, item->place.x.size, item->place.y.size);
    }
  return out;
}

void tellLarge(const Project& project, const Probes& probes, Findings& out) {
  for (const auto& [file, shown] : shownSizes(project)) {
    if (file.empty()) continue;
    const auto facts = probes.facts(file);
    if (!facts || facts->width <= kSmall || facts->height <= kSmall) continue;
    const double times = std::min(facts->width / shown.w, facts->height / shown.h);
    if (times <= kMostTimes) continue;
    out.push_back(
        {.rule = "picture-large",
         .place = "picture “" + file + "”",
         .reason = fmt::format("it is {:g} × {:g} px and shown at {:.0f} × {:.0f} at most",
                               facts->width, facts->height, shown.w, shown.h),
         .detail = file,
         .figure = times,
         .limit = kMostTimes,
         .unit = "times"});
  }
}

// Of one part in all states.
void tellUnequal(const Kind& kind, const Probes& probes, Findings& out) {
  std::map<PartId, std::pair<std::string, FileFacts>> first;
  const auto look = [&](const LookValues& values, const StateId& state) {
    for (const auto& [key, value] : values) {
      const auto* file = std::get_if<std::string>(&value);
      if (!file || file->empty() || key.prop != Prop::File) continue;
      const auto facts = probes.facts(fileOf(*file));
      if (!facts || facts->width <= 0) continue;
      const auto [at, isNew] = first.try_emplace(key.part, *file, *facts);
      const FileFacts& other = at->second.second;
      if (isNew || (other.width == facts->width && other.height == facts->height)) continue;
      out.push_back(
          {.rule = "picture-sizes",
           .place = "kind “" + kind.name + "”",
           .reason = fmt::format("“{}” is {:g} × {:g} px, “{}” {:g} × {:g} px", *file, facts->width,
                                 facts->height, at->second.first, other.width, other.height),
           .kind = kind.id,
           .state = state,
           .detail = *file});
    }
  };
  look(kind.base, {});
  for (const auto& [state, values] : kind.departures) look(values, state);
}

// In the folders that the project has files in already; others may be anybody's.
void tellUnused(const UsedFiles& used, const Probes& probes, Findings& out) {
  std::set<std::string> folders;
  for (const auto* files : {&used.pictures, &used.sounds})
    for (const std::string& file : *files)
      if (const size_t end = file.rfind('/'); end != file.npos) folders.insert(file.substr(0, end));
  folders.erase(kFonts);
  for (const std::string& folder : folders)
    for (const std::string& file : probes.files(folder))
      if (!used.pictures.contains(file) && !used.sounds.contains(file))
        out.push_back({.rule = "unused",
                       .place = "file “" + file + "”",
                       .reason = "it lies beside the project and nothing uses it",
                       .detail = file});
}

void tellClosed(const Probes& probes, Findings& out) {
  for (const std::string& file : probes.files(kFonts)) {
    const auto facts = probes.facts(file);
    if (facts && facts->closed)
      out.push_back({.rule = "font-closed",
                     .place = "font “" + file + "”",
                     .reason = "its maker lets nobody carry it along (restricted license)",
                     .detail = file});
  }
}

}  // namespace

void checkAssets(const Project& project, const Probes& probes, Findings& out) {
  const auto stopped = [&] { return probes.stop && probes.stop->load(); };
  tellLarge(project, probes, out);
  for (const auto& kind : project.kinds)
    if (!stopped()) tellUnequal(*kind, probes, out);
  const UsedFiles used = filesOf(project);
  for (const std::string& file : used.sounds) {
    if (stopped()) return;
    const auto facts = probes.facts(file);
    if (!facts || facts->cutOff <= kMostCutOff) continue;
    out.push_back(
        {.rule = "sound-clips",
         .place = "sound “" + file + "”",
         .reason = fmt::format("{} of its samples are cut off at the loudest", facts->cutOff),
         .detail = file,
         .figure = double(facts->cutOff),
         .limit = kMostCutOff});
  }
  if (!probes.files || stopped()) return;
  tellClosed(probes, out);
  tellUnused(used, probes, out);
}

}  // namespace bristle
