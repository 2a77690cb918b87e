#include "core/laws/sequence.h"

#include <fmt/format.h>

#include "core/laws/explore.h"

namespace bristle {
namespace {

constexpr size_t kMostOutcomes = 5000;  // of one step: beyond, messages go on for ever

struct Bound {
  size_t from, to;
  Ms least;  // time(to) ≥ time(from) + least
};

}  // namespace

// The earliest times that satisfy what each step needs: the longest paths (Bellman–Ford).
Sequence Explorer::sequenceTo(size_t visit, const LawStep* last, Timer lastTimer) const {
  std::vector<const Visit*> path;
  for (auto i = static_cast<std::int32_t>(visit); i >= 0; i = visits_[size_t(i)].parent)
    path.insert(path.begin(), &visits_[size_t(i)]);
  const size_t steps = path.size() - 1 + (last ? 1 : 0);
  std::vector<Bound> bounds;
  std::array<size_t, 4> started{};
  for (size_t i = 1; i <= steps; ++i) {
    bounds.push_back({i - 1, i, 0});
    const Timer timer = i < path.size() ? path[i]->timer : lastTimer;
    const Limits limits = limitsOf(path[i - 1]->at);
    const auto due = [&](Clock clock, Ms limit, Timer which) {
      if (limit < 0) return;
      const size_t since = started[static_cast<size_t>(clock)];
      if (timer == which) bounds.push_back({since, i, limit});
      const bool strictly = timer == Timer::None || which < timer;
      bounds.push_back({i, since, -(strictly ? limit - 1 : limit)});
    };
    due(Clock::State, limits.state, Timer::After);
    due(Clock::Down, limits.down, Timer::Hold);
    due(Clock::Repeat, limits.repeat, Timer::Repeat);
    if (i < path.size())
      for (size_t c = 1; c < 4; ++c)
        if (path[i]->started >> c & 1) started[c] = i;
  }
  std::vector<Ms> times(steps + 1, 0);
  for (size_t round = 0; round <= steps; ++round)
    for (const Bound& b : bounds) times[b.to] = std::max(times[b.to], times[b.from] + b.least);
  Sequence out;
  for (size_t i = 1; i <= steps; ++i) {
    const bool isLast = i == steps;
    LawStep step = i < path.size() ? path[i]->step : *last;
    step.at = times[i];
    const Timer timer = i < path.size() ? path[i]->timer : lastTimer;
    if (timer == Timer::None || isLast) out.push_back(step);
  }
  return out;
}

bool Explorer::lasts(size_t visit) const {
  const Visit& v = visits_[visit];
  const Limits limits = limitsOf(v.at);
  Zone zone = v.zone;
  if (limits.state >= 0) zone.atMost(Clock::State, limits.state - 1);
  if (limits.down >= 0) zone.atMost(Clock::Down, limits.down - 1);
  if (limits.repeat >= 0) zone.atMost(Clock::Repeat, limits.repeat - 1);
  return !zone.empty();
}

Sequence Explorer::sequenceToLasting(size_t visit) const {
  const LawStep look{Deed::Wait};
  Sequence out = sequenceTo(visit, &look);
  if (visits_[visit].timer == Timer::None && !out.empty()) out.pop_back();
  return out;
}

SequencePlayer::SequencePlayer(const Program& program, std::vector<double> values,
                               DeliveryWatch* watch)
    : program_(program), values_(std::move(values)), watch_(watch) {
  run_.nextRepeat = -1;
}

void SequencePlayer::wait(Ms until) {
  FiringChain chain;
  for (Ms due = nextDue(program_, run_); due >= 0 && due <= until; due = nextDue(program_, run_)) {
    const StepContext c{due, values_, &outcomes_, watch_, values_.data()};
    if (!chain.goesOn(due)) return cutShort(run_, c);
    fireNext(program_, run_, c);
    workOff();
  }
}

void SequencePlayer::fireAfter() {
  fire(program_, run_, Timer::After, {0, values_, &outcomes_, watch_, values_.data()});
  workOff();
}

void SequencePlayer::step(const LawStep& step) {
  wait(step.at);
  const StepContext c{step.at, values_, &outcomes_, watch_, values_.data()};
  switch (step.deed) {
    case Deed::Over:
    case Deed::Out:
      setOver(program_, run_, step.deed == Deed::Over, c);
      break;
    case Deed::PointerPress:
    case Deed::KeyPress:
      beginPress(program_, run_, step.deed == Deed::KeyPress, c);
      break;
    case Deed::Release:
      endPress(program_, run_, c);
      break;
    case Deed::Cancel:
      abandonPress(program_, run_, c);
      break;
    case Deed::Lift:
      change(program_, run_, {.over = false, .ends = Ends::Press}, c);
      break;
    case Deed::Gone:
      change(program_, run_, {.over = false, .ends = Ends::Abandoned}, c);
      break;
    case Deed::Focus:
    case Deed::Blur:
      setFocus(program_, run_, step.deed == Deed::Focus, c);
      break;
    case Deed::Enable:
    case Deed::Disable:
      setEnabled(program_, run_, step.deed == Deed::Enable, c);
      break;
    case Deed::Message:
      deliver(program_, run_, Event::Message, c, step.index);
      break;
    case Deed::SetValue:
      values_[static_cast<size_t>(step.index)] = step.value;
      break;
    case Deed::Current:
    case Deed::NotCurrent:
      setCurrent(program_, run_, step.deed == Deed::Current, c);
      break;
    case Deed::Unlock:
      deliver(program_, run_, Event::Unlock, c);
      break;
    case Deed::Wait:
      break;
  }
  workOff();
}

void SequencePlayer::workOff() {
  const size_t before = outcomes_.size();
  for (; worked_ < outcomes_.size(); ++worked_) {
    const Outcome outcome = outcomes_[worked_];
    if (outcome.type == OutcomeType::SetValue) values_[outcome.index] = outcome.value;
    if (outcome.type != OutcomeType::Message) continue;
    if (outcomes_.size() - before > kMostOutcomes) {
      outcomes_.push_back({OutcomeType::Runaway, run_.state, run_.state, 0, 0, outcome.at});
      worked_ = outcomes_.size();
      return;
    }
    deliver(program_, run_, Event::Message,
            {outcome.at, values_, &outcomes_, watch_, values_.data()},
            static_cast<int>(outcome.index));
  }
}

std::string inWords(const LawStep& step, const Symbols& symbols) {
  switch (step.deed) {
    case Deed::Over:
      return "the pointer comes over it";
    case Deed::Out:
      return "the pointer goes";
    case Deed::PointerPress:
      return "a press by pointer";
    case Deed::KeyPress:
      return "a press by key";
    case Deed::Release:
      return "the press ends";
    case Deed::Cancel:
      return "the press is called off";
    case Deed::Lift:
      return "the finger lifts";
    case Deed::Gone:
      return "the pressing device goes";
    case Deed::Focus:
      return "it gains focus";
    case Deed::Blur:
      return "it loses focus";
    case Deed::Enable:
      return "it is enabled";
    case Deed::Disable:
      return "it is disabled";
    case Deed::Message:
      return fmt::format("the message “{}”", symbols.messages[static_cast<size_t>(step.index)]);
    case Deed::SetValue:
      return fmt::format("@{} becomes {:g}", symbols.values[static_cast<size_t>(step.index)].text,
                         step.value);
    case Deed::Current:
      return "it is the current one";
    case Deed::NotCurrent:
      return "it is not the current one any more";
    case Deed::Unlock:
      return "it becomes available for the first time";
    case Deed::Wait:
      return "time passes";
  }
  return {};
}

std::string inWords(const Sequence& sequence, const Symbols& symbols) {
  std::string out;
  Ms last = 0;
  for (const LawStep& step : sequence) {
    if (!out.empty()) out += ", ";
    out += inWords(step, symbols);
    if (step.at != last) out += fmt::format(" at {} ms", step.at);
    last = step.at;
  }
  return out.empty() ? "nothing happens" : out;
}

}  // namespace bristle
