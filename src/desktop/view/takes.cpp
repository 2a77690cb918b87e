#include "desktop/view/takes.h"

#include <QDir>

#include "core/formats/file_io.h"
#include "core/formats/take_files.h"
#include "deliver/pictures.h"
#include "paint/convert.h"
#include "runtime/formats/take_file.h"

namespace bristle {
namespace {
const QString kEnding = QStringLiteral(".take.jsonl");
}

QStringList takesIn(const QString& folder) {
  QStringList out;
  for (const std::string& path : takeFilesIn(fromQt(folder))) out << toQt(path);
  return out;
}

Result<QString> saveTake(const QString& folder, const Take& take) {
  return keepText(folder, take.name, kEnding, writeTake(take));
}

Result<QString> keepText(const QString& folder, const std::string& name, const QString& ending,
                         const std::string& text) {
  if (folder.isEmpty()) return fail({}, "save the project first: takes are kept beside it");
  const QString place = folder + QStringLiteral("/takes");
  if (!QDir().mkpath(place)) return fail(fromQt(place), "cannot be made");
  std::vector<std::string> taken;
  for (const QString& file : QDir(place).entryList({QStringLiteral("*") + ending}, QDir::Files))
    taken.push_back(fromQt(file.chopped(ending.size())));
  const QString path = place + QLatin1Char('/') + toQt(safeFileName(name, taken)) + ending;
  if (auto written = writeFile(fromQt(path), text); !written)
    return tl::unexpected(written.error());
  return path;
}

}  // namespace bristle
