// Plays takes on displays and in languages on a worker, one after another.
#pragma once
#include <QObject>
#include <QTimer>
#include <atomic>
#include <memory>
#include <vector>

#include "core/rehearse/restless.h"
#include "core/rehearse/take_runs.h"
#include "desktop/derive/latest.h"

namespace bristle {

class Work;

class TakeRunner : public QObject {
  Q_OBJECT
 public:
  explicit TakeRunner(Work& work);
  // All of them everywhere; what was asked before is given up.
  void run(std::vector<Take> takes);
  // The restless visitor, on the display and in the language in hand.
  void visit(std::uint64_t events, std::uint64_t seed);
  void cancel();
  bool busy() const { return runs_.busy() || visits_.busy(); }

 Q_SIGNALS:
  // From time to time while it goes on: of how many how many are done.
  void progress(qulonglong done, qulonglong all);
  void ran(const std::vector<bristle::TakeRun>& runs);
  void visited(const bristle::Restless& found);

 private:
  void begin(std::uint64_t all);
  void end();

  Work& work_;
  Latest<std::vector<TakeRun>> runs_;
  Latest<Restless> visits_;
  std::shared_ptr<std::atomic<std::uint64_t>> done_;
  std::uint64_t all_ = 0;
  QTimer telling_;
};

}  // namespace bristle
