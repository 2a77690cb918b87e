#include "devices/sound_file.h"

#include <fmt/format.h>
#include <sndfile.h>

#include <filesystem>
#include <memory>

#include "core/formats/file_io.h"

namespace bristle {
namespace {

struct Close {
  void operator()(SNDFILE* file) const { sf_close(file); }
};
struct Opened {
  std::unique_ptr<SNDFILE, Close> file;
  SF_INFO info{};
};

Result<Opened> open(const std::string& path) {
  std::error_code ignored;
  if (!std::filesystem::is_regular_file(path, ignored))
    return fail(path, "the sound file is missing");
  Opened out;
  out.file.reset(sf_open(path.c_str(), SFM_READ, &out.info));
  if (!out.file) return fail(path, "it is not a sound that can be read; expected WAV or OGG");
  const int sort = out.info.format & SF_FORMAT_TYPEMASK;
  if (sort != SF_FORMAT_WAV && sort != SF_FORMAT_WAVEX && sort != SF_FORMAT_OGG)
    return fail(path, "expected a WAV or OGG file");
  if (out.info.channels < 1 || out.info.channels > 2)
    return fail(path, fmt::format("it has {} channels; expected 1 or 2", out.info.channels));
  if (out.info.samplerate < 4000 || out.info.samplerate > 192'000)
    return fail(path, fmt::format("it has {} samples a second; expected 4000 to 192000",
                                  out.info.samplerate));
  if (out.info.frames < 1) return fail(path, "there is nothing in it");
  const auto length = static_cast<double>(out.info.frames) * 1000 / out.info.samplerate;
  if (length > static_cast<double>(kLongestSound))
    return fail(path, fmt::format("it lasts {:.0f} s; expected {} s at most", length / 1000,
                                  kLongestSound / 1000));
  return out;
}

}  // namespace

Ms Sound::length() const {
  return static_cast<Ms>(samples.size()) * 1000 / (rate * channels);
}

Result<Sound> readSound(const std::string& path) {
  auto from = open(path);
  if (!from) return tl::unexpected(from.error());
  Sound out{from->info.channels, from->info.samplerate, {}};
  out.samples.resize(static_cast<size_t>(from->info.frames) * static_cast<size_t>(out.channels));
  const sf_count_t read = sf_readf_float(from->file.get(), out.samples.data(), from->info.frames);
  if (read < from->info.frames) return fail(path, "it ends before its end: the file is cut off");
  return out;
}

std::string whyNoSound(const std::string& folder, const std::string& file) {
  const auto path = fileInside(folder, file);
  if (!path) return path.error().reason;
  const auto from = open(*path);
  return from ? std::string() : from.error().reason;
}

}  // namespace bristle
