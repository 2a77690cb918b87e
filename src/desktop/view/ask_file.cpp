#include "desktop/view/ask_file.h"

#include <QFileDialog>
#include <QFileInfo>
#include <QMessageBox>
#include <QPushButton>

namespace bristle {

QString withEnding(const QString& path, const QString& ending) {
  return path.endsWith(ending, Qt::CaseInsensitive) ? path : path + ending;
}

bool isSameFile(const QString& a, const QString& b) {
  const QString one = QFileInfo(a).canonicalFilePath();
  return !one.isEmpty() && one == QFileInfo(b).canonicalFilePath();
}

QString askWhereToSave(QWidget* parent, const QString& title, const QString& start,
                       const QString& filter, const QString& ending, const QString& never) {
  QString from = start;
  while (true) {
    // It would ask about the name as typed; we ask about the file that is written.
    const QString typed = QFileDialog::getSaveFileName(parent, title, from, filter, nullptr,
                                                       QFileDialog::DontConfirmOverwrite);
    if (typed.isEmpty()) return {};
    from = withEnding(typed, ending);
    if (!never.isEmpty() && isSameFile(from, never)) {
      QMessageBox::warning(parent, QStringLiteral("Bristle"),
                           QObject::tr("%1 is the project that is open. Choose another name.")
                               .arg(QFileInfo(from).fileName()));
      continue;
    }
    if (!QFileInfo::exists(from)) return from;
    QMessageBox box(QMessageBox::Question, QStringLiteral("Bristle"),
                    QObject::tr("%1 is there already.").arg(QFileInfo(from).fileName()),
                    QMessageBox::Cancel, parent);
    auto* over = box.addButton(QObject::tr("Write over it"), QMessageBox::DestructiveRole);
    box.setDefaultButton(QMessageBox::Cancel);
    box.exec();
    if (box.clickedButton() == over) return from;
  }
}

}  // namespace bristle
