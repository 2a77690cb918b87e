#include "desktop/rehearse/take_runner.h"

#include "desktop/work/work.h"
#include "paint/fonts.h"
#include "paint/hit_shape.h"
#include "runtime/session/session.h"

namespace bristle {

TakeRunner::TakeRunner(Work& work)
    : work_(work),
      runs_(this,
            [this](std::vector<TakeRun> runs) {
              end();
              Q_EMIT ran(runs);
            }),
      visits_(this, [this](Restless found) {
        end();
        Q_EMIT visited(found);
      }) {
  telling_.setInterval(100);
  connect(&telling_, &QTimer::timeout, this, [this] { Q_EMIT progress(*done_, all_); });
}

void TakeRunner::begin(std::uint64_t all) {
  done_ = std::make_shared<std::atomic<std::uint64_t>>(0);
  all_ = all;
  telling_.start();
  Q_EMIT progress(0, all_);
}

void TakeRunner::end() {
  telling_.stop();
  Q_EMIT progress(all_, all_);
}

void TakeRunner::cancel() {
  runs_.cancel();
  visits_.cancel();
  end();
}

// A worker has pictures of its own: those of the window are the window's.
void TakeRunner::run(std::vector<Take> takes) {
  auto runs = runsOf(work_.project(), takes);
  begin(runs.size());
  runs_.ask([project = work_.project(), takes = std::move(takes), runs = std::move(runs),
             folder = work_.folder(), done = done_](const std::atomic<bool>& stop) mutable {
    Pictures pictures;
    pictures.setFolder(folder);
    const HitShapes hits(pictures);
    const FontMeasure measure;
    for (TakeRun& each : runs) {
      if (stop) break;
      bristle::run(each, project, takes[each.take], measure, &hits);
      ++*done;
    }
    return runs;
  });
}

void TakeRunner::visit(std::uint64_t events, std::uint64_t seed) {
  if (!work_.display()) return;
  begin(events);
  visits_.ask([project = work_.project(), showing = work_.showing(), events, seed,
               folder = work_.folder(), done = done_](const std::atomic<bool>& stop) {
    Pictures pictures;
    pictures.setFolder(folder);
    const HitShapes hits(pictures);
    const FontMeasure measure;
    auto begun = Session::start(project, showing, measure);
    if (!begun) return Restless{};
    begun->setHitTest(&hits);
    return bristle::visit(*begun, events, seed, [&](std::uint64_t so_far) {
      *done = so_far;
      return !stop;
    });
  });
}

}  // namespace bristle
