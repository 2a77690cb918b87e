#include "core/laws/mend.h"

#include <fmt/format.h>

#include <algorithm>
#include <functional>

#include "core/laws/sequence.h"

namespace bristle {
namespace {

constexpr int kMostChanges = 6;      // one after the other; beyond, a template is the better mend
constexpr size_t kMostTrials = 600;  // of one change
constexpr std::int64_t kMostWork = 1'500'000;  // steps of all checks for one law: under a second
constexpr size_t kLookedAt = 3;                // events before something was wrong
constexpr Ms kMoment = 160;                    // how long a state without a way out may last then

struct Trial {
  std::string words;
  Machine after;
};

// The events that were worked off on the way to what is wrong.
struct Deliveries : DeliveryWatch {
  struct One {
    Event event;
    int message;
    Ms after;
    Running before;
  };
  std::vector<One> all;
  void delivering(const Program&, const Running& run, Event event, int message, Ms after,
                  std::span<const double>) override {
    all.push_back({event, message, after, run});
  }
};

class Mender {
 public:
  Mender(const Machine& machine, const Project& project, Law law, const LawLooks* looks,
         const std::atomic<bool>* stop)
      : machine_(machine), project_(project), law_(law), looks_(looks), stop_(stop) {}

  std::optional<Mend> run() {
    auto report = check(machine_);
    if (!report || !report->whole || !report->of(law_).broken) return {};
    Mend out{{}, machine_, machine_};
    for (int i = 0; i < kMostChanges && report->of(law_).broken; ++i) {
      auto next = best(out.after, *report);
      if (!next) return {};
      out.words.push_back(std::move(next->first.words));
      out.after = std::move(next->first.after);
      report = std::move(next->second);
    }
    if (report->of(law_).broken) return {};
    return out;
  }

 private:
  std::optional<LawReport> check(const Machine& m) const {
    const auto ready = makeReady(m, project_);
    if (!ready || (stop_ && stop_->load())) return {};
    // Looks go by the places of the states: without one of them they say nothing.
    const LawLooks* looks = m.states.size() == machine_.states.size() ? looks_ : nullptr;
    // A machine that is checked quickly may be tried often, a large one a few times.
    if (work_ > kMostWork) return {};
    return checkLaws(
        {m, ready->program, ready->symbols, ready->values, looks, stop_, kMostLawWork, &work_});
  }
  static int broken(const LawReport& report) {
    return static_cast<int>(std::count_if(report.laws.begin(), report.laws.end(),
                                          [](const LawResult& l) { return l.broken; }));
  }

  // The first change after which the law is kept, or broken only later, and nothing else is broken
  // that was kept; a law that is kept counts before one that is only broken later.
  std::optional<std::pair<Trial, LawReport>> best(const Machine& m, const LawReport& before) {
    std::optional<std::pair<Trial, LawReport>> found;
    std::tuple<bool, int, int> least{true, broken(before) + 1, 0};
    for (Trial& trial : trials(m, before.of(law_))) {
      auto report = check(trial.after);
      if (!report || !report->whole) continue;
      bool worse = false;
      for (size_t i = 0; i < before.laws.size(); ++i)
        worse = worse || (report->laws[i].broken && !before.laws[i].broken);
      const bool stays = report->of(law_).broken;
      const bool later = report->of(law_).sequence.size() > before.of(law_).sequence.size() ||
                         report->of(law_).what != before.of(law_).what ||
                         report->of(law_).sequence != before.of(law_).sequence;
      if (worse || (stays && !later)) continue;
      const std::tuple<bool, int, int> cost{stays, broken(*report),
                                            static_cast<int>(report->neverTaken.size())};
      if (found && cost >= least) continue;
      least = cost;
      found = {std::move(trial), std::move(*report)};
    }
    return found;
  }

  std::vector<Trial> trials(const Machine& m, const LawResult& result) {
    std::vector<Trial> out;
    switch (law_) {
      case Law::NoOrphan:
        dropOrphans(m, out);
        break;
      case Law::NoDeadEnd:
        leadOut(m, result, out);
        break;
      case Law::OneAnswer:
        setApart(m, out);
        break;
      case Law::Settles:
        breakChains(m, out);
        break;
      case Law::OneForOne:
      case Law::DeadWhenDisabled:
        activations(m, out);
        [[fallthrough]];
      default:
        answers(m, result, out);
    }
    if (out.size() > kMostTrials) out.resize(kMostTrials);
    return out;
  }

  std::string nameOfState(const Machine& m, const StateId& id) const {
    const State* state = findState(m, id);
    return state ? state->name : id.text;
  }
  std::string wordsOf(const Machine& m, const Transition& t) const {
    std::string on(nameOf(t.on));
    if (t.on == Event::After) on = fmt::format("after {} ms", t.after);
    if (t.on == Event::Message) on = "the message " + t.message;
    return fmt::format("{}, on {}{}, to {}",
                       t.from ? "from " + nameOfState(m, *t.from) : std::string("from every state"),
                       on, t.guard.empty() ? "" : " if " + t.guard, nameOfState(m, t.to));
  }

  void dropOrphans(const Machine& m, std::vector<Trial>& out) const {
    for (size_t s = 1; s < m.states.size(); ++s) {
      const StateId id = m.states[s].id;
      const bool led = std::any_of(m.transitions.begin(), m.transitions.end(),
                                   [&](const Transition& t) { return t.to == id && t.from != id; });
      if (led) continue;
      Trial trial{"remove the state " + m.states[s].name, m};
      std::erase_if(trial.after.transitions,
                    [&](const Transition& t) { return t.from == id || t.to == id; });
      trial.after.states.erase(trial.after.states.begin() + static_cast<std::ptrdiff_t>(s));
      out.push_back(std::move(trial));
    }
  }

  // After a moment to where the signals call, as a flash does.
  void leadOut(const Machine& m, const LawResult& result, std::vector<Trial>& out) const {
    for (const State& state : m.states) {
      if (result.what.find("“" + state.name + "”") == std::string::npos) continue;
      Trial trial{fmt::format("“{}” ends by itself after {} ms", state.name, kMoment), m};
      const auto go = [&](Role role, const char* guard) {
        const auto to = std::find_if(m.states.begin(), m.states.end(),
                                     [&](const State& s) { return s.role == role; });
        if (to == m.states.end() || to->id == state.id) return;
        Transition t;
        t.from = state.id;
        t.on = Event::After;
        t.after = kMoment;
        t.guard = guard;
        t.to = to->id;
        trial.after.transitions.push_back(std::move(t));
      };
      const bool hover = m.wins == Wins::Hover;
      go(Role::Disabled, "not enabled");
      go(Role::Press, "enabled and down");
      go(Role::Hover,
         hover ? "enabled and not down and over" : "enabled and not down and over and not focus");
      go(Role::Focus,
         hover ? "enabled and not down and focus and not over" : "enabled and not down and focus");
      go(Role::Rest, "");
      out.push_back(std::move(trial));
    }
  }

  // The later one answers only where the earlier one does not.
  void setApart(const Machine& m, std::vector<Trial>& out) const {
    for (size_t a = 0; a < m.transitions.size(); ++a)
      for (size_t b = a + 1; b < m.transitions.size(); ++b) {
        const Transition &x = m.transitions[a], &y = m.transitions[b];
        if (x.from != y.from || x.on != y.on || x.message != y.message || x.after != y.after ||
            x.guard.empty() != y.guard.empty())
          continue;
        Trial trial{"", m};
        if (x.guard.empty()) {
          trial.words = "remove the second: " + wordsOf(m, y);
          trial.after.transitions.erase(trial.after.transitions.begin() +
                                        static_cast<std::ptrdiff_t>(b));
        } else {
          const auto plain = [](const std::string& guard) {
            return guard.find(' ') == std::string::npos;
          };
          const std::string first = plain(x.guard) ? x.guard : "(" + x.guard + ")";
          const bool loose = (" " + y.guard + " ").find(" or ") != std::string::npos;
          Transition& changed = trial.after.transitions[b];
          changed.guard = (loose ? "(" + y.guard + ")" : y.guard) + " and not " + first;
          trial.words = "answers only where the other does not: " + wordsOf(m, changed);
        }
        out.push_back(std::move(trial));
      }
  }

  void breakChains(const Machine& m, std::vector<Trial>& out) const {
    for (size_t i = 0; i < m.transitions.size(); ++i) {
      const Transition& t = m.transitions[i];
      if (t.on == Event::After && t.after == 0) {
        Trial trial{"", m};
        trial.after.transitions[i].after = kMoment;
        trial.words = "takes time: " + wordsOf(m, trial.after.transitions[i]);
        out.push_back(std::move(trial));
      }
      for (size_t e = 0; e < t.effects.size(); ++e) {
        if (t.effects[e].type != EffectType::Message) continue;
        Trial trial{fmt::format("does not send “{}”: {}", t.effects[e].message, wordsOf(m, t)), m};
        auto& effects = trial.after.transitions[i].effects;
        effects.erase(effects.begin() + static_cast<std::ptrdiff_t>(e));
        out.push_back(std::move(trial));
      }
    }
  }

  // Runs what broke the law, and what the law looks at then.
  std::optional<Deliveries> deliveries(const Machine& m, const LawResult& result,
                                       std::vector<std::string>& messages) const {
    const auto ready = makeReady(m, project_);
    if (!ready) return {};
    Deliveries out;
    SequencePlayer player(ready->program, ready->values, &out);
    for (const LawStep& step : result.sequence) player.step(step);
    if (law_ == Law::FocusShows)
      player.step({Deed::Blur, result.sequence.empty() ? 0 : result.sequence.back().at});
    messages = ready->symbols.messages;
    return out;
  }

  void activations(const Machine& m, std::vector<Trial>& out) const {
    for (size_t i = 0; i < m.transitions.size(); ++i) {
      const auto& effects = m.transitions[i].effects;
      const auto at = std::find_if(effects.begin(), effects.end(),
                                   [](const Effect& e) { return e.type == EffectType::Activate; });
      Trial trial{"", m};
      auto& changed = trial.after.transitions[i].effects;
      if (at == effects.end()) {
        changed.insert(changed.begin(), Effect{});
        trial.words = "activates: ";
      } else {
        changed.erase(changed.begin() + (at - effects.begin()));
        trial.words = "does not activate: ";
      }
      trial.words += wordsOf(m, m.transitions[i]);
      out.push_back(std::move(trial));
    }
  }

  // The last events, which the machine missed or answered in a wrong way, lead where they should.
  void answers(const Machine& m, const LawResult& result, std::vector<Trial>& out) const {
    std::vector<std::string> messages;
    const auto run = deliveries(m, result, messages);
    if (!run) return;
    for (size_t i = run->all.size(); i-- > 0 && i + kLookedAt >= run->all.size();) {
      const Deliveries::One& one = run->all[i];
      Transition made;
      made.from = m.states[one.before.state].id;
      made.on = one.event;
      made.after = one.after;
      if (made.on == Event::Message) made.message = messages[static_cast<size_t>(one.message)];
      addAnswers(m, made, one.before.signals, out);
      turnAnswers(m, made, out);
    }
  }

  // Before those that answer now, so that it comes first.
  void addAnswers(const Machine& m, Transition made, Signals now, std::vector<Trial>& out) const {
    const auto add = [&](const Transition& t) {
      Trial trial{"add " + wordsOf(m, t) + (t.effects.empty() ? "" : ", activating"), m};
      const auto first = std::find_if(trial.after.transitions.begin(),
                                      trial.after.transitions.end(), [&](const Transition& o) {
                                        return o.from == t.from && o.on == t.on && !t.guard.empty();
                                      });
      trial.after.transitions.insert(first, t);
      out.push_back(std::move(trial));
    };
    // Where others that answer the same activate, this one has to, too.
    const bool activating =
        law_ == Law::OneForOne ||
        std::any_of(m.transitions.begin(), m.transitions.end(), [&](const Transition& o) {
          return (!o.from || o.from == made.from) && o.on == made.on &&
                 std::any_of(o.effects.begin(), o.effects.end(),
                             [](const Effect& e) { return e.type == EffectType::Activate; });
        });
    for (const std::string& guard : guardsFor(now)) {
      made.guard = guard;
      for (const State& to : m.states) {
        if (to.role == Role::None) continue;
        made.to = to.id;
        // As fast as others go there.
        const auto other =
            std::find_if(m.transitions.begin(), m.transitions.end(),
                         [&](const Transition& o) { return o.to == to.id && o.timing; });
        made.timing = other == m.transitions.end() ? std::nullopt : other->timing;
        made.effects.clear();
        add(made);
        if (guard.empty() && made.on == Event::Disable) {
          Transition common = made;
          common.from.reset();
          add(common);
        }
        if (!activating) continue;
        made.effects = {Effect{}};
        add(made);
      }
    }
  }

  void turnAnswers(const Machine& m, const Transition& like, std::vector<Trial>& out) const {
    for (size_t i = 0; i < m.transitions.size(); ++i) {
      const Transition& t = m.transitions[i];
      if (t.on != like.on || (t.from && t.from != like.from)) continue;
      for (const State& to : m.states) {
        if (to.role == Role::None || to.id == t.to) continue;
        Trial trial{"", m};
        trial.after.transitions[i].to = to.id;
        trial.words = "leads elsewhere: " + wordsOf(m, trial.after.transitions[i]);
        out.push_back(std::move(trial));
      }
      Trial trial{"remove " + wordsOf(m, t), m};
      trial.after.transitions.erase(trial.after.transitions.begin() +
                                    static_cast<std::ptrdiff_t>(i));
      out.push_back(std::move(trial));
    }
  }

  // What holds now, from no word to three.
  static std::vector<std::string> guardsFor(Signals now) {
    std::vector<std::string> words;
    for (const auto& [bit, word] :
         {std::pair{Signals::Down, "down"}, {Signals::Over, "over"}, {Signals::Focus, "focus"}})
      words.push_back(std::string(now.has(bit) ? "" : "not ") + word);
    const std::string &down = words[0], &over = words[1], &focus = words[2];
    std::vector<std::string> out{{}};
    for (const std::string& word : words)
      if (!word.starts_with("not ")) out.push_back(word);
    for (const auto& [a, b] : {std::pair{over, focus}, {focus, over}, {over, down}, {focus, down}})
      if (!a.starts_with("not ")) out.push_back(a + " and " + b);
    out.push_back(over + " and " + focus + " and " + down);
    return out;
  }

  const Machine& machine_;
  const Project& project_;
  Law law_;
  const LawLooks* looks_;
  const std::atomic<bool>* stop_;
  mutable std::int64_t work_ = 0;
};

}  // namespace

std::optional<Mend> mendFor(const Machine& machine, const Project& project, Law law,
                            const LawLooks* looks, const std::atomic<bool>* stop) {
  return Mender(machine, project, law, looks, stop).run();
}

}  // namespace bristle
