#include "core/machine/look.h"

#include <algorithm>
#include <cmath>

#include "core/machine/easing.h"
#include "core/machine/mix.h"

namespace bristle {

namespace {

constexpr Ms kForEver = 1LL << 50;

Ms playsFor(const Kind& kind, const LookTable& table, const Look& look) {
  Ms out = 0;
  for (const Part& part : kind.parts) {
    if (part.type != PartType::Picture) continue;
    const auto of = [&](Prop prop) -> const Value& {
      return look[static_cast<size_t>(table.channel({part.id, prop}))];
    };
    const double frames = std::floor(std::get<double>(of(Prop::FramesAcross))) *
                          std::floor(std::get<double>(of(Prop::FramesDown)));
    const auto& how = std::get<std::string>(of(Prop::Playing));
    if (frames <= 1 || how == "stand" || std::get<double>(of(Prop::Shown)) <= 0) continue;
    const double once = frames * 1000 / std::get<double>(of(Prop::FrameRate));
    out = std::max(out, how == "loop" ? kForEver : static_cast<Ms>(std::ceil(once)));
  }
  return out;
}

}  // namespace

LookTable::LookTable(const Kind& kind, const Machine& machine, const Naming& names,
                     const OwnLook* own)
    : channels_(allProperties(kind)) {
  const auto make = [&](const Column& column) {
    Look look;
    look.reserve(channels_.size());
    for (const PropKey& key : channels_) {
      const PropertyInfo& info = *findProperty(*partType(kind, key.part), key.prop);
      Value value = settled(valueIn(kind, own, column, key), info, names);
      if (key.prop == Prop::Shown) value = std::get<bool>(value) ? 1.0 : 0.0;
      look.push_back(std::move(value));
    }
    return look;
  };
  base_ = make({});
  for (const State& state : machine.states) states_.push_back(make(state.id));
  for (const Look& look : states_) playing_.push_back(bristle::playsFor(kind, *this, look));
  for (size_t i = 0; i < channels_.size(); ++i)
    if (std::any_of(states_.begin(), states_.end(),
                    [&](const Look& look) { return look[i] != states_[0][i]; }))
      varying_.push_back(static_cast<int>(i));
}

int LookTable::channel(const PropKey& key) const {
  const auto at = std::find(channels_.begin(), channels_.end(), key);
  return at == channels_.end() ? -1 : static_cast<int>(at - channels_.begin());
}

LookPlayer::LookPlayer(std::shared_ptr<const LookTable> table, StateIndex state)
    : table_(std::move(table)), state_(state) {
  for (int channel : table_->varying()) runs_.emplace_back(channel);
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
  entered_ = now;
  for (Run& run : runs_) {
    const auto i = static_cast<size_t>(run.channel);
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
    easings_[static_cast<size_t>(&run - runs_.data())] = timing.easing;
  }
  movingUntil_ = now;
  for (const Run& run : runs_)
    if (run.active)
      movingUntil_ =
          std::max(movingUntil_, run.start + run.delay + static_cast<Ms>(std::ceil(run.duration)));
  state_ = state;
}

const Look& LookPlayer::at(Ms now) {
  const Look& target = table_->state(state_);
  for (Run& run : runs_) {
    if (!run.active) continue;
    const auto i = static_cast<size_t>(run.channel);
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
