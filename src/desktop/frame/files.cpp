#include "desktop/frame/files.h"

#include <spdlog/spdlog.h>

#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QMessageBox>
#include <QPushButton>

#include "core/edit/used_files.h"
#include "core/formats/copy_files.h"
#include "core/formats/project_store.h"
#include "desktop/view/ask_file.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "paint/project_fonts.h"

namespace bristle {
namespace {

constexpr int kMostRecent = 8;
const QString kRecentKey = QStringLiteral("recent");
const QString kEnding = QStringLiteral(".bristle");

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
  setPath({}, {});
  work_.replace(emptyProject(), {}, false);
  Q_EMIT pathChanged();
  return true;
}

void Files::setPath(const QString& path, const FileStamp& stamp) {
  path_ = path;
  stamp_ = stamp;
  work_.setFile(path);
}

Result<QString> Files::load(const QString& wanted) {
  const QString path = QFileInfo(wanted).absoluteFilePath();
  auto stored = loadProject(fromQt(path));
  if (!stored) return tl::unexpected(stored.error());
  setPath(path, stored->stamp);
  work_.replace(std::move(stored->opened.project), QFileInfo(path).absolutePath(),
                stored->opened.readOnly);
  remember(path);
  Q_EMIT pathChanged();
  spdlog::info("opened a project of {} kinds and {} screens{}{}", work_.project().kinds.size(),
               work_.project().screens.size(), work_.readOnly() ? ", read-only" : "",
               stored->opened.note.empty() ? "" : ", of another format");
  spdlog::debug("it is {}", fromQt(path));
  QString note = toQt(stored->opened.note);
  const auto& changes = stored->opened.broughtUp;
  if (!changes.empty()) note += QStringLiteral(" ") + toQt(changes.front());
  if (changes.size() > 1)
    note += tr(" (and %1 more; bristle check tells all)").arg(changes.size() - 1);
  return note;
}

void Files::restore(Project project, const QString& path, const FileStamp& stamp) {
  setPath(path, stamp);
  work_.replace(std::move(project), path.isEmpty() ? QString() : QFileInfo(path).absolutePath(),
                false);
  work_.markUnsaved();
  Q_EMIT pathChanged();
}

bool Files::open(const QString& path) {
  if (!mayLeave()) return false;
  const QString name = QFileInfo(path).fileName();
  const auto note = load(path);
  if (!note) {
    complain(tr("%1 is not opened, and is as it was.").arg(name), toQt(note.error().text()));
    return false;
  }
  work_.tell(note->isEmpty() ? tr("Opened %1").arg(name) : *note, work_.readOnly());
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
  const QString start =
      path_.isEmpty() ? work_.folder() + QStringLiteral("/") + toQt(work_.project().name) + kEnding
                      : path_;
  // A project that is open read-only must go elsewhere; its own name is as good as any otherwise.
  const QString path = askWhereToSave(window_, tr("Save the project"), start, filter(), kEnding,
                                      work_.readOnly() ? path_ : QString());
  return !path.isEmpty() && saveAs(path);
}

bool Files::saveAs(const QString& path) {
  const QString full = withEnding(QFileInfo(path).absoluteFilePath(), kEnding);
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

// What the project uses goes where it goes.
bool Files::takeAlong(const QString& folder) {
  if (work_.folder().isEmpty() || folder == work_.folder()) return true;
  const UsedFiles used = filesOf(work_.project());
  std::set<std::string> all = used.pictures;
  all.insert(used.sounds.begin(), used.sounds.end());
  for (const QString& take : QDir(work_.folder() + QStringLiteral("/takes"))
                                 .entryList({QStringLiteral("*.jsonl")}, QDir::Files))
    all.insert(fromQt(QStringLiteral("takes/") + take));
  for (const QString& font : fontFilesOf(work_.folder())) all.insert(fromQt(font));
  const auto copied = copyFiles(fromQt(work_.folder()), fromQt(folder), all);
  if (!copied)
    complain(
        tr("The project is not saved: its pictures, fonts, sounds and takes can’t be taken along."),
        toQt(copied.error().text()));
  return copied.has_value();
}

bool Files::write(const QString& path) {
  work_.seal();
  if (!takeAlong(QFileInfo(path).absolutePath())) return false;
  const auto stamp = saveProject(fromQt(path), work_.project());
  if (!stamp) {
    spdlog::error("the project could not be saved");
    complain(tr("The project is not saved."), toQt(stamp.error().text()));
    return false;
  }
  spdlog::info("saved {} bytes", stamp->size);
  setPath(path, *stamp);
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
