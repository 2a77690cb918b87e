#include "desktop/view/sounds.h"

#include <QDir>

#include "paint/convert.h"

namespace bristle {

void Sounds::setFolder(const QString& folder) {
  folder_ = folder;
  read_.clear();
}

void Sounds::play(const std::string& file, double volume) {
  const auto [at, fresh] = read_.try_emplace(file);
  if (fresh) {
    auto sound = readSound(fromQt(QDir(folder_).filePath(toQt(file))));
    if (sound)
      at->second = std::make_shared<const Sound>(std::move(*sound));
    else
      Q_EMIT failed(toQt(sound.error().text()));
  }
  if (at->second) speaker_.play(at->second, volume);
}

}  // namespace bristle
