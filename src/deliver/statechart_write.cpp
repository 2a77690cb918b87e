#include <fmt/format.h>
#include <QXmlStreamWriter>
#include <filesystem>
#include <set>

#include "core/formats/file_io.h"
#include "core/laws/check.h"
#include "deliver/pictures.h"
#include "deliver/statechart.h"
#include "deliver/statechart_words.h"
#include "paint/convert.h"

namespace bristle {
namespace {

const char* const kSignals[] = {"over", "armed", "down", "focus", "enabled", "current"};

// By another event of the same cause: switched off or taken the focus while pressed, slid off with
// the device gone, a finger lifted.
bool mayBeFollowed(Event on) {
  return on == Event::Disable || on == Event::FocusLose || on == Event::Release ||
         on == Event::OverEnd;
}

class Writer {
 public:
  Writer(const Machine& machine, const Ready& ready) : m_(machine), ready_(ready) {
    for (std::uint16_t i = 0; i < ready.program.transitionCount(); ++i)
      compiled_[ready.program.transition(i).source] = &ready.program.transition(i);
  }

  QByteArray write() {
    x_.setAutoFormatting(true);
    x_.setAutoFormattingIndent(2);
    x_.writeStartDocument();
    x_.writeDefaultNamespace(QStringLiteral("http://www.w3.org/2005/07/scxml"));
    x_.writeNamespace(ours(), QStringLiteral("b"));
    x_.writeStartElement(QStringLiteral("scxml"));
    put("version", "1.0");
    put("datamodel", "ecmascript");
    put("initial", "machine");
    mine("name", m_.name);
    mine("timing", timingText(m_.timing));
    if (!m_.propTimings.empty()) mine("timings", timingsText(m_.propTimings));
    mine("times", std::to_string(m_.hold) + " " + std::to_string(m_.repeatDelay) + " " +
                      std::to_string(m_.repeatInterval));
    mine("wins", m_.wins == Wins::Focused ? "focus" : "hover");
    mine("fires", std::string(nameOf(m_.fires)));
    data();
    x_.writeStartElement(QStringLiteral("state"));
    put("id", "machine");
    put("initial", "s." + token(m_.states.front().id.text));
    signals();
    for (size_t i = 0; i < m_.transitions.size(); ++i)
      if (!m_.transitions[i].from && m_.transitions[i].on != Event::After) transition(i);
    for (const State& s : m_.states) state(s);
    x_.writeEndElement();
    x_.writeEndElement();
    x_.writeEndDocument();
    return out_;
  }

 private:
  static QString ours() { return QString::fromLatin1(kOurs); }
  void put(const char* name, const std::string& value) {
    x_.writeAttribute(QString::fromLatin1(name), toQt(value));
  }
  void mine(const char* name, const std::string& value) {
    x_.writeAttribute(ours(), QString::fromLatin1(name), toQt(value));
  }
  void open(const char* name) { x_.writeStartElement(QString::fromLatin1(name)); }
  std::string nameOfValue(std::uint32_t index) const {
    return variable(ready_.symbols.values[index]);
  }
  std::string expression(const Formula& formula) {
    return formula.inEcmaScript([&](std::uint32_t i) { return nameOfValue(i); }, &divides_);
  }

  void data() {
    for (const ProgramTransition* t : all()) {  // whether any of them divides
      (void)expression(t->guard);
      for (const ProgramEffect& e : t->effects) (void)expression(e.formula);
    }
    open("datamodel");
    const auto one = [&](const std::string& id, const std::string& value) {
      open("data");
      put("id", id);
      put("expr", value);
      x_.writeEndElement();
    };
    for (const char* signal : kSignals) one(signal, std::string(signal) == "enabled" ? "1" : "0");
    for (size_t i = 0; i < ready_.symbols.values.size(); ++i)
      one(nameOfValue(std::uint32_t(i)), QString::number(ready_.values[i], 'g', 17).toStdString());
    x_.writeEndElement();
    if (!divides_) return;
    open("script");
    x_.writeCharacters(QStringLiteral("function divided(a, b) { return b == 0 ? 0 : a / b; }"));
    x_.writeEndElement();
  }

  std::vector<const ProgramTransition*> all() const {
    std::vector<const ProgramTransition*> out;
    for (const auto& [source, t] : compiled_) out.push_back(t);
    return out;
  }

  // The host tells the signals before each event, and values when somebody else sets them.
  void signals() {
    open("transition");
    put("event", "signals");
    for (const char* signal : kSignals) assign(signal, std::string("_event.data.") + signal);
    x_.writeEndElement();
    for (const ValueId& id : ready_.symbols.values) {
      open("transition");
      put("event", "value." + token(id.text));
      assign(variable(id), "_event.data");
      x_.writeEndElement();
    }
  }
  void assign(const std::string& where, const std::string& expr) {
    open("assign");
    put("location", where);
    put("expr", expr);
    x_.writeEndElement();
  }

  void state(const State& s) {
    open("state");
    put("id", "s." + token(s.id.text));
    mine("name", s.name);
    if (s.role != Role::None) mine("role", std::string(nameOf(s.role)));
    if (s.final) mine("final", "yes");
    std::set<Ms> afters;
    for (const Transition& t : m_.transitions)
      if (t.on == Event::After && (!t.from || *t.from == s.id)) afters.insert(t.after);
    const auto each = [&](const char* when, const auto& what) {
      if (afters.empty()) return;
      open(when);
      for (const Ms ms : afters) what(ms);
      x_.writeEndElement();
    };
    each("onentry", [&](Ms ms) {
      open("send");
      put("event", afterEvent(s.id, ms));
      put("id", afterEvent(s.id, ms));
      put("delay", std::to_string(ms) + "ms");
      x_.writeEndElement();
    });
    each("onexit", [&](Ms ms) {
      open("cancel");
      put("sendid", afterEvent(s.id, ms));
      x_.writeEndElement();
    });
    for (size_t i = 0; i < m_.transitions.size(); ++i)
      if (m_.transitions[i].from == s.id) transition(i, &s);
    for (size_t i = 0; i < m_.transitions.size(); ++i)
      if (!m_.transitions[i].from && m_.transitions[i].on == Event::After) transition(i, &s);
    x_.writeEndElement();
  }

  // `in`: the state that it is written into. A common `after` is written into each, since only the
  // timer of the state that it is in may answer.
  void transition(size_t index, const State* in = nullptr) {
    const auto at = compiled_.find(std::uint32_t(index));
    if (at == compiled_.end()) return;
    const Transition& t = m_.transitions[index];
    open("transition");
    put("event", t.on == Event::After && in ? afterEvent(in->id, t.after) : chartEvent(t));
    if (!t.guard.empty()) put("cond", expression(at->second->guard) + " != 0");
    put("target", "s." + token(t.to.text));
    // Leaves and enters the state, but not the one around all of them.
    if (!in) put("type", "internal");
    if (in && !t.from) mine("from", "common");
    mine("order", std::to_string(index));
    if (!t.guard.empty()) mine("if", t.guard);
    if (t.timing) mine("timing", timingText(*t.timing));
    if (!t.propTimings.empty()) mine("timings", timingsText(t.propTimings));
    for (size_t e = 0; e < t.effects.size(); ++e)
      effect(t.on, t.effects[e], at->second->effects[e]);
    x_.writeEndElement();
  }

  void effect(Event on, const Effect& e, const ProgramEffect& compiled) {
    if (e.type == EffectType::SetValue) {
      open("assign");
      put("location", variable(e.value));
      put("expr", expression(compiled.formula));
      mine("value", e.value.text);
      mine("to", e.formula);
      x_.writeEndElement();
      open("send");
      put("event", "set." + token(e.value.text));
      open("param");
      put("name", "value");
      put("expr", variable(e.value));
      x_.writeEndElement();
    } else if (e.type == EffectType::Message) {
      // It hears itself before anything that waits outside, but after the other events of the same
      // cause; the host hears of it besides.
      open(mayBeFollowed(on) ? "send" : "raise");
      put("event", "message." + token(e.message));
      x_.writeEndElement();
      open("send");
      put("event", "told." + token(e.message));
    } else {
      open("send");
      put("event", e.type == EffectType::Activate ? "activate.now" : "sound.play");
      if (e.type == EffectType::Sound) {
        mine("file", e.file);
        mine("volume", fmt::format("{}", e.volume));
      }
    }
    x_.writeEndElement();
  }

  const Machine& m_;
  const Ready& ready_;
  std::map<std::uint32_t, const ProgramTransition*> compiled_;
  QByteArray out_;
  QXmlStreamWriter x_{&out_};
  bool divides_ = false;
};

}  // namespace

Result<QByteArray> writeStatechart(const Machine& machine, const Project& project) {
  const auto ready = makeReady(machine, project);
  if (!ready) return tl::unexpected(ready.error());
  return Writer(machine, *ready).write();
}

}  // namespace bristle
