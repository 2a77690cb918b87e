#include "desktop/derive/findings_watch.h"

#include <spdlog/spdlog.h>

#include "devices/sound_file.h"
#include "paint/convert.h"
#include "paint/pictures.h"

namespace bristle {
namespace {
constexpr int kFindAfter = 100;  // ms after the last change: a drag makes many
}

FindingsWatch::FindingsWatch(QObject* parent)
    : QObject(parent), checking_(this, [this](Findings found) {
        now_ = std::move(found);
        spdlog::debug("{} findings", now_.size());
        Q_EMIT changed();
      }) {
  soon_.setSingleShot(true);
  soon_.setInterval(kFindAfter);
  connect(&soon_, &QTimer::timeout, this, &FindingsWatch::begin);
}

void FindingsWatch::look(const Project& project, const QString& folder) {
  project_ = project;
  folder_ = folder;
  soon_.start();
}

void FindingsWatch::begin() {
  checking_.ask([project = project_, folder = fromQt(folder_),
                 review = review_](const std::atomic<bool>& stop) {
    return review->check(
        project, {[&](const std::string& file) { return whyNoSound(folder, file); },
                  [&](const std::string& file) { return whyNoPicture(folder, file); }, &stop});
  });
}

}  // namespace bristle
