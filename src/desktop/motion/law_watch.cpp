#include "desktop/motion/law_watch.h"

#include "core/derive/ground.h"
#include "desktop/work/work.h"
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
        looks(painter, kind, table, groundOf(project, kind.id)) {
    painter.pictures().setFolder(folder);
  }
};

// A project is a value: this copy may be read while the window's is edited. Pictures are read anew,
// by a painter of the thread's own.
Lawfulness checked(const Project& project, const KindId& id, const QString& folder,
                   const std::atomic<bool>* stop) {
  Lawfulness out;
  out.kind = id;
  const Kind* kind = find(project, id);
  const Machine* machine = kind ? find(project, kind->machine) : nullptr;
  if (!machine) return out;
  if (kind->still) {
    out.error = Error{{}, "it stands still: no input reaches it, so there is nothing to prove"};
    return out;
  }
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

const Lawfulness* LawWatch::now() const {
  return last_ && last_->kind == work_.picked().kind ? &*last_ : nullptr;
}

LawWatch::LawWatch(Work& work, QObject* parent)
    : QObject(parent),
      work_(work),
      checking_(this,
                [this](Lawfulness found) {
                  last_ = std::move(found);
                  beginMending();
                  Q_EMIT changed();
                }),
      mending_(this, [this](std::map<int, Mend> found) {
        if (!last_) return;
        last_->mends = std::move(found);
        Q_EMIT changed();
      }) {
  soon_.setSingleShot(true);
  soon_.setInterval(kSoon);
  connect(&soon_, &QTimer::timeout, this, &LawWatch::begin);
  connect(&work, &Work::changed, this, &LawWatch::again);
  connect(&work, &Work::pickedChanged, this, [this] {
    if (!now()) again();
  });
}

LawWatch::Basis LawWatch::basis() const {
  const Project& p = work_.project();
  Basis out{{}, {}, p.named, p.settings.darkSet, p.values};
  for (const auto& kind : p.kinds)
    if (kind->id == work_.picked().kind) out.kind = kind;
  for (const auto& machine : p.machines)
    if (out.kind && machine->id == (*out.kind)->machine) out.machine = machine;
  return out;
}

bool LawWatch::Basis::same(const Basis& other) const {
  const auto both = [](const auto& a, const auto& b) {
    return a && b ? a->same(*b) : a.has_value() == b.has_value();
  };
  return both(kind, other.kind) && both(machine, other.machine) && named.same(other.named) &&
         dark == other.dark && values == other.values;
}

// What is being checked is out of date, and so is what was offered; unless nothing of it changed.
void LawWatch::again() {
  if (checked_ && checked_->same(basis())) return;
  checked_.reset();
  checking_.cancel();
  mending_.cancel();
  if (last_ && !last_->mends.empty()) {
    last_->mends.clear();
    Q_EMIT changed();
  }
  if (on_) soon_.start();
}

void LawWatch::setOn(bool on) {
  on_ = on;
  if (on) return again();
  soon_.stop();  // nobody looks
  if (!checking()) return;
  checked_.reset();
  checking_.cancel();
  mending_.cancel();
}

void LawWatch::begin() {
  checked_ = basis();
  checking_.ask([project = work_.project(), kind = work_.picked().kind,
                 folder = work_.folder()](const std::atomic<bool>& stop) {
    return checked(project, kind, folder, &stop);
  });
}

void LawWatch::beginMending() {
  if (last_->error || !last_->report.whole || last_->report.allKept()) return;
  mending_.ask([project = work_.project(), kind = last_->kind, folder = work_.folder(),
                report = last_->report](const std::atomic<bool>& stop) {
    return mended(project, kind, folder, report, &stop);
  });
}

}  // namespace bristle
