#include "core/edit/used_files.h"

namespace bristle {
namespace {

void look(const LookValues& values, std::set<std::string>& pictures) {
  for (const auto& [key, value] : values) {
    if (key.prop != Prop::File && key.prop != Prop::Icon) continue;
    const auto* text = std::get_if<std::string>(&value);
    // Icons of our own have plain names.
    if (text && text->find('.') != text->npos) pictures.insert(text->substr(0, text->find('#')));
  }
}

void look(const Machine& machine, std::set<std::string>& sounds) {
  for (const Transition& t : machine.transitions)
    for (const Effect& e : t.effects)
      if (e.type == EffectType::Sound && !e.file.empty()) sounds.insert(e.file);
}

}  // namespace

UsedFiles filesOf(const Project& project, const std::vector<KindId>& kinds) {
  UsedFiles out;
  for (const KindId& id : kinds) {
    const Kind* kind = find(project, id);
    if (!kind) continue;
    look(kind->base, out.pictures);
    for (const auto& entry : kind->departures) look(entry.second, out.pictures);
    if (const Machine* machine = find(project, kind->machine)) look(*machine, out.sounds);
  }
  return out;
}

UsedFiles filesOf(const Project& project) {
  std::vector<KindId> kinds;
  for (const auto& kind : project.kinds) kinds.push_back(kind->id);
  UsedFiles out = filesOf(project, kinds);
  for (const auto& machine : project.machines) look(*machine, out.sounds);
  const Settings& s = project.settings;
  for (const std::string* each : {&s.bumpSound, &s.openSound, &s.backSound})
    if (!each->empty()) out.sounds.insert(*each);
  for (const auto& screen : project.screens) {
    if (!screen->music.file.empty()) out.sounds.insert(screen->music.file);
    for (const auto& item : screen->items) {
      if (const auto* picture = std::get_if<PictureData>(&item->what);
          picture && !picture->file.empty())
        out.pictures.insert(picture->file.substr(0, picture->file.find('#')));
      const ButtonData* button = item->button();
      if (!button) continue;
      for (const RouteCarries& each : button->routes.carries)
        if (!each.sound.empty()) out.sounds.insert(each.sound);
      look(button->own.base, out.pictures);
      for (const auto& entry : button->own.departures) look(entry.second, out.pictures);
    }
  }
  return out;
}

}  // namespace bristle
