#include "desktop/motion/motion_view.h"

#include "core/laws/check.h"
#include "desktop/work/work.h"

namespace bristle {

MotionView::MotionView(Work& work, QObject* parent)
    : QObject(parent), work_(work), score_(scoreOf(Preset::Click)) {
  clock_.setInterval(16);
  connect(&clock_, &QTimer::timeout, this, &MotionView::goOn);
  connect(&work, &Work::changed, this, [this](const Change&) { forget(); });
  connect(&work, &Work::pickedChanged, this, [this] { forget(); });
}

MotionView::~MotionView() = default;

void MotionView::goOn() {
  Ms now = begun_ + static_cast<Ms>(static_cast<double>(since_.elapsed()) * speed_);
  hear(time_, now);
  if (now > length()) {
    if (!loops_) {
      setPlaying(false);
      return setTime(length());
    }
    begun_ = now = 0;
    since_.restart();
  }
  setTime(now);
}

void MotionView::hear(Ms from, Ms to) {
  if (inState_) return;
  const Ready* r = ready();
  for (const Outcome& o : run().outcomes)
    if (o.type == OutcomeType::Sound && o.at > from && o.at <= to && r)
      Q_EMIT heard(r->symbols.sounds[o.index], o.value);
}

void MotionView::setInState(bool on) {
  if (on == inState_) return;
  setPlaying(false);
  inState_ = on;
  time_ = 0;
  Q_EMIT scoreChanged();
  Q_EMIT moved();
}

StateId MotionView::stirred() const {
  const Machine* machine = work_.machine();
  return state_ || !machine ? state_ : machine->states.front().id;
}

void MotionView::pickFrame(int track, int frame) {
  track_ = track;
  frame_ = frame;
  Q_EMIT picked();
}

// What goes on for ever is looked at twice over.
Ms MotionView::length() const {
  if (!inState_) return score_.length;
  const Kind* kind = work_.kind();
  const auto at = kind ? kind->motions.find(stirred()) : StateMotions::const_iterator{};
  if (!kind || at == kind->motions.end()) return 1000;
  const StateMotion& m = at->second;
  return m.delay + m.period * (m.count ? std::min(m.count, 4) : 2);
}

void MotionView::setCurves(std::optional<std::vector<PropKey>> curves) {
  curves_ = std::move(curves);
  Q_EMIT scoreChanged();
}

void MotionView::setReduced(bool on) {
  reduced_ = on;
  player_.reset();
  Q_EMIT scoreChanged();
}

void MotionView::forget() {
  run_.reset();
  ready_.reset();
  player_.reset();
  table_.reset();
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
  if (id != state_) track_ = frame_ = 0;
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
  time_ = std::clamp<Ms>(time, 0, length());
  Q_EMIT moved();
}

void MotionView::setPlaying(bool on) {
  if (on == playing()) return;
  begun_ = time_ >= length() ? 0 : time_;
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

const Look* MotionView::lookInState(const LookTable& table, Ms time) {
  const StateIndex state = stateAt(time);
  look_ = table.state(state);
  for (const int channel : table.varying())
    if (table.stirs(state, channel))
      look_[static_cast<size_t>(channel)] = table.stirred(state, channel, time, reduced_);
  return &look_;
}

// Goes on from where it was; only going back starts anew.
const Look* MotionView::lookAt(Ms time) {
  const auto table = work_.lookTable();
  const Ready* r = ready();
  if (!work_.kind() || !table || !r) return nullptr;
  if (inState_) return lookInState(*table, time);
  const ScoreRun& all = run();
  if (!player_ || time < playerAt_) {
    if (!table_) table_ = std::make_shared<LookTable>(*table);
    player_ = std::make_unique<LookPlayer>(table_);
    player_->setReduced(reduced_);
    playerNext_ = 1;
  }
  for (; playerNext_ < all.states.size() && all.states[playerNext_].from <= time; ++playerNext_) {
    const StatePeriod& p = all.states[playerNext_];
    player_->go(p.state, r->program.transition(p.taken).pace, p.from);
  }
  playerAt_ = time;
  return &player_->at(time);
}

StateIndex MotionView::stateAt(Ms time) {
  if (!inState_) return run().at(time);
  const Machine* machine = work_.machine();
  const StateId id = stirred();
  for (size_t i = 0; machine && i < machine->states.size(); ++i)
    if (machine->states[i].id == id) return static_cast<StateIndex>(i);
  return 0;
}

Ms MotionView::sinceAt(Ms time) {
  if (inState_) return reduced_ ? 0 : time;
  return lookAt(time) ? player_->since(time) : 0;
}

}  // namespace bristle
