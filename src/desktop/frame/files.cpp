#include "desktop/frame/files.h"

#include <QFileDialog>
#include <QFileInfo>
#include <QMessageBox>
#include <QPushButton>

#include "core/formats/project_file.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr int kMostRecent = 8;
const QString kRecentKey = QStringLiteral("recent");

QString filter() {
  return QObject::tr("Bristle projects (*.bristle)");
}

}  // namespace

Files::Files(Work& work, QSettings& settings, QWidget* window)
    : QObject(window), work_(work), settings_(settings), window_(window) {}

QStringList Files::recent() const {
  QStringList out;
  for (const QString& path : settings_.value(kRecentKey).toStringList())
    if (QFileInfo::exists(path)) out << path;
  return out;
}

void Files::remember(const QString& path) {
  QStringList all = settings_.value(kRecentKey).toStringList();
  all.removeAll(path);
  all.prepend(path);
  while (all.size() > kMostRecent) all.removeLast();
  settings_.setValue(kRecentKey, all);
}

void Files::complain(const QString& what, const QString& why) {
  work_.tell(what + QStringLiteral(" ") + why, true);
  QMessageBox box(QMessageBox::Warning, QStringLiteral("Bristle"), what, QMessageBox::Ok, window_);
  box.setInformativeText(why);
  box.exec();
}

bool Files::newProject() {
  if (!mayLeave()) return false;
  path_.clear();
  stamp_ = {};
  work_.replace(emptyProject(), {}, false);
  Q_EMIT pathChanged();
  return true;
}

Result<QString> Files::load(const QString& wanted) {
  const QString path = QFileInfo(wanted).absoluteFilePath();
  const auto text = readFile(fromQt(path));
  if (!text) return tl::unexpected(text.error());
  auto opened = parseProject(*text);
  if (!opened) return fail(fromQt(path) + " " + opened.error().place, opened.error().reason);
  path_ = path;
  stamp_ = stampOf(fromQt(path));
  work_.replace(std::move(opened->project), QFileInfo(path).absolutePath(), opened->readOnly);
  remember(path);
  Q_EMIT pathChanged();
  return toQt(opened->note);
}

bool Files::open(const QString& path) {
  if (!mayLeave()) return false;
  const QString name = QFileInfo(path).fileName();
  const auto note = load(path);
  if (!note) {
    complain(tr("%1 is not opened, and is as it was.").arg(name), toQt(note.error().text()));
    return false;
  }
  work_.tell(note->isEmpty() ? tr("Opened %1").arg(name) : *note, !note->isEmpty());
  return true;
}

bool Files::openAsked() {
  const QString path =
      QFileDialog::getOpenFileName(window_, tr("Open a project"), work_.folder(), filter());
  return !path.isEmpty() && open(path);
}

bool Files::save() {
  if (path_.isEmpty() || work_.readOnly()) return saveAsked();
  if (stampOf(fromQt(path_)) != stamp_ && stamp_.size >= 0) {
    QMessageBox box(QMessageBox::Warning, QStringLiteral("Bristle"),
                    tr("%1 was changed by another program since it was opened.")
                        .arg(QFileInfo(path_).fileName()),
                    QMessageBox::Cancel, window_);
    box.setInformativeText(tr("Saving now would lose those changes."));
    auto* over = box.addButton(tr("Write over it"), QMessageBox::DestructiveRole);
    auto* aside = box.addButton(tr("Save under another name"), QMessageBox::AcceptRole);
    box.setDefaultButton(aside);
    box.exec();
    if (box.clickedButton() == aside) return saveAsked();
    if (box.clickedButton() != over) return false;
  }
  return write(path_);
}

bool Files::saveAsked() {
  QString path = QFileDialog::getSaveFileName(
      window_, tr("Save the project"),
      path_.isEmpty() ? work_.folder() + QStringLiteral("/") + toQt(work_.project().name) +
                            QStringLiteral(".bristle")
                      : path_,
      filter());
  if (path.isEmpty()) return false;
  if (!path.endsWith(QStringLiteral(".bristle"))) path += QStringLiteral(".bristle");
  return saveAs(path);
}

bool Files::saveAs(const QString& path) {
  const QString full = QFileInfo(path).absoluteFilePath();
  if (work_.readOnly() && full == path_) {
    complain(tr("This project is open read-only."), tr("Save it under another name."));
    return false;
  }
  // A project that has no name of its own yet takes the file's.
  if (work_.project().name == emptyProject().name) {
    const std::string name = fromQt(QFileInfo(full).completeBaseName());
    if (!work_.perform({"name project", {}, [name](const Project& before) -> Result<Project> {
                          Project after = before;
                          after.name = name;
                          return after;
                        }}))
      return false;
  }
  return write(full);
}

bool Files::write(const QString& path) {
  work_.seal();
  const auto stamp = writeFile(fromQt(path), writeProject(work_.project()));
  if (!stamp) {
    complain(tr("The project is not saved."), toQt(stamp.error().text()));
    return false;
  }
  path_ = path;
  stamp_ = *stamp;
  work_.setFolder(QFileInfo(path).absolutePath());
  work_.markSaved();
  remember(path);
  Q_EMIT pathChanged();
  work_.tell(tr("Saved %1").arg(QFileInfo(path).fileName()));
  return true;
}

bool Files::mayLeave() {
  if (work_.saved()) return true;
  QMessageBox box(QMessageBox::Question, QStringLiteral("Bristle"),
                  tr("“%1” has changes that are not saved.").arg(toQt(work_.project().name)),
                  QMessageBox::Save | QMessageBox::Discard | QMessageBox::Cancel, window_);
  box.setDefaultButton(QMessageBox::Save);
  switch (box.exec()) {
    case QMessageBox::Save:
      return save();
    case QMessageBox::Discard:
      return true;
    default:
      return false;
  }
}

}  // namespace bristle
