#include "desktop/rehearse/rehearsal.h"

#include "paint/convert.h"

namespace bristle {

Rehearsal::Rehearsal(Work& work) : work_(work) {
  timer_.setTimerType(Qt::PreciseTimer);
  timer_.setInterval(8);
  connect(&timer_, &QTimer::timeout, this, &Rehearsal::tick);
}

bool Rehearsal::start() {
  stop();
  const Display* display = work_.display();
  if (!display) return false;
  auto session = Session::start(work_.project(), *display, work_.measure());
  if (!session) {
    work_.tell(tr("Nothing to rehearse yet: %1").arg(toQt(session.error().text())), true);
    return false;
  }
  session_ = std::move(*session);
  session_->setHitTest(&hits_);
  session_->setReducedMotion(reduced_);
  told_ = 0;
  fed_.clear();
  check_ = {};
  base_ = 0;
  driven_ = false;
  elapsed_.start();
  timer_.start();
  Q_EMIT advanced();
  return true;
}

void Rehearsal::stop() {
  timer_.stop();
  take_.reset();
  session_.reset();
}

Ms Rehearsal::clock() const {
  return driven_ ? base_
                 : base_ + static_cast<Ms>(static_cast<double>(elapsed_.elapsed()) * speed_);
}

void Rehearsal::setSpeed(double speed) {
  base_ = clock();
  speed_ = speed;
  elapsed_.restart();
}

void Rehearsal::stepBy(Ms ms) {
  base_ += ms;
  tick();
}

void Rehearsal::driveTo(Ms at) {
  driven_ = true;
  base_ = std::max(base_, at);
  tick();
}

void Rehearsal::feed(const InputEvent& event) {
  fed_.push_back(event);
  session_->feed(event);
}

void Rehearsal::send(InputEvent event) {
  if (!session_ || take_) return;
  event.at = clock();
  feed(event);
  Q_EMIT advanced();
}

void Rehearsal::tick() {
  if (!session_) return;
  if (take_) {
    playDue();
  } else {
    session_->feed({clock(), InputType::Tick, {}, 0, 0, {}, true});
  }
  // One frame more after the last motion: it shows where that ended.
  const bool moves = session_->moving();
  const bool happened = session_->trace().size() != told_;
  if (moves || moved_ || happened || driven_) Q_EMIT advanced();
  moved_ = moves;
  sound();
}

// What is new in the trace is heard.
void Rehearsal::sound() {
  const auto& trace = session_->trace();
  for (; told_ < trace.size(); ++told_)
    if (trace[told_].type == TraceType::Sound)
      work_.sounds().play(trace[told_].how, trace[told_].number);
}

void Rehearsal::setReducedMotion(bool on) {
  reduced_ = on;
  if (session_) session_->setReducedMotion(on);
}

bool Rehearsal::replay(Take take) {
  const Display* display = take.display ? find(work_.project(), take.display) : work_.display();
  if (!display) {
    work_.tell(tr("The take is for a display that is not there."), true);
    return false;
  }
  work_.pickDisplay(display->id);
  if (!start()) return false;
  take_ = std::move(take);
  nextStep_ = 0;
  return true;
}

// Each step is fed at its own time, so that the trace is the same however fast it is shown.
void Rehearsal::playDue() {
  const Ms now = clock();
  while (nextStep_ < take_->steps.size()) {
    const TakeStep& step = take_->steps[nextStep_];
    const bool isEvent = std::holds_alternative<InputEvent>(step.what);
    const Ms at =
        isEvent ? std::get<InputEvent>(step.what).at : std::get<Expectation>(step.what).at;
    if (at > now) break;
    ++nextStep_;
    session_->feed({at, InputType::Tick, {}, 0, 0, {}, true});
    if (!isEvent) {
      check_.check(step, session_->trace());
    } else if (const auto event = eventOf(step, *session_)) {
      feed(*event);
    }
  }
  if (nextStep_ < take_->steps.size()) {
    session_->feed({now, InputType::Tick, {}, 0, 0, {}, true});
    return;
  }
  take_.reset();
  Q_EMIT replayEnded();
}

Take Rehearsal::keep(const std::string& name) const {
  return keepAsTake(name, *session_, fed_);
}

}  // namespace bristle
