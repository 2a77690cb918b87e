#include "paint/project_fonts.h"

#include <QDir>
#include <QFontDatabase>
#include <QHash>

namespace bristle {
namespace {

// What is in use, by file: a font that stays must not go away for a moment, since what was laid out
// with it would be laid out anew.
struct InUse {
  QHash<QString, int> ids;
};

InUse& inUse() {
  static InUse all;
  return all;
}

}  // namespace

QStringList fontFilesOf(const QString& folder) {
  QStringList out;
  if (folder.isEmpty()) return out;
  const QStringList endings{QStringLiteral("*.otf"), QStringLiteral("*.ttf")};
  for (const QString& name :
       QDir(folder + QStringLiteral("/fonts")).entryList(endings, QDir::Files, QDir::Name))
    out << QStringLiteral("fonts/") + name;
  return out;
}

QStringList useFontsOf(const QString& folder) {
  QStringList unreadable;
  QHash<QString, int> now;
  QHash<QString, int>& before = inUse().ids;
  for (const QString& file : fontFilesOf(folder)) {
    const QString path = QDir(folder).absoluteFilePath(file);
    const int id = before.contains(path) ? before.take(path)
                                         : QFontDatabase::addApplicationFont(path);
    if (id < 0)
      unreadable << file;
    else
      now.insert(path, id);
  }
  for (const int id : std::as_const(before)) QFontDatabase::removeApplicationFont(id);
  before = now;
  return unreadable;
}

}  // namespace bristle
