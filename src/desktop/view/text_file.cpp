#include "desktop/view/text_file.h"

#include <QCoreApplication>
#include <QFile>
#include <QFileDialog>
#include <QFileInfo>
#include <QStringDecoder>

#include "core/tables/table_file.h"
#include "desktop/work/work.h"

namespace bristle {
namespace {

constexpr qint64 kMost = 8 * 1024 * 1024;  // bytes: read at once, on the interface thread

QString tr(const char* text) {
  return QCoreApplication::translate("TextFile", text);
}

}  // namespace

std::optional<QString> textOf(const QString& path, QString* why) {
  QFile file(path);
  const QString name = QFileInfo(path).fileName();
  if (!file.open(QIODevice::ReadOnly)) {
    *why = tr("%1 cannot be opened: %2").arg(name, file.errorString());
    return {};
  }
  if (file.size() > kMost) {
    *why = tr("%1 is larger than 8 MB").arg(name);
    return {};
  }
  const QByteArray bytes = file.readAll();
  const auto marked = QStringConverter::encodingForData(bytes);
  const auto encoding = marked.value_or(QStringConverter::Utf8);
  const size_t bad = firstNotUtf8(bytes.toStdString());
  if (encoding == QStringConverter::Utf8 && bad != std::string::npos) {
    *why = tr("%1 is not in UTF-8: byte %2 belongs to no letter of it").arg(name).arg(bad + 1);
    return {};
  }
  QStringDecoder decode(encoding);
  QString out = decode(bytes);
  if (decode.hasError()) {
    *why = tr("%1 breaks off in the middle of a letter").arg(name);
    return {};
  }
  return out;
}

std::optional<QString> askForText(QWidget* parent, Work& work, const QString& title,
                                  const QString& filter) {
  const QString path = QFileDialog::getOpenFileName(parent, title, work.folder(), filter);
  if (path.isEmpty()) return {};
  QString why;
  auto out = textOf(path, &why);
  if (!out) work.tell(why, true);
  return out;
}

}  // namespace bristle
