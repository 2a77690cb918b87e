// What is pressed from wherever focus is: buttons that answer to cancel or a shortcut, and tabs.
#include <algorithm>

#include "runtime/document/tree.h"
#include "runtime/session/session.h"

namespace bristle {

// The first on the screen on top that answers, and is there to be pressed. False where none does.
template <class Answering>
bool Session::pressAnswering(DownKey& key, Answering answering) {
  const ScreenRun& run = top();
  for (size_t b = 0; b < run.buttons.size(); ++b) {
    if (!answering(run.buttons[b].item->button()->answers)) continue;
    if (!run.layout.items[size_t(run.routes.items[b])].isSeen()) continue;
    if (isEnabled(static_cast<int>(b)))
      arm(key, static_cast<int>(b), true);
    else
      bump(run.buttons[b].item->id, "disabled");
    return true;
  }
  return false;
}

void Session::cancel(const InputEvent& event) {
  if (!event.down) {
    if (const auto key = down_.release(InputType::Cancel, event)) endPress(*key, Ends::Press);
    return;
  }
  DownKey* key = down_.press(InputType::Cancel, event);
  if (!key || abandonAll() || cancelFlyOut() || throughStop(false)) return;
  if (!pressAnswering(*key, [](const Answers& answers) { return answers.cancel; }))
    (void)pop(focused());
}

void Session::shortcut(const InputEvent& event) {
  if (!event.down) {
    if (const auto key = down_.release(InputType::Shortcut, event)) endPress(*key, Ends::Press);
    return;
  }
  DownKey* key = down_.press(InputType::Shortcut, event);
  if (!key) return;
  const ShortcutId id{event.name};
  const Shortcut* shortcut = find(project(), id);
  if (!shortcut) return bump(focused(), "no such shortcut");
  add({.type = TraceType::Shortcut, .how = id.text});
  if (pressAnswering(*key, [&](const Answers& answers) { return answers.shortcut == id; })) return;
  if (shortcut->actions.empty()) return bump(focused(), "nothing answers to it");
  act(shortcut->actions, focused());
}

namespace {

// The buttons of a container of tabs, in document order.
std::vector<int> tabsIn(const ScreenRun& run, size_t container, size_t end) {
  std::vector<int> out;
  for (size_t i = container + 1; i < end; ++i)
    if (const int box = run.routes.boxOf[i]; box >= 0 && run.layout.items[i].isSeen())
      out.push_back(box);
  return out;
}

}  // namespace

// Of the tabs that have focus, the innermost; else of the first on the screen. Empty: there are
// none.
Session::TabRow Session::tabs() {
  const ScreenRun& run = top();
  const auto nesting = nestingOf(*run.screen);
  TabRow out;
  for (size_t i = 0; i < nesting.size(); ++i) {
    const auto* box = run.screen->items[i]->container();
    if (!box || box->tabs == Tabs::No) continue;
    std::vector<int> in = tabsIn(run, i, nesting[i].end);
    const bool has = std::find(in.begin(), in.end(), run.focus) != in.end();
    if (in.empty() || (!out.boxes.empty() && !has)) continue;
    out = {std::move(in), box->tabs == Tabs::Round,
           run.layout.rightToLeft && box->flow != Flow::Column};
  }
  return out;
}

// Presses the tab after the current one, and lets it go at once.
void Session::shoulder(const InputEvent& event) {
  if (!event.down) {
    down_.release(InputType::Shoulder, event);
    return;
  }
  DownKey* key = down_.press(InputType::Shoulder, event);
  if (!key) return;
  const TabRow row = tabs();
  const int count = static_cast<int>(row.boxes.size());
  if (count == 0) return bump(focused(), "no tabs here");
  const auto& buttons = top().buttons;
  const auto current = std::find_if(row.boxes.begin(), row.boxes.end(), [&](int box) {
    return buttons[size_t(box)].running.signals.has(Signals::Current);
  });
  const auto at = current != row.boxes.end()
                      ? current
                      : std::find(row.boxes.begin(), row.boxes.end(), top().focus);
  const int step = (event.dir == Dir::Right) != row.mirrored ? 1 : -1;
  int place = at == row.boxes.end() ? (step > 0 ? -1 : count) : int(at - row.boxes.begin());
  for (int tried = 0; tried < count; ++tried) {
    place += step;
    if (row.round) place = (place + count) % count;
    if (place < 0 || place >= count) break;
    const int box = row.boxes[size_t(place)];
    if (at != row.boxes.end() && box == *at) break;
    if (!isEnabled(box)) continue;
    const bool hadFocus =
        std::find(row.boxes.begin(), row.boxes.end(), top().focus) != row.boxes.end();
    if (hadFocus && !isAside(box)) focusOn(box, step > 0 ? "next tab" : "previous tab");
    arm(*key, box, true);
    return endPress(std::exchange(*key, DownKey{key->type, key->source, key->dir}), Ends::Press);
  }
  bump(focused(), "no further tab");
}

}  // namespace bristle
