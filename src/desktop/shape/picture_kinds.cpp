#include "desktop/shape/picture_kinds.h"

#include <QDir>
#include <QFileDialog>
#include <QFileInfo>

#include "core/edit/button_edits.h"
#include "desktop/view/project_files.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

// The groups of an SVG that are named for states; none where it has no group for the resting one.
std::map<Role, std::string> statesIn(const std::string& file, const QStringList& groups) {
  std::map<Role, std::string> out;
  for (const QString& group : groups)
    if (const auto role = roleOfName(fromQt(group)))
      out.try_emplace(*role, file + "#" + fromQt(group));
  if (!out.contains(Role::Rest)) out.clear();
  return out;
}

}  // namespace

bool kindsFromFiles(Work& work, const QStringList& paths) {
  if (paths.isEmpty()) return false;
  if (work.folder().isEmpty()) {
    work.tell(QObject::tr("Save the project first: its pictures lie beside it."), true);
    return false;
  }
  std::vector<StatePictures> kinds;
  std::vector<NamedFile> files;
  Pictures& pictures = work.looks().pictures();
  for (const QString& path : paths) {
    // Looked at before it is copied: what is broken does not come into the project.
    const auto read = readPicture(path, QFileInfo(path).fileName());
    if (!read.problem.isEmpty()) return work.tell(read.problem, true), false;
    const auto file = broughtInside(work, path, QStringLiteral("art"));
    if (!file) return false;
    auto states = statesIn(fromQt(*file), read.groups);
    if (states.empty()) {
      files.push_back({fromQt(QFileInfo(path).fileName()), fromQt(*file)});
    } else {
      kinds.push_back({fromQt(QFileInfo(path).completeBaseName()),
                       double(read.image.width()),
                       double(read.image.height()),
                       std::move(states),
                       {}});
    }
  }
  for (auto& [name, states] : groupByState(files)) {
    const QSize size = pictures.get(states.at(Role::Rest)).image.size();
    for (const auto& [role, file] : states) {
      const QSize other = pictures.get(file).image.size();
      if (other == size) continue;
      work.tell(
          QObject::tr("%1 is %2 × %3 px, the resting picture of “%4” %5 × %6 px: pictures of one "
                      "button have one size.")
              .arg(toQt(file))
              .arg(other.width())
              .arg(other.height())
              .arg(toQt(name))
              .arg(size.width())
              .arg(size.height()),
          true);
      return false;
    }
    kinds.push_back({name, double(size.width()), double(size.height()), states, {}});
  }
  const size_t before = work.project().kinds.size();
  const ScreenId screen = work.screen() ? work.screen()->id : ScreenId{};
  if (!work.perform(kindsFromPictures(std::move(kinds), screen, 80, 80))) return false;
  work.pickKind(work.project().kinds[before]->id);
  work.tell(QObject::tr("%1 kinds made").arg(work.project().kinds.size() - before));
  return true;
}

bool kindsFromFilesAsked(Work& work, QWidget* parent) {
  return kindsFromFiles(work, QFileDialog::getOpenFileNames(
                                  parent, QObject::tr("Pictures of buttons"), work.folder(),
                                  QObject::tr("Pictures (*.png *.jpg *.jpeg *.webp *.svg)")));
}

}  // namespace bristle
