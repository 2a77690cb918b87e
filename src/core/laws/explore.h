// Visits every situation that a button can come to, breadth-first, under every order of outside
// events, whatever the time between them. A situation is the state, the signals, the values that
// guards read, and what the timers may read (a zone, so that all times are covered).
#pragma once
#include <fmt/format.h>

#include <atomic>
#include <functional>
#include <unordered_map>
#include <vector>

#include "core/laws/law.h"
#include "core/laws/zone.h"
#include "runtime/machine/interpreter.h"

namespace bristle {

// What has become of the present press, as law 3 sees it.
enum class PressPhase : std::uint8_t { None, Going, Released, Abandoned };

inline constexpr size_t kMostWatched = 6;  // values; machines that read more are not whole

struct Situation {
  Running run;  // its times are not used: the zone has them
  PressPhase phase = PressPhase::None;
  std::uint8_t count = 0;                           // activations of this press, 0–2
  std::array<std::uint8_t, kMostWatched> values{};  // which of its candidates each one has
};

struct Visit {
  Situation at;
  Zone zone;
  std::int32_t parent = -1;
  LawStep step{Deed::Wait};   // what led here
  Timer timer = Timer::None;  // … when it was a timer
  std::uint8_t started = 0;   // bits of the clocks that it started anew
};

// One step from a visited situation, with all that came of it.
struct Edge {
  const Visit& from;
  const Situation& to;
  const LawStep& step;
  Timer timer;
  const std::vector<Outcome>& outcomes;
  // More than one transition would have answered, in a rank: the first two, by their source.
  std::optional<std::pair<std::uint32_t, std::uint32_t>> rivals;
  bool runaway = false;  // messages without end
};

class Explorer : private DeliveryWatch {
 public:
  // `values` are where the project's values start. `mostWork`: steps that may be taken, and what
  // comparing with what is known costs, in steps.
  Explorer(const Program& program, const Symbols& symbols, std::vector<double> values,
           const std::atomic<bool>* stop, std::int64_t mostWork = kMostLawWork);
  std::int64_t work() const { return work_; }

  // Calls seen(visit) for each situation, the nearest first, and stepped(edge, visit index) for
  // each step out of one, after the situation itself. Both may look at visits().
  template <class Seen, class Stepped>
  void run(Seen seen, Stepped stepped) {
    begin();
    for (size_t i = 0; i < visits_.size(); ++i) {
      if (stop_ && stop_->load()) return cutShort("it was stopped");
      if (visits_.size() > kMostVisits || work_ > mostWork_)
        return cutShort(fmt::format("there are more than {} situations", visits_.size()));
      seen(i);
      eachStep(i, [&](const Edge& edge) { stepped(edge, i); });
    }
  }
  const std::vector<Visit>& visits() const { return visits_; }
  // Whether all situations were visited; else why not, in words with the figure.
  bool whole() const { return whyNotWhole_.empty(); }
  const std::string& whyNotWhole() const { return whyNotWhole_; }
  // The outside events that lead to a visit, and one more, at the earliest times at which they can.
  Sequence sequenceTo(size_t visit, const LawStep* last = nullptr, Timer timer = Timer::None) const;
  std::vector<double> valuesOf(const Situation& s) const;
  // Whether the situation can last: not every way to it has another timer due at the same time.
  bool lasts(size_t visit) const;
  // As above, at times at which the situation lasts.
  Sequence sequenceToLasting(size_t visit) const;
  // Whether an `after` of the state is still to come.
  bool waits(const Situation& s) const { return nextAfter(program_, s.run) >= 0; }

 private:
  static constexpr size_t kMostVisits = 400'000;
  struct Limits {
    Ms state, down, repeat;  // what each timer's clock may read at most; −1: it does not run
  };
  Limits limitsOf(const Situation& s) const;
  void begin();
  void collectValues(const Symbols& symbols);
  std::vector<double> membersOf(std::vector<double> bounds, double start);
  void cutShort(const std::string& why) {
    if (whyNotWhole_.empty()) whyNotWhole_ = why;
  }
  using Told = std::function<void(const Edge&)>;
  void eachStep(size_t from, const Told& told);
  void take(size_t from, const LawStep& step, Timer timer, const Told& told);
  bool apply(Situation& s, std::vector<double>& values, const LawStep& step, Timer timer);
  void workOff(Situation& s, std::vector<double>& values);
  void countPress(const Situation& before, Situation& after, const LawStep& step) const;
  void forget(Situation& s) const;
  std::uint8_t settle(Situation& after, Zone& zone) const;
  void keep(size_t from, const Situation& s, const Zone& zone, const LawStep& step, Timer timer,
            std::uint8_t started);
  bool internValues(Situation& s, const std::vector<double>& values);
  void delivering(const Program& program, const Running& run, Event event, int message, Ms after,
                  std::span<const double> values) override;

  const Program& program_;
  std::vector<double> start_;
  std::vector<std::uint32_t> watched_;           // indices of the values that matter
  std::vector<std::vector<double>> candidates_;  // … and what each may be
  std::vector<int> messages_;                    // that the machine listens to
  const std::atomic<bool>* stop_;
  std::vector<Visit> visits_;
  std::unordered_multimap<std::uint64_t, std::uint32_t> known_;
  std::string whyNotWhole_;
  bool mindsCurrent_ = false;
  std::int64_t work_ = 0, mostWork_;
  // of the step being taken
  std::vector<Outcome> outcomes_;
  std::optional<std::pair<std::uint32_t, std::uint32_t>> rivals_;
  bool runaway_ = false;
};

}  // namespace bristle
