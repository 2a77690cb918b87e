#include "desktop/motion/motion_view.h"

#include "core/laws/check.h"

namespace bristle {

MotionView::MotionView(Work& work, QObject* parent)
    : QObject(parent), work_(work), score_(scoreOf(Preset::Click)) {
  clock_.setInterval(16);
  connect(&clock_, &QTimer::timeout, this, [this] {
    Ms now = begun_ + static_cast<Ms>(static_cast<double>(since_.elapsed()) * speed_);
    if (now > score_.length) {
      if (!loops_) {
        setPlaying(false);
        return setTime(score_.length);
      }
      begun_ = now = 0;
      since_.restart();
    }
    setTime(now);
  });
  connect(&work, &Work::changed, this, [this](const Change&) { forget(); });
  connect(&work, &Work::pickedChanged, this, [this] { forget(); });
}

MotionView::~MotionView() = default;

void MotionView::forget() {
  run_.reset();
  ready_.reset();
  player_.reset();
  const Machine* machine = work_.machine();
  if (state_ && (!machine || !findState(*machine, state_))) state_ = {};
  if (!machine || transition_ >= int(machine->transitions.size())) transition_ = -1;
  Q_EMIT picked();
  Q_EMIT scoreChanged();
}

StateId MotionView::state() const {
  return state_;
}
int MotionView::transition() const {
  return transition_;
}

void MotionView::pickState(const StateId& id) {
  state_ = id;
  transition_ = -1;
  Q_EMIT picked();
}

void MotionView::pickTransition(int index) {
  transition_ = index;
  const Machine* machine = work_.machine();
  if (machine && index >= 0 && index < int(machine->transitions.size()))
    state_ = machine->transitions[size_t(index)].from.value_or(StateId{});
  Q_EMIT picked();
}

void MotionView::setScore(Score score) {
  score_ = std::move(score);
  run_.reset();
  player_.reset();
  time_ = std::min(time_, score_.length);
  Q_EMIT scoreChanged();
}

void MotionView::setTime(Ms time) {
  time_ = std::clamp<Ms>(time, 0, score_.length);
  Q_EMIT moved();
}

void MotionView::setPlaying(bool on) {
  if (on == playing()) return;
  begun_ = time_ >= score_.length ? 0 : time_;
  since_.restart();
  on ? clock_.start() : clock_.stop();
  Q_EMIT moved();
}

const Ready* MotionView::ready() {
  const Machine* machine = work_.machine();
  if (!ready_ && machine)
    if (auto made = makeReady(*machine, work_.project()))
      ready_ = std::make_unique<Ready>(std::move(*made));
  return ready_.get();
}

const ScoreRun& MotionView::run() {
  if (!run_) {
    const Ready* r = ready();
    run_ = r ? play(r->program, r->values, score_) : ScoreRun{};
  }
  return *run_;
}

// Goes on from where it was; only going back starts anew.
const Look* MotionView::lookAt(Ms time) {
  const Kind* kind = work_.kind();
  const LookTable* table = work_.lookTable();
  const Ready* r = ready();
  if (!kind || !table || !r) return nullptr;
  const ScoreRun& all = run();
  if (!player_ || time < playerAt_) {
    player_ = std::make_unique<LookPlayer>(std::make_shared<LookTable>(*table));
    playerNext_ = 1;
  }
  for (; playerNext_ < all.states.size() && all.states[playerNext_].from <= time; ++playerNext_) {
    const StatePeriod& p = all.states[playerNext_];
    Timing timing;
    for (std::uint16_t i = 0; i < r->program.transitionCount(); ++i)
      if (int(r->program.transition(i).source) == p.transition)
        timing = r->program.transition(i).timing;
    player_->go(p.state, timing, p.from);
  }
  playerAt_ = time;
  return &player_->at(time);
}

}  // namespace bristle
