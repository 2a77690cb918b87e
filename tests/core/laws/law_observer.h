// Watches a machine that the interpreter runs, step by step, and says which laws it was seen to
// break: written apart from the checker, to hold it to account.
#pragma once
#include <algorithm>
#include <set>

#include "core/laws/check.h"
#include "core/laws/sequence.h"

namespace bristle::test {

class LawObserver : private DeliveryWatch {
 public:
  LawObserver(const Machine& machine, const Ready& ready)
      : machine_(machine), program_(ready.program), player_(ready.program, ready.values, this) {
    for (const State& s : machine.states) roles_.insert(s.role);
    look();
  }
  // Lets time pass up to the step, looking on at every moment at which something is due.
  void step(const LawStep& step) {
    waitTo(step.at);
    if (broken.contains(Law::Settles)) return;  // cut short: nothing after that counts
    const Running before = player_.run();
    const size_t from = player_.outcomes().size();
    player_.step(step);
    judge(before, from, step.deed);
  }
  void waitTo(Ms until) {
    for (int i = 0; i < 400; ++i) {
      const Ms due = nextDue(program_, player_.run());
      if (due < 0 || due > until) return;
      const Running before = player_.run();
      const size_t from = player_.outcomes().size();
      player_.step({Deed::Wait, due});
      judge(before, from, Deed::Wait);
      if (broken.contains(Law::Settles)) return;
    }
  }
  // Leaves it alone until its timers have run out, or have come round.
  void leaveAlone(Ms from) {
    const Signals s = player_.run().signals;
    if (s.bits & (Signals::Over | Signals::Down | Signals::Focus) || !s.has(Signals::Enabled))
      return;
    bool rested = false;
    for (int i = 0; i < 300 && !rested; ++i) {
      const Ms due = nextDue(program_, player_.run());
      rested = program_.role(player_.run().state) == Role::Rest;
      if (due < 0) break;
      waitTo(std::max(from, due));
    }
    if (!rested) broken.insert(Law::Rest);
  }
  const SequencePlayer& player() const { return player_; }
  std::set<Law> broken;
  std::set<StateIndex> seen;

 private:
  void delivering(const Program& program, const Running& run, Event event, int message, Ms after,
                  std::span<const double> values) override {
    std::vector<int> ranks;
    for (const auto i : program.candidates(run.state, event)) {
      const ProgramTransition& t = program.transition(i);
      const bool meant = (event != Event::Message || t.message == message) &&
                         (event != Event::After || t.after == after);
      const Transition& source = machine_.transitions[t.source];
      if (meant && t.guard.holds(run.signals, values))
        ranks.push_back((source.from ? 0 : 2) + (source.guard.empty() ? 1 : 0));
    }
    if (!ranks.empty() && std::count(ranks.begin(), ranks.end(), ranks[0]) > 1)
      broken.insert(Law::OneAnswer);
  }

  void look() {
    const Running& run = player_.run();
    const Signals s = run.signals;
    seen.insert(run.state);
    if (!s.has(Signals::Enabled) && program_.role(run.state) != Role::Disabled)
      broken.insert(Law::DeadWhenDisabled);
    if (nextAfter(program_, run) >= 0) return;
    Role wanted = Role::Rest;
    const auto calls = [&](Signals::Bit bit, Role role) {
      if (s.has(bit) && roles_.contains(role)) wanted = role;
    };
    if (machine_.wins == Wins::Hover) calls(Signals::Focus, Role::Focus);
    calls(Signals::Over, Role::Hover);
    if (machine_.wins == Wins::Focused) calls(Signals::Focus, Role::Focus);
    calls(Signals::Down, Role::Press);
    if (!s.has(Signals::Enabled) && roles_.contains(Role::Disabled)) wanted = Role::Disabled;
    const Role is = program_.role(run.state);
    const auto set = s.bits & ~Signals::Current;  // asks for no role
    if (is != Role::None && is != wanted) broken.insert(Law::Follows);
    if (set == Signals::Enabled && is != Role::Rest) broken.insert(Law::Rest);
    if (set == (Signals::Enabled | Signals::Armed) && is != Role::Rest) broken.insert(Law::Rest);
    if (set == (Signals::Enabled | Signals::Focus)) {
      SequencePlayer other(program_, player_.values());
      Running copy = run;
      copy.enteredAt = 0;
      other.take(copy);
      other.step({Deed::Blur});
      other.step({Deed::Wait, 60'000});
      if (other.run().state == run.state) broken.insert(Law::FocusShows);
    }
  }

  void judge(const Running& before, size_t from, Deed deed) {
    const auto& out = player_.outcomes();
    for (size_t i = from; i < out.size(); ++i)
      if (out[i].type == OutcomeType::Runaway) {
        broken.insert(Law::Settles);
        return;
      }
    const Signals was = before.signals, is = player_.run().signals;
    const bool begins = !was.has(Signals::Armed) && is.has(Signals::Armed);
    const bool ends = was.has(Signals::Armed) && !is.has(Signals::Armed);
    const bool letGo = deed == Deed::Release || deed == Deed::Lift;
    const bool released = ends && letGo && was.has(Signals::Down);
    if (begins) {
      if (machine_.fires == Fires::Release && going_ == 'r' && count_ == 0)
        broken.insert(Law::OneForOne);
      going_ = 'g';
      count_ = 0;
      if (before.state == player_.run().state) broken.insert(Law::PressShows);
    }
    if (ends) going_ = released ? 'r' : 'a';
    Event by = Event::Press;
    int acts = 0, held = 0;
    for (size_t i = from; i < out.size(); ++i) {
      if (out[i].type == OutcomeType::State) {
        by = machine_.transitions[program_.transition(std::uint16_t(out[i].index)).source].on;
        seen.insert(out[i].to);
        if (!is.has(Signals::Enabled) && program_.role(out[i].to) != Role::Disabled)
          broken.insert(Law::DeadWhenDisabled);
      }
      if (out[i].type != OutcomeType::Activate) continue;
      ++acts;
      held += by == Event::Hold;
      if (!is.has(Signals::Enabled)) broken.insert(Law::DeadWhenDisabled);
      if (going_ == 'n') broken.insert(Law::OneForOne);
      if (by == Event::Repeat && machine_.fires == Fires::Repeat && !is.has(Signals::Down))
        broken.insert(Law::OneForOne);
    }
    count_ += acts;
    const bool holdCame = !before.held && player_.run().held;
    const bool quiet = nextAfter(program_, player_.run()) < 0;
    bool wrong = false;
    switch (machine_.fires) {
      case Fires::Release:
        wrong =
            count_ > 1 || (going_ == 'a' && count_ > 0) || (going_ == 'r' && quiet && count_ == 0);
        break;
      case Fires::Press:
        wrong = begins ? acts != 1 : acts > 0;
        break;
      case Fires::Hold:
        wrong = (holdCame && held != 1) || acts > held || (released && !program_.usesHold);
        break;
      case Fires::Repeat:
        wrong = (player_.run().nextRepeat > before.nextRepeat && acts == 0 && !begins) ||
                (acts > 0 && !is.has(Signals::Down)) || (acts > 1 && deed != Deed::Wait) ||
                (released && (count_ == 0 || !program_.usesRepeat));
        break;
    }
    if (wrong) broken.insert(Law::OneForOne);
    if (going_ != 'g' && quiet) {
      going_ = 'n';
      count_ = 0;
    }
    look();
  }

  const Machine& machine_;
  const Program& program_;
  SequencePlayer player_;
  std::set<Role> roles_;
  char going_ = 'n';  // no press, going, released, abandoned
  int count_ = 0;
};

}  // namespace bristle::test
