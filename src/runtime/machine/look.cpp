#include "runtime/machine/look.h"

#include <algorithm>
#include <cmath>

#include "runtime/machine/easing.h"
#include "runtime/machine/mix.h"

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

// What a track adds at a phase, 0–1.
double addedAt(const MotionTrack& track, double phase) {
  const auto& frames = track.frames;
  const auto next =
      std::find_if(frames.begin(), frames.end(), [&](const KeyFrame& f) { return f.at > phase; });
  if (next == frames.begin()) return next->add;
  const KeyFrame& from = *std::prev(next);
  if (next == frames.end()) return from.add;
  return from.add +
         (next->add - from.add) * ease(from.easing, (phase - from.at) / (next->at - from.at));
}

Ms lengthOf(const StateMotion& motion) {
  if (motion.tracks.empty()) return 0;
  return motion.count == 0 ? kForEver : motion.delay + motion.period * motion.count;
}

}  // namespace

bool LookTable::playsForEver(StateIndex index) const {
  return playing_[index] >= kForEver;
}

bool LookTable::stirs(StateIndex index, int channel) const {
  const auto& all = stirring_[index];
  return std::find(all.begin(), all.end(), channel) != all.end();
}

double LookTable::stirred(StateIndex index, int channel, Ms since, bool reduced) const {
  const StateMotion& motion = motions_[index];
  const auto i = static_cast<size_t>(channel);
  double value = std::get<double>(states_[index][i]);
  const bool ends = motion.count > 0;
  if (reduced && !ends) return value;
  const double rounds =
      static_cast<double>(since - motion.delay) / static_cast<double>(motion.period);
  const bool over = ends && (reduced || rounds >= motion.count);
  const double phase = over ? 1 : rounds <= 0 ? 0 : rounds - std::floor(rounds);
  for (size_t t = 0; t < motion.tracks.size(); ++t)
    if (stirring_[index][t] == channel) value += addedAt(motion.tracks[t], phase);
  const auto& [least, most] = ranges_[i];
  return std::clamp(value, least, most);
}

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
  for (const State& state : machine.states) addMotion(kind, state.id);
  for (size_t i = 0; i < channels_.size(); ++i)
    if (std::any_of(states_.begin(), states_.end(),
                    [&](const Look& look) { return look[i] != states_[0][i]; }) ||
        std::any_of(stirring_.begin(), stirring_.end(), [&](const auto& channels) {
          return std::find(channels.begin(), channels.end(), static_cast<int>(i)) != channels.end();
        }))
      varying_.push_back(static_cast<int>(i));
}

void LookTable::addMotion(const Kind& kind, const StateId& state) {
  StateMotion motion;
  if (const auto at = kind.motions.find(state); at != kind.motions.end()) motion = at->second;
  // What cannot be moved (any more) is left alone.
  std::erase_if(motion.tracks, [&](const MotionTrack& t) {
    const int at = channel(t.key);
    return at < 0 || t.frames.empty() || t.key.prop == Prop::Shown ||
           !std::holds_alternative<double>(base_[static_cast<size_t>(at)]);
  });
  motion.period = std::max<Ms>(motion.period, 1);
  if (ranges_.empty()) ranges_.resize(channels_.size());
  std::vector<int> channels;
  for (const MotionTrack& t : motion.tracks) {
    channels.push_back(channel(t.key));
    const PropertyInfo& info = *findProperty(*partType(kind, t.key.part), t.key.prop);
    ranges_[static_cast<size_t>(channels.back())] = {info.least, info.most};
  }
  playing_.push_back(
      std::max(bristle::playsFor(kind, *this, states_[playing_.size()]), lengthOf(motion)));
  stirring_.push_back(std::move(channels));
  motions_.push_back(std::move(motion));
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

void LookPlayer::begin(StateIndex state, Ms now) {
  state_ = state;
  now_ = table_->state(state);
  for (Run& run : runs_) run.active = false;
  movingUntil_ = entered_ = now;
}

double LookPlayer::eased(const Run& run, Ms now) const {
  const auto past = static_cast<double>(now - run.start - run.delay);
  if (past < 0) return 0;
  if (past >= run.duration) return 1;
  return ease(easings_[static_cast<size_t>(&run - runs_.data())], past / run.duration);
}

void LookPlayer::setReduced(bool on) {
  reduced_ = on;
  if (!on) return;
  for (Run& run : runs_) run.duration = run.delay = 0;  // what is on its way has arrived
  movingUntil_ = entered_;
}

bool LookPlayer::moving(Ms now) const {
  if (now < movingUntil_) return true;
  return !reduced_ && now - entered_ < table_->playsFor(state_);
}

Ms LookPlayer::since(Ms now) const {
  if (!reduced_) return now - entered_;
  return table_->playsForEver(state_) ? 0 : kForEver;
}

void LookPlayer::go(StateIndex state, const Pace& pace, Ms now) {
  at(now);
  const Look& before = table_->state(state_);
  const Look& target = table_->state(state);
  entered_ = now;
  for (Run& run : runs_) {
    const auto i = static_cast<size_t>(run.channel);
    const bool stirs = table_->stirs(state_, run.channel) || table_->stirs(state, run.channel);
    // What runs on to the same value is left alone.
    if (target[i] == before[i] && !stirs) continue;
    const Timing& timing = pace.of(table_->channels()[i].prop);
    if (run.active && !stirs && target[i] == run.reversingFrom) {
      run.shortening =
          std::clamp(std::abs(eased(run, now) * run.shortening + (1 - run.shortening)), 0.0, 1.0);
      run.reversingFrom = before[i];
    } else {
      run.shortening = 1;
      run.reversingFrom = now_[i];
    }
    run.from = now_[i];
    run.start = now;
    run.delay = reduced_ ? 0 : timing.delay;
    run.duration = reduced_ ? 0 : runTime(timing) * run.shortening;
    run.active = stirs || run.from != target[i];
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
    const auto i = static_cast<size_t>(run.channel);
    const bool stirs = table_->stirs(state_, run.channel);
    if (!run.active && !stirs) continue;
    if (stirs) goal_ = table_->stirred(state_, run.channel, now - entered_, reduced_);
    const Value& goal = stirs ? goal_ : target[i];
    if (run.active && now - run.start - run.delay < static_cast<Ms>(std::ceil(run.duration))) {
      mixInto(now_[i], run.from, goal, eased(run, now));
    } else {
      run.active = false;
      now_[i] = goal;
    }
  }
  return now_;
}

}  // namespace bristle
