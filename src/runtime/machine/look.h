// A kind's look made ready to show: one channel for each property of each part, and for each
// state the values of all channels.
#pragma once
#include <memory>
#include <span>
#include <vector>

#include "runtime/document/kind.h"
#include "runtime/document/machine.h"
#include "runtime/document/named.h"
#include "runtime/machine/program.h"

namespace bristle {

class LookTable {
 public:
  // With the names settled, and with what one placed button has of its own.
  LookTable(const Kind& kind, const Machine& machine, const Naming& names = {},
            const OwnLook* own = nullptr);
  std::span<const PropKey> channels() const { return channels_; }
  const Look& state(StateIndex index) const { return states_[index]; }
  // What all states share, on its own.
  const Look& base() const { return base_; }
  size_t stateCount() const { return states_.size(); }
  // −1 when there is no such channel.
  int channel(const PropKey& key) const;
  // The channels that are not the same in every state: the only ones that can move.
  std::span<const int> varying() const { return varying_; }
  // How long something moves in a state by itself, ms: frame sequences, key frames; 0: nothing
  // does.
  Ms playsFor(StateIndex index) const { return playing_[index]; }
  bool playsForEver(StateIndex index) const;
  // Whether key frames move the channel in a state.
  bool stirs(StateIndex index, int channel) const;
  // What the state shows in a channel so long after it was entered: the look's value, and what key
  // frames add to it. With `reduced` what has no end adds nothing, and what ends has ended.
  // Only for channels that stir; the others show state(index).
  double stirred(StateIndex index, int channel, Ms since, bool reduced) const;

 private:
  void addMotion(const Kind& kind, const StateId& state);
  std::vector<PropKey> channels_;
  std::vector<Look> states_;
  Look base_;
  std::vector<int> varying_;
  std::vector<Ms> playing_;
  std::vector<StateMotion> motions_;               // by state
  std::vector<std::vector<int>> stirring_;         // by state: of each track, the channel
  std::vector<std::pair<double, double>> ranges_;  // of channels that stir
};

// Runs a look from state to state. An interruption starts at what is on screen; turning back is
// shortened in proportion (CSS Transitions Level 1 §3.1, the reversing-adjusted start value).
class LookPlayer {
 public:
  // At rest in `state`, at 0 ms.
  explicit LookPlayer(std::shared_ptr<const LookTable> table, StateIndex state = 0);
  // Is in the state from `now` on, without a way there.
  void begin(StateIndex state, Ms now);
  void go(StateIndex state, const Pace& pace, Ms now);
  void go(StateIndex state, const Timing& timing, Ms now) { go(state, Pace{timing, {}}, now); }
  // Reduced motion: from now on nothing takes time, and what moves without end stands still.
  void setReduced(bool on);
  // The look at `now`, which may not be before the last call's.
  const Look& at(Ms now);
  bool moving(Ms now) const;
  const LookTable& table() const { return *table_; }
  StateIndex state() const { return state_; }
  // How long it has been going to its state, or been in it: what frame sequences run by. With
  // reduced motion what loops stands at its first frame, what ends at its last.
  Ms since(Ms now) const;

 private:
  struct Run {
    explicit Run(int of) : channel(of) {}
    int channel;
    Value from;
    Value reversingFrom;
    double shortening = 1;
    Ms start = 0, delay = 0;
    double duration = 0;  // ms; shortened durations are not whole
    bool active = false;
  };
  double eased(const Run& run, Ms now) const;

  std::shared_ptr<const LookTable> table_;
  StateIndex state_ = 0;
  std::vector<Easing> easings_;  // by run: an older one keeps its own
  std::vector<Run> runs_;        // one for each channel that varies
  Look now_;
  Value goal_;
  Ms movingUntil_ = 0, entered_ = 0;
  bool reduced_ = false;
};

}  // namespace bristle
