// Keeps the findings of a project up to date on a worker, a moment after each change.
#pragma once
#include <QTimer>

#include "core/findings/review.h"
#include "desktop/derive/latest.h"

namespace bristle {

class FindingsWatch : public QObject {
  Q_OBJECT
 public:
  explicit FindingsWatch(QObject* parent = nullptr);
  // A project is a value: its copy is read while the other is edited. Its pictures and sounds lie
  // in `folder`.
  void look(const Project& project, const QString& folder);
  const Findings& now() const { return now_; }
  bool busy() const { return soon_.isActive() || checking_.busy(); }

 Q_SIGNALS:
  // There are other findings now.
  void changed();

 private:
  void begin();
  Project project_;
  QString folder_;
  QTimer soon_;
  std::shared_ptr<Review> review_ = std::make_shared<Review>();  // the worker's, one at a time
  Findings now_;
  Latest<Findings> checking_;
};

}  // namespace bristle
