// What is heard: cues, and the music of screens.
#include <algorithm>

#include "runtime/session/session.h"

namespace bristle {

// 0–1, along the value from its least to its most; without such limits it is the number itself.
double Session::volumeOf(const ValueId& id) const {
  const ProjectValue* value = find(project(), id);
  if (!value) return 1;
  double least = 0, most = 1;
  if (value->sort == ValueSort::Choice) most = static_cast<double>(value->options.size()) - 1;
  if (value->sort == ValueSort::Number) {
    least = value->least.value_or(0);
    most = value->most.value_or(1);
  }
  if (most <= least) return 1;
  return std::clamp((this->value(id) - least) / (most - least), 0.0, 1.0);
}

void Session::cue(const std::string& file, const ItemId& by, double volume) {
  if (file.empty()) return;
  add({.type = TraceType::Sound,
       .item = by,
       .number = volume * volumeOf(project().settings.cueVolume),
       .how = file});
}

// That of the topmost screen that has any; one that lies beneath says what becomes of its own.
void Session::followMusic() {
  std::string file;
  double volume = 0;
  for (size_t d = stack_.size(); d-- > 0;) {
    const Music& music = stack_[d].screen->music;
    if (music.file.empty()) continue;
    const Beneath how = d < topDepth() ? music.beneath : Beneath::GoesOn;
    if (how != Beneath::Stops) {
      file = music.file;
      volume = music.volume * (how == Beneath::Quieter ? kQuieter : 1) *
               volumeOf(project().settings.musicVolume);
    }
    break;
  }
  if (file == music_ && volume == musicVolume_) return;
  music_ = file;
  musicVolume_ = volume;
  add({.type = TraceType::Music, .number = volume, .how = file});
}

}  // namespace bristle
