#include "core/laws/take_score.h"

#include <algorithm>
#include <map>

#include "runtime/session/take_player.h"

namespace bristle {
namespace {

constexpr Ms kMost = 60'000;     // of a score
constexpr Ms kAfterwards = 500;  // so that the last motion is seen

// Keeps when each signal of one button went on, and draws it when it goes off.
class Recorder {
 public:
  // Focus may have come a little earlier than the event: by a direction that was held.
  void see(const Signals& now, bool byKey, Ms at, Ms focusAt, bool calledOff, bool byTouch) {
    const auto is = [&](Signals::Bit bit) { return now.has(bit); };
    turn(Lane::Over, is(Signals::Over), at, false);
    turn(Lane::Focus, is(Signals::Focus), focusAt, false);
    turn(Lane::Disabled, !is(Signals::Enabled), at, false);
    turn(Lane::Current, is(Signals::Current), at, false);
    turn(Lane::Press, is(Signals::Armed) && !byKey, at, calledOff && wasDown_, byTouch);
    turn(Lane::Accept, is(Signals::Armed) && byKey, at, calledOff && wasDown_);
    wasDown_ = is(Signals::Down);
  }
  // A press that ended within the event that began it.
  void tap(Ms at) {
    ++changes_;
    score_.stretches.push_back({Lane::Accept, at, at + 1, false, false});
  }
  Score finish(Ms end) {
    for (int lane = 0; lane < kLaneCount; ++lane)
      if (since_[size_t(lane)] >= 0)
        score_.stretches.push_back({Lane(lane), since_[size_t(lane)], -1, false});
    score_.length = std::min(end, kMost);
    std::erase_if(score_.stretches, [](const Stretch& s) { return s.from >= kMost; });
    return std::move(score_);
  }
  size_t changes() const { return changes_; }

 private:
  void turn(Lane lane, bool on, Ms at, bool calledOff, bool lifts = false) {
    Ms& since = since_[size_t(lane)];
    if (on == (since >= 0)) return;
    ++changes_;
    if (on) {
      since = at;
      return;
    }
    score_.stretches.push_back({lane, since, std::max(at, since + 1), calledOff, lifts});
    since = -1;
  }
  Score score_;
  std::array<Ms, kLaneCount> since_{-1, -1, -1, -1, -1, -1};
  bool wasDown_ = false;
  size_t changes_ = 0;
};

// A press that ends by anything but letting go was called off.
bool letsGo(const InputEvent& event) {
  switch (event.type) {
    case InputType::PointUp:
      return true;
    case InputType::Accept:
    case InputType::Cancel:
    case InputType::Shortcut:
      return !event.down;
    default:
      return false;
  }
}

}  // namespace

Result<ButtonInTake> scoreIn(const Project& project, const Take& take, const KindId& kind,
                             const ItemId& preferred, const TextMeasure& measure,
                             const HitTest* test) {
  std::map<ItemId, Recorder> all;
  Ms end = 0;
  size_t told = 0;  // entries of the trace
  const auto see = [&](const Session& session, const InputEvent& event) {
    const bool letGo = letsGo(event);
    std::map<ItemId, const ButtonRun*> there;
    for (const ScreenRun& screen : session.stack())
      for (const ButtonRun& button : screen.buttons)
        if (button.item->button()->kind == kind) there[button.item->id] = &button;
    const auto focusAt = [&](const ItemId& id) {
      Ms at = session.now();
      for (size_t i = told; i < session.trace().size(); ++i) {
        const TraceEntry& entry = session.trace()[i];
        if (entry.type == TraceType::Focus && (entry.item == id || entry.fromItem == id))
          at = entry.at;
      }
      return at;
    };
    for (const auto& [id, button] : there)
      all[id].see(button->running.signals, button->running.byKey, session.now(), focusAt(id),
                  !letGo, event.device == Device::Touch);
    // A step through tabs presses one and lets it go.
    for (size_t i = told; event.type == InputType::Shoulder && i < session.trace().size(); ++i)
      if (const TraceEntry& entry = session.trace()[i];
          entry.type == TraceType::Activate && all.contains(entry.item))
        all[entry.item].tap(entry.at);
    // A screen that was left takes its buttons along.
    for (auto& [id, recorder] : all)
      if (!there.contains(id))
        recorder.see(Signals{}, false, session.now(), session.now(), !letGo, false);
    told = session.trace().size();
    end = std::max(end, session.now());
  };
  const auto played = play(project, take, measure, test, see);
  if (!played) return tl::unexpected(played.error());
  const auto busiest = std::max_element(all.begin(), all.end(), [](const auto& a, const auto& b) {
    return a.second.changes() < b.second.changes();
  });
  if (busiest == all.end())
    return fail("take “" + take.name + "”", "no button of this kind is on its screens");
  const auto wanted = all.find(preferred);
  const auto chosen = wanted == all.end() ? busiest : wanted;
  return ButtonInTake{chosen->first, chosen->second.finish(end + kAfterwards)};
}

}  // namespace bristle
