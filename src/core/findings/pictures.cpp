#include "core/edit/used_files.h"
#include "core/findings/check.h"

namespace bristle {
namespace {

bool uses(const LookValues& values, const std::string& file) {
  for (const auto& [key, value] : values)
    if (const auto* text = std::get_if<std::string>(&value);
        text && text->substr(0, text->find('#')) == file)
      return true;
  return false;
}

bool uses(const LookValues& base, const std::map<StateId, LookValues>& departures,
          const std::string& file) {
  if (uses(base, file)) return true;
  for (const auto& [state, values] : departures)
    if (uses(values, file)) return true;
  return false;
}

// Where it is used first, so that one can go there.
void putPlace(const Project& project, const std::string& file, Finding& f) {
  for (const auto& kind : project.kinds)
    if (uses(kind->base, kind->departures, file)) {
      f.kind = kind->id;
      return;
    }
  for (const auto& screen : project.screens)
    for (const auto& item : screen->items) {
      const auto* picture = std::get_if<PictureData>(&item->what);
      const ButtonData* button = item->button();
      if (!(picture && picture->file.substr(0, picture->file.find('#')) == file) &&
          !(button && uses(button->own.base, button->own.departures, file)))
        continue;
      f.screen = screen->id;
      f.item = item->id;
      return;
    }
}

}  // namespace

// Each file once, however often it is used.
void checkPictures(const Project& project, const WhyNoFile& why, Findings& out) {
  for (const std::string& file : filesOf(project).pictures)
    if (std::string reason = why(file); !reason.empty()) {
      Finding f{.place = "picture “" + file + "”", .reason = std::move(reason), .detail = file};
      putPlace(project, file, f);
      out.push_back(std::move(f));
    }
}

}  // namespace bristle
