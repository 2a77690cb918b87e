// What is looked at on the Motion bench: the picked state and transition, the score on the scope
// and the time at which it stands. A matter of the window, not of the project.
#pragma once
#include <QElapsedTimer>
#include <QTimer>

#include "core/laws/score.h"
#include "desktop/frame/work.h"

namespace bristle {

struct Ready;

class MotionView : public QObject {
  Q_OBJECT
 public:
  MotionView(Work& work, QObject* parent);
  ~MotionView() override;
  StateId state() const;   // the picked one; empty: what is common to all
  int transition() const;  // its place in the machine; −1: none
  void pickState(const StateId& id);
  void pickTransition(int index);

  const Score& score() const { return score_; }
  void setScore(Score score);
  Ms time() const { return time_; }
  void setTime(Ms time);
  double speed() const { return speed_; }  // 1, ½, ¼
  void setSpeed(double speed) { speed_ = speed; }
  bool loops() const { return loops_; }
  void setLoops(bool on) { loops_ = on; }
  bool playing() const { return clock_.isActive(); }
  void setPlaying(bool on);

  // What the machine does with the score; empty where it cannot be run.
  const ScoreRun& run();
  const Ready* ready();
  // The picked kind's look at a time, as a menu would show it.
  const Look* lookAt(Ms time);

 Q_SIGNALS:
  void picked();
  void scoreChanged();  // or what the machine does with it
  void moved();         // the time

 private:
  void forget();
  Work& work_;
  StateId state_;
  int transition_ = -1;
  Score score_;
  Ms time_ = 0;
  double speed_ = 1;
  bool loops_ = true;
  QTimer clock_;
  QElapsedTimer since_;
  Ms begun_ = 0;
  std::unique_ptr<Ready> ready_;
  std::optional<ScoreRun> run_;
  std::unique_ptr<LookPlayer> player_;
  Ms playerAt_ = 0;
  size_t playerNext_ = 0;
};

}  // namespace bristle
