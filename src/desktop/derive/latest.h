// Keeps one thing made on a worker: the newest wish counts, what is being made for an older one is
// told to stop and is never handed on.
//
//   Latest<Findings> findings(this, [this](Findings found) { show(std::move(found)); });
//   findings.ask([project](const std::atomic<bool>& stop) { return check(project, stop); });
#pragma once
#include <QFutureWatcher>
#include <QtConcurrent>
#include <atomic>
#include <functional>
#include <memory>
#include <optional>

#include "desktop/derive/workers.h"

namespace bristle {

template <class T>
class Latest {
 public:
  // Runs on a worker; must not touch what the interface thread changes. Should come back soon once
  // `stop` is set.
  using Make = std::function<T(const std::atomic<bool>& stop)>;
  // `done` runs on the interface thread.
  Latest(QObject* owner, std::function<void(T)> done) : done_(std::move(done)) {
    QObject::connect(&watcher_, &QFutureWatcherBase::finished, owner, [this] { finish(); });
  }
  Latest(const Latest&) = delete;
  Latest& operator=(const Latest&) = delete;
  ~Latest() {
    cancel();
    watcher_.disconnect();
    watcher_.waitForFinished();
  }
  void ask(Make make) {
    cancel();
    next_ = std::move(make);
    if (!runs_) begin();
  }
  void cancel() {
    next_ = {};
    if (stop_) *stop_ = true;
  }
  // Until `done` has been called, or what was asked has been given up.
  bool busy() const { return runs_ || next_; }

 private:
  void begin() {
    runs_ = true;
    stop_ = std::make_shared<std::atomic<bool>>(false);
    watcher_.setFuture(
        QtConcurrent::run(&workers(), [make = std::exchange(next_, {}), stop = stop_] {
          stepBack();
          return std::optional<T>(make(*stop));
        }));
  }
  void finish() {
    runs_ = false;
    const bool stale = *stop_;
    std::optional<T> made = watcher_.result();
    if (next_) begin();
    if (!stale && made) done_(std::move(*made));
  }

  std::function<void(T)> done_;
  QFutureWatcher<std::optional<T>> watcher_;
  std::shared_ptr<std::atomic<bool>> stop_;
  Make next_;
  bool runs_ = false;
};

}  // namespace bristle
