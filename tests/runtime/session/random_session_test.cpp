// Everything at once: menus that do all there is, events of every sort, invariants that always
// hold.
#include <gtest/gtest.h>

#include <random>

#include "support/menus.h"

namespace bristle {
namespace {

using test::Playing;

// What a condition may ask.
std::string anyCondition(std::mt19937& random, const Screen& screen, const Project& p) {
  switch (random() % 5) {
    case 0:
      return "@v > 2 or @v = 0";
    case 1:
      return "@f";
    case 2:
      return "@w != 1";
    case 3:
      return "visited(@" + screen.items[random() % screen.items.size()]->id.text + ") or @v = 1";
    default:
      return "not open(@" + p.screens[random() % p.screens.size()]->id.text + ")";
  }
}

Action anyAction(std::mt19937& random, const Screen& screen, const Project& p) {
  Action out;
  out.type = static_cast<ActionType>(random() % actionNames().size());
  // A quit ends most of what there is to see.
  if (out.type == ActionType::Quit && random() % 8) out.type = ActionType::Toggle;
  out.screen = p.screens[random() % p.screens.size()]->id;
  if (random() % 20 == 0) out.screen = {"gone"};
  out.item = screen.items[random() % screen.items.size()]->id;
  out.value = {std::string(1, "vfwx"[random() % 4])};
  out.number = double(random() % 9) - 4;
  out.language = p.languages[random() % p.languages.size()].id;
  out.message = out.type == ActionType::Link ? "https://example.org" : random() % 2 ? "one" : "two";
  if (random() % 4 == 0) out.when = anyCondition(random, screen, p);
  if (random() % 6 == 0)
    out.change = ScreenChange{{ScreenMotionForm::Slide, Ms(random() % 200), {}},
                              {ScreenMotionForm::Grow, Ms(random() % 200), {}}};
  return out;
}

void fill(Screen& s, const Project& p, std::mt19937& random) {
  s.passDisabled = random() % 2;
  if (random() % 2) s.comes = {ScreenMotionForm::Fade, Ms(random() % 200), {}};
  if (random() % 2) s.goes = {ScreenMotionForm::Slide, Ms(random() % 200), {}};
  s.comes.follow = s.goes.follow = Ms(random() % 30);
  s.waitUntilShown = random() % 3 == 0;
  s.sleeps = random() % 3 == 0;
  s.beside = static_cast<Beside>(random() % 3);
  if (random() % 3 == 0) s.idle = {Ms(200 + random() % 2000), {anyAction(random, s, p)}};
  if (random() % 2) s.music = {"song.ogg", 0.5, static_cast<Beneath>(random() % 3)};
  for (auto& shared : s.items) {
    Item& item = shared.edit();
    item.hidden = random() % 8 == 0;
    if (random() % 8 == 0) item.shownWhen = anyCondition(random, s, p);
    if (ContainerData* box = item.container()) box->panels = random() % 4 == 0;
    ButtonData* button = item.button();
    if (!button) continue;
    for (unsigned i = random() % 3; i-- > 0;) button->actions.push_back(anyAction(random, s, p));
    button->disabled = random() % 6 == 0;
    if (random() % 5 == 0) button->when.enabled = anyCondition(random, s, p);
    if (random() % 8 == 0) button->when.current = anyCondition(random, s, p);
  }
}

// A menu whose buttons do all that there is: every action, sounds, messages that lead to more.
// `chains`: messages may answer one another without end, which takes long to be cut.
Project busyMenu(unsigned seed, bool chains = true) {
  std::mt19937 random(seed);
  History h{test::columnMenu({"a", "b", "c", "d", "e", "f"})};
  for (int i = 0; i < 3; ++i) {
    test::must(h, addScreen("More"));
    const ScreenId s = h.now().screens.back()->id;
    for (int b = 0; b < 3; ++b)
      test::must(h, addButton(s, h.now().kinds[0]->id, "x", 100 + 300.0 * b, 120 + 90.0 * b));
  }
  Project p = h.now();
  p.settings.pointerMovesFocus = random() % 2;
  p.values.push_back({.id = {"v"}, .name = "count", .least = 0, .most = 5});
  p.values.push_back({.id = {"f"}, .name = "flag", .sort = ValueSort::Flag});
  p.values.push_back(
      {.id = {"w"}, .name = "which", .sort = ValueSort::Choice, .options = {"a", "b", "c"}});
  for (auto& screen : p.screens) fill(screen.edit(), p, random);
  Machine& m = *edit(p, p.machines[0]->id);
  for (Transition& t : m.transitions) {
    if (random() % 3 == 0)
      t.effects.push_back({.type = EffectType::Sound, .file = "tick.wav", .volume = 1});
    if (chains && random() % 4 == 0)
      t.effects.insert(t.effects.begin() + std::ptrdiff_t(random() % (t.effects.size() + 1)),
                       {.type = EffectType::Message, .message = random() % 2 ? "one" : "two"});
    if (random() % 5 == 0)
      t.effects.push_back({.type = EffectType::SetValue, .value = {"v"}, .formula = "@v + 1"});
    if (random() % 5 == 0) t.effects.push_back({.type = EffectType::Activate});
  }
  for (const char* from : {"hover", "focused"}) {
    Transition t;
    t.from = StateId{from};
    t.on = random() % 2 ? Event::Message : Event::After;
    t.message = "one";
    t.after = 150;
    t.to = {"normal"};
    if (chains) t.effects = {{.type = EffectType::Message, .message = "two"}};
    t.effects.push_back({.type = EffectType::Activate});
    m.transitions.push_back(t);
  }
  return p;
}

InputEvent anything(std::mt19937& random, Ms at, const Project& p) {
  InputEvent e;
  e.at = at;
  e.type = static_cast<InputType>(random() % 14);
  e.device = static_cast<Device>(random() % 4);
  const bool pointer =
      e.type == InputType::Point || e.type == InputType::PointDown || e.type == InputType::PointUp;
  if (pointer) e.device = random() % 2 ? Device::Mouse : Device::Touch;
  e.unit = int(random() % 2);
  e.key = int(random() % 2);
  e.x = double(random() % 700);
  e.y = double(random() % 600);
  e.dir = kDirs[random() % 4];
  e.down = random() % 2;
  e.number = double(random() % 5);
  if (e.type == InputType::Enable) {
    const Screen& s = *p.screens[random() % p.screens.size()];
    e.name = s.items[random() % s.items.size()]->id.text;
  }
  if (e.type == InputType::Message) e.name = random() % 2 ? "one" : "nobody";
  if (e.type == InputType::SetValue) e.name = "v";
  return e;
}

// Whether a chain without end was given up: then values may have run ahead of conditions.
bool cut(const Session& session) {
  return std::any_of(session.trace().begin(), session.trace().end(),
                     [](const TraceEntry& e) { return e.type == TraceType::Runaway; });
}

TEST(RandomSession, KeepsItsInvariantsAndItsTrace) {
  for (unsigned seed = 1; seed <= 30; ++seed) {
    const Project p = busyMenu(seed);
    Playing run(p), fine(p);
    std::mt19937 random(seed * 77);
    Ms at = 0;
    for (int i = 0; i < 250; ++i) {
      at += Ms(random() % 60);
      const InputEvent e = anything(random, at, p);
      run.session().feed(e);
      while (!fine.session().ended() && fine.session().now() < at)
        fine.session().feed({.at = fine.session().now() + 1});
      fine.session().feed(e);
      const auto& stack = run.session().stack();
      ASSERT_FALSE(stack.empty());
      int focused = 0;
      for (size_t d = 0; d < stack.size(); ++d)
        for (const ButtonRun& b : stack[d].buttons) {
          const Signals s = b.running.signals;
          focused += s.has(Signals::Focus);
          if (d + 1 == stack.size()) continue;
          ASSERT_FALSE(s.has(Signals::Armed) || s.has(Signals::Over) || s.has(Signals::Focus))
              << "covered, seed " << seed;
        }
      ASSERT_LE(focused, 1) << "seed " << seed;
      for (size_t d = 0; d < stack.size() && !cut(run.session()); ++d)
        for (const ButtonRun& b : stack[d].buttons) {
          ASSERT_EQ(b.running.signals.has(Signals::Enabled),
                    b.shallBeEnabled(run.session().values()))
              << "seed " << seed;
        }
      // Nothing is held by anybody once every device has gone.
      if (i % 50 != 49 || run.session().ended()) continue;
      for (int d = 0; d < 4; ++d)
        for (int unit = 0; unit < 2; ++unit)
          for (Playing* each : {&run, &fine})
            each->session().feed({.at = at,
                                  .type = InputType::Gone,
                                  .device = static_cast<Device>(d),
                                  .unit = unit});
      for (const ButtonRun& b : run.session().stack().back().buttons)
        ASSERT_FALSE(b.running.signals.has(Signals::Armed) || b.running.signals.has(Signals::Over))
            << "seed " << seed;
    }
    ASSERT_EQ(run.session().trace(), fine.session().trace()) << "seed " << seed;
  }
}

// At most one has focus, what is covered or hidden has neither focus nor press nor pointer, values
// lie within, and conditions are followed.
void expectInvariants(const Session& session, unsigned seed) {
  const auto& stack = session.stack();
  ASSERT_FALSE(stack.empty()) << "seed " << seed;
  int focused = 0;
  for (size_t d = 0; d < stack.size(); ++d)
    for (size_t b = 0; b < stack[d].buttons.size(); ++b) {
      const Signals s = stack[d].buttons[b].running.signals;
      focused += s.has(Signals::Focus);
      if (d + 1 == stack.size() && stack[d].isThere(int(b))) continue;
      ASSERT_FALSE(s.has(Signals::Armed) || s.has(Signals::Over) || s.has(Signals::Focus))
          << "seed " << seed;
    }
  ASSERT_LE(focused, 1) << "seed " << seed;
  for (const ProjectValue& value : session.project().values)
    ASSERT_EQ(within(value, session.value(value.id)), session.value(value.id)) << "seed " << seed;
  if (cut(session)) return;
  for (const ScreenRun& run : stack)
    for (const auto& [item, formula] : run.shownWhen)
      ASSERT_FALSE(run.layout.items[item].shown && !formula.holds({}, session.values()))
          << "seed " << seed;
}

#ifdef __SANITIZE_ADDRESS__
constexpr unsigned kMenus = 100;  // the same code runs many times slower
#else
constexpr unsigned kMenus = 500;
#endif

// Ten thousand runs, twenty of each menu. From any moment on, a copy goes on as the session itself
// does; and the same events from the beginning give the same trace.
TEST(RandomSession, GoesOnFromAnyMomentAsItDidTheFirstTime) {
  for (unsigned menu = 1; menu <= kMenus; ++menu) {
    Playing opened(busyMenu(10'000 + menu, menu % 50 == 0));
    const Project& p = opened.session().project();
    for (unsigned seed = menu * 20; seed < menu * 20 + 20; ++seed) {
      Session run = opened.session(), again = opened.session();
      std::mt19937 random(seed);
      Ms at = 0;
      std::vector<InputEvent> events;
      const size_t moment = random() % 20;
      std::optional<Session> kept;
      for (size_t i = 0; i < 20; ++i) {
        at += Ms(random() % 90);
        events.push_back(anything(random, at, p));
        if (i == moment) kept = run;
        run.feed(events.back());
        expectInvariants(run, seed);
        if (HasFatalFailure()) return;
      }
      for (size_t i = moment; i < events.size(); ++i) kept->feed(events[i]);
      for (const InputEvent& each : events) again.feed(each);
      ASSERT_EQ(kept->trace(), run.trace()) << "seed " << seed;
      ASSERT_EQ(again.trace(), run.trace()) << "seed " << seed;
    }
  }
}

}  // namespace
}  // namespace bristle
