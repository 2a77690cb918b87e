// The on-screen controller: sends the same events as a real one.
#pragma once
#include <QWidget>

#include "runtime/session/input.h"

class QToolButton;

namespace bristle {

class Rehearsal;

class Pad : public QWidget {
  Q_OBJECT
 public:
  explicit Pad(Rehearsal& rehearsal, QWidget* parent = nullptr);

 private:
  QToolButton* key(const QString& text, const QString& name, InputType type, Dir dir);
  Rehearsal& rehearsal_;
};

}  // namespace bristle
