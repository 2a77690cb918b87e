#include "desktop/derive/findings_watch.h"

#include <spdlog/spdlog.h>

#include "core/findings/review.h"
#include "deliver/file_probes.h"
#include "paint/convert.h"
#include "paint/painted_eyes.h"

namespace bristle {
namespace {
constexpr int kFindAfter = 100;  // ms after the last change: a drag makes many
}

struct FindingsWatch::Kit {
  explicit Kit(const QString& folder) : files(fromQt(folder)), eyes(folder) {}
  Review review;
  FileProbes files;
  ManyEyes eyes;
};

FindingsWatch::FindingsWatch(QObject* parent)
    : QObject(parent),
      kit_(std::make_shared<Kit>(QString())),
      checking_(this, [this](SortedFindings found) {
        now_ = std::move(found);
        spdlog::debug("{} findings", now_.open.size());
        Q_EMIT changed();
      }) {
  soon_.setSingleShot(true);
  soon_.setInterval(kFindAfter);
  connect(&soon_, &QTimer::timeout, this, &FindingsWatch::begin);
}

void FindingsWatch::look(const Project& project, const QString& folder) {
  project_ = project;
  // Fonts and pictures of another folder: nothing that was found holds.
  if (folder != folder_) kit_ = std::make_shared<Kit>(folder);
  folder_ = folder;
  soon_.start();
}

void FindingsWatch::forget() {
  kit_ = std::make_shared<Kit>(folder_);
  soon_.start();
}

void FindingsWatch::begin() {
  checking_.ask([project = project_, kit = kit_](const std::atomic<bool>& stop) {
    Probes probes = kit->files.probes();
    kit->eyes.lookFor(probes);
    probes.stop = &stop;
    return sorted(project, kit->review.check(project, probes));
  });
}

const Finding* FindingsWatch::picked() const {
  for (const Finding& f : now_.open)
    if (f.key == picked_) return &f;
  for (const auto& each : now_.accepted)
    if (each.finding.key == picked_) return &each.finding;
  return nullptr;
}

QStringList FindingsWatch::wordsOf(const std::function<bool(const Finding&)>& about) const {
  QStringList out;
  for (const Finding& f : now_.open)
    if (about(f)) out << toQt(f.reason);
  return out;
}

void FindingsWatch::pick(const std::string& key) {
  if (key == picked_) return;
  picked_ = key;
  Q_EMIT pickedChanged();
}

const Finding* FindingsWatch::pickNext(bool forwards) {
  const Findings& all = now_.open;
  if (all.empty()) return nullptr;
  const auto found =
      std::find_if(all.begin(), all.end(), [&](const Finding& f) { return f.key == picked_; });
  const auto count = static_cast<int>(all.size());
  const int at = found == all.end() ? (forwards ? -1 : 0) : int(found - all.begin());
  const Finding& next = all[size_t((at + (forwards ? 1 : -1) + count) % count)];
  pick(next.key);
  return &next;
}

}  // namespace bristle
