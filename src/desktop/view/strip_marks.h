// What a bench has to say of each display in each language, for the strip of them.
#pragma once
#include <QObject>
#include <QStringList>

#include "runtime/document/project.h"

namespace bristle {

class StripMarks : public QObject {
  Q_OBJECT
 public:
  using QObject::QObject;
  // How much is wrong there, and how much is but worth knowing.
  struct Mark {
    size_t wrong = 0, worth = 0;
  };
  virtual Mark markOf(const Display& display, const Language& language) const = 0;
  // In words, a line each.
  virtual QStringList linesOf(const Display& display, const Language& language) const = 0;

 Q_SIGNALS:
  void changed();
};

}  // namespace bristle
