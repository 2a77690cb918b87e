#include "core/edit/motion_edits.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cmath>

namespace bristle {
namespace {

constexpr Ms kShortest = 10, kLongest = 600'000;
constexpr int kMostRounds = 1000;
constexpr size_t kMostTracks = 32, kMostFrames = 64;

std::string whyNot(const Kind& kind, const MotionTrack& track) {
  const PartType* type = partType(kind, track.key.part);
  const PropertyInfo* info = type ? findProperty(*type, track.key.prop) : nullptr;
  if (!info || !std::holds_alternative<double>(info->start))
    return "only numbers of the kind's parts can be moved by key frames";
  if (track.frames.size() > kMostFrames)
    return fmt::format("a track has up to {} key frames", kMostFrames);
  const double range = info->most - info->least;
  for (const KeyFrame& f : track.frames) {
    if (!(f.at >= 0 && f.at <= 1)) return "a key frame lies between 0 and 1 of the period";
    if (!(std::abs(f.add) <= range))
      return fmt::format("what a key frame adds to {} lies between {:g} and {:g}", info->label,
                         -range, range);
  }
  return {};
}

std::string whyNot(const Kind& kind, const StateMotion& motion) {
  if (motion.period < kShortest || motion.period > kLongest)
    return fmt::format("a period lasts {} to {} ms", kShortest, kLongest);
  if (motion.delay < 0 || motion.delay > kLongest)
    return fmt::format("a delay lasts 0 to {} ms", kLongest);
  if (motion.count < 0 || motion.count > kMostRounds)
    return fmt::format("it comes up to {} times, or 0 for as long as the state lasts", kMostRounds);
  if (motion.tracks.size() > kMostTracks) return "that are too many tracks";
  for (size_t i = 0; i < motion.tracks.size(); ++i) {
    if (std::string why = whyNot(kind, motion.tracks[i]); !why.empty()) return why;
    for (size_t j = 0; j < i; ++j)
      if (motion.tracks[j].key == motion.tracks[i].key) return "each property has one track";
  }
  return {};
}

}  // namespace

Edit setMotion(KindId id, StateId state, std::optional<StateMotion> motion, std::string name,
               std::string mergeKey) {
  return {std::move(name), std::move(mergeKey), [=](const Project& before) -> Result<Project> {
            const Kind* kind = find(before, id);
            const Machine* machine = kind ? find(before, kind->machine) : nullptr;
            if (!machine || !findState(*machine, state)) return fail({}, "that state is gone");
            Project after = before;
            if (!motion || motion->tracks.empty()) {
              edit(after, id)->motions.erase(state);
              return after;
            }
            if (const std::string why = whyNot(*kind, *motion); !why.empty()) return fail({}, why);
            StateMotion now = *motion;
            for (MotionTrack& track : now.tracks)
              std::stable_sort(track.frames.begin(), track.frames.end(),
                               [](const KeyFrame& a, const KeyFrame& b) { return a.at < b.at; });
            edit(after, id)->motions[state] = std::move(now);
            return after;
          }};
}

namespace {

struct Recipe {
  Flourish which;
  std::string_view name;
  Prop prop;
  Ms period;
  int count;
  std::vector<std::pair<double, double>> frames;  // at, add
};

const std::array<Recipe, 5>& recipes() {
  static const std::array<Recipe, 5> all{{
      {Flourish::Pulse, "pulse", Prop::Scale, 1100, 0, {{0, 0}, {0.5, 0.03}, {1, 0}}},
      {Flourish::Breathe, "breathe", Prop::Opacity, 1800, 0, {{0, 0}, {0.5, -0.25}, {1, 0}}},
      {Flourish::Nudge, "nudge", Prop::OffsetX, 900, 0, {{0, 0}, {0.4, 5}, {1, 0}}},
      {Flourish::Sway, "sway", Prop::Rotation, 1400, 0, {{0, 0}, {0.25, 2}, {0.75, -2}, {1, 0}}},
      {Flourish::Arrive, "arrive once", Prop::OffsetX, 320, 1, {{0, -14}, {1, 0}}},
  }};
  return all;
}

constexpr std::array<Flourish, 5> kFlourishes{Flourish::Pulse, Flourish::Breathe, Flourish::Nudge,
                                              Flourish::Sway, Flourish::Arrive};
const Easing kSlowAtBothEnds{EasingType::CubicBezier, 0.42, 0, 0.58, 1};
const Easing kSlowAtTheEnd{EasingType::CubicBezier, 0.2, 0.7, 0.2, 1};

}  // namespace

std::span<const Flourish> allFlourishes() {
  return kFlourishes;
}

std::string_view nameOf(Flourish which) {
  return recipes()[static_cast<size_t>(which)].name;
}

StateMotion flourish(Flourish which, const PartId& part) {
  const Recipe& recipe = recipes()[static_cast<size_t>(which)];
  StateMotion out{0, recipe.period, recipe.count, {{{part, recipe.prop}, {}}}};
  for (const auto& [at, add] : recipe.frames)
    out.tracks[0].frames.push_back({at, add, recipe.count ? kSlowAtTheEnd : kSlowAtBothEnds});
  return out;
}

}  // namespace bristle
