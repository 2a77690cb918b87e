// Everything at once: menus that do all there is, events of every sort, invariants that always
// hold.
#include <gtest/gtest.h>

#include <random>

#include "support/menus.h"

namespace bristle {
namespace {

using test::Playing;

// A menu whose buttons do all that there is: every action, sounds, messages that lead to more.
Project busyMenu(unsigned seed) {
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
  p.values.push_back({{"v"}, "count", 0, {}});
  constexpr ActionType kAll[] = {ActionType::Open, ActionType::PutOnTop, ActionType::Back,
                                 ActionType::Message, ActionType::None};
  for (auto& screen : p.screens) {
    Screen& s = screen.edit();
    s.passDisabled = random() % 2;
    if (random() % 2) s.comes = {ScreenMotionForm::Fade, Ms(random() % 200), {}};
    if (random() % 2) s.goes = {ScreenMotionForm::Fade, Ms(random() % 200), {}};
    s.waitUntilShown = random() % 3 == 0;
    for (auto& shared : s.items) {
      ButtonData* button = shared.edit().button();
      if (!button) continue;
      button->action.type = kAll[random() % 5];
      button->action.screen = p.screens[random() % p.screens.size()]->id;
      button->action.message = random() % 2 ? "one" : "two";
      button->disabled = random() % 6 == 0;
      if (random() % 5 == 0) button->when.enabled = "@v > 2 or @v = 0";
      if (random() % 8 == 0) button->when.current = "@v = 3";
      if (random() % 40 == 0) button->action.type = ActionType::Quit;
    }
  }
  Machine& m = *edit(p, p.machines[0]->id);
  for (Transition& t : m.transitions) {
    if (random() % 3 == 0)
      t.effects.push_back({.type = EffectType::Sound, .file = "tick.wav", .volume = 1});
    if (random() % 4 == 0)
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
    t.effects = {{.type = EffectType::Message, .message = "two"}, {.type = EffectType::Activate}};
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
  for (unsigned seed = 1; seed <= 60; ++seed) {
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
          const double v = run.session().value({"v"});
          ASSERT_EQ(b.running.signals.has(Signals::Enabled), b.shallBeEnabled({&v, 1}))
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

}  // namespace
}  // namespace bristle
