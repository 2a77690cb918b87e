// What is looked at on the Motion bench: the picked state and transition, the score on the scope
// and the time at which it stands. A matter of the window, not of the project.
#pragma once
#include <QElapsedTimer>
#include <QTimer>

#include "core/laws/score.h"
#include "runtime/machine/look.h"

namespace bristle {

struct Ready;
class Work;

class MotionView : public QObject {
  Q_OBJECT
 public:
  MotionView(Work& work, QObject* parent);
  ~MotionView() override;
  StateId state() const;   // the picked one; empty: what is common to all
  int transition() const;  // its place in the machine; −1: none
  // An empty id picks what is common to all; no transition is picked then.
  void pickState(const StateId& id);
  // By its place in the machine; its state is picked with it.
  void pickTransition(int index);

  // Whether the score is played on the machine, or the picked state's own motion is looked at.
  bool inState() const { return inState_; }
  void setInState(bool on);
  // The state whose motion that is: the picked one, or the first.
  StateId stirred() const;
  // The picked track and key frame of that motion; −1: none.
  int track() const { return track_; }
  int frame() const { return frame_; }
  void pickFrame(int track, int frame);
  // How long it can be played, ms.
  Ms length() const;
  // Reduced motion: how it looks to those who asked for less of it.
  bool reduced() const { return reduced_; }
  void setReduced(bool on);

  const Score& score() const { return score_; }
  // What is played from now on; the time stays, or goes back to its end.
  void setScore(Score score);
  // The curves that were chosen for the scope; nothing: the first that move.
  const std::optional<std::vector<PropKey>>& curves() const { return curves_; }
  void setCurves(std::optional<std::vector<PropKey>> curves);
  Ms time() const { return time_; }
  void setTime(Ms time);
  double speed() const { return speed_; }  // 1, ½, ¼
  // Of real time.
  void setSpeed(double speed) { speed_ = speed; }
  bool loops() const { return loops_; }
  // Whether it begins anew at its end.
  void setLoops(bool on) { loops_ = on; }
  bool playing() const { return clock_.isActive(); }
  // From where it stands; from the start where it stands at the end.
  void setPlaying(bool on);

  // What the machine does with the score; empty where it cannot be run.
  const ScoreRun& run();
  const Ready* ready();
  // The picked kind's look at a time, as a menu would show it, its state, and how long it has been
  // in it.
  const Look* lookAt(Ms time);
  StateIndex stateAt(Ms time);
  Ms sinceAt(Ms time);

 Q_SIGNALS:
  // Another state, transition, track or frame.
  void picked();
  void scoreChanged();                                 // or what the machine does with it
  void moved();                                        // the time
  void heard(const std::string& file, double volume);  // while it plays

 private:
  void forget();
  void goOn();
  void hear(Ms from, Ms to);
  const Look* lookInState(const LookTable& table, Ms time);
  Work& work_;
  StateId state_;
  int transition_ = -1;
  int track_ = 0, frame_ = 0;
  Score score_;
  Ms time_ = 0;
  double speed_ = 1;
  bool loops_ = true, inState_ = false, reduced_ = false;
  Look look_;
  std::optional<std::vector<PropKey>> curves_;
  QTimer clock_;
  QElapsedTimer since_;
  Ms begun_ = 0;
  std::unique_ptr<Ready> ready_;
  std::optional<ScoreRun> run_;
  std::shared_ptr<const LookTable> table_;
  std::unique_ptr<LookPlayer> player_;
  Ms playerAt_ = 0;
  size_t playerNext_ = 0;
};

}  // namespace bristle
