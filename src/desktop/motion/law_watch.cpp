#include "desktop/motion/law_watch.h"

#include <QtConcurrent>

#include "paint/law_looks.h"

namespace bristle {
namespace {

constexpr int kSoon = 80;  // ms after the last change

// A project is a value: this copy may be read while the window's is edited. Pictures are read anew,
// by a painter of the thread's own.
Lawfulness checked(const Project& project, const KindId& id, const QString& folder,
                   const std::atomic<bool>* stop) {
  Lawfulness out{id, {}, {}, {}};
  const Kind* kind = find(project, id);
  const Machine* machine = kind ? find(project, kind->machine) : nullptr;
  if (!machine) return out;
  auto ready = makeReady(*machine, project);
  if (!ready) {
    out.error = ready.error();
    return out;
  }
  LookPainter painter;
  painter.pictures().setFolder(folder);
  const LookTable table(*kind, *machine, naming(project));
  const RenderedLooks looks(painter, *kind, table, groundOf(project, *kind));
  out.report = checkLaws({*machine, ready->program, ready->symbols, ready->values, &looks, stop});
  out.symbols = std::move(ready->symbols);
  return out;
}

}  // namespace

LawWatch::LawWatch(Work& work, QObject* parent) : QObject(parent), work_(work) {
  soon_.setSingleShot(true);
  soon_.setInterval(kSoon);
  connect(&soon_, &QTimer::timeout, this, &LawWatch::begin);
  const auto again = [this] {
    if (stop_) *stop_ = true;  // what is being checked is out of date
    if (on_) soon_.start();
  };
  connect(&work, &Work::changed, this, again);
  connect(&work, &Work::pickedChanged, this, [this, again] {
    if (!now()) again();
  });
  connect(&checking_, &QFutureWatcherBase::finished, this, [this] {
    if (*stop_) return soon_.start();
    last_ = checking_.result();
    Q_EMIT changed();
  });
}

LawWatch::~LawWatch() {
  if (stop_) *stop_ = true;
  checking_.waitForFinished();
}

void LawWatch::setOn(bool on) {
  on_ = on;
  if (on) soon_.start();
}

void LawWatch::begin() {
  if (checking_.isRunning()) return soon_.start();
  stop_ = std::make_shared<std::atomic<bool>>(false);
  checking_.setFuture(QtConcurrent::run(
      [project = work_.project(), kind = work_.picked().kind, folder = work_.folder(),
       stop = stop_] { return checked(project, kind, folder, stop.get()); }));
}

}  // namespace bristle
