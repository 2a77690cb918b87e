#include "desktop/frame/autosave.h"

#include <spdlog/spdlog.h>

#include <QDateTime>
#include <QDir>
#include <QtConcurrent>

#include "desktop/frame/files.h"
#include "desktop/work/work.h"
#include "log/log.h"
#include "paint/convert.h"

namespace bristle {
namespace {
constexpr int kSoon = 1000;  // ms after an edit
}

QString unsavedFolder() {
  return toQt(stateFolder()) + QStringLiteral("/unsaved");
}

Autosave::Autosave(Work& work, Files& files, const QString& folder, QObject* parent)
    : QObject(parent),
      work_(work),
      files_(files),
      folder_(fromQt(folder)),
      place_(std::make_shared<UnsavedPlace>(folder_)) {
  soon_.setSingleShot(true);
  soon_.setInterval(kSoon);
  connect(&soon_, &QTimer::timeout, this, &Autosave::write);
  connect(&work, &Work::historyChanged, this, &Autosave::look);
  connect(&writing_, &QFutureWatcherBase::finished, this, [this] {
    const auto done = writing_.result();
    if (!done) spdlog::error("unsaved work could not be kept");
    if (!done && !told_) {
      told_ = true;  // once is enough
      work_.tell(tr("Unsaved work can’t be kept safe: %1").arg(toQt(done.error().text())), true);
    }
    if (done && !adopted_.empty()) removeUnsaved(std::exchange(adopted_, {}));
    // Saved meanwhile, or changed again.
    if (work_.saved()) return clear();
    if (std::exchange(wanted_, false)) soon_.start();
  });
}

// The program ends as it should: what was not saved by now was thrown away by the person.
Autosave::~Autosave() {
  writing_.waitForFinished();
  place_->clear();
}

void Autosave::finish() {
  if (soon_.isActive()) {
    soon_.stop();
    write();
  }
  writing_.waitForFinished();
}

void Autosave::look() {
  if (work_.saved()) {
    soon_.stop();
    if (!writing_.isRunning()) clear();
  } else if (writing_.isRunning()) {
    wanted_ = true;
  } else if (!soon_.isActive()) {
    // Not put off by the next edit: whatever goes on, a second later it is safe.
    soon_.start();
  }
}

void Autosave::write() {
  if (work_.saved()) return;
  if (writing_.isRunning()) {
    wanted_ = true;
    return;
  }
  const UnsavedHead head{fromQt(files_.path()), files_.stamp(),
                         QDateTime::currentMSecsSinceEpoch()};
  // A project is a value: this copy may be written while the window's is edited.
  writing_.setFuture(QtConcurrent::run([place = place_, head, project = work_.project()] {
    return place->write(writeUnsaved(head, writeProject(project)));
  }));
}

void Autosave::clear() {
  soon_.stop();
  writing_.waitForFinished();
  place_->clear();
  if (!adopted_.empty()) removeUnsaved(std::exchange(adopted_, {}));
}

std::vector<LeftBehind> Autosave::left() const {
  return leftBehind(folder_);
}

void Autosave::goOn(LeftBehind left) {
  adopted_.clear();  // what was gone on with before stays for another time
  files_.restore(std::move(left.project), toQt(left.head.path), left.head.stamp);
  adopted_ = left.file;
  write();
}

}  // namespace bristle
