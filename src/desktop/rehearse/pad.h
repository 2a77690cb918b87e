// The on-screen controller: sends the same events as a real one.
#pragma once
#include <QWidget>
#include <functional>

#include "runtime/session/input.h"

class QToolButton;

namespace bristle {

class Rehearsal;

class Pad : public QWidget {
  Q_OBJECT
 public:
  explicit Pad(Rehearsal& rehearsal, QWidget* parent = nullptr);

 private:
  QToolButton* knob(const QString& text, const QString& name, std::function<void(bool)> send);
  QToolButton* key(const QString& text, const QString& name, Dir dir);
  QToolButton* button(const QString& text, const char* place);
  Rehearsal& rehearsal_;
};

}  // namespace bristle
