// A running rehearsal: a reel fed with what devices send, at the time of a clock that can be
// slowed, stopped, set back, or driven from outside.
#pragma once
#include <QElapsedTimer>
#include <QObject>
#include <QTimer>
#include <memory>
#include <optional>

#include "core/rehearse/keep_take.h"
#include "core/rehearse/set_up.h"
#include "paint/hit_shape.h"
#include "runtime/session/input.h"
#include "runtime/session/sign_reader.h"
#include "runtime/session/trace.h"

namespace bristle {

class Reel;
class Session;
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
  bool running() const { return reel_ != nullptr; }
  const Reel* reel() const { return reel_.get(); }
  Session* session();
  // All until the end of the reel.
  const std::vector<TraceEntry>& trace() const;

  // What devices send; stamped with the clock. While one looks back only what is pressed counts: it
  // goes on from there.
  void send(InputEvent event);
  // A key or a controller button, for what it does on the screen on top. False where it does
  // nothing there.
  bool press(const Sign& sign, bool down, int unit = 0);
  bool binds(const Sign& sign) const;
  // Puts a whole take on the reel and shows it from its start, or from what failed first.
  bool replay(const Take& take);
  bool replaying() const { return replaying_; }
  // Of the take that was replayed last.
  const std::vector<TakeFailure>& failures() const { return failures_; }
  // Why the last replay could not come to its end; empty when it did.
  const QString& stopped() const { return stopped_; }
  // Why the last start came to nothing.
  const QString& problem() const { return problem_; }
  Result<Take> keep(const KeepTake& what) const;
  // The take, expecting what happens now (withWhatHappens).
  Result<Take> accepted(const Take& take) const;

  // 1, 0.5, 0.25.
  void setSpeed(double speed);
  void setStill(bool still);
  bool still() const { return still_; }
  // How it looks to those who asked for less motion.
  void setReducedMotion(bool on);
  // What is other than in the project, from the next start on.
  void setUp(SetUp setUp) { setUp_ = std::move(setUp); }
  const SetUp& setUp() const { return setUp_; }

  // Each stands still there.
  void seek(Ms at);
  void stepBy(Ms ms);
  void toNext();
  void toPrevious();
  // What was set aside when one went on from the past, and back.
  void changeToOther();
  // The clock is set by hand from now on: for playing takes by real input events.
  void driveTo(Ms at);

 Q_SIGNALS:
  void begun();         // another session than before
  void advanced();      // something may have moved or happened
  void clockChanged();  // it stands still, or goes on
  // By its end, or since a person took over.
  void replayEnded();

 private:
  const Screen* top() const;
  Ms clock() const;
  void setClock(Ms at);
  void tick();
  bool begin(Result<Session> session);
  void endReplay();
  void sound();

  Work& work_;
  HitShapes hits_;
  std::unique_ptr<Reel> reel_;
  SignReader signs_;
  SetUp setUp_;
  std::vector<TakeFailure> failures_;
  QString stopped_, problem_;
  QTimer timer_;
  QElapsedTimer elapsed_;
  double speed_ = 1;
  bool still_ = false;
  Ms base_ = 0;  // the clock when it was set last
  bool reduced_ = false, driven_ = false, replaying_ = false;
  bool moved_ = false;  // at the last tick
  size_t told_ = 0;     // entries of the trace at the last tick
};

}  // namespace bristle
