#include "runtime/layout/scroll.h"

#include <algorithm>
#include <cmath>

#include "runtime/document/tree.h"

namespace bristle {
namespace {

// Along the scroller: from where its content begins.
struct Stretch {
  Px from = 0, to = 0;
};

Stretch along(const Layout& layout, const Scroller& s, const Box& box) {
  const Box& view = layout.items[s.item].box;
  if (s.down) return {box.y - view.y, box.y + box.h - view.y};
  if (s.fromRight) return {view.x + view.w - box.x - box.w, view.x + view.w - box.x};
  return {box.x - view.x, box.x + box.w - view.x};
}

void move(Box& box, Px dx, Px dy) {
  box.x += dx;
  box.y += dy;
}

// What containers that clip leave to be seen, anew.
void clipAnew(Layout& layout) {
  for (size_t c = 0; c < layout.clips.size(); ++c) {
    const ClipOf& of = layout.clipOf[c];
    const Box& box = layout.items[of.item].box;
    layout.clips[c] = of.outer < 0 ? box : common(box, layout.clips[size_t(of.outer)]);
  }
  for (Placed& each : layout.items)
    each.visible = each.clip < 0 ? each.hit : common(each.hit, layout.clips[size_t(each.clip)]);
}

// How far one of `size` at `from` in the content has to be moved into a view that long.
Px toShow(Follow how, const Stretch& item, Px now, Px view, Px padding) {
  const Px size = item.to - item.from;
  if (how == Follow::Centre) return item.from + size / 2 - view / 2;
  const bool before = item.from - padding<now, beyond = item.to + padding> now + view;
  const Px atStart = item.from - padding, atEnd = item.to + padding - view;
  // One that is larger than the view shows its beginning.
  if (size + 2 * padding > view) return before || beyond ? atStart : now;
  if (how == Follow::Page) return before ? atEnd : beyond ? atStart : now;
  return before ? atStart : beyond ? atEnd : now;
}

}  // namespace

void measureContent(Layout& layout, const Screen& screen) {
  if (layout.scrollers.empty()) return;
  const auto nesting = nestingOf(screen);
  for (Scroller& s : layout.scrollers) {
    const Placed& view = layout.items[s.item];
    const Px padding = screen.items[s.item]->container()->padding * view.scale;
    s.content = s.view;
    for (size_t child = s.item + 1; child < nesting[s.item].end; child = nesting[child].end)
      if (layout.items[child].shown)
        s.content = std::max(s.content, along(layout, s, layout.items[child].box).to + padding);
  }
}

Px mostScrolled(const Scroller& scroller) {
  return std::max(0.0, scroller.content - scroller.view);
}

std::vector<Px> offsetsOf(const Layout& layout) {
  std::vector<Px> out;
  for (const Scroller& s : layout.scrollers) out.push_back(s.offset);
  return out;
}

bool scroll(Layout& layout, std::span<const Px> offsets) {
  // How far each moves what is in it, with what the ones around it move.
  std::vector<std::pair<Px, Px>> moved(layout.scrollers.size());
  bool any = false;
  for (size_t i = 0; i < layout.scrollers.size(); ++i) {
    Scroller& s = layout.scrollers[i];
    const Px to = std::clamp(offsets[i], 0.0, mostScrolled(s));
    const Px by = s.offset - to;
    any |= by != 0;
    s.offset = to;
    if (s.outer >= 0) moved[i] = moved[size_t(s.outer)];
    if (s.down)
      moved[i].second += by;
    else
      moved[i].first += s.fromRight ? -by : by;
  }
  if (!any) return false;
  for (Placed& each : layout.items) {
    if (each.scroller < 0) continue;
    const auto& [dx, dy] = moved[size_t(each.scroller)];
    move(each.box, dx, dy);
    move(each.hit, dx, dy);
  }
  clipAnew(layout);
  return true;
}

std::vector<Px> offsetsToShow(const Screen& screen, const Layout& layout, size_t item) {
  std::vector<Px> out = offsetsOf(layout);
  size_t inner = item;
  for (int at = layout.items[item].scroller; at >= 0; at = layout.scrollers[size_t(at)].outer) {
    const Scroller& s = layout.scrollers[size_t(at)];
    const ContainerData& how = *screen.items[s.item]->container();
    // Of a scroller in another one, that one shows the whole of it as far as that goes.
    Stretch is = along(layout, s, layout.items[inner].box);
    is = {is.from + s.offset, is.to + s.offset};
    const Px padding = how.padding * layout.items[s.item].scale;
    const Px to = toShow(how.follow, is, s.offset, s.view, padding);
    out[size_t(at)] = std::clamp(to, 0.0, mostScrolled(s));
    inner = s.item;
  }
  return out;
}

bool inView(const Placed& item) {
  return item.visible.w * item.visible.h * 2 >= item.hit.w * item.hit.h;
}

}  // namespace bristle
