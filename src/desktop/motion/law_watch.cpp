#include "desktop/motion/law_watch.h"

#include <QtConcurrent>

#include "paint/law_looks.h"

namespace bristle {
namespace {

constexpr int kSoon = 80;  // ms after the last change

// The picked kind's looks as the laws see them, with what they are made from.
struct Looked {
  LookPainter painter;
  LookTable table;
  RenderedLooks looks;
  Looked(const Project& project, const Kind& kind, const Machine& machine, const QString& folder)
      : table(kind, machine, naming(project)),
        looks(painter, kind, table, groundOf(project, kind)) {
    painter.pictures().setFolder(folder);
  }
};

// A project is a value: this copy may be read while the window's is edited. Pictures are read anew,
// by a painter of the thread's own.
Lawfulness checked(const Project& project, const KindId& id, const QString& folder,
                   const std::atomic<bool>* stop) {
  Lawfulness out{id, {}, {}, {}, {}};
  const Kind* kind = find(project, id);
  const Machine* machine = kind ? find(project, kind->machine) : nullptr;
  if (!machine) return out;
  auto ready = makeReady(*machine, project);
  if (!ready) {
    out.error = ready.error();
    return out;
  }
  const Looked looked(project, *kind, *machine, folder);
  out.report =
      checkLaws({*machine, ready->program, ready->symbols, ready->values, &looked.looks, stop});
  out.symbols = std::move(ready->symbols);
  return out;
}

std::map<int, Mend> mended(const Project& project, const KindId& id, const QString& folder,
                           const LawReport& report, const std::atomic<bool>* stop) {
  std::map<int, Mend> out;
  const Kind* kind = find(project, id);
  const Machine* machine = kind ? find(project, kind->machine) : nullptr;
  if (!machine) return out;
  const Looked looked(project, *kind, *machine, folder);
  for (int i = 0; i < kLaws && !stop->load(); ++i) {
    const LawResult& law = report.laws[size_t(i)];
    if (!law.broken || !law.waived.empty()) continue;
    if (auto mend = mendFor(*machine, project, Law(i + 1), &looked.looks, stop))
      out.emplace(i, std::move(*mend));
  }
  return out;
}

}  // namespace

LawWatch::LawWatch(Work& work, QObject* parent) : QObject(parent), work_(work) {
  soon_.setSingleShot(true);
  soon_.setInterval(kSoon);
  connect(&soon_, &QTimer::timeout, this, &LawWatch::begin);
  const auto again = [this] {
    if (stop_) *stop_ = true;  // what is being checked is out of date, and so is what was offered
    if (last_ && !last_->mends.empty()) {
      last_->mends.clear();
      Q_EMIT changed();
    }
    if (on_) soon_.start();
  };
  connect(&work, &Work::changed, this, again);
  connect(&work, &Work::pickedChanged, this, [this, again] {
    if (!now()) again();
  });
  connect(&checking_, &QFutureWatcherBase::finished, this, [this] {
    checks_ = false;
    if (*stop_) return on_ ? soon_.start() : void();
    last_ = checking_.result();
    beginMending();
    Q_EMIT changed();
  });
  connect(&mending_, &QFutureWatcherBase::finished, this, [this] {
    mends_ = false;
    if (*stop_ || !last_) return;
    last_->mends = mending_.result();
    Q_EMIT changed();
  });
}

LawWatch::~LawWatch() {
  if (stop_) *stop_ = true;
  checking_.waitForFinished();
  mending_.waitForFinished();
}

void LawWatch::setOn(bool on) {
  on_ = on;
  if (on) return soon_.start();
  soon_.stop();  // nobody looks
  if (stop_) *stop_ = true;
}

void LawWatch::begin() {
  if (checks_ || mends_) return soon_.start();
  checks_ = true;
  stop_ = std::make_shared<std::atomic<bool>>(false);
  checking_.setFuture(QtConcurrent::run(
      [project = work_.project(), kind = work_.picked().kind, folder = work_.folder(),
       stop = stop_] { return checked(project, kind, folder, stop.get()); }));
}

void LawWatch::beginMending() {
  if (last_->error || !last_->report.whole || last_->report.allKept()) return;
  mends_ = true;
  mending_.setFuture(
      QtConcurrent::run([project = work_.project(), kind = last_->kind, folder = work_.folder(),
                         report = last_->report, stop = stop_] {
        return mended(project, kind, folder, report, stop.get());
      }));
}

}  // namespace bristle
