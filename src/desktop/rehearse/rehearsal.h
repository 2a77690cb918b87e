// A running rehearsal: a session fed with what devices send, at the time of a clock that can be
// slowed, stopped, or driven by a take.
#pragma once
#include <QElapsedTimer>
#include <QObject>
#include <QTimer>
#include <memory>
#include <optional>

#include "paint/hit_shape.h"
#include "runtime/session/session.h"
#include "runtime/session/sign_reader.h"
#include "runtime/session/take.h"

namespace bristle {

class TakePlayer;
class Work;

class Rehearsal : public QObject {
  Q_OBJECT
 public:
  // Nothing runs yet. `work` must outlive it.
  explicit Rehearsal(Work& work);
  ~Rehearsal() override;

  // From that screen, or the project's first; tells the person when it cannot.
  bool start(const ScreenId& screen = {});
  // Opens what the take is for, and waits for what is sent.
  bool startFor(const Take& take);
  void stop();
  bool running() const { return session_.has_value(); }
  Session* session() { return session_ ? &*session_ : nullptr; }

  // What devices send; stamped with the clock. Ignored while a take is replayed.
  void send(InputEvent event);
  // A key or a controller button, for what it does on the screen on top. False where it does
  // nothing there.
  bool press(const Sign& sign, bool down, int unit = 0);
  bool binds(const Sign& sign) const;
  // Plays a take from the start; its own times drive the clock.
  bool replay(Take take);
  bool replaying() const { return player_ != nullptr; }
  // Of the take that was replayed last.
  const std::vector<TakeFailure>& failures() const { return failures_; }
  // Why the last replay could not come to its end; empty when it did.
  const QString& stopped() const { return stopped_; }
  // Why the last start came to nothing.
  const QString& problem() const { return problem_; }
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
  // By its end, or since it could not go on.
  void replayEnded();

 private:
  const Screen* top() const;
  Ms clock() const;
  void tick();
  void feed(const InputEvent& event);
  bool begin(Result<Session> session);
  void playDue();
  void endReplay();
  void sound();

  Work& work_;
  HitShapes hits_;
  std::optional<Session> session_;
  SignReader signs_;
  std::vector<InputEvent> fed_;
  Take take_;
  std::unique_ptr<TakePlayer> player_;  // of take_ in session_
  std::vector<TakeFailure> failures_;
  QString stopped_, problem_;
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
