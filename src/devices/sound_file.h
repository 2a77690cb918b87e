// Sounds for menus, as samples: WAV and OGG files of up to half a minute.
#pragma once
#include <string>
#include <vector>

#include "runtime/document/basics.h"

namespace bristle {

inline constexpr Ms kLongestSound = 30'000;  // a menu's sound is short; music is not its matter

struct Sound {
  int channels = 1;            // 1 or 2
  int rate = 44100;            // samples a second
  std::vector<float> samples;  // −1…1, channels interleaved
  // How long it sounds.
  Ms length() const;
};

// The error says what is wrong with the file: missing, not a sound, of another sort, too long.
Result<Sound> readSound(const std::string& path);
// The same without the samples: cheap. Empty when the file, which lies in a project's folder and
// nowhere outside it, can be used.
std::string whyNoSound(const std::string& folder, const std::string& file);

}  // namespace bristle
