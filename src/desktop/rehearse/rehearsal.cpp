#include "desktop/rehearse/rehearsal.h"

#include "core/rehearse/held.h"
#include "core/rehearse/reel.h"
#include "core/rehearse/replay.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/session/take_player.h"

namespace bristle {

Rehearsal::Rehearsal(Work& work) : work_(work), hits_(work.looks().pictures()) {
  timer_.setTimerType(Qt::PreciseTimer);
  timer_.setInterval(16);  // a frame of most displays
  connect(&timer_, &QTimer::timeout, this, &Rehearsal::tick);
  connect(&work, &Work::replaced, this, [this] { setUp_ = {}; });
}

Rehearsal::~Rehearsal() = default;

bool Rehearsal::start(const ScreenId& screen) {
  if (!work_.display()) return false;
  const Project project = asSetUp(work_.project(), setUp_, work_.language().id);
  return begin(Session::start(project, work_.showing(), work_.measure(), screen));
}

bool Rehearsal::begin(Result<Session> session) {
  stop();
  if (!session) {
    problem_ = toQt(session.error().text());
    work_.tell(tr("Nothing to rehearse yet: %1").arg(problem_), true);
    return false;
  }
  problem_.clear();
  session->setHitTest(&hits_);
  session->setReducedMotion(reduced_);
  reel_ = std::make_unique<Reel>(std::move(*session));
  told_ = 0;
  signs_ = {};
  failures_.clear();
  stopped_.clear();
  replaying_ = driven_ = false;
  setClock(0);
  timer_.start();
  Q_EMIT begun();
  Q_EMIT advanced();
  return true;
}

void Rehearsal::stop() {
  timer_.stop();
  if (reel_) work_.sounds().music({}, 0);
  reel_.reset();
}

Session* Rehearsal::session() {
  return reel_ ? &reel_->session() : nullptr;
}

const std::vector<TraceEntry>& Rehearsal::trace() const {
  static const std::vector<TraceEntry> none;
  return reel_ ? reel_->trace() : none;
}

Ms Rehearsal::clock() const {
  return still_ || driven_
             ? base_
             : base_ + static_cast<Ms>(static_cast<double>(elapsed_.elapsed()) * speed_);
}

void Rehearsal::setClock(Ms at) {
  base_ = at;
  elapsed_.restart();
}

void Rehearsal::setSpeed(double speed) {
  setClock(clock());
  speed_ = speed;
}

void Rehearsal::setStill(bool still) {
  if (still == still_) return;
  setClock(clock());
  still_ = still;
  if (reel_) reel_->runTo(base_);
  Q_EMIT clockChanged();
}

void Rehearsal::stepBy(Ms ms) {
  setStill(true);
  base_ += ms;
  tick();
}

void Rehearsal::driveTo(Ms at) {
  driven_ = true;
  base_ = std::max(base_, at);
  tick();
}

void Rehearsal::seek(Ms at) {
  if (!reel_) return;
  setStill(true);
  reel_->seek(at);
  setClock(reel_->now());
  signs_ = {};
  told_ = reel_->happened();  // what has been heard once is not heard again
  Q_EMIT advanced();
}

void Rehearsal::toNext() {
  if (reel_) seek(reel_->happeningAfter().value_or(reel_->end()));
}

void Rehearsal::toPrevious() {
  if (reel_) seek(reel_->happeningBefore().value_or(0));
}

void Rehearsal::changeToOther() {
  if (!reel_) return;
  reel_->changeToOther();
  seek(reel_->now());
}

// A mouse that only passes over what one looks at, or a key let go, would cut off all that came
// later.
void Rehearsal::send(InputEvent event) {
  if (!reel_) return;
  if (event.type == InputType::Gone && !isPointer(event.device))
    signs_.forget(event.device == Device::Keyboard ? Sign::Of::Key : Sign::Of::Button, event.unit);
  event.at = clock();
  reel_->runTo(event.at);
  if (!reel_->atEnd()) {
    if (!goesDown(event) && event.type != InputType::Step) return;
    told_ = reel_->happened();
    if (replaying_) endReplay();
  }
  reel_->feed(event);
  Q_EMIT advanced();
}

const Screen* Rehearsal::top() const {
  return reel_ && !reel_->session().stack().empty() ? reel_->session().stack().back().screen
                                                    : nullptr;
}

bool Rehearsal::binds(const Sign& sign) const {
  return reel_ && bindingOf(reel_->session().project(), top(), sign);
}

bool Rehearsal::press(const Sign& sign, bool down, int unit) {
  if (!reel_) return false;
  const auto event =
      down ? signs_.down(reel_->session().project(), top(), sign, unit) : signs_.up(sign, unit);
  if (event) send(*event);
  return event.has_value();
}

void Rehearsal::tick() {
  if (!reel_) return;
  const Ms before = reel_->now();
  reel_->runTo(clock());
  // Where time stands still nothing moves, whatever is on its way.
  if (still_ && !driven_ && reel_->now() == before && reel_->happened() == told_) return;
  // One frame more after the last motion: it shows where that ended.
  const bool moves = reel_->session().moving();
  const bool happened = reel_->happened() != told_;
  if (moves || moved_ || happened || driven_) Q_EMIT advanced();
  moved_ = moves;
  sound();
  if (replaying_ && reel_->atEnd()) endReplay();
}

// What is new in the trace is heard; a link is told, and not followed.
void Rehearsal::sound() {
  for (; told_ < reel_->happened(); ++told_) {
    const TraceEntry& entry = reel_->trace()[told_];
    if (entry.type == TraceType::Sound) work_.sounds().play(entry.how, entry.number);
    if (entry.type == TraceType::Music) work_.sounds().music(entry.how, entry.number);
    if (entry.type == TraceType::Link) work_.tell(tr("The menu opens %1").arg(toQt(entry.how)));
  }
}

void Rehearsal::setReducedMotion(bool on) {
  reduced_ = on;
  if (!reel_) return;
  reel_->setReducedMotion(on);
  told_ = std::min(told_, reel_->happened());
  Q_EMIT advanced();
}

bool Rehearsal::startFor(const Take& take) {
  if (!begin(sessionFor(work_.project(), take, work_.measure(), &hits_))) return false;
  work_.pickDisplay(reel_->session().display().id);
  work_.pickLanguage(reel_->session().language());
  return true;
}

// Each step is fed at its own time, so that the trace is the same however it is shown.
bool Rehearsal::replay(const Take& take) {
  if (!startFor(take)) return false;
  const Replayed all = bristle::replay(take, *reel_);
  failures_ = all.failures;
  stopped_ = toQt(all.stopped);
  if (all.failsAt) {
    seek(*all.failsAt);
    endReplay();
  } else {
    seek(0);
    setStill(false);
    replaying_ = true;
  }
  return true;
}

void Rehearsal::endReplay() {
  replaying_ = false;
  Q_EMIT replayEnded();
}

Result<Take> Rehearsal::keep(const KeepTake& what) const {
  return keepTake(*reel_, what, work_.measure(), &hits_);
}

Result<Take> Rehearsal::accepted(const Take& take) const {
  return withWhatHappens(work_.project(), take, work_.measure(), &hits_);
}

}  // namespace bristle
