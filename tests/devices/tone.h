// Sounds for tests.
#pragma once
#include <gtest/gtest.h>
#include <sndfile.h>

#include <cmath>
#include <string>
#include <vector>

namespace bristle::test {

// A tone of 440 Hz at half the volume. `format` as libsndfile has it.
inline void writeTone(const std::string& path, int ms, int channels, int format, int rate = 44100) {
  SF_INFO info{};
  info.samplerate = rate;
  info.channels = channels;
  info.format = format;
  SNDFILE* file = sf_open(path.c_str(), SFM_WRITE, &info);
  ASSERT_NE(file, nullptr) << sf_strerror(nullptr);
  const int frames = static_cast<int>(static_cast<long long>(rate) * ms / 1000);
  std::vector<float> chunk;
  for (int f = 0; f < frames; ++f) {
    for (int c = 0; c < channels; ++c)
      chunk.push_back(0.5F * static_cast<float>(std::sin(f * 440.0 * 2 * M_PI / rate)));
    if (chunk.size() > 60'000 || f + 1 == frames) {
      sf_writef_float(file, chunk.data(), static_cast<sf_count_t>(chunk.size()) / channels);
      chunk.clear();
    }
  }
  sf_close(file);
}

}  // namespace bristle::test
