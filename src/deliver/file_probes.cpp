#include "deliver/file_probes.h"

#include <QImageReader>
#include <algorithm>
#include <array>
#include <cmath>
#include <filesystem>

#include "core/formats/file_io.h"
#include "devices/sound_file.h"
#include "paint/convert.h"
#include "paint/pictures.h"

namespace bristle {
namespace {

namespace fs = std::filesystem;

constexpr float kEnd = 0.9999f;  // of what a sample can say
constexpr int kInARow = 3;       // at the end: one or two may be the wave's own top
constexpr size_t kMostFiles = 5000;

enum class Sort { None, Picture, Drawing, Sound, Font };

Sort sortOf(const std::string& file) {
  std::string end = fs::path(file).extension().string();
  std::transform(end.begin(), end.end(), end.begin(),
                 [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
  if (end == ".svg") return Sort::Drawing;
  if (end == ".wav" || end == ".ogg") return Sort::Sound;
  if (end == ".ttf" || end == ".otf") return Sort::Font;
  for (const char* each : {".png", ".jpg", ".jpeg", ".webp", ".bmp", ".gif"})
    if (end == each) return Sort::Picture;
  return Sort::None;
}

int cutOffIn(const Sound& sound) {
  int out = 0;
  const auto channels = static_cast<size_t>(sound.channels);
  for (size_t c = 0; c < channels; ++c) {
    int row = 0;
    for (size_t i = c; i < sound.samples.size(); i += channels) {
      row = std::abs(sound.samples[i]) >= kEnd ? row + 1 : 0;
      if (row == kInARow) out += kInARow;
      if (row > kInARow) ++out;
    }
  }
  return out;
}

std::optional<FileFacts> read(const std::string& path, Sort sort) {
  FileFacts out;
  if (sort == Sort::Picture) {
    const QSize size = QImageReader(toQt(path)).size();
    if (!size.isValid()) return {};
    out.width = size.width();
    out.height = size.height();
  } else if (sort == Sort::Sound) {
    const auto sound = readSound(path);
    if (!sound) return {};
    out.cutOff = cutOffIn(*sound);
  } else if (sort == Sort::Font) {
    const auto bytes = readFile(path);
    if (!bytes) return {};
    out.closed = isClosedFont(*bytes);
  }
  return out;
}

}  // namespace

Probes FileProbes::probes() {
  return {.sound = [this](const std::string& file) { return whyNoSound(folder_, file); },
          .picture = [this](const std::string& file) { return whyNoPicture(folder_, file); },
          .facts = [this](const std::string& file) { return facts(file); },
          .files = [this](const std::string& folder) { return files(folder); }};
}

std::optional<FileFacts> FileProbes::facts(const std::string& file) {
  const Sort sort = sortOf(file);
  const fs::path path = fs::path(folder_) / file;
  std::error_code none;
  const auto written = fs::last_write_time(path, none);
  const auto size = none ? 0 : fs::file_size(path, none);
  if (none || sort == Sort::None) return {};
  Known& known = known_[file];
  const auto at = static_cast<std::int64_t>(written.time_since_epoch().count());
  if (known.written != at || known.size != size) known = {at, size, read(path.string(), sort)};
  return known.facts;
}

// Not in folders within it.
std::vector<std::string> FileProbes::files(const std::string& folder) const {
  std::vector<std::string> out;
  std::error_code none;
  for (const auto& file : fs::directory_iterator(fs::path(folder_) / folder, none))
    if (file.is_regular_file(none) && sortOf(file.path().string()) != Sort::None &&
        out.size() < kMostFiles)
      out.push_back((fs::path(folder) / file.path().filename()).string());
  std::sort(out.begin(), out.end());
  return out;
}

bool isClosedFont(std::string_view bytes) {
  const auto number = [&](size_t at, size_t length) {
    std::uint32_t out = 0;
    for (size_t i = 0; i < length; ++i)
      out = out << 8 | (at + i < bytes.size() ? static_cast<unsigned char>(bytes[at + i]) : 0u);
    return out;
  };
  const std::uint32_t kind = number(0, 4);
  if (kind != 0x00010000 && kind != 0x4F54544F) return false;  // TrueType outlines, “OTTO”
  constexpr size_t kTables = 12, kTable = 16, kFsType = 8;
  for (size_t t = 0; t < number(4, 2); ++t) {
    const size_t at = kTables + t * kTable;
    if (bytes.substr(std::min(at, bytes.size()), 4) != "OS/2") continue;
    return (number(number(at + 8, 4) + kFsType, 2) & 0x000F) == 0x0002;
  }
  return false;
}

}  // namespace bristle
