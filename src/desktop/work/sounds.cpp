#include "desktop/work/sounds.h"

#include "core/formats/file_io.h"
#include "paint/convert.h"

namespace bristle {

void Sounds::setFolder(const QString& folder) {
  folder_ = folder;
  read_.clear();
}

void Sounds::play(const std::string& file, double volume) {
  const auto [at, fresh] = read_.try_emplace(file);
  if (fresh) {
    const auto path = fileInside(fromQt(folder_), file);
    auto sound = path ? readSound(*path) : Result<Sound>(tl::unexpected(path.error()));
    if (sound)
      at->second = std::make_shared<const Sound>(std::move(*sound));
    else
      Q_EMIT failed(toQt(sound.error().text()));
  }
  if (at->second) speaker_.play(at->second, volume);
}

}  // namespace bristle
