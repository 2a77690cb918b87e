// A controller walks a bench, by the bindings of the project: directions repeat while they are
// held, accept goes into what is there, cancel comes out, shoulders step on and back.
#pragma once
#include <QElapsedTimer>
#include <QObject>
#include <QTimer>

#include "runtime/session/devices.h"
#include "runtime/session/sign_reader.h"

namespace bristle {

class Work;

class ControllerWalk : public QObject {
  Q_OBJECT
 public:
  // Listens while `where` is seen in the window that is used; both must outlive it.
  ControllerWalk(Work& work, QWidget& where);

 Q_SIGNALS:
  void stepped(bristle::Dir dir);
  void wentThrough(bool into);
  void turned(bool forwards);

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  void poll();
  void take(const InputEvent& event);
  Work& work_;
  QWidget& where_;
  QTimer polling_;
  QElapsedTimer clock_;
  SignReader signs_;
  DownKeys down_;
  Ms nextRepeat_ = 0;
};

}  // namespace bristle
