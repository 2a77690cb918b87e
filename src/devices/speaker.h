// Plays sounds on the device that the system uses. Without one it is silent, and says why.
//
//   Speaker speaker;
//   speaker.play(std::make_shared<Sound>(*readSound("tick.wav")), 0.8);
#pragma once
#include <memory>
#include <string>

#include "devices/sound_file.h"

namespace bristle {

class Speaker {
 public:
  Speaker();
  ~Speaker();
  Speaker(const Speaker&) = delete;
  Speaker& operator=(const Speaker&) = delete;

  // Begins at once, beside what is playing; `volume` 0–1. The device is opened by the first sound.
  void play(const std::shared_ptr<const Sound>& sound, double volume);
  // Again and again, in the place of what was looped before; the same one goes on, as loud as is
  // said now. Null: nothing.
  void loop(const std::shared_ptr<const Sound>& sound, double volume);
  void stop();
  // How many sounds are playing just now, without what is looped.
  int playing() const;
  // Why nothing can be heard; empty where it can, or nothing was played yet.
  const std::string& problem() const { return problem_; }

 private:
  struct Mixer;
  bool open();
  std::unique_ptr<Mixer> mixer_;
  std::string problem_;
};

}  // namespace bristle
