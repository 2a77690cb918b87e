#include "desktop/work/sounds.h"

#include "core/formats/file_io.h"
#include "paint/convert.h"

namespace bristle {

void Sounds::setFolder(const QString& folder) {
  folder_ = folder;
  read_.clear();
}

std::shared_ptr<const Sound> Sounds::read(const std::string& file) {
  const auto [at, fresh] = read_.try_emplace(file);
  if (fresh) {
    const auto path = fileInside(fromQt(folder_), file);
    auto sound = path ? readSound(*path) : Result<Sound>(tl::unexpected(path.error()));
    if (sound)
      at->second = std::make_shared<const Sound>(std::move(*sound));
    else
      Q_EMIT failed(toQt(sound.error().text()));
  }
  return at->second;
}

void Sounds::play(const std::string& file, double volume) {
  if (const auto sound = read(file)) speaker_.play(sound, volume);
}

void Sounds::music(const std::string& file, double volume) {
  speaker_.loop(file.empty() ? nullptr : read(file), volume);
}

}  // namespace bristle
