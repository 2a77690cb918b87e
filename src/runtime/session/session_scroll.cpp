// What the scrollers of the screen on top show: they follow focus, and are moved by the pointer.
#include <algorithm>

#include "runtime/layout/scroll.h"
#include "runtime/session/session.h"

namespace bristle {

void Session::showFocus() {
  const ScreenRun& run = top();
  if (run.focus < 0 || run.layout.scrollers.empty()) return;
  scrollTo(offsetsToShow(*run.screen, run.layout, size_t(run.routes.items[size_t(run.focus)])));
}

// Other things lie beneath the pointers then.
void Session::scrollTo(std::span<const Px> offsets) {
  ScreenRun& run = top();
  const auto before = offsetsOf(run.layout);
  if (!run.scrollTo(offsets)) return;
  for (size_t i = 0; i < before.size(); ++i) {
    const Scroller& s = run.layout.scrollers[i];
    if (s.offset != before[i])
      add({.type = TraceType::Scroll, .item = run.screen->items[s.item]->id, .number = s.offset});
  }
  pointAnew();
}

namespace {

// A wheel that turns up and down moves what goes across, too, where nothing there goes down.
bool goesAlong(const Scroller& s, Dir dir, bool onlyAcross) {
  const bool down = dir == Dir::Up || dir == Dir::Down;
  return s.down == down || (down && onlyAcross);
}

bool isForwards(const Scroller& s, Dir dir) {
  if (dir == Dir::Down) return true;
  return !s.down && s.fromRight ? dir == Dir::Left : dir == Dir::Right;
}

}  // namespace

// The innermost at that place that can still be moved that way.
void Session::scrollBy(const InputEvent& event) {
  const Layout& layout = top().layout;
  if (top().waits()) return;
  std::vector<size_t> here;
  bool onlyAcross = true;
  for (size_t i = 0; i < layout.scrollers.size(); ++i) {
    const Placed& view = layout.items[layout.scrollers[i].item];
    if (!view.shown || !holds(view.visible, event.x, event.y)) continue;
    here.push_back(i);
    onlyAcross = onlyAcross && !layout.scrollers[i].down;
  }
  auto offsets = offsetsOf(layout);
  for (size_t k = here.size(); k-- > 0;) {
    const Scroller& s = layout.scrollers[here[k]];
    if (!goesAlong(s, event.dir, onlyAcross)) continue;
    const Px by = isForwards(s, event.dir) ? event.number : -event.number;
    const Px to = std::clamp(s.offset + by, 0.0, mostScrolled(s));
    if (to == s.offset) continue;
    offsets[here[k]] = to;
    return scrollTo(offsets);
  }
}

}  // namespace bristle
