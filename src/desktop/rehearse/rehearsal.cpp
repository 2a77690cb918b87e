#include "desktop/rehearse/rehearsal.h"

#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/session/take_player.h"

namespace bristle {

Rehearsal::Rehearsal(Work& work) : work_(work), hits_(work.looks().pictures()) {
  timer_.setTimerType(Qt::PreciseTimer);
  timer_.setInterval(16);  // a frame of most displays
  connect(&timer_, &QTimer::timeout, this, &Rehearsal::tick);
}

Rehearsal::~Rehearsal() = default;

bool Rehearsal::start(const ScreenId& screen) {
  return work_.display() &&
         begin(Session::start(work_.project(), work_.showing(), work_.measure(), screen));
}

bool Rehearsal::begin(Result<Session> session) {
  stop();
  if (!session) {
    problem_ = toQt(session.error().text());
    work_.tell(tr("Nothing to rehearse yet: %1").arg(problem_), true);
    return false;
  }
  problem_.clear();
  session_ = std::move(*session);
  session_->setHitTest(&hits_);
  session_->setReducedMotion(reduced_);
  told_ = 0;
  fed_.clear();
  signs_ = {};
  failures_.clear();
  stopped_.clear();
  base_ = 0;
  driven_ = false;
  elapsed_.start();
  timer_.start();
  Q_EMIT advanced();
  return true;
}

void Rehearsal::stop() {
  timer_.stop();
  player_.reset();
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
  if (!session_ || player_) return;
  if (event.type == InputType::Gone && !isPointer(event.device))
    signs_.forget(event.device == Device::Keyboard ? Sign::Of::Key : Sign::Of::Button, event.unit);
  event.at = clock();
  feed(event);
  Q_EMIT advanced();
}

const Screen* Rehearsal::top() const {
  return session_ && !session_->stack().empty() ? session_->stack().back().screen : nullptr;
}

bool Rehearsal::binds(const Sign& sign) const {
  return session_ && bindingOf(session_->project(), top(), sign);
}

bool Rehearsal::press(const Sign& sign, bool down, int unit) {
  if (!session_) return false;
  const auto event =
      down ? signs_.down(session_->project(), top(), sign, unit) : signs_.up(sign, unit);
  if (event) send(*event);
  return event.has_value();
}

void Rehearsal::tick() {
  if (!session_) return;
  if (player_) {
    playDue();
  } else {
    session_->feed({.at = clock()});
  }
  // One frame more after the last motion: it shows where that ended.
  const bool moves = session_->moving();
  const bool happened = session_->trace().size() != told_;
  if (moves || moved_ || happened || driven_) Q_EMIT advanced();
  moved_ = moves;
  sound();
}

// What is new in the trace is heard; a link is told, and not followed.
void Rehearsal::sound() {
  const auto& trace = session_->trace();
  for (; told_ < trace.size(); ++told_) {
    const TraceEntry& entry = trace[told_];
    if (entry.type == TraceType::Sound) work_.sounds().play(entry.how, entry.number);
    if (entry.type == TraceType::Link) work_.tell(tr("The menu opens %1").arg(toQt(entry.how)));
  }
}

void Rehearsal::setReducedMotion(bool on) {
  reduced_ = on;
  if (session_) session_->setReducedMotion(on);
}

bool Rehearsal::startFor(const Take& take) {
  if (!begin(sessionFor(work_.project(), take, work_.measure(), &hits_))) return false;
  work_.pickDisplay(session_->display().id);
  work_.pickLanguage(session_->language());
  return true;
}

bool Rehearsal::replay(Take take) {
  if (!startFor(take)) return false;
  take_ = std::move(take);
  player_ = std::make_unique<TakePlayer>(take_, *session_,
                                         [this](const InputEvent& event) { feed(event); });
  return true;
}

// Each step is fed at its own time, so that the trace is the same however fast it is shown.
void Rehearsal::playDue() {
  const Ms now = clock();
  while (!player_->atEnd() && player_->due() <= now) {
    if (const auto done = player_->step(); !done) {
      stopped_ = toQt(done.error().text());
      return endReplay();
    }
  }
  if (player_->atEnd()) return endReplay();
  session_->feed({.at = now});
}

void Rehearsal::endReplay() {
  failures_ = player_->failures();
  player_.reset();
  Q_EMIT replayEnded();
}

Take Rehearsal::keep(const std::string& name) const {
  return keepAsTake(name, *session_, fed_);
}

}  // namespace bristle
