#include "runtime/session/session.h"

#include <algorithm>
#include <limits>

#include "runtime/machine/condition.h"

namespace bristle {
Result<Session> Session::start(const Project& project, const Showing& showing,
                               const TextMeasure& measure, const ScreenId& screen) {
  Session s;
  auto compiled = Compiled::make(project);
  if (!compiled) return tl::unexpected(compiled.error());
  s.compiled_ = std::move(*compiled);
  s.symbols_ = s.compiled_->symbols;
  s.values_ = startValues(project, s.symbols_);
  s.showing_ = {showing.display, languageOf(project, showing.language).id};
  s.measure_ = &measure;
  const ScreenId first = screen ? screen : project.first;
  const Screen* opened = find(s.project(), first);
  if (!opened)
    return fail(project.name, first ? "the first screen is not there" : "it has no first screen");
  s.first_ = first;
  // Told here, not in the midst of a run: a screen that cannot be opened.
  for (const auto& each : s.project().screens) {
    auto trial = openScreen(*s.compiled_, *each, s.showing_, measure);
    if (!trial) return tl::unexpected(trial.error());
    if (s.asTheyOpen_.size() < kMostKeptOpenings)
      s.asTheyOpen_[{each->id, s.showing_.language}] =
          std::make_shared<const ScreenRun>(std::move(*trial));
  }
  s.push(first, TraceType::Open, {});
  s.settle();
  return s;
}

void Session::setReducedMotion(bool on) {
  reduced_ = on;
  for (ScreenRun& run : stack_) {
    for (ButtonRun& button : run.buttons) button.player.setReduced(on);
    if (on) run.life.hurry(now_);
  }
  if (!on) return;
  leaving_.clear();
  endPhases();
  settle();
}

ItemId Session::focused() const {
  if (stack_.empty() || stack_.back().focus < 0) return {};
  return stack_.back().buttons[size_t(stack_.back().focus)].item->id;
}

double Session::value(const ValueId& id) const {
  const int i = symbols_.valueIndex(id);
  return i < 0 ? 0 : values_[size_t(i)];
}

void Session::add(TraceEntry entry) {
  entry.at = now_;
  trace_.push_back(std::move(entry));
}

void Session::bump(const ItemId& item, std::string how, bool heard) {
  add({.type = TraceType::Bump, .item = item, .how = std::move(how)});
  if (heard) cue(project().settings.bumpSound, item);
}

void Session::feed(const InputEvent& event) {
  if (ended_) return;
  runTo(std::max(event.at, now_));
  if (!ended_) work(event);
}

void Session::work(const InputEvent& event) {
  if (isByPerson(event.type)) {
    useDevice(event.device);
    lastDone_ = now_;
    idledOn_ = -1;
  }
  // What ends something ends it whatever the screen does.
  if ((isKeyDown(event) || event.type == InputType::Step) && top().waits()) return;
  switch (event.type) {
    case InputType::Tick:
      break;
    case InputType::Point:
    case InputType::PointDown:
    case InputType::PointUp:
      point(event);
      break;
    case InputType::Scroll:
      scrollBy(event);
      break;
    case InputType::Move:
      move(event);
      break;
    case InputType::Accept:
      accept(event);
      break;
    case InputType::Cancel:
      cancel(event);
      break;
    case InputType::Step:
      step(event.down);
      break;
    case InputType::Gone:
      gone(event);
      break;
    case InputType::Enable:
    case InputType::Message:
    case InputType::SetValue:
      host(event);
      break;
    case InputType::Shoulder:
      shoulder(event);
      break;
    case InputType::Shortcut:
      shortcut(event);
      break;
  }
  settle();
}

// The phases of screens, timers of machines and the repeat of a held direction, in the order of
// their times. At one time phases come first, then `after`, `hold` and `repeat`, in this order and
// from the bottom of the stack up, then that nobody does anything, then what comes from outside,
// and that is what a held direction is.
void Session::runTo(Ms until) {
  while (!ended_) {
    const DownKey* held = down_.newestMove();
    Due due{until + 1, Timer::None};
    size_t depth = 0;
    int box = -1;
    for (size_t d = 0; d < stack_.size(); ++d) {
      if (stack_[d].screen->sleeps && stack_[d].life.phase() == ScreenPhase::Covered) continue;
      for (size_t b = 0; b < stack_[d].buttons.size(); ++b) {
        const ButtonRun& each = stack_[d].buttons[b];
        Due its = nextTimer(*each.kind->program, each.running);
        if (its.timer == Timer::None) continue;
        its.at = std::max(its.at, now_);
        if (its.at > due.at || (its.at == due.at && its.timer >= due.timer && box >= 0)) continue;
        if (its.at > until) continue;
        due = its;
        depth = d;
        box = static_cast<int>(b);
      }
    }
    constexpr Ms kNever = std::numeric_limits<Ms>::max();
    const auto from = [&](Ms at) { return std::max(at, now_); };
    const Ms phase = from(std::min(nextPhaseEnd(), flyOutEnds())), idle = from(idleEnds());
    const Ms timer = box >= 0 ? due.at : kNever, repeat = held ? from(nextRepeat_) : kNever;
    const Ms next = std::min({phase, timer, idle, repeat});
    if (next > until) break;
    now_ = next;
    if (phase == next) {
      if (flyOutEnds() <= now_) top().flyOuts.onTheWay = false;
      endPhases();
      followFlyOuts();
    } else if (timer == next) {
      FiringChain& chain = button(depth, box).firing;
      withButton(depth, box, [&](const Program& program, Running& run, const StepContext& c) {
        chain.goesOn(c.now) ? fireNext(program, run, c) : cutShort(run, c);
      });
    } else if (idle == next) {
      beIdle();
    } else {
      nextRepeat_ = now_ + project().settings.repeatInterval;
      lastDone_ = now_;
      moveOnce(held->dir);
    }
    settle();
  }
  now_ = until;
}

}  // namespace bristle
