#include <QRegularExpression>
#include <QStringList>
#include <QXmlStreamReader>
#include <algorithm>
#include <set>

#include "core/laws/check.h"
#include "deliver/statechart.h"
#include "deliver/statechart_words.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr qsizetype kMostBytes = 8 << 20;
constexpr size_t kMostStates = 2000, kMostTransitions = 20'000;
const char* const kScxml = "http://www.w3.org/2005/07/scxml";
const char* const kDivided = "function divided(a, b) { return b == 0 ? 0 : a / b; }";

// Conditions of charts that others wrote: the operators' other names.
QString ourFormula(QString text) {
  const std::pair<const char*, const char*> kWords[] = {
      {"&&", " and "}, {"||", " or "}, {"===", "="}, {"!==", "!="}, {"==", "="}};
  for (const auto& [theirs, mine] : kWords)
    text.replace(QLatin1String(theirs), QLatin1String(mine));
  text.replace(QRegularExpression(QStringLiteral("!(?!=)")), QStringLiteral(" not "));
  text.replace(QRegularExpression(QStringLiteral("\\btrue\\b")), QStringLiteral("yes"));
  text.replace(QRegularExpression(QStringLiteral("\\bfalse\\b")), QStringLiteral("no"));
  return text.simplified();
}

// "250ms", "0.25s", ".5s" (CSS 2 §4.3.7, as SCXML §6.2.3 has it); −1 for other texts.
qint64 inMs(const QString& text) {
  static const QRegularExpression form(QStringLiteral("^(\\d*\\.?\\d+)(ms|s)$"));
  const auto match = form.match(text);
  if (!match.hasMatch()) return -1;
  return qRound64(match.captured(1).toDouble() *
                  (match.captured(2) == QLatin1String("s") ? 1000 : 1));
}

class Reader {
 public:
  Reader(const QByteArray& text, const Project& project) : x_(text), project_(project) {}

  Result<Machine> read() {
    if (!x_.readNextStartElement() || x_.name() != QLatin1String("scxml")) {
      if (!x_.hasError()) refuse(QStringLiteral("the first element is not scxml"));
    } else if (x_.namespaceUri() != QLatin1String(kScxml)) {
      refuse(QStringLiteral("expected the namespace %1, found %2")
                 .arg(QLatin1String(kScxml), x_.namespaceUri().isEmpty()
                                                 ? QStringLiteral("none")
                                                 : x_.namespaceUri().toString()));
    } else {
      root();
      while (!x_.atEnd()) x_.readNext();  // what follows has to be well-formed, too
    }
    if (error_.empty() && x_.hasError()) refuse(x_.errorString());
    if (!error_.empty()) return fail(place_, error_);
    return finish();
  }

 private:
  struct Placed {
    Transition transition;
    int order;            // among all; −1: not told
    bool common = false;  // written into each state
    QString event = {};
  };
  void refuse(const QString& why) {
    if (!error_.empty()) return;
    error_ = fromQt(why);
    place_ = fromQt(QStringLiteral("line %1").arg(x_.lineNumber()));
  }
  void refuseElement() {
    const QString name = x_.name().toString();
    static const std::map<QString, const char*> kWhy{
        {QStringLiteral("parallel"), "a button is in one state at a time"},
        {QStringLiteral("history"), "machines here are flat and remember no history"},
        {QStringLiteral("script"), "scripts are not run"},
        {QStringLiteral("invoke"), "nothing outside is started"}};
    const auto at = kWhy.find(name);
    refuse(QStringLiteral("<%1> cannot be taken%2")
               .arg(name, at == kWhy.end() ? QString()
                                           : QStringLiteral(": ") + QLatin1String(at->second)));
    x_.skipCurrentElement();
  }
  std::string get(const char* name) const {
    return fromQt(x_.attributes().value(QLatin1String(name)).toString());
  }
  std::string mine(const char* name) const {
    return fromQt(x_.attributes().value(QLatin1String(kOurs), QLatin1String(name)).toString());
  }
  bool is(const char* name) const { return x_.name() == QLatin1String(name); }
  bool goesOn() { return error_.empty() && x_.readNextStartElement(); }

  void root() {
    if (const auto v = get("version"); v != "1.0") refuse(QStringLiteral("expected version 1.0"));
    m_.name = mine("name").empty() ? get("name") : mine("name");
    if (m_.name.empty()) m_.name = "Statechart";
    initial_ = get("initial");
    if (const auto timing = parseTiming(mine("timing"))) m_.timing = *timing;
    m_.propTimings = parseTimings(mine("timings"));
    const auto times = toQt(mine("times")).split(QLatin1Char(' '));
    Ms* const kTimes[] = {&m_.hold, &m_.repeatDelay, &m_.repeatInterval};
    for (int i = 0; i < 3 && times.size() == 3; ++i)
      *kTimes[i] = std::clamp<Ms>(times[i].toLongLong(), 1, 600'000);
    if (mine("wins") == "focus") m_.wins = Wins::Focused;
    m_.fires = parseFires(mine("fires")).value_or(Fires::Release);
    while (goesOn()) {
      if (is("datamodel")) {
        data();
      } else if (is("script")) {
        if (x_.readElementText().trimmed() != QLatin1String(kDivided))
          refuse(QStringLiteral("<script> cannot be taken: scripts are not run"));
      } else if (is("state") || is("final")) {
        state(false);
      } else {
        refuseElement();
      }
    }
  }

  void data() {
    std::set<std::string> known{"over", "armed", "down", "focus", "enabled", "current"};
    for (const ProjectValue& v : project_.values) known.insert(variable(v.id));
    while (goesOn()) {
      if (!is("data")) return refuseElement();
      if (!known.contains(get("id")))
        refuse(QStringLiteral("the project has no value for the datum “%1”").arg(toQt(get("id"))));
      x_.skipCurrentElement();
    }
  }

  // The first state that holds states is the one around all; in it there may be no second such.
  void state(bool inside) {
    State s;
    const std::string id = get("id");
    s.id = {id.starts_with("s.") && !mine("name").empty() ? fromToken(id.substr(2)) : id};
    s.name = mine("name").empty() ? id : mine("name");
    s.role = parseRole(mine("role")).value_or(Role::None);
    s.final = is("final") || mine("final") == "yes";
    const std::string first = get("initial");
    if (id.empty()) refuse(QStringLiteral("a state without an id"));
    if (names_.contains(id)) refuse(QStringLiteral("two states have the id “%1”").arg(toQt(id)));
    names_[id] = s.id;
    std::vector<Placed> own;
    bool around = false;
    while (goesOn()) {
      if (is("state") || is("final")) {
        if (inside || (!around && !m_.states.empty()))
          return refuse(QStringLiteral("a state in a state cannot be taken: machines are flat"));
        around = true;
        state(true);
      } else if (is("transition")) {
        transition(own);
      } else if (is("onentry") || is("onexit")) {
        timers();
      } else {
        refuseElement();
      }
    }
    if (!error_.empty()) return;
    if (around) initial_ = first;
    for (Placed& t : own) {
      const auto again = [&](const Placed& p) { return p.common && p.order == t.order; };
      if (t.common && std::any_of(read_.begin(), read_.end(), again)) continue;
      if (!around && !t.common) t.transition.from = s.id;
      read_.push_back(std::move(t));
    }
    if (!around) m_.states.push_back(std::move(s));
    if (m_.states.size() > kMostStates || read_.size() > kMostTransitions)
      refuse(QStringLiteral("more than 2000 states or 20000 transitions"));
  }

  // `after` needs no words of ours: the events that a state sends itself with a delay, and nothing
  // else, may be there.
  void timers() {
    while (goesOn()) {
      const QString event = toQt(get("event"));
      const bool timer =
          is("send") && event.startsWith(QLatin1String("after.")) &&
          inMs(toQt(get("delay"))) == event.section(QLatin1Char('.'), -1).toLongLong();
      if (timer) {
        sent_ << toQt(get("id"));
        events_ << event;
      }
      if (is("cancel")) cancelled_ << toQt(get("sendid"));
      if (!timer && !is("cancel"))
        return refuse(QStringLiteral("<%1> on entry or exit cannot be taken, but for the event "
                                     "after.STATE.MS sent with that delay")
                          .arg(x_.name().toString()));
      x_.skipCurrentElement();
    }
  }

  void transition(std::vector<Placed>& own) {
    Transition t;
    const std::string event = get("event"), target = get("target");
    if (event == "signals" || event.starts_with("value.")) return x_.skipCurrentElement();
    if (!setEvent(t, event))
      return refuse(QStringLiteral("the event “%1” is none that a button has").arg(toQt(event)));
    if (target.empty() || target.find(' ') != std::string::npos)
      return refuse(QStringLiteral("a transition needs one target"));
    t.to = {target};
    const std::string cond = get("cond");
    t.guard = !mine("if").empty() ? mine("if") : fromQt(ourFormula(toQt(cond)));
    t.timing = parseTiming(mine("timing"));
    t.propTimings = parseTimings(mine("timings"));
    const std::string order = mine("order");
    const bool common = mine("from") == "common";
    while (goesOn()) effect(t);
    own.push_back({std::move(t), order.empty() ? -1 : toQt(order).toInt(), common, toQt(event)});
  }

  // "told.go" behind the message "go", which the button itself hears.
  static bool told(const Transition& t, const std::string& event) {
    return event.starts_with("told.") && !t.effects.empty() &&
           t.effects.back().type == EffectType::Message &&
           t.effects.back().message == fromToken(event.substr(5));
  }

  void effect(Transition& t) {
    Effect e;
    const std::string event = get("event");
    if (is("send") && (!get("delay").empty() || !get("delayexpr").empty()))
      return refuse(
          QStringLiteral("<send> with a delay cannot be taken, but for after.STATE.MS on entry"));
    if (is("assign")) {
      e.type = EffectType::SetValue;
      const std::string where = get("location");
      for (const ProjectValue& v : project_.values)
        if (variable(v.id) == where) e.value = v.id;
      if (!e.value) return refuse(QStringLiteral("the project has no value “%1”").arg(toQt(where)));
      e.formula = mine("to").empty() ? fromQt(ourFormula(toQt(get("expr")))) : mine("to");
    } else if (is("send") && (event.starts_with("set.") || told(t, event))) {
      return x_.skipCurrentElement();  // the host's copy of what stands before it
    } else if ((is("send") || is("raise")) && event == "activate.now") {
      e.type = EffectType::Activate;
    } else if ((is("send") || is("raise")) && event == "sound.play" && !mine("file").empty()) {
      e.type = EffectType::Sound;
      e.file = mine("file");
      e.volume = std::clamp(toQt(mine("volume")).toDouble(), 0.0, 1.0);
    } else if ((is("send") || is("raise")) && event.starts_with("message.") && event.size() > 8) {
      e.type = EffectType::Message;
      e.message = fromToken(event.substr(8));
    } else {
      return refuse(
          QStringLiteral("<%1> in a transition cannot be taken").arg(x_.name().toString()));
    }
    t.effects.push_back(std::move(e));
    x_.skipCurrentElement();
  }

  // A timer that nothing ends on leaving the state would come in another one; one that is awaited
  // but never sent would not come at all.
  bool isSent(const QString& event) const {  // an event answers to all that begin with its name
    return std::any_of(events_.begin(), events_.end(), [&](const QString& sent) {
      return sent == event || sent.startsWith(event + QLatin1Char('.'));
    });
  }
  std::string whyNoTimers() const {
    for (const QString& id : sent_)
      if (!cancelled_.contains(id))
        return "the timer “" + fromQt(id) + "” is sent, but not cancelled on leaving the state";
    for (const Placed& t : read_)
      if (t.transition.on == Event::After && !isSent(t.event))
        return fromQt(t.event) + " is awaited, but never sent";
    return {};
  }

  Result<Machine> finish() {
    if (m_.states.empty()) return fail("line 1", "there are no states");
    if (const std::string why = whyNoTimers(); !why.empty()) return fail("the timers", why);
    sortAsWritten();
    for (Transition& t : m_.transitions) {
      const auto at = names_.find(t.to.text);
      if (at == names_.end() || !findState(m_, at->second))
        return fail("a transition", "its target “" + t.to.text + "” is not there");
      t.to = at->second;
    }
    const auto first = names_.find(initial_);
    if (!initial_.empty() && first != names_.end())
      std::stable_partition(m_.states.begin(), m_.states.end(),
                            [&](const State& s) { return s.id == first->second; });
    if (const auto ready = makeReady(m_, project_); !ready) return tl::unexpected(ready.error());
    return m_;
  }

  // Own and common ones were parted; what we wrote knows its place.
  void sortAsWritten() {
    if (std::all_of(read_.begin(), read_.end(), [](const Placed& t) { return t.order >= 0; }))
      std::stable_sort(read_.begin(), read_.end(),
                       [](const Placed& a, const Placed& b) { return a.order < b.order; });
    for (Placed& t : read_) m_.transitions.push_back(std::move(t.transition));
  }

  QXmlStreamReader x_;
  const Project& project_;
  Machine m_;
  std::string initial_, error_, place_;
  std::map<std::string, StateId> names_;
  std::vector<Placed> read_;
  QStringList sent_, cancelled_, events_;  // timers, by their ids; what they send
};

}  // namespace

Result<Machine> readStatechart(const QByteArray& text, const Project& project) {
  if (text.size() > kMostBytes) return fail("the file", "is larger than 8 MB");
  return Reader(text, project).read();
}

}  // namespace bristle
