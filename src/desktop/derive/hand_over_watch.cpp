#include "desktop/derive/hand_over_watch.h"

#include "core/edit/history.h"
#include "paint/convert.h"
#include "paint/look_painter.h"

namespace bristle {
namespace {

constexpr int kMakeAfter = 250;  // ms after the last change: fields are typed letter by letter

MadeDelivery madeOf(const Project& project, const Delivery& delivery, const QString& folder,
                    const MadeProgress& progress) {
  LookPainter looks;
  looks.pictures().setFolder(folder);
  OutputSetting with{project, looks, fromQt(folder), false, progress};
  MadeDelivery out;
  out.of = delivery.id;
  auto files = makeAll(delivery, with);
  out.left = with.left;
  if (!files) {
    out.why = files.error().text();
    return out;
  }
  out.files = std::move(*files);
  const std::string to = folderFor(delivery, fromQt(folder));
  auto would = wouldHandOver(to, out.files);
  if (would) {
    out.would = std::move(*would);
  } else {
    out.why = would.error().text();
    out.inTheWay = wouldHandOver(to, out.files, true).has_value();
  }
  return out;
}

}  // namespace

HandOverWatch::HandOverWatch(QObject* parent)
    : QObject(parent),
      making_(this,
              [this](MadeDelivery made) {
                now_ = std::move(made);
                Q_EMIT changed();
              }),
      putting_(this, [this](const Done& done) {
        Q_EMIT handedOver(done.told, done.fine, done.folder);
        begin();  // what would be done is otherwise now
      }) {
  soon_.setSingleShot(true);
  soon_.setInterval(kMakeAfter);
  connect(&soon_, &QTimer::timeout, this, &HandOverWatch::begin);
}

bool HandOverWatch::look(const Project& project, const DeliveryId& delivery, const QString& folder,
                         bool anew) {
  const bool same =
      delivery == wanted_ && folder == folder_ && !changeBetween(project_, project).any();
  if (same && !anew) return false;
  project_ = project;
  wanted_ = delivery;
  folder_ = folder;
  soon_.start();
  return true;
}

void HandOverWatch::stop() {
  soon_.stop();
  making_.cancel();
  putting_.cancel();
  Q_EMIT stopped();
}

void HandOverWatch::begin() {
  const Delivery* delivery = find(project_, wanted_);
  if (!delivery) return;
  making_.ask([this, project = project_, delivery = *delivery,
               folder = folder_](const std::atomic<bool>& stop) {
    return madeOf(project, delivery, folder, [&](int done, int of) {
      // Across to the thread that the window lives on.
      QMetaObject::invokeMethod(
          this, [this, done, of] { Q_EMIT advanced(done, of); }, Qt::QueuedConnection);
      return !stop;
    });
  });
}

void HandOverWatch::handOver(const Project& project, const std::vector<DeliveryId>& deliveries,
                             const QString& folder, bool over) {
  putting_.ask([this, project, deliveries, folder, over](const std::atomic<bool>& stop) {
    Done out;
    QStringList lines;
    for (const DeliveryId& id : deliveries) {
      const Delivery* delivery = find(project, id);
      if (!delivery || stop) continue;
      LookPainter none;
      // Of before it is made: a file that changes meanwhile makes it another.
      const std::string basis = basisOf(*delivery, {project, none, fromQt(folder)});
      const MadeDelivery made = madeOf(project, *delivery, folder, [&](int done, int of) {
        QMetaObject::invokeMethod(
            this, [this, done, of] { Q_EMIT advanced(done, of); }, Qt::QueuedConnection);
        return !stop;
      });
      const std::string to = folderFor(*delivery, fromQt(folder));
      if (!made.why.empty() && !(over && made.inTheWay)) {
        lines << tr("%1: %2").arg(toQt(delivery->name), toQt(made.why));
        out.fine = false;
        continue;
      }
      const auto done = bristle::handOver(to, made.files, over, basis);
      if (!done) {
        lines << tr("%1: %2").arg(toQt(delivery->name), toQt(done.error().text()));
        out.fine = false;
        continue;
      }
      out.folder = toQt(to);
      lines << tr("%1: %2 written, %3 as they were, %4 removed, in %5")
                   .arg(toQt(delivery->name))
                   .arg(done->written.size())
                   .arg(done->same.size())
                   .arg(done->removed.size())
                   .arg(out.folder);
    }
    out.told = lines.join(QStringLiteral("\n"));
    return out;
  });
}

}  // namespace bristle
