// Plays takes in sessions.
//
//   const auto result = play(project, take, measure);
//   if (result && result->failures.empty()) …
#pragma once
#include <deque>
#include <functional>
#include <optional>

#include "runtime/session/session.h"
#include "runtime/session/take.h"

namespace bristle {

// The step's event with its place filled in; nothing when what it points at is not on the screen.
std::optional<InputEvent> eventOf(const TakeStep& step, const Session& session);

struct TakeResult {
  std::vector<TraceEntry> trace;
  std::vector<TakeFailure> failures;
};

// The session that a take is to be played in, opened where the take says; an error when it cannot
// run at all.
Result<Session> sessionFor(const Project& project, const Take& take, const TextMeasure& measure,
                           const HitTest* test = nullptr);

// Runs a take from the start; `seen` is called when it has begun (with a tick), and whenever an
// event was worked off. An error when it cannot run to its end.
using TakeSeen = std::function<void(const Session& session, const InputEvent& event)>;
Result<TakeResult> play(const Project& project, const Take& take, const TextMeasure& measure,
                        const HitTest* test = nullptr, const TakeSeen& seen = {});
// The same without keeping the trace, which `told` gets entry by entry: a take may be of any
// length.
using TraceTold = std::function<void(const TraceEntry& entry)>;
Result<std::vector<TakeFailure>> playThrough(const Project& project, const Take& take,
                                             const TextMeasure& measure, const HitTest* test,
                                             const TraceTold& told);

// Checks expectations while a take is played, from what happens bit by bit.
class TakeCheck {
 public:
  static constexpr size_t kMostKept = 20'000;  // entries since the last expectation that was met

  // What happened since the last call.
  void happened(const TraceEntry& entry);
  // Call when the session has come to the expectation's time, and all until then was told.
  void check(const TakeStep& step);
  const std::vector<TakeFailure>& failures() const { return failures_; }

 private:
  std::deque<TraceEntry> since_;
  std::vector<TakeFailure> failures_;
};

// Plays the steps of a take in a session one by one; the one way of doing so, in and out of
// windows.
class TakePlayer {
 public:
  // Hands an event to the session; where none is given it is fed.
  using Feed = std::function<void(const InputEvent& event)>;
  // `take` and `session` must outlive it. With `told` the trace is handed on entry by entry and
  // taken out of the session.
  TakePlayer(const Take& take, Session& session, Feed feed = {}, TraceTold told = {});
  bool atEnd() const { return next_ >= take_.steps.size(); }
  // When the next step is due, ms.
  Ms due() const;
  // Does the next step at its time. An error when it can't be done, or what it leads to never ends.
  Result<void> step();
  const std::vector<TakeFailure>& failures() const { return check_.failures(); }

 private:
  void listen();
  bool expectsMore() const { return next_ <= lastExpectation_; }
  const Take& take_;
  Session& session_;
  Feed feed_;
  TraceTold told_;
  TakeCheck check_;
  size_t next_ = 0, seen_ = 0, lastExpectation_ = 0;
};

}  // namespace bristle
