// Keeps the laws of the picked kind checked, off the interface thread, while its machine and looks
// change.
#pragma once
#include <QTimer>
#include <map>

#include "core/laws/mend.h"
#include "desktop/derive/latest.h"

namespace bristle {

class Work;

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
  // Looks at nothing until it is set on. `work` must outlive it.
  LawWatch(Work& work, QObject* parent);
  // The last report of the picked kind; null until there is one.
  const Lawfulness* now() const;
  // Until what was found has been taken over.
  bool checking() const { return checking_.busy() || mending_.busy() || soon_.isActive(); }
  // Only while somebody looks.
  void setOn(bool on);

 Q_SIGNALS:
  // There is another report, or mends for it.
  void changed();

 private:
  // What the laws of a kind rest on, by identity.
  struct Basis {
    std::optional<Shared<Kind>> kind;
    std::optional<Shared<Machine>> machine;
    Shared<NamedValues> named;
    bool dark = false;
    std::vector<ProjectValue> values;
    bool same(const Basis& other) const;
  };
  Basis basis() const;
  void again();
  void begin();
  void beginMending();
  Work& work_;
  bool on_ = false;
  QTimer soon_;
  std::optional<Basis> checked_;  // what was checked last, or is being checked
  std::optional<Lawfulness> last_;
  Latest<Lawfulness> checking_;
  Latest<std::map<int, Mend>> mending_;
};

}  // namespace bristle
