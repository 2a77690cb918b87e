// Delivered statecharts, run by an interpreter that is not ours.
#include "deliver/statechart.h"

#include <QBuffer>
#include <QScxmlEvent>
#include <QScxmlStateMachine>

#include "core/edit/templates.h"
#include "core/laws/check.h"
#include "core/laws/sequence.h"
#include "paint/convert.h"
#include "support/layouts.h"
#include "support/random_machines.h"

namespace bristle::test {
namespace {

Project withValue() {
  Project project;
  project.values = {{{"v1"}, "level", 1, {}}};
  return project;
}

#ifdef __SANITIZE_ADDRESS__
constexpr int kMachines = 12;  // the same code runs many times slower
#else
constexpr int kMachines = 200;
#endif

// What our interpreter works off, to be told to the other one.
class Told : public DeliveryWatch {
 public:
  void delivering(const Program&, const Running& run, Event event, int message, Ms after,
                  std::span<const double>) override {
    // Its own messages the other one sends itself.
    if (event == Event::Message && !std::exchange(fromOutside, false)) return;
    std::string name(nameOf(event));
    if (event == Event::After)
      name = "after." + machine->states[run.state].id.text + "." + std::to_string(after);
    if (event == Event::Message) {
      const std::string& told = symbols->messages[size_t(message)];
      // The one name with a dot in it: the dot is written as its number.
      name = "message." + (told == "tab.used" ? "tab_2eused" : told);
    }
    all.push_back({run.signals, name});
  }
  const Machine* machine = nullptr;
  const Symbols* symbols = nullptr;
  bool fromOutside = false;
  std::vector<std::pair<Signals, std::string>> all;
};

// What the other one tells its host.
struct Heard {
  int activations = 0, messages = 0;
  std::vector<double> sets;
  void listen(QScxmlStateMachine& to) {
    to.connectToEvent(QStringLiteral("activate.now"), &to,
                      [this](const QScxmlEvent&) { ++activations; });
    to.connectToEvent(QStringLiteral("told.*"), &to, [this](const QScxmlEvent&) { ++messages; });
    to.connectToEvent(QStringLiteral("set.v1"), &to, [this](const QScxmlEvent& event) {
      sets.push_back(event.data().toMap()[QStringLiteral("value")].toDouble());
    });
  }
  void add(const Outcome& outcome) {
    activations += outcome.type == OutcomeType::Activate;
    messages += outcome.type == OutcomeType::Message;
    if (outcome.type == OutcomeType::SetValue) sets.push_back(outcome.value);
  }
  bool operator==(const Heard& o) const {
    return activations == o.activations && messages == o.messages && sets == o.sets;
  }
};

void sameAsTheOther(Machine machine, Dice& dice, int events) {
  // Real time must not come between: what is told is told by us.
  for (Transition& t : machine.transitions)
    if (t.on == Event::After) t.after = 3'000'000 + t.after;
  machine.hold = 2'000'000;
  machine.repeatDelay = 2'500'000;
  machine.repeatInterval = 2'900'000;
  const Project project = withValue();
  const auto chart = writeStatechart(machine, project);
  ASSERT_TRUE(chart) << chart.error().text();
  QBuffer buffer;
  buffer.setData(*chart);
  ASSERT_TRUE(buffer.open(QIODevice::ReadOnly));
  const std::unique_ptr<QScxmlStateMachine> other(QScxmlStateMachine::fromData(&buffer));
  ASSERT_TRUE(other->parseErrors().isEmpty()) << fromQt(other->parseErrors().first().toString());
  Heard heard, expected;
  heard.listen(*other);
  other->start();
  QCoreApplication::processEvents();
  const auto ready = makeReady(machine, project);
  Told told;
  told.symbols = &ready->symbols;
  told.machine = &machine;
  SequencePlayer ours(ready->program, ready->values, &told);
  size_t seen = 0;
  Ms now = 0;
  for (int i = 0; i < events; ++i) {
    const LawStep step = randomStep(dice, ours.run(), *ready, now += dice.whole(0, 1) * 3'000'050);
    ours.step({Deed::Wait, step.at});
    told.fromOutside = step.deed == Deed::Message;
    // Messages without end would keep the other one busy for ever.
    const auto tell = [&] {
      for (size_t o = seen; o < ours.outcomes().size(); ++o)
        if (ours.outcomes()[o].type == OutcomeType::Runaway) return false;
      for (const auto& [s, name] : told.all) {
        QVariantMap signals;
        const std::pair<const char*, Signals::Bit> kBits[] = {
            {"over", Signals::Over},       {"armed", Signals::Armed},
            {"down", Signals::Down},       {"focus", Signals::Focus},
            {"enabled", Signals::Enabled}, {"current", Signals::Current}};
        for (const auto& [signal, bit] : kBits)
          signals[QString::fromLatin1(signal)] = s.has(bit) ? 1 : 0;
        other->submitEvent(QStringLiteral("signals"), signals);
        other->submitEvent(toQt(name));
      }
      told.all.clear();
      QCoreApplication::processEvents();
      return true;
    };
    if (!tell()) return;
    if (step.deed == Deed::SetValue) other->submitEvent(QStringLiteral("value.v1"), step.value);
    ours.step(step);
    if (!tell()) return;
    for (; seen < ours.outcomes().size(); ++seen) expected.add(ours.outcomes()[seen]);
    const QStringList active = other->activeStateNames(true);
    ASSERT_EQ(active.size(), 1);
    ASSERT_EQ(fromQt(active[0]), "s." + machine.states[ours.run().state].id.text)
        << "after " << i << " events, at last " << inWords(step, ready->symbols) << "\n"
        << chart->toStdString();
    ASSERT_EQ(heard, expected) << "after " << i << " events\n" << chart->toStdString();
  }
}

TEST(Statechart, EveryTemplateRunsTheSameElsewhere) {
  Dice dice(7);
  for (const Template which : allTemplates())
    for (const Wins wins : {Wins::Hover, Wins::Focused}) {
      SCOPED_TRACE(nameOf(which));
      sameAsTheOther(fromTemplate(which, {"m"}, "machine", wins), dice, 1000);
      if (testing::Test::HasFatalFailure()) return;
    }
}

TEST(Statechart, RandomMachinesRunTheSameElsewhere) {
  Dice dice(8);
  for (int i = 0; i < kMachines && !testing::Test::HasFatalFailure(); ++i) {
    SCOPED_TRACE(i);
    sameAsTheOther(randomMachine(dice, false), dice, 1000);
  }
}

TEST(Statechart, WhatWasWrittenIsReadAsTheSameMachine) {
  Dice dice(9);
  const Project project = withValue();
  const auto back = [&](Machine m) {
    m.id = {};
    const auto chart = writeStatechart(m, project);
    ASSERT_TRUE(chart) << chart.error().text();
    const auto read = readStatechart(*chart, project);
    ASSERT_TRUE(read) << read.error().text();
    EXPECT_EQ(*read, m) << chart->toStdString();
  };
  Machine told = fromTemplate(Template::MenuButton, {}, "told", Wins::Hover);
  told.propTimings = {{Prop::Fill, {300, 20, *parseEasing("spring 200 0.4"), {}, {}}}};
  told.transitions[2].propTimings = {{Prop::OffsetX, {10, 0, *parseEasing("linear"), {}, {}}},
                                     {Prop::Scale, {20, 0, *parseEasing("steps 3 start"), {}, {}}}};
  told.transitions[3].effects.push_back(
      {.type = EffectType::Sound, .file = "a b/tick; c.wav", .volume = 0.35});
  told.transitions[4].guard = "current and not over";
  back(told);
  for (const Template which : allTemplates()) back(fromTemplate(which, {}, "a b.c", Wins::Focused));
  for (int i = 0; i < 300 && !testing::Test::HasFailure(); ++i) back(randomMachine(dice, true));
}

// The host does not wait: what comes next stands in the queue already.
TEST(Statechart, ItHearsItselfBeforeWhatWaitsOutside) {
  Machine m;
  m.states = {{{"a"}, "a", Role::Rest, false, {}}, {{"b"}, "b", Role::None, false, {}}};
  const auto when = [](const char* from, Event on) {
    Transition t;
    t.from = StateId{from};
    t.on = on;
    return t;
  };
  Transition begins = when("a", Event::Press);
  begins.to = {"a"};
  begins.effects = {{.type = EffectType::Message, .message = "go"}};
  Transition goes = when("a", Event::Message);
  goes.message = "go";
  goes.to = {"b"};
  Transition fires = when("b", Event::Release);
  fires.to = {"a"};
  fires.effects = {{.type = EffectType::Activate}};
  m.transitions = {begins, goes, fires};
  const auto chart = writeStatechart(m, withValue());
  ASSERT_TRUE(chart) << chart.error().text();
  QBuffer buffer;
  buffer.setData(*chart);
  ASSERT_TRUE(buffer.open(QIODevice::ReadOnly));
  const std::unique_ptr<QScxmlStateMachine> other(QScxmlStateMachine::fromData(&buffer));
  Heard heard;
  heard.listen(*other);
  other->start();
  QCoreApplication::processEvents();
  for (const char* event : {"signals", "press", "signals", "release"})
    other->submitEvent(QString::fromLatin1(event), QVariantMap{});
  QCoreApplication::processEvents();
  EXPECT_EQ(heard.activations, 1) << chart->toStdString();
}

TEST(Statechart, AChartFromElsewhereIsTakenWhereItIsFlat) {
  const auto read = readStatechart(
      R"(<scxml xmlns="http://www.w3.org/2005/07/scxml" version="1.0" initial="b" name="door">
    <state id="a"><transition event="press" cond="over &amp;&amp; !focus" target="b"/></state>
    <state id="b"><transition event="release" target="a"><send event="activate.now"/></transition>
      <onentry><send event="after.300" delay="300ms" id="t"/></onentry>
      <onexit><cancel sendid="t"/></onexit>
      <transition event="after.300" target="a"/></state></scxml>)",
      withValue());
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_EQ(read->name, "door");
  ASSERT_EQ(read->states.size(), 2U);
  EXPECT_EQ(read->states[0].id.text, "b") << "where it begins comes first";
  ASSERT_EQ(read->transitions.size(), 3U);
  EXPECT_EQ(read->transitions[0].guard, "over and not focus");
  EXPECT_EQ(read->transitions[2].after, 300);
}

TEST(Statechart, WhatIsBeyondUsIsSaidWithItsLine) {
  const auto why = [&](const std::string& inside) {
    const auto read =
        readStatechart(QByteArray::fromStdString(
                           "<scxml xmlns=\"http://www.w3.org/2005/07/scxml\" version=\"1.0\">\n" +
                           inside + "\n</scxml>"),
                       withValue());
    return read ? std::string("taken") : read.error().text();
  };
  const auto says = [&](const std::string& inside, const char* line, const char* words) {
    const std::string text = why(inside);
    EXPECT_NE(text.find(line), std::string::npos) << text;
    EXPECT_NE(text.find(words), std::string::npos) << text;
  };
  says("<parallel id=\"p\"/>", "line 2", "parallel");
  says("<state id=\"a\"/>\n<state id=\"b\"><state id=\"c\"/></state>", "line 3", "flat");
  says("<state id=\"a\"><history id=\"h\"/></state>", "line 2", "history");
  says("<script>steal()</script><state id=\"a\"/>", "line 2", "script");
  says("<state id=\"a\">\n<invoke/></state>", "line 3", "invoke");
  says("<state id=\"a\"><transition event=\"lift\" target=\"a\"/></state>", "line 2", "lift");
  says("<state id=\"a\"><transition event=\"press\" target=\"z\"/></state>", "", "z");
  says("<state id=\"a\"><transition event=\"press\" cond=\"In('x')\" target=\"a\"/></state>",
       "guard", "column");
  says("<state id=\"a\"><transition event=\"press\" target=\"a\"><log/></transition></state>",
       "line 2", "log");
  says("<state id=\"a\"", "line", "");
  says("<state id=\"a\"/>\n<state id=\"a\"/>", "line 3", "two states have the id");
  says(
      "<state id=\"a\"><transition event=\"press\" target=\"a\"><send event=\"activate.now\" "
      "delay=\"2s\"/></transition></state>",
      "line 2", "delay");
  says("<state id=\"a\"><transition event=\"after.300\" target=\"a\"/></state>", "timers",
       "never sent");
  says(
      "<state id=\"a\"><onentry><send event=\"after.300\" id=\"t\" delay=\"300ms\"/></onentry>"
      "<transition event=\"after.300\" target=\"a\"/></state>",
      "timers", "not cancelled");
  EXPECT_EQ(
      why("<state id=\"a\"><onentry><send event=\"after.100\" id=\"t\" delay=\"0.1s\"/></onentry>"
          "<onexit><cancel sendid=\"t\"/></onexit>"
          "<transition event=\"after.100\" target=\"a\"/></state>"),
      "taken");
  const auto other =
      readStatechart("<scxml version=\"1.0\"><state id=\"a\"/></scxml>", withValue());
  ASSERT_FALSE(other);
  EXPECT_NE(other.error().text().find("namespace"), std::string::npos);
  says("<datamodel><data id=\"gold\"/></datamodel><state id=\"a\"/>", "line 2", "gold");
  says("", "line 1", "no states");
  EXPECT_FALSE(readStatechart("", withValue()));
  EXPECT_FALSE(readStatechart(QByteArray(9 << 20, ' '), withValue()));
  const auto bomb = readStatechart(
      "<!DOCTYPE x [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;&a;&a;&a;&a;&a;&a;\">"
      "<!ENTITY c \"&b;&b;&b;&b;&b;&b;&b;&b;&b;&b;\"><!ENTITY d \"&c;&c;&c;&c;&c;&c;&c;&c;\">]>"
      "<scxml xmlns=\"http://www.w3.org/2005/07/scxml\" version=\"1.0\" name=\"&d;\"><state "
      "id=\"a\"/></scxml>",
      withValue());
  EXPECT_FALSE(bomb && bomb->name.size() > 5000);
}

}  // namespace
}  // namespace bristle::test
