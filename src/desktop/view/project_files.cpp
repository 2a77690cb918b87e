#include "desktop/view/project_files.h"

#include <QDir>
#include <QFileInfo>

#include "desktop/work/work.h"

namespace bristle {

std::optional<QString> broughtInside(Work& work, const QString& path, const QString& sub) {
  if (work.folder().isEmpty()) {
    work.tell(QObject::tr("Save the project first: its files lie beside it."), true);
    return {};
  }
  const QString root = QFileInfo(work.folder()).canonicalFilePath();
  const QString full = QFileInfo(path).canonicalFilePath();
  if (full.startsWith(root + QLatin1Char('/'))) return QDir(root).relativeFilePath(full);
  const QFileInfo info(path);
  QDir(root).mkpath(sub);
  const QString into = sub + QLatin1Char('/');
  QString name = info.fileName();
  for (int n = 2; QFileInfo::exists(QDir(root).filePath(into + name)); ++n)
    name = QStringLiteral("%1-%2.%3").arg(info.completeBaseName()).arg(n).arg(info.suffix());
  if (!QFile::copy(path, QDir(root).filePath(into + name))) {
    work.tell(QObject::tr("%1 could not be copied into the project’s folder.").arg(path), true);
    return {};
  }
  return into + name;
}

}  // namespace bristle
