// Which fly-out of the screen on top is open: by what is pointed at, by focus, by accept.
#include <algorithm>

#include "runtime/document/tree.h"
#include "runtime/layout/fly_outs.h"
#include "runtime/session/session.h"

namespace bristle {
namespace {

constexpr Ms kRests = 400;  // for how long a pointer on its way to a fly-out may rest
constexpr Px kMargin = 6;   // that it may miss it by

const FlyOut& howOf(const ScreenRun& run, int flyOut) {
  return run.screen->items[run.layout.flyOuts[size_t(flyOut)].item]->container()->flyOut;
}

// The one that flies out from the item; −1: none.
int fromItem(const ScreenRun& run, size_t item) {
  for (size_t f = 0; f < run.layout.flyOuts.size(); ++f)
    if (run.layout.flyOuts[f].from == item) return static_cast<int>(f);
  return -1;
}

// The open one that lies in no other open one’s stead: the last of the chain.
int innermostOpen(const ScreenRun& run) {
  int out = -1;
  for (size_t f = 0; f < run.layout.flyOuts.size(); ++f)
    if (run.layout.flyOuts[f].open) out = static_cast<int>(f);
  return out;
}

struct Point {
  Px x, y;
};

// Twice the area, with its sign.
double turn(const Point& a, const Point& b, const Point& c) {
  return (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
}

bool isInTriangle(const Point& p, const Point& a, const Point& b, const Point& c) {
  const double u = turn(a, b, p), v = turn(b, c, p), w = turn(c, a, p);
  return (u >= 0 && v >= 0 && w >= 0) || (u <= 0 && v <= 0 && w <= 0);
}

// Whether one is on the way from a point to the near edge of the fly-out.
bool isOnTheWay(const Layout& layout, const PlacedFlyOut& flyOut, const Point& from,
                const Point& at) {
  const Box& b = layout.items[flyOut.item].box;
  const Px left = b.x - kMargin, right = b.x + b.w + kMargin;
  const Px top = b.y - kMargin, bottom = b.y + b.h + kMargin;
  switch (sideOf(layout, flyOut)) {
    case Side::Below:
      return isInTriangle(at, from, {left, top}, {right, top});
    case Side::Above:
      return isInTriangle(at, from, {left, bottom}, {right, bottom});
    case Side::Right:
      return isInTriangle(at, from, {left, top}, {left, bottom});
    case Side::Left:
      return isInTriangle(at, from, {right, top}, {right, bottom});
  }
  return false;
}

}  // namespace

// By the pointer: what belongs to a fly-out keeps it open, and so does the way there.
int Session::flyOutAt(const Pointer& pointer) {
  ScreenRun& run = top();
  const Layout& layout = run.layout;
  const auto stays = [&](int flyOut) {
    run.flyOuts.x = pointer.x;
    run.flyOuts.y = pointer.y;
    run.flyOuts.onTheWay = true;
    run.flyOuts.restsUntil = ScreenLife::kNeverEnds;
    return flyOut;
  };
  const size_t item = pointer.over < 0 ? 0 : size_t(run.routes.items[size_t(pointer.over)]);
  const int from = pointer.over < 0 ? -1 : fromItem(run, item);
  const int open = innermostOpen(run);
  const bool opens = from >= 0 && (howOf(run, from).byHover || run.flyOuts.accepted == from);
  const bool crosses = open >= 0 && run.flyOuts.onTheWay &&
                       isOnTheWay(layout, layout.flyOuts[size_t(open)],
                                  {run.flyOuts.x, run.flyOuts.y}, {pointer.x, pointer.y});
  const int in = pointer.over < 0 ? -1 : layout.items[item].flyOut;
  // What is in the open one, or opens one in it, comes first; then the way to it.
  const bool inOpen = in >= 0 && in == open;
  if (opens && (from == open || inOpen || !crosses)) return stays(from);
  if (in >= 0 && (inOpen || !crosses)) return stays(in);
  for (size_t f = layout.flyOuts.size(); f-- > 0 && !crosses;)
    if (layout.flyOuts[f].open &&
        holds(layout.items[layout.flyOuts[f].item].box, pointer.x, pointer.y))
      return stays(static_cast<int>(f));
  if (crosses) {
    run.flyOuts.restsUntil = now_ + kRests;
    return open;
  }
  run.flyOuts.onTheWay = false;
  return run.flyOuts.accepted;
}

int Session::wantedFlyOut() {
  ScreenRun& run = top();
  if (isPointer(modality_)) {
    const auto shown = std::find_if(pointers_.begin(), pointers_.end(),
                                    [](const Pointer& pointer) { return !pointer.hidden; });
    return shown == pointers_.end() ? run.flyOuts.accepted : flyOutAt(*shown);
  }
  if (run.focus < 0) return -1;
  const size_t item = size_t(run.routes.items[size_t(run.focus)]);
  const int from = fromItem(run, item);
  if (from != run.flyOuts.dismissed) run.flyOuts.dismissed = -1;
  if (from >= 0 && from != run.flyOuts.dismissed &&
      (howOf(run, from).byFocus || from == run.flyOuts.accepted))
    return from;
  return run.layout.items[item].flyOut;
}

void Session::followFlyOuts() {
  if (stack_.empty() || top().layout.flyOuts.empty() || unfolding_ || top().waits()) return;
  unfolding_ = true;
  showFlyOut(wantedFlyOut());
  unfolding_ = false;
}

void Session::showFlyOut(int flyOut) {
  ScreenRun& run = top();
  const auto before = run.layout.flyOuts;
  if (!openOnly(run.layout, flyOut)) return;
  for (const bool opens : {false, true})
    for (size_t f = 0; f < before.size(); ++f)
      if (before[f].open != run.layout.flyOuts[f].open && run.layout.flyOuts[f].open == opens)
        add({.type = TraceType::FlyOut,
             .item = run.screen->items[before[f].item]->id,
             .how = opens ? "opens" : "closes"});
  if (run.flyOuts.accepted >= 0 && !run.layout.flyOuts[size_t(run.flyOuts.accepted)].open)
    run.flyOuts.accepted = -1;
  // Focus in what has closed goes to the button from which it was opened.
  int box = run.focus;
  while (box >= 0 && run.layout.items[size_t(run.routes.items[size_t(box)])].closed)
    box = run.routes.boxOf[run.layout.flyOuts[size_t(run.routes.flyOutOf[size_t(box)])].from];
  if (box >= 0 && box != run.focus) focusOn(box, "fly-out closed");
  pointAnew();
}

// True where activating the button opened its fly-out: what it does else comes with the next time.
bool Session::acceptFlyOut(const Item& item) {
  ScreenRun& run = top();
  const auto at = indexOf(*run.screen, item.id);
  const int from = at ? fromItem(run, *at) : -1;
  if (from < 0 || !howOf(run, from).byAccept || run.layout.flyOuts[size_t(from)].open) return false;
  run.flyOuts.accepted = from;
  run.flyOuts.dismissed = -1;
  showFlyOut(from);
  return true;
}

// True where one was open: that is what cancel takes away.
bool Session::cancelFlyOut() {
  if (stack_.empty()) return false;
  ScreenRun& run = top();
  const int open = innermostOpen(run);
  if (open < 0) return false;
  const PlacedFlyOut it = run.layout.flyOuts[size_t(open)];
  run.flyOuts.accepted = -1;
  run.flyOuts.onTheWay = false;
  run.flyOuts.dismissed = open;
  unfolding_ = true;
  showFlyOut(it.outer);
  unfolding_ = false;
  return true;
}

Ms Session::flyOutEnds() const {
  if (stack_.empty() || !stack_.back().flyOuts.onTheWay) return ScreenLife::kNeverEnds;
  return stack_.back().flyOuts.restsUntil;
}

}  // namespace bristle
