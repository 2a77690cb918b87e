#include "core/arrange/drop.h"

#include <algorithm>
#include <cmath>
#include <unordered_set>

#include "runtime/document/tree.h"

namespace bristle {
namespace {

constexpr double kTurn = 2 * 3.14159265358979323846;

bool contains(const Box& b, Px x, Px y) {
  return x >= b.x && y >= b.y && x < b.x + b.w && y < b.y + b.h;
}

Px distance(const Box& b, Px x, Px y) {
  const Px dx = std::max({b.x - x, 0.0, x - b.x - b.w});
  const Px dy = std::max({b.y - y, 0.0, y - b.y - b.h});
  return std::hypot(dx, dy);
}

// How far round the ring a place is from where the first lies, in the direction it goes, 0–1.
double turnOf(const ContainerData& ring, const Box& box, bool mirrored, Px x, Px y) {
  Px dx = x - (box.x + box.w / 2);
  if (mirrored) dx = -dx;
  const Px dy = y - (box.y + box.h / 2);
  const double clockwise = std::atan2(dx, -dy) / kTurn - ring.start / 360;
  const double turn = ring.sweep < 0 ? -clockwise : clockwise;
  return turn - std::floor(turn);
}

class Finder {
 public:
  Finder(const Screen& screen, const Layout& layout, size_t holder, const Nesting* nesting)
      : screen_(screen), layout_(layout), holder_(holder), nesting_(nesting) {}

  DropSpot at(Px x, Px y, const std::unordered_set<ItemId>& dragged) const {
    const Item& holder = *screen_.items[holder_];
    const ContainerData& how = *holder.container();
    const Box& box = layout_.items[holder_].box;
    DropSpot out{{holder.id, {}}, box, how.flow != Flow::Free};
    if (!out.ordered) return out;
    std::vector<size_t> children;
    for (size_t c = holder_ + 1; c < nesting_[holder_].end; c = nesting_[c].end)
      if (!dragged.contains(screen_.items[c]->id) && layout_.items[c].isSeen()) children.push_back(c);
    if (children.empty()) return out;
    size_t nearest = 0;
    for (size_t c = 1; c < children.size(); ++c)
      if (distance(boxOf(children[c]), x, y) < distance(boxOf(children[nearest]), x, y))
        nearest = c;
    const Box& beside = boxOf(children[nearest]);
    const bool upright = how.flow == Flow::Column;
    const bool before = comesBefore(how, box, beside, x, y);
    const size_t next = before ? nearest : nearest + 1;
    if (next < children.size()) out.to.before = screen_.items[children[next]]->id;
    out.mark = markBeside(beside, upright, upright ? before : before != layout_.rightToLeft);
    return out;
  }

 private:
  const Box& boxOf(size_t item) const { return layout_.items[item].box; }

  bool comesBefore(const ContainerData& how, const Box& box, const Box& child, Px x, Px y) const {
    const Px middleX = child.x + child.w / 2, middleY = child.y + child.h / 2;
    if (how.flow == Flow::Column) return y < middleY;
    if (how.flow != Flow::Ring) return layout_.rightToLeft ? x > middleX : x < middleX;
    const bool mirrored = layout_.rightToLeft;
    double by = turnOf(how, box, mirrored, x, y) - turnOf(how, box, mirrored, middleX, middleY);
    // The nearest is at most half a turn away.
    if (by > 0.5) by -= 1;
    if (by < -0.5) by += 1;
    return by < 0;
  }

  static Box markBeside(const Box& child, bool upright, bool near) {
    if (upright) return {child.x, near ? child.y : child.y + child.h, child.w, 0};
    return {near ? child.x : child.x + child.w, child.y, 0, child.h};
  }

  const Screen& screen_;
  const Layout& layout_;
  size_t holder_;
  const Nesting* nesting_;
};

}  // namespace

DropSpot dropSpotAt(const Screen& screen, const Layout& layout, Px x, Px y,
                    std::span<const ItemId> dragged) {
  const std::unordered_set<ItemId> gone(dragged.begin(), dragged.end());
  const auto nesting = nestingOf(screen);
  int holder = -1;
  for (size_t i = 0; i < screen.items.size();) {
    const bool taken = gone.contains(screen.items[i]->id);
    if (!taken && screen.items[i]->container() && layout.items[i].isSeen() && !nesting[i].locked &&
        contains(layout.items[i].box, x, y))
      holder = static_cast<int>(i);  // those in it come later
    i = taken ? nesting[i].end : i + 1;
  }
  if (holder < 0) return {{}, {0, 0, layout.width, layout.height}, false};
  return Finder(screen, layout, size_t(holder), nesting.data()).at(x, y, gone);
}

}  // namespace bristle
