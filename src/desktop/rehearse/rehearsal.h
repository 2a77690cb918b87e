// A running rehearsal: a session fed with what devices send, at the time of a clock that can be
// slowed, stopped, or driven by a take.
#pragma once
#include <QElapsedTimer>
#include <QObject>
#include <QTimer>
#include <memory>
#include <optional>

#include "core/session/take.h"
#include "desktop/frame/work.h"
#include "paint/hit_shape.h"

namespace bristle {

class Rehearsal : public QObject {
  Q_OBJECT
 public:
  explicit Rehearsal(Work& work);

  // From the picked screen's project start; tells the person when it cannot.
  bool start();
  void stop();
  bool running() const { return session_.has_value(); }
  Session* session() { return session_ ? &*session_ : nullptr; }

  // What devices send; stamped with the clock. Ignored while a take is replayed.
  void send(InputEvent event);
  // Plays a take from the start; its own times drive the clock.
  bool replay(Take take);
  bool replaying() const { return take_.has_value(); }
  const std::vector<TakeFailure>& failures() const { return check_.failures(); }
  Take keep(const std::string& name) const;

  // 1, 0.5, 0.25, or 0 to stand still.
  void setSpeed(double speed);
  // How it looks to those who asked for less motion.
  void setReducedMotion(bool on);
  // Time goes on by so much while it stands still.
  void stepBy(Ms ms);
  // The clock is set by hand from now on: for playing takes by real input events.
  void driveTo(Ms at);

 Q_SIGNALS:
  void advanced();  // something may have moved or happened
  void replayEnded();

 private:
  Ms clock() const;
  void tick();
  void feed(const InputEvent& event);
  void playDue();
  void sound();

  Work& work_;
  HitShapes hits_{work_.looks().pictures()};
  std::optional<Session> session_;
  std::vector<InputEvent> fed_;
  std::optional<Take> take_;
  size_t nextStep_ = 0;
  TakeCheck check_;
  QTimer timer_;
  QElapsedTimer elapsed_;
  double speed_ = 1;
  Ms base_ = 0;  // the clock when the speed was last changed
  bool reduced_ = false;
  bool driven_ = false;
  bool moved_ = false;  // at the last tick
  size_t told_ = 0;     // entries of the trace at the last tick
};

}  // namespace bristle
