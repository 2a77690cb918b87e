// Keeps the laws of the picked kind checked, off the interface thread, while its machine and looks
// change.
#pragma once
#include <QFutureWatcher>
#include <QTimer>
#include <atomic>
#include <map>
#include <memory>

#include "core/laws/mend.h"
#include "desktop/work/work.h"

namespace bristle {

// A report with what is needed to tell it.
struct Lawfulness {
  KindId kind;
  LawReport report;
  Symbols symbols;
  std::optional<Error> error;  // a formula that cannot be read: nothing was checked
  // By law, 0–9: the mends of those that are broken, where there is one. Found after the report.
  std::map<int, Mend> mends;
};

class LawWatch : public QObject {
  Q_OBJECT
 public:
  LawWatch(Work& work, QObject* parent);
  ~LawWatch() override;
  // The last report of the picked kind; null until there is one.
  const Lawfulness* now() const {
    return last_ && last_->kind == work_.picked().kind ? &*last_ : nullptr;
  }
  // Until what was found has been taken over.
  bool checking() const { return checks_ || mends_ || soon_.isActive(); }
  // Only while somebody looks.
  void setOn(bool on);

 Q_SIGNALS:
  void changed();

 private:
  void begin();
  void beginMending();
  Work& work_;
  bool on_ = false, checks_ = false, mends_ = false;
  QTimer soon_;
  std::shared_ptr<std::atomic<bool>> stop_;
  QFutureWatcher<Lawfulness> checking_;
  QFutureWatcher<std::map<int, Mend>> mending_;
  std::optional<Lawfulness> last_;
};

}  // namespace bristle
