#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "core/edit/used_files.h"
#include "core/findings/check.h"

namespace bristle {
namespace {

// A part of a picture goes by its name after a “#”.
bool isOf(const std::string& text, const std::string& file) {
  return text.substr(0, text.find('#')) == file;
}

std::vector<PropKey> keysOf(const LookValues& values, const std::string& file) {
  std::vector<PropKey> out;
  for (const auto& [key, value] : values)
    if (const auto* text = std::get_if<std::string>(&value); text && isOf(*text, file))
      out.push_back(key);
  return out;
}

bool uses(const LookValues& values, const std::string& file) {
  return !keysOf(values, file).empty();
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
      if (!(picture && isOf(picture->file, file)) &&
          !(button && uses(button->own.base, button->own.departures, file)))
        continue;
      f.screen = screen->id;
      f.item = item->id;
      return;
    }
}

void doWithout(LookValues& base, std::map<StateId, LookValues>& departures,
               const std::string& file) {
  for (const PropKey& key : keysOf(base, file)) base.set(key, std::string());
  for (auto& [state, values] : departures)
    for (const PropKey& key : keysOf(values, file)) values.clear(key);
}

// Out of all looks, and with what shows nothing else.
Edit doWithout(const Project& project, const std::string& file) {
  std::vector<Edit> all;
  for (const auto& kind : project.kinds)
    if (uses(kind->base, kind->departures, file))
      all.push_back(changeKind(kind->id, "without it", {},
                               [file](Kind& k) { doWithout(k.base, k.departures, file); }));
  for (const auto& screen : project.screens) {
    std::vector<ItemId> gone, changed;
    for (const auto& item : screen->items) {
      const auto* picture = std::get_if<PictureData>(&item->what);
      const ButtonData* button = item->button();
      if (picture && isOf(picture->file, file)) gone.push_back(item->id);
      if (button && uses(button->own.base, button->own.departures, file))
        changed.push_back(item->id);
    }
    if (!changed.empty())
      all.push_back(changeItems(screen->id, changed, "without it", {}, [file](Item& item) {
        doWithout(item.button()->own.base, item.button()->own.departures, file);
      }));
    if (!gone.empty()) all.push_back(removeItems(screen->id, gone));
  }
  return together("do without the picture", std::move(all));
}

}  // namespace

// Each file once, however often it is used.
void checkPictures(const Project& project, const WhyNoFile& why, Findings& out) {
  for (const std::string& file : filesOf(project).pictures)
    if (std::string reason = why(file); !reason.empty()) {
      Finding f{.place = "picture “" + file + "”",
                .reason = std::move(reason),
                .detail = file,
                .mends = {doWithout(project, file)}};
      putPlace(project, file, f);
      out.push_back(std::move(f));
    }
}

}  // namespace bristle
