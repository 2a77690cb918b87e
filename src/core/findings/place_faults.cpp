#include "core/findings/place_faults.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "core/findings/overlaps.h"
#include "runtime/document/project.h"
#include "runtime/document/tree.h"
#include "runtime/layout/scaling.h"

namespace bristle {
namespace {

constexpr Px kSlack = 0.5;       // less is rounding
constexpr double kCovers = 0.9;  // of the display: what covers that much is a background

// How far `in` reaches out of `out` at the side where it does the most.
Px beyond(const Box& in, const Box& out) {
  return std::max(
      {out.x - in.x, out.y - in.y, in.x + in.w - out.x - out.w, in.y + in.h - out.y - out.h});
}

class Judge {
 public:
  Judge(const Project& project, const Screen& screen, const Layout& layout)
      : project_(project),
        screen_(screen),
        layout_(layout),
        nesting_(nestingOf(screen)),
        shown_(find(project, layout.display)) {}

  std::vector<PlaceFault> run(const std::function<bool(size_t)>& isCut) {
    for (size_t i = 0; i < screen_.items.size(); ++i) {
      if (!layout_.items[i].shown) continue;
      if (screen_.items[i]->button() && isCut(i)) add(PlaceFaultSort::CaptionCut, i);
      judgeContainer(i);
      judgeDisplay(i);
      judgePins(i);
    }
    judgeOverlaps();
    std::stable_sort(out_.begin(), out_.end(),
                     [](const PlaceFault& a, const PlaceFault& b) { return a.item < b.item; });
    return std::move(out_);
  }

 private:
  void add(PlaceFaultSort sort, size_t item, Px by = 0, size_t other = 0) {
    out_.push_back({sort, item, other, by});
  }

  void judgeContainer(size_t i) {
    const ContainerData* container = screen_.items[i]->container();
    if (!container || container->flow == Flow::Free) return;  // free ones are frames, not measures
    const bool down = container->scrolls == Scrolls::Down;
    const bool across = container->scrolls == Scrolls::Across;
    Px most = 0;
    Box room = layout_.items[i].box;
    const Px padding = container->padding * layout_.items[i].scale;
    room = {room.x + padding, room.y + padding, room.w - 2 * padding, room.h - 2 * padding};
    for (size_t c = i + 1; c < nesting_[i].end; c = nesting_[c].end)
      if (layout_.items[c].shown) {
        Box box = layout_.items[c].box;  // what scrolls holds any length that way
        if (down) box.y = room.y, box.h = 0;
        if (across) box.x = room.x, box.w = 0;
        most = std::max(most, beyond(box, room));
      }
    if (most > kSlack) add(PlaceFaultSort::TooSmall, i, most);
  }

  // Of what stands on the screen itself; what is in something else goes with that, but for buttons.
  void judgeDisplay(size_t i) {
    const Item& item = *screen_.items[i];
    const Placed& placed = layout_.items[i];
    // What a container cuts off is not meant to be seen now.
    const Box box =
        placed.clip < 0 ? placed.box : common(placed.box, layout_.clips[size_t(placed.clip)]);
    if (placed.clip >= 0 && (box.w <= 0 || box.h <= 0)) return;
    const Box display{0, 0, layout_.width, layout_.height};
    const bool button = item.button(), decor = !button && !item.container();
    if (decor) judgeBackground(i, box, display);
    if ((decor && nesting_[i].locked) || item.container()) return;
    if (nesting_[i].parent >= 0 && !button) return;
    const Box seen = common(box, display);
    const Px by = beyond(box, display);
    if (seen.w <= 0 || seen.h <= 0) return add(PlaceFaultSort::Outside, i);
    if (by > kSlack) return add(PlaceFaultSort::Beyond, i, by);
    if (!shown_) return;
    if (button && !shown_->safe.none())
      if (const Px out = beyond(box, layout_.safe); out > kSlack)
        add(PlaceFaultSort::Unsafe, i, out);
    if (button)
      if (const Px in = blocked(box); in > kSlack) add(PlaceFaultSort::Blocked, i, in);
  }

  // How far a box reaches into what the display blocks, and out of its round corners.
  Px blocked(const Box& box) const {
    const double scale = shown_->scale;
    Px most = 0;
    for (const Box& area : shown_->blocked) {
      const Box in = common(box, {area.x / scale, area.y / scale, area.w / scale, area.h / scale});
      most = std::max(most, std::min(in.w, in.h));
    }
    const Px round = shown_->corner / scale;
    // From the centre of the nearest corner's round to the box's corner there.
    const Px dx = std::max(round - box.x, box.x + box.w - (layout_.width - round));
    const Px dy = std::max(round - box.y, box.y + box.h - (layout_.height - round));
    if (dx > 0 && dy > 0) most = std::max(most, std::hypot(dx, dy) - round);
    return most;
  }

  // Of what stands on the screen itself, containers and backgrounds, too; a fly-out lies by its
  // button.
  void judgePins(size_t i) {
    if (!shown_ || nesting_[i].parent >= 0 || layout_.items[i].flyOut >= 0) return;
    if (unpinned(project_, screen_, screen_.items[i]->place, *shown_).any())
      add(PlaceFaultSort::Unpinned, i);
  }

  void judgeBackground(size_t i, const Box& box, const Box& display) {
    const Box seen = common(box, display);
    if (!nesting_[i].locked && seen.w * seen.h >= kCovers * display.w * display.h)
      add(PlaceFaultSort::Unlocked, i);
  }

  void judgeOverlaps() {
    for (const Overlap& overlap : overlapsOf(project_, screen_, layout_)) {
      const auto [below, above] = std::minmax(overlap.left, overlap.right);
      if (overlap.by > kSlack) add(PlaceFaultSort::Overlap, above, overlap.by, below);
    }
  }

  const Project& project_;
  const Screen& screen_;
  const Layout& layout_;
  std::vector<Nesting> nesting_;
  const Display* shown_;  // null where the layout's display is not one of the project's
  std::vector<PlaceFault> out_;
};

}  // namespace

std::vector<PlaceFault> placeFaults(const Project& project, const Screen& screen,
                                    const Layout& layout,
                                    const std::function<bool(size_t item)>& isCut) {
  return Judge(project, screen, layout).run(isCut);
}

std::string inWords(const PlaceFault& fault, const Screen& screen) {
  const Px by = std::ceil(fault.by);
  switch (fault.sort) {
    case PlaceFaultSort::CaptionCut:
      return "its caption is cut";
    case PlaceFaultSort::TooSmall:
      return fmt::format("too small for what is in it, by {:g} px", by);
    case PlaceFaultSort::Outside:
      return "lies outside the display";
    case PlaceFaultSort::Beyond:
      return fmt::format("reaches {:g} px beyond the display", by);
    case PlaceFaultSort::Unsafe:
      return fmt::format("reaches {:g} px out of the safe area", by);
    case PlaceFaultSort::Overlap:
      return fmt::format("its hit area lies {:g} px over that of “{}”", by,
                         displayName(*screen.items[fault.other]));
    case PlaceFaultSort::Blocked:
      return fmt::format("reaches {:g} px into what the display blocks", by);
    case PlaceFaultSort::Unpinned:
      return "stays where it was drawn, though this display has another shape: it is not pinned";
    case PlaceFaultSort::Unlocked:
      return "covers the display and is not locked: it is picked by mistake";
  }
  return {};
}

}  // namespace bristle
