#include "core/rehearse/restless.h"

#include <algorithm>
#include <array>
#include <optional>
#include <set>
#include <utility>

#include "core/rehearse/held.h"
#include "core/rehearse/keep_take.h"
#include "core/rehearse/restless_events.h"
#include "runtime/session/take_player.h"

namespace bristle {
namespace {

constexpr size_t kRound = 150;    // events until it begins anew
constexpr Ms kLetGoWait = 5'000;  // that a press may take to end, once all is let go
constexpr Ms kWaits = 60'000;     // that something may come by itself

constexpr std::array<std::string_view, 5> kNames{"stuck", "focus lost", "two highlights",
                                                 "press left", "endless"};
constexpr std::array<std::string_view, 5> kWords{
    "nothing that can be pressed does anything there, and there is no way back",
    "a direction was pressed, and nothing has focus",
    "two buttons look as if they were the one that is meant",
    "all is let go, and it is still pressed", "it goes on and on, and had to be cut"};

struct Symptom {
  Trouble trouble;
  ItemId item = {};
  auto operator<=>(const Symptom&) const = default;
};

// What leads somewhere, as against focus and looks.
bool leads(const TraceEntry& entry) {
  switch (entry.type) {
    case TraceType::Open:
    case TraceType::OnTop:
    case TraceType::Back:
    case TraceType::Message:
    case TraceType::Value:
    case TraceType::FlyOut:
    case TraceType::Shown:
    case TraceType::Link:
    case TraceType::Quit:
    case TraceType::Unlock:
      return true;
    default:
      return false;
  }
}

bool leadsSomewhere(Session& session) {
  const auto trace = session.drainTrace();
  return std::any_of(trace.begin(), trace.end(), leads);
}

// Pressed and let go, and then some time.
bool tryOut(Session session, std::initializer_list<InputEvent> events) {
  for (InputEvent e : events) {
    e.at = session.now() + 20;
    session.feed(e);
  }
  session.feed({.at = session.now() + 1'000});
  return leadsSomewhere(session);
}

bool tryKey(const Session& session, InputEvent e) {
  InputEvent up = e;
  up.down = false;
  return tryOut(session, {e, up});
}

bool tryClick(const Session& session, size_t box) {
  const Box& all = session.stack().back().routes.input.boxes[box];
  InputEvent e;
  e.type = InputType::Point;
  e.device = Device::Mouse;
  e.x = all.x + all.w / 2;
  e.y = all.y + all.h / 2;
  InputEvent down = e, up = e;
  down.type = InputType::PointDown;
  up.type = InputType::PointUp;
  return tryOut(session, {e, down, up});
}

// While nothing is held; in the midst of presses more may look so.
std::optional<Symptom> highlights(const Session& session) {
  const ItemId* first = nullptr;
  for (const ButtonRun& run : session.stack().back().buttons) {
    const Role role = run.kind->program->role(run.running.state);
    if (role != Role::Hover && (role != Role::Focus || !session.focusShown())) continue;
    if (first) return Symptom{Trouble::Highlights, run.item->id};
    first = &run.item->id;
  }
  return {};
}

std::optional<Symptom> lostFocus(const Session& session, const InputEvent& event) {
  const bool moves = (event.type == InputType::Move && event.down) || event.type == InputType::Step;
  const ScreenRun& top = session.stack().back();
  if (!moves || top.focus >= 0 || top.waits()) return {};
  for (size_t b = 0; b < top.buttons.size(); ++b)
    if (!top.routes.isAside(b) && canHaveFocus(top, static_cast<int>(b)))
      return Symptom{Trouble::FocusLost};
  return {};
}

std::optional<Symptom> pressLeft(const Session& session) {
  for (const ScreenRun& screen : session.stack())
    for (const ButtonRun& run : screen.buttons)
      if (run.running.signals.has(Signals::Armed) ||
          run.kind->program->role(run.running.state) == Role::Press)
        return Symptom{Trouble::PressLeft, run.item->id};
  return {};
}

std::optional<Symptom> endless(Session& session) {
  for (const TraceEntry& entry : session.drainTrace())
    if (entry.type == TraceType::Runaway) return Symptom{Trouble::Endless, entry.item};
  return {};
}

// The session after an event.
std::optional<Symptom> symptomAfter(Session& session, const InputEvent& event, bool held) {
  if (auto out = endless(session)) return out;
  if (session.ended()) return {};
  if (auto out = lostFocus(session, event)) return out;
  return held ? std::nullopt : highlights(session);
}

void feedAll(Session& session, const std::vector<InputEvent>& events) {
  for (const InputEvent& e : events) session.feed(e);
}

// What can be told apart of where a person is stuck or not.
std::string situationOf(const Session& session) {
  std::string out;
  for (const ScreenRun& run : session.stack()) out += run.screen->id.text + "/";
  for (const double value : session.values()) out += std::to_string(value) + ",";
  return out;
}

class RestlessVisit {
 public:
  RestlessVisit(const Session& begun, std::uint64_t seed) : begun_(begun), events_(seed) {
    begun_.drainTrace();
  }

  Restless run(std::uint64_t wanted, const std::function<bool(std::uint64_t)>& goesOn) {
    while (out_.events < wanted && !begun_.ended()) {
      if (goesOn && !goesOn(out_.events)) break;
      round(std::min<std::uint64_t>(kRound, wanted - out_.events));
    }
    return std::move(out_);
  }

 private:
  void round(size_t count) {
    Session session = begun_;
    events_.begin();
    std::vector<InputEvent> fed, held;
    for (size_t i = 0; i < count && !session.ended(); ++i) {
      fed.push_back(events_.next(session));
      session.feed(fed.back());
      noteHeld(held, fed.back());
      ++out_.events;
      if (const auto symptom = symptomAfter(session, fed.back(), !held.empty()))
        return note(*symptom, session, std::move(fed));
    }
    if (session.ended()) return;
    if (const auto symptom = afterwards(session, events_.letGo(session.now() + 20)))
      note(*symptom, session, std::move(fed));
  }

  // What is wrong when all was let go.
  std::optional<Symptom> afterwards(Session& session, const std::vector<InputEvent>& letGo) {
    feedAll(session, letGo);
    session.feed({.at = session.now() + kLetGoWait});
    if (auto out = endless(session)) return out;
    if (session.ended()) return {};
    if (auto out = pressLeft(session)) return out;
    if (!judged_.insert(situationOf(session)).second) return {};
    return isStuck(session) ? std::optional(Symptom{Trouble::Stuck}) : std::nullopt;
  }

  // How the events end, when it is looked for that symptom.
  std::optional<ScreenId> leadsTo(const Symptom& wanted, const std::vector<InputEvent>& events) {
    Session session = begun_;
    std::vector<InputEvent> held;
    for (const InputEvent& e : events) {
      const auto there = eventOf({e, 0}, session);
      if (!there) continue;
      session.feed(*there);
      noteHeld(held, e);
      const auto symptom = symptomAfter(session, *there, !held.empty());
      if (symptom) return *symptom == wanted ? std::optional(topOf(session)) : std::nullopt;
      if (session.ended()) return {};
    }
    if (wanted.trouble != Trouble::Stuck && wanted.trouble != Trouble::PressLeft) return {};
    for (InputEvent& down : held) {
      down = endOf(down);
      down.at = session.now() + 20;
    }
    judged_.clear();
    const auto symptom = afterwards(session, held);
    return symptom == wanted ? std::optional(topOf(session)) : std::nullopt;
  }

  static ScreenId topOf(const Session& session) {
    return session.stack().empty() ? ScreenId{} : session.stack().back().screen->id;
  }

  void note(const Symptom& symptom, const Session& session, std::vector<InputEvent> fed) {
    const std::string where = symptom.item ? symptom.item.text : topOf(session).text;
    if (!noted_.insert({symptom.trouble, where}).second) return;
    const auto judged = std::exchange(judged_, {});
    fed = fewest(symptom, std::move(fed));
    Found found{symptom.trouble, symptom.item, topOf(session), {}};
    if (const auto screen = leadsTo(symptom, fed)) found.screen = *screen;
    found.take = takeOf(symptom, fed);
    judged_ = judged;
    out_.found.push_back(std::move(found));
  }

  // Takes away runs of events as long as it still comes to that, shorter and shorter ones
  // (A. Zeller and R. Hildebrandt, “Simplifying and Isolating Failure-Inducing Input”, 2002).
  std::vector<InputEvent> fewest(const Symptom& symptom, std::vector<InputEvent> events) {
    for (size_t chunk = events.size(); chunk >= 1;) {
      bool less = false;
      for (size_t at = 0; at < events.size();) {
        auto without = events;
        const auto from = without.begin() + static_cast<std::ptrdiff_t>(at);
        without.erase(from,
                      from + static_cast<std::ptrdiff_t>(std::min(chunk, events.size() - at)));
        if (leadsTo(symptom, without)) {
          events = std::move(without);
          less = true;
        } else {
          at += chunk;
        }
      }
      if (!less && chunk == 1) break;
      if (!less || chunk > events.size()) chunk = std::max<size_t>(1, chunk / 2);
      if (events.empty()) break;
    }
    return evenly(symptom, std::move(events));
  }

  // One after another in a time that can be watched, where that does not matter.
  std::vector<InputEvent> evenly(const Symptom& symptom, std::vector<InputEvent> events) {
    constexpr Ms kApart = 200;
    auto even = events;
    for (size_t i = 0; i < even.size(); ++i) even[i].at = kApart * static_cast<Ms>(i + 1);
    return leadsTo(symptom, even) ? even : events;
  }

  Take takeOf(const Symptom& symptom, const std::vector<InputEvent>& events) const {
    Take take = takeLike(begun_, std::string(nameOf(symptom.trouble)),
                         std::string(wordsFor(symptom.trouble)));
    std::vector<InputEvent> held;
    Ms last = 0;
    for (const InputEvent& e : events) {
      take.steps.push_back({e, 0});
      noteHeld(held, e);
      last = e.at;
    }
    const bool afterAll =
        symptom.trouble == Trouble::Stuck || symptom.trouble == Trouble::PressLeft;
    if (!afterAll) return take;
    for (const InputEvent& down : held) {
      InputEvent up = endOf(down);
      up.at = last + 20;
      take.steps.push_back({up, 0});
    }
    take.steps.push_back({InputEvent{.at = last + 20 + kLetGoWait}, 0});
    return take;
  }

  Session begun_;
  RestlessEvents events_;
  Restless out_;
  std::set<std::pair<Trouble, std::string>> noted_;
  std::set<std::string> judged_;  // situations, for being stuck in
};

}  // namespace

std::string_view nameOf(Trouble trouble) {
  return kNames[static_cast<size_t>(trouble)];
}

std::string_view wordsFor(Trouble trouble) {
  return kWords[static_cast<size_t>(trouble)];
}

bool isStuck(const Session& now) {
  Session session = now;
  session.drainTrace();
  if (session.ended() || session.stack().empty()) return false;
  for (size_t b = 0; b < session.stack().back().buttons.size(); ++b)
    if (session.stack().back().isThere(static_cast<int>(b)) && tryClick(session, b)) return false;
  if (tryKey(session, {.type = InputType::Cancel})) return false;
  if (tryKey(session, {.type = InputType::Accept})) return false;
  for (const Dir dir : kDirs)
    if (tryKey(session, {.type = InputType::Move, .dir = dir})) return false;
  for (const Dir dir : {Dir::Left, Dir::Right})
    if (tryKey(session, {.type = InputType::Shoulder, .dir = dir})) return false;
  for (const Shortcut& each : session.project().shortcuts)
    if (tryKey(session, {.type = InputType::Shortcut, .name = each.id.text})) return false;
  Session waits = session;
  waits.feed({.at = session.now() + kWaits});
  return !leadsSomewhere(waits);
}

Restless visit(const Session& begun, std::uint64_t events, std::uint64_t seed,
               const std::function<bool(std::uint64_t done)>& goesOn) {
  return RestlessVisit(begun, seed).run(events, goesOn);
}

}  // namespace bristle
