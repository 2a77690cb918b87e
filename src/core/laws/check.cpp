#include "core/laws/check.h"

#include "core/laws/explore.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>

#include "core/laws/sequence.h"

namespace bristle {
namespace {

constexpr int kMostTimers = 2000;  // that a state at rest is followed through

class Judge {
 public:
  Judge(const LawSubject& subject, Explorer& explorer, LawReport& report)
      : subject_(subject), explorer_(explorer), report_(report) {
    const size_t states = subject.program.stateCount();
    reached_.resize(states);
    left_.resize(states, -1);
    for (size_t i = 0; i < states; ++i)
      has_[static_cast<size_t>(subject.program.role(StateIndex(i)))] = true;
    taken_.resize(subject.machine.transitions.size());
  }

  void situation(size_t visit) {
    const Situation& s = explorer_.visits()[visit].at;
    if (left_[s.run.state] < 0) left_[s.run.state] = static_cast<int>(visit);
    reached_[s.run.state] = true;
    settles(s, visit);
    if (!explorer_.lasts(visit)) return;  // nobody sees what lasts no time
    disabledLook(s, visit);
    rest(s, visit);
    if (explorer_.waits(s)) return;
    follows(s, visit);
    focusShows(s, visit);
  }

  void edge(const Edge& e, size_t from) {
    mode(e);
    for (const Outcome& o : e.outcomes) {
      if (o.type != OutcomeType::State) continue;
      reached_[o.to] = true;
      taken_[subject_.program.transition(std::uint16_t(o.index)).source] = true;
      if (o.from != o.to) leaves_.insert(o.from);
    }
    if (e.rivals)
      tell(Law::OneAnswer, e, from, [&] {
        return fmt::format("transitions {} and {} both answer", e.rivals->first + 1,
                           e.rivals->second + 1);
      });
    if (e.runaway)
      tell(Law::Settles, e, from, [] { return "messages answer one another for ever"; });
    const auto acts = std::count_if(e.outcomes.begin(), e.outcomes.end(), [](const Outcome& o) {
      return o.type == OutcomeType::Activate;
    });
    if (acts > 0 && !e.to.run.signals.has(Signals::Enabled))
      tell(Law::DeadWhenDisabled, e, from, [] { return "it activates though it is disabled"; });
    if (const char* wrong = press(e, static_cast<int>(acts)))
      tell(Law::OneForOne, e, from, [&] { return wrong; });
    pressShows(e, from);
  }

  void finish() {
    for (size_t i = 0; i < reached_.size() && explorer_.whole(); ++i) {
      const std::string& name = subject_.machine.states[i].name;
      if (!reached_[i])
        wrong(Law::NoOrphan, fmt::format("nothing leads to “{}”", name), {});
      else if (!leaves_.contains(StateIndex(i)) && !subject_.machine.states[i].final &&
               reached_.size() > 1)
        wrong(Law::NoDeadEnd, fmt::format("nothing leads out of “{}”", name),
              left_[i] < 0 ? Sequence{} : explorer_.sequenceTo(static_cast<size_t>(left_[i])));
    }
    unevenAnswers();
    for (size_t t = 0; t < taken_.size() && explorer_.whole(); ++t)
      if (!taken_[t]) report_.neverTaken.push_back(static_cast<std::uint32_t>(t));
  }

 private:
  // States that signals alone lead between are one mode (a toggle has two). A message, or becoming
  // current, that some states of a mode answer and others miss is often forgotten there.
  void mode(const Edge& e) {
    const StateIndex from = e.from.at.run.state, to = e.to.run.state;
    const bool current = e.step.deed == Deed::Current || e.step.deed == Deed::NotCurrent;
    if (e.step.deed == Deed::Message || (current && subject_.program.hearsCurrent)) {
      bool& answered = answers_[{e.step.deed, e.step.index}].try_emplace(from, false).first->second;
      answered = answered || (!e.outcomes.empty() && e.outcomes[0].type == OutcomeType::State);
    } else if (e.step.deed < Deed::Message && e.step.deed != Deed::Release &&
               e.step.deed != Deed::Lift && e.outcomes.size() < 2) {
      const StateIndex a = modeOf(from), b = modeOf(to);
      if (a != b) modes_[std::max(a, b)] = std::min(a, b);
    }
  }
  StateIndex modeOf(StateIndex state) {
    const auto at = modes_.find(state);
    return at == modes_.end() ? state : modeOf(at->second);
  }
  void unevenAnswers() {
    for (const auto& [heard, states] : answers_) {
      const std::string what =
          heard.first == Deed::Message
              ? fmt::format("the message “{}”", subject_.symbols.messages[size_t(heard.second)])
              : std::string(
                    nameOf(heard.first == Deed::Current ? Event::CurrentBegin : Event::CurrentEnd));
      std::map<StateIndex, int> answering;
      for (const auto& [state, answered] : states) answering[modeOf(state)] += answered;
      for (const auto& [state, answered] : states)
        if (!answered && answering[modeOf(state)] > 0)
          report_.advice.push_back(
              fmt::format("“{}” ignores {}, which states beside it answer", name(state), what));
    }
  }

  static bool isPress(const Edge& e) {
    return !e.from.at.run.signals.has(Signals::Armed) && e.to.run.signals.has(Signals::Armed);
  }
  std::string name(StateIndex state) const { return subject_.machine.states[state].name; }

  void wrong(Law law, std::string what, Sequence sequence) {
    LawResult& result = report_.of(law);
    if (result.broken) return;  // the first is the shortest
    result.broken = true;
    result.what = std::move(what);
    result.sequence = std::move(sequence);
  }
  template <class Words>
  void tell(Law law, const Edge& e, size_t from, Words words) {
    if (!report_.of(law).broken) wrong(law, words(), explorer_.sequenceTo(from, &e.step, e.timer));
  }
  void tell(Law law, size_t visit, const std::string& what) {
    if (!report_.of(law).broken) wrong(law, what, explorer_.sequenceToLasting(visit));
  }

  void disabledLook(const Situation& s, size_t visit) {
    if (s.run.signals.has(Signals::Enabled)) return;
    if (subject_.program.role(s.run.state) != Role::Disabled)
      tell(Law::DeadWhenDisabled, visit,
           fmt::format("it is disabled but shows “{}”", name(s.run.state)));
  }

  void rest(const Situation& s, size_t visit) {
    const Signals now = s.run.signals;
    if (!now.has(Signals::Enabled) || now.has(Signals::Over) || now.has(Signals::Down) ||
        now.has(Signals::Focus) || report_.of(Law::Rest).broken)
      return;
    if (!explorer_.waits(s)) {
      if (subject_.program.role(s.run.state) != Role::Rest)
        tell(Law::Rest, visit, fmt::format("left alone it stays in “{}”", name(s.run.state)));
    } else if (neverRests(s)) {
      tell(Law::Rest, visit, "left alone its timers go on for ever and never come to rest");
    }
  }

  // Follows the timers of a button that nobody touches until they run out or come round.
  bool neverRests(const Situation& s) {
    SequencePlayer alone(subject_.program, explorer_.valuesOf(s));
    alone.take(s.run);
    std::set<std::tuple<StateIndex, Ms, std::vector<double>>> seen;
    for (int i = 0; i < kMostTimers; ++i) {
      const Running& run = alone.run();
      const Ms due = nextDue(subject_.program, run);
      if (due < 0) return false;  // it comes to rest, and is looked at there
      // Round and round; a rest state in between will do.
      if (!seen.insert({run.state, run.afterDone, alone.values()}).second) return !restsIn(seen);
      alone.step({Deed::Wait, due});
    }
    return false;
  }
  bool restsIn(const std::set<std::tuple<StateIndex, Ms, std::vector<double>>>& seen) const {
    return std::any_of(seen.begin(), seen.end(), [&](const auto& one) {
      return subject_.program.role(std::get<0>(one)) == Role::Rest;
    });
  }

  // Follows `after 0` from state to state: without end when the state and the values come again.
  void settles(const Situation& s, size_t visit) {
    if (nextAfter(subject_.program, s.run) != 0 || report_.of(Law::Settles).broken) return;
    SequencePlayer now(subject_.program, explorer_.valuesOf(s));
    Running run = s.run;
    run.enteredAt = 0;
    run.downSince = 1;  // the other timers are not due yet
    run.nextRepeat = run.nextRepeat < 0 ? -1 : 1;
    now.take(run);
    std::set<std::tuple<StateIndex, Ms, std::vector<double>>> seen;
    for (int i = 0; i < kMostTimers && nextAfter(subject_.program, now.run()) == 0; ++i) {
      if (!seen.insert({now.run().state, now.run().afterDone, now.values()}).second)
        return tell(Law::Settles, visit, "`after 0` leads round and round without time passing");
      now.fireAfter();
    }
  }

  Role calledFor(Signals now) const {
    const auto has = [&](Role role) { return has_[static_cast<size_t>(role)]; };
    if (!now.has(Signals::Enabled) && has(Role::Disabled)) return Role::Disabled;
    if (now.has(Signals::Down) && has(Role::Press)) return Role::Press;
    const bool over = now.has(Signals::Over) && has(Role::Hover);
    const bool focus = now.has(Signals::Focus) && has(Role::Focus);
    if (subject_.machine.wins == Wins::Focused && focus) return Role::Focus;
    if (over) return Role::Hover;
    return focus ? Role::Focus : Role::Rest;
  }

  void follows(const Situation& s, size_t visit) {
    const Role role = subject_.program.role(s.run.state);
    const Role wanted = calledFor(s.run.signals);
    if (role != Role::None && role != wanted)
      tell(Law::Follows, visit,
           fmt::format("the signals call for a {} state, it shows “{}”", nameOf(wanted),
                       name(s.run.state)));
  }

  void focusShows(const Situation& s, size_t visit) {
    const Signals now = s.run.signals;
    if (!now.has(Signals::Focus) || !now.has(Signals::Enabled) || now.has(Signals::Over) ||
        now.has(Signals::Armed) || report_.of(Law::FocusShows).broken)
      return;
    SequencePlayer without(subject_.program, explorer_.valuesOf(s));
    without.take(s.run);
    without.step({Deed::Blur});
    without.step({Deed::Wait, 60'000});
    const StateIndex rest = without.run().state;
    const bool shows =
        subject_.looks ? subject_.looks->showsFocus(s.run.state, rest) : s.run.state != rest;
    if (!shows)
      tell(Law::FocusShows, visit,
           s.run.state == rest
               ? fmt::format("with focus it shows “{}”, as without", name(rest))
               : fmt::format("“{}” can hardly be told from “{}”", name(s.run.state), name(rest)));
  }

  void pressShows(const Edge& e, size_t from) {
    if (!isPress(e)) return;
    const StateIndex before = e.from.at.run.state, after = e.to.run.state;
    const bool shows =
        before != after && (!subject_.looks || subject_.looks->differ(before, after));
    if (!shows)
      tell(Law::PressShows, e, from, [&] {
        return before == after ? fmt::format("pressed, it stays in “{}”", name(before))
                               : fmt::format("“{}” looks as “{}” does", name(after), name(before));
      });
  }

  // What is wrong with the activations of one step; null where nothing is.
  const char* press(const Edge& e, int acts) const {
    const Situation &was = e.from.at, &is = e.to;
    const bool begins = isPress(e);
    const bool ends = was.phase == PressPhase::Going && is.phase != PressPhase::Going;
    const bool released = ends && is.phase == PressPhase::Released;
    if (acts > 0 && is.phase == PressPhase::None) return "it activates without a press";
    switch (subject_.machine.fires) {
      case Fires::Press:
        if (begins && acts == 0) return "a press does nothing";
        return acts > (begins ? 1 : 0) ? "it activates more than once for one press" : nullptr;
      case Fires::Release:
        if (is.count > 1) return "it activates more than once for one press";
        if (is.phase == PressPhase::Abandoned && is.count > 0)
          return "it activates though the press was called off";
        if ((is.phase == PressPhase::Released && !explorer_.waits(is) && is.count == 0) ||
            (begins && was.phase == PressPhase::Released && was.count == 0))
          return "the press ended on it, and nothing was activated";
        return nullptr;
      case Fires::Hold:
        if (is.count > 1) return "it activates more than once for one press";
        if (e.timer == Timer::Hold ? acts != 1 : released && !subject_.program.usesHold)
          return "held long enough, it does not activate once";
        return e.timer != Timer::Hold && acts > 0
                   ? "it activates though it was not held long enough"
                   : nullptr;
      case Fires::Repeat:
        if (acts > 0 && !is.run.signals.has(Signals::Down))
          return "it activates though it is not held down";
        if (acts > 1) return "it activates twice at once";
        if (e.timer == Timer::Repeat && acts == 0) return "held down, it does not repeat";
        return released && (is.count == 0 || !subject_.program.usesRepeat)
                   ? "the press ended on it, and nothing was repeated"
                   : nullptr;
    }
    return nullptr;
  }

  const LawSubject& subject_;
  Explorer& explorer_;
  LawReport& report_;
  std::vector<bool> reached_, taken_;
  std::vector<int> left_;  // by state: the first visit there
  std::set<StateIndex> leaves_;
  std::map<StateIndex, StateIndex> modes_;  // towards the lowest of its mode
  std::map<std::pair<Deed, int>, std::map<StateIndex, bool>>
      answers_;                // by what is heard, and state
  std::array<bool, 6> has_{};  // by role
};

}  // namespace

LawReport checkLaws(const LawSubject& subject) {
  LawReport report;
  Explorer explorer(subject.program, subject.symbols, subject.values, subject.stop,
                    subject.mostWork);
  Judge judge(subject, explorer, report);
  explorer.run([&](size_t visit) { judge.situation(visit); },
               [&](const Edge& edge, size_t from) { judge.edge(edge, from); });
  judge.finish();
  report.visited = explorer.visits().size();
  report.whole = explorer.whole();
  report.whyNotWhole = explorer.whyNotWhole();
  if (subject.work) *subject.work += explorer.work();
  for (const Waiver& waiver : subject.machine.waivers)
    if (waiver.law >= 1 && waiver.law <= kLaws)
      report.laws[size_t(waiver.law) - 1].waived =
          waiver.reason.empty() ? "no reason given" : waiver.reason;
  return report;
}

Result<Ready> makeReady(const Machine& machine, const Project& project) {
  Ready out;
  for (const ProjectValue& value : project.values) {
    out.symbols.values.push_back(value.id);
    out.values.push_back(value.start);
  }
  auto program = Program::compile(machine, out.symbols, naming(project));
  if (!program) return tl::unexpected(program.error());
  out.program = std::move(*program);
  return out;
}

}  // namespace bristle
