#include "core/machine/look.h"

#include <algorithm>
#include <cmath>

#include "core/machine/easing.h"
#include "core/machine/mix.h"

namespace bristle {

LookTable::LookTable(const Kind& kind, const Machine& machine) : channels_(allProperties(kind)) {
  for (const State& state : machine.states) {
    Look look;
    look.reserve(channels_.size());
    for (const PropKey& key : channels_) {
      Value value = valueIn(kind, state.id, key);
      if (key.prop == Prop::Shown) value = std::get<bool>(value) ? 1.0 : 0.0;
      look.push_back(std::move(value));
    }
    states_.push_back(std::move(look));
  }
}

int LookTable::channel(const PropKey& key) const {
  const auto at = std::find(channels_.begin(), channels_.end(), key);
  return at == channels_.end() ? -1 : static_cast<int>(at - channels_.begin());
}

LookPlayer::LookPlayer(std::shared_ptr<const LookTable> table, StateIndex state)
    : table_(std::move(table)), state_(state) {
  runs_.resize(table_->channels().size());
  easings_.resize(runs_.size());
  now_ = table_->state(state_);
}

double LookPlayer::eased(const Run& run, Ms now) const {
  const auto past = static_cast<double>(now - run.start - run.delay);
  if (past < 0) return 0;
  if (past >= run.duration) return 1;
  return ease(easings_[static_cast<size_t>(&run - runs_.data())], past / run.duration);
}

void LookPlayer::go(StateIndex state, const Timing& timing, Ms now) {
  at(now);
  const Look& before = table_->state(state_);
  const Look& target = table_->state(state);
  for (size_t i = 0; i < runs_.size(); ++i) {
    Run& run = runs_[i];
    if (target[i] == before[i]) continue;  // what runs on to the same value is left alone
    if (run.active && target[i] == run.reversingFrom) {
      run.shortening =
          std::clamp(std::abs(eased(run, now) * run.shortening + (1 - run.shortening)), 0.0, 1.0);
      run.reversingFrom = before[i];
    } else {
      run.shortening = 1;
      run.reversingFrom = now_[i];
    }
    run.from = now_[i];
    run.start = now;
    run.delay = timing.delay;
    run.duration = static_cast<double>(std::max<Ms>(timing.duration, 0)) * run.shortening;
    run.active = run.from != target[i];
    easings_[i] = timing.easing;
    const auto end = now + timing.delay + static_cast<Ms>(std::ceil(run.duration));
    movingUntil_ = std::max(movingUntil_, end);
  }
  state_ = state;
}

const Look& LookPlayer::at(Ms now) {
  const Look& target = table_->state(state_);
  for (size_t i = 0; i < runs_.size(); ++i) {
    Run& run = runs_[i];
    if (!run.active) continue;
    if (now - run.start - run.delay >= static_cast<Ms>(std::ceil(run.duration))) {
      run.active = false;
      now_[i] = target[i];
    } else {
      mixInto(now_[i], run.from, target[i], eased(run, now));
    }
  }
  return now_;
}

}  // namespace bristle
