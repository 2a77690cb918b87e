#include <set>
#include <utility>

#include "core/edit/machine_edits.h"
#include "core/edit/route_edits.h"
#include "core/edit/screen_edits.h"
#include "core/edit/settings_edit.h"
#include "core/findings/check.h"

namespace bristle {

namespace {

Edit silence(const Machine& machine, const std::string& file) {
  return changeMachine(machine.id, "let it be silent", {}, [file](Machine& m) {
    for (Transition& t : m.transitions)
      std::erase_if(t.effects, [&](const Effect& effect) {
        return effect.type == EffectType::Sound && effect.file == file;
      });
  });
}

// Of the routes of a screen, each file once.
void checkRouteSounds(const Screen& screen, const WhyNoFile& why, Findings& out) {
  std::set<std::string> seen;
  for (const auto& item : screen.items) {
    const ButtonData* button = item->button();
    if (!button) continue;
    for (const Dir dir : kDirs) {
      RouteCarries silent = button->routes.carries[size_t(dir)];
      const std::string file = std::exchange(silent.sound, {});
      silent.volume = 1;
      if (file.empty() || !seen.insert(file).second) continue;
      Edit mend = setCarries(screen.id, {item->id}, dir, silent);
      mend.name = "let the route " + std::string(nameOf(dir)) + " be silent";
      if (const std::string reason = why(file); !reason.empty())
        out.push_back({.place = "screen “" + screen.name + "”, “" + displayName(*item) +
                                "”, sound of its route " + std::string(nameOf(dir)),
                       .reason = reason,
                       .screen = screen.id,
                       .item = item->id,
                       .detail = file,
                       .mends = {std::move(mend)}});
    }
  }
}

void checkMusic(const Screen& screen, const WhyNoFile& why, Findings& out) {
  const std::string& file = screen.music.file;
  const std::string reason = file.empty() ? std::string() : why(file);
  if (reason.empty()) return;
  out.push_back({.place = "screen “" + screen.name + "”, music “" + file + "”",
                 .reason = reason,
                 .screen = screen.id,
                 .detail = file,
                 .mends = {changeScreen(screen.id, "let it have no music", {},
                                        [](Screen& s) { s.music = {}; })}});
}

}  // namespace

// Each file once for each machine: the same sound on ten transitions is one thing to mend.
void checkSounds(const Project& project, const WhyNoFile& why, Findings& out) {
  for (const auto& machine : project.machines) {
    std::set<std::string> seen;
    for (const Transition& t : machine->transitions)
      for (const Effect& effect : t.effects) {
        if (effect.type != EffectType::Sound || !seen.insert(effect.file).second) continue;
        const std::string reason =
            effect.file.empty() ? std::string("a sound without a file") : why(effect.file);
        if (!reason.empty())
          out.push_back({.place = "machine “" + machine->name + "”, sound “" + effect.file + "”",
                         .reason = reason,
                         .machine = machine->id,
                         .detail = effect.file,
                         .mends = {silence(*machine, effect.file)}});
      }
  }
  for (const auto& screen : project.screens) {
    checkRouteSounds(*screen, why, out);
    checkMusic(*screen, why, out);
  }
  for (const auto& [what, member] :
       {std::pair("bump", &Settings::bumpSound), std::pair("open", &Settings::openSound),
        std::pair("back", &Settings::backSound)}) {
    const std::string& file = project.settings.*member;
    const std::string reason = file.empty() ? std::string() : why(file);
    if (reason.empty()) continue;
    out.push_back({.place = "the project’s sound of " + std::string(what) + ", “" + file + "”",
                   .reason = reason,
                   .detail = std::string(what) + " " + file,
                   .mends = {changeSettings("let it be silent", [member = member](Settings& s) {
                     (s.*member).clear();
                   })}});
  }
}

}  // namespace bristle
