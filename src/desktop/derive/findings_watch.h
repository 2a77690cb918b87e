// Keeps the findings of a project up to date on a worker, a moment after each change, and which of
// them is in hand.
#pragma once
#include <QStringList>
#include <QTimer>
#include <functional>

#include "core/findings/sorted.h"
#include "desktop/derive/latest.h"

namespace bristle {

class FindingsWatch : public QObject {
  Q_OBJECT
 public:
  explicit FindingsWatch(QObject* parent = nullptr);
  // A project is a value: its copy is read while the other is edited. Its pictures and sounds lie
  // in `folder`.
  void look(const Project& project, const QString& folder);
  // Looks again: files have changed, whatever they are called.
  void forget();
  const SortedFindings& now() const { return now_; }
  // What is open of what `about` says yes to, in words.
  QStringList wordsOf(const std::function<bool(const Finding&)>& about) const;
  bool busy() const { return soon_.isActive() || checking_.busy(); }
  // Null where none is in hand, or it is not found any more.
  const Finding* picked() const;
  void pick(const std::string& key);
  // The one after the one in hand, or before it, round the end; null where there is none.
  const Finding* pickNext(bool forwards);

 Q_SIGNALS:
  // There are other findings now.
  void changed();
  void pickedChanged();

 private:
  void begin();
  struct Kit;  // what a worker checks with, one at a time
  Project project_;
  QString folder_;
  QTimer soon_;
  std::shared_ptr<Kit> kit_;
  SortedFindings now_;
  std::string picked_;
  Latest<SortedFindings> checking_;
};

}  // namespace bristle
