// Files that a project uses lie in its folder, so that they go where it goes.
#pragma once
#include <QString>
#include <optional>

namespace bristle {

class Work;

// The file's place inside the project's folder; one from elsewhere is copied into `sub` first,
// under a free name. Nothing where there is no folder yet or it cannot be copied: the person is
// told.
std::optional<QString> broughtInside(Work& work, const QString& path, const QString& sub);

}  // namespace bristle
