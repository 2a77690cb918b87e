#include "core/laws/score.h"

#include <fmt/format.h>

#include <algorithm>

namespace bristle {
namespace {

struct LaneWords {
  std::string_view name;
  Deed begins, ends;
};
constexpr std::array<LaneWords, kLaneCount> kLanes{{
    {"over", Deed::Over, Deed::Out},
    {"press", Deed::PointerPress, Deed::Release},
    {"accept", Deed::KeyPress, Deed::Release},
    {"focus", Deed::Focus, Deed::Blur},
    {"disabled", Deed::Disable, Deed::Enable},
    {"current", Deed::Current, Deed::NotCurrent},
}};
constexpr std::array<Preset, 6> kPresets{
    Preset::Click,          Preset::DragOff,           Preset::Sweep,
    Preset::FocusElsewhere, Preset::DisabledWhileHeld, Preset::Frantic};
constexpr std::array<std::string_view, 6> kPresetNames{
    "click",         "press and drag off",  "sweep over",
    "focus by keys", "disabled while held", "frantic mouse"};

constexpr Ms kTimed = 20, kUntimed = 300;  // between steps that are set apart

bool isPress(Lane lane) {
  return lane == Lane::Press || lane == Lane::Accept;
}

// A finger that lifts, or one whose device goes, is one cause for two signals.
void joinEnds(Sequence& steps, Ms at) {
  for (auto out = steps.begin(); out != steps.end(); ++out) {
    if (out->deed != Deed::Out || out->at != at) continue;
    const auto press = std::find_if(steps.begin(), steps.end(), [&](const LawStep& s) {
      return s.at == out->at && s.index == 0 && (s.deed == Deed::Release || s.deed == Deed::Cancel);
    });
    if (press == steps.end()) continue;
    press->deed = press->deed == Deed::Release ? Deed::Lift : Deed::Gone;
    steps.erase(out);
    return;
  }
}

}  // namespace

Sequence sequenceOf(const Score& score) {
  // The order among those of one time, as in a menu: presses end, focus goes, the pointer goes,
  // presses are called off; then others begin, presses begin, messages come.
  std::vector<std::pair<int, LawStep>> all;
  for (const Stretch& s : score.stretches) {
    const LaneWords& words = kLanes[static_cast<size_t>(s.lane)];
    // What is current is so before anything happens.
    const int order = s.lane == Lane::Current ? -1 : isPress(s.lane) ? 5 : 4;
    all.push_back({order, {words.begins, s.from, 0, 0}});
    if (s.to < 0) continue;
    const Deed ends = s.calledOff ? Deed::Cancel : words.ends;
    const int after = ends == Deed::Cancel    ? 3
                      : ends == Deed::Release ? 0
                      : ends == Deed::Blur    ? 1
                                              : 2;
    all.push_back({after, {ends, s.to, s.lane == Lane::Accept ? 1 : 0, 0}});
  }
  for (const Moment& m : score.marks) all.push_back({6, m.step});
  std::stable_sort(all.begin(), all.end(), [](const auto& a, const auto& b) {
    return std::pair(a.second.at, a.first) < std::pair(b.second.at, b.first);
  });
  Sequence out;
  for (const auto& [order, step] : all) out.push_back(step);
  for (const Stretch& s : score.stretches)
    if (s.lane == Lane::Press && s.lifts) joinEnds(out, s.to);
  return out;
}

namespace {

Score drawn(const Sequence& sequence, Ms apart) {
  Score out;
  std::array<int, kLaneCount> open;
  open.fill(-1);
  const auto begin = [&](Lane lane, Ms at) {
    int& index = open[static_cast<size_t>(lane)];
    if (index >= 0) return;
    index = static_cast<int>(out.stretches.size());
    out.stretches.push_back({lane, at, -1, false});
  };
  const auto end = [&](Lane lane, Ms at, bool calledOff = false, bool lifts = false) {
    int& index = open[static_cast<size_t>(lane)];
    if (index < 0) return;
    out.stretches[static_cast<size_t>(index)].to = at;
    out.stretches[static_cast<size_t>(index)].calledOff = calledOff;
    out.stretches[static_cast<size_t>(index)].lifts = lifts;
    index = -1;
  };
  Ms last = apart > kTimed ? 0 : -1;
  for (const LawStep& given : sequence) {
    LawStep step = given;
    if (apart && step.at <= last && step.deed != Deed::Wait) step.at = last + apart;
    last = step.at;
    out.length = std::max(out.length, step.at + 800);
    for (int i = 0; i < kLaneCount; ++i)
      if (kLanes[size_t(i)].begins == step.deed) begin(Lane(i), step.at);
    if (step.deed == Deed::Lift || step.deed == Deed::Gone) {
      end(Lane::Over, step.at);
      end(Lane::Press, step.at, step.deed == Deed::Gone, true);
    }
    if (step.deed == Deed::Out) end(Lane::Over, step.at);
    if (step.deed == Deed::Blur) end(Lane::Focus, step.at);
    if (step.deed == Deed::Enable) end(Lane::Disabled, step.at);
    if (step.deed == Deed::NotCurrent) end(Lane::Current, step.at);
    if (step.deed == Deed::Release || step.deed == Deed::Cancel) {
      const bool pointer = step.index == 0 && open[static_cast<size_t>(Lane::Press)] >= 0;
      end(pointer ? Lane::Press : Lane::Accept, step.at, step.deed == Deed::Cancel);
    }
    if (step.deed == Deed::Message || step.deed == Deed::SetValue || step.deed == Deed::Unlock)
      out.marks.push_back({step});
  }
  return out;
}

}  // namespace

// Far enough apart to be watched, where no timer is in it.
Score scoreOf(const Sequence& sequence) {
  const bool timed =
      std::any_of(sequence.begin(), sequence.end(), [](const LawStep& s) { return s.at > 0; });
  return drawn(sequence, timed ? kTimed : kUntimed);
}

Score scoreAsKept(const Sequence& sequence) {
  return drawn(sequence, 0);
}

void setLane(Score& score, Lane lane, Ms from, Ms to, bool on) {
  from = std::max<Ms>(from, 0);
  if (to <= from) return;
  std::vector<Stretch> kept;
  Stretch joined{lane, from, to, false};
  for (const Stretch& s : score.stretches) {
    const Ms end = s.to < 0 ? score.length : s.to;
    if (s.lane != lane || end < from || s.from > to) {
      kept.push_back(s);
      continue;
    }
    if (on) {
      if (end >= joined.to) {
        joined.calledOff = s.calledOff;
        joined.lifts = s.lifts;
      }
      joined.from = std::min(joined.from, s.from);
      joined.to = std::max(joined.to, end);
      continue;
    }
    if (s.from < from) kept.push_back({lane, s.from, from, false});
    if (end > to) kept.push_back({lane, to, s.to, s.calledOff, s.lifts});
  }
  if (on) kept.push_back(joined);
  std::stable_sort(kept.begin(), kept.end(),
                   [](const Stretch& a, const Stretch& b) { return a.from < b.from; });
  score.stretches = std::move(kept);
}

std::string_view nameOf(Lane lane) {
  return kLanes[static_cast<size_t>(lane)].name;
}
std::span<const Preset> allPresets() {
  return kPresets;
}
std::string_view nameOf(Preset preset) {
  return kPresetNames[static_cast<size_t>(preset)];
}

Score scoreOf(Preset preset) {
  Score out;
  const auto add = [&](Lane lane, Ms from, Ms to) {
    out.stretches.push_back({lane, from, to, false});
  };
  switch (preset) {
    case Preset::Click:
      add(Lane::Over, 200, 1400);
      add(Lane::Press, 500, 700);
      break;
    case Preset::DragOff:
      add(Lane::Over, 200, 700);
      add(Lane::Press, 450, 1100);
      break;
    case Preset::Sweep:
      add(Lane::Over, 300, 390);
      break;
    case Preset::FocusElsewhere:
      add(Lane::Focus, 200, 900);
      add(Lane::Accept, 450, 570);
      add(Lane::Focus, 1200, 1400);
      break;
    case Preset::DisabledWhileHeld:
      add(Lane::Over, 200, 1600);
      add(Lane::Press, 450, 900);
      add(Lane::Disabled, 650, 1200);
      break;
    case Preset::Frantic:
      for (Ms at = 100; at < 1700; at += 130) add(Lane::Over, at, at + 70);
      add(Lane::Press, 510, 540);
      add(Lane::Press, 760, 1000);
      break;
  }
  return out;
}

StateIndex ScoreRun::at(Ms time) const {
  StateIndex out = 0;
  for (const StatePeriod& p : states)
    if (p.from <= time) out = p.state;
  return out;
}

std::string toLine(const Outcome& o, const Machine& machine, const Symbols& symbols) {
  switch (o.type) {
    case OutcomeType::State:
      return fmt::format("state {} → {}", machine.states[o.from].id.text,
                         machine.states[o.to].id.text);
    case OutcomeType::Activate:
      return "activate";
    case OutcomeType::Message:
      return "message " + symbols.messages[o.index];
    case OutcomeType::SetValue:
      return fmt::format("value {} = {:g}", symbols.values[o.index].text, o.value);
    case OutcomeType::Sound:
      return fmt::format("sound {} at {:g}", symbols.sounds[o.index], o.value);
    case OutcomeType::Runaway:
      return "stopped an endless chain";
  }
  return {};
}

ScoreRun play(const Program& program, const std::vector<double>& values, const Score& score) {
  SequencePlayer player(program, values);
  for (const LawStep& step : sequenceOf(score)) player.step(step);
  player.step({Deed::Wait, score.length});
  ScoreRun out;
  out.states.push_back({});
  out.outcomes = player.outcomes();
  for (const Outcome& o : out.outcomes)
    if (o.type == OutcomeType::State)
      out.states.push_back({o.at, o.to,
                            static_cast<std::int32_t>(
                                program.transition(static_cast<std::uint16_t>(o.index)).source),
                            static_cast<std::uint16_t>(o.index)});
  return out;
}

}  // namespace bristle
