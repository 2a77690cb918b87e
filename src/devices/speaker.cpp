#include "devices/speaker.h"

#include <SDL.h>

#include <algorithm>
#include <cmath>
#include <vector>

namespace bristle {

namespace {
constexpr size_t kMostVoices = 32;  // the oldest gives way
}

// What the device's own thread reads is changed only under its lock.
struct Speaker::Mixer {
  struct Voice {
    std::shared_ptr<const Sound> sound;
    double at = 0;  // frame; not whole where the rates differ
    float volume = 1;
    bool loops = false;
  };
  SDL_AudioDeviceID device = 0;
  int rate = 44100;
  std::vector<Voice> voices;

  static void fill(void* self, Uint8* out, int bytes) {
    static_cast<Mixer*>(self)->mix(reinterpret_cast<float*>(out),
                                   static_cast<size_t>(bytes) / (2 * sizeof(float)));
  }

  // Stereo frames, in between samples by straight lines.
  void mix(float* out, size_t frames) {
    std::fill(out, out + frames * 2, 0.0F);
    for (Voice& v : voices) {
      const Sound& s = *v.sound;
      const auto channels = static_cast<size_t>(s.channels);
      const size_t count = s.samples.size() / channels;
      const double step = static_cast<double>(s.rate) / rate;
      for (size_t f = 0; f < frames; ++f, v.at += step) {
        if (v.loops && v.at >= static_cast<double>(count)) v.at = std::fmod(v.at, double(count));
        const auto i = static_cast<size_t>(v.at);
        if (i >= count) break;
        const size_t next = v.loops ? (i + 1) % count : std::min(i + 1, count - 1);
        const auto part = static_cast<float>(v.at - std::floor(v.at));
        for (size_t c = 0; c < 2; ++c) {
          const size_t from = std::min(c, channels - 1);
          const float a = s.samples[i * channels + from], b = s.samples[next * channels + from];
          float& sum = out[f * 2 + c];
          sum = std::clamp(sum + (a + (b - a) * part) * v.volume, -1.0F, 1.0F);
        }
      }
    }
    std::erase_if(voices, [](const Voice& v) {
      return !v.loops && v.at >= static_cast<double>(v.sound->samples.size()) / v.sound->channels;
    });
  }
};

Speaker::Speaker() = default;

Speaker::~Speaker() {
  if (mixer_ && mixer_->device) SDL_CloseAudioDevice(mixer_->device);
  if (mixer_) SDL_QuitSubSystem(SDL_INIT_AUDIO);
}

// The device is opened once; false where nothing can be heard.
bool Speaker::open() {
  if (!problem_.empty()) return false;
  if (mixer_) return true;
  if (SDL_InitSubSystem(SDL_INIT_AUDIO) != 0) {
    problem_ = SDL_GetError();
    return false;
  }
  mixer_ = std::make_unique<Mixer>();
  // Opening one that is not there would be loud on the terminal. (Below 0: it cannot be told.)
  if (SDL_GetNumAudioDevices(0) == 0) {
    problem_ = "no sound device";
    return false;
  }
  SDL_AudioSpec wanted{}, given{};
  wanted.freq = 44100;
  wanted.format = AUDIO_F32SYS;
  wanted.channels = 2;
  wanted.samples = 512;  // 12 ms: heard with what is seen
  wanted.callback = &Mixer::fill;
  wanted.userdata = mixer_.get();
  mixer_->device =
      SDL_OpenAudioDevice(nullptr, 0, &wanted, &given, SDL_AUDIO_ALLOW_FREQUENCY_CHANGE);
  if (!mixer_->device) {
    problem_ = SDL_GetError();
    return false;
  }
  mixer_->rate = given.freq;
  SDL_PauseAudioDevice(mixer_->device, 0);
  return true;
}

void Speaker::play(const std::shared_ptr<const Sound>& sound, double volume) {
  if (!sound || !open()) return;
  SDL_LockAudioDevice(mixer_->device);
  if (mixer_->voices.size() >= kMostVoices) mixer_->voices.erase(mixer_->voices.begin());
  mixer_->voices.push_back({sound, 0, static_cast<float>(std::clamp(volume, 0.0, 1.0))});
  SDL_UnlockAudioDevice(mixer_->device);
}

void Speaker::loop(const std::shared_ptr<const Sound>& sound, double volume) {
  if (sound ? !open() : !mixer_ || !mixer_->device) return;
  const auto loud = static_cast<float>(std::clamp(volume, 0.0, 1.0));
  SDL_LockAudioDevice(mixer_->device);
  std::erase_if(mixer_->voices, [&](const Mixer::Voice& v) { return v.loops && v.sound != sound; });
  const auto at = std::find_if(mixer_->voices.begin(), mixer_->voices.end(),
                               [](const Mixer::Voice& v) { return v.loops; });
  if (at != mixer_->voices.end())
    at->volume = loud;
  else if (sound)
    mixer_->voices.push_back({sound, 0, loud, true});
  SDL_UnlockAudioDevice(mixer_->device);
}

void Speaker::stop() {
  if (!mixer_ || !mixer_->device) return;
  SDL_LockAudioDevice(mixer_->device);
  mixer_->voices.clear();
  SDL_UnlockAudioDevice(mixer_->device);
}

int Speaker::playing() const {
  if (!mixer_ || !mixer_->device) return 0;
  SDL_LockAudioDevice(mixer_->device);
  const auto count =
      static_cast<int>(std::count_if(mixer_->voices.begin(), mixer_->voices.end(),
                                     [](const Mixer::Voice& v) { return !v.loops; }));
  SDL_UnlockAudioDevice(mixer_->device);
  return count;
}

}  // namespace bristle
