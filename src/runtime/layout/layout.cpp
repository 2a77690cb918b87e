#include "runtime/layout/layout.h"

#include "runtime/document/project.h"

#include <algorithm>

#include "runtime/document/tree.h"
#include "runtime/layout/fly_outs.h"
#include "runtime/layout/free.h"
#include "runtime/layout/grid.h"
#include "runtime/layout/line.h"
#include "runtime/layout/pins.h"
#include "runtime/layout/ring.h"
#include "runtime/layout/scaling.h"
#include "runtime/layout/scroll.h"

namespace bristle {
namespace {

// Widths first, then heights, since how high a row is that wraps follows from how wide it is: on
// each axis sizes are measured from the innermost containers outwards and places given inwards.
class Placer {
 public:
  Placer(const Project& project, const Screen& screen, const Showing& showing,
         const TextMeasure& measure)
      : project_(project),
        screen_(screen),
        measure_(measure),
        showing_(showing),
        nesting_(nestingOf(screen)),
        natural_(screen.items.size()),
        sizes_(screen.items.size()),
        lines_(screen.items.size(), 0),
        cells_(screen.items.size()),
        scrollerIn_(screen.items.size(), -1),
        within_(screen.items.size(), -1) {}

  void run(Layout& out) {
    out.items.resize(screen_.items.size());
    for (size_t i = 0; i < natural_.size(); ++i) {
      const Item& item = *screen_.items[i];
      if (!item.container()) natural_[i] = naturalSize(project_, item, out.language, measure_);
      if (item.container() && item.container()->flow == Flow::Grid) findCells(i);
    }
    scale(out);
    placeAxis(out, true);
    placeAxis(out, false);
    for (Placed& each : out.items) {
      const double scale = each.scale;
      each.box = {each.box.x * scale, each.box.y * scale, each.box.w * scale, each.box.h * scale};
    }
    placeFlyOuts(screen_, nesting_, {0, 0, out.width, out.height}, out);
    for (size_t i = 0; i < out.items.size(); ++i) finish(i, out);
    measureContent(out, screen_);
  }

 private:
  // What stands on the screen is laid out in px of its own, with all that is in it.
  void scale(Layout& out) {
    for (size_t i = 0; i < out.items.size(); ++i)
      out.items[i].scale =
          nesting_[i].parent < 0
              ? scaleOf(project_, screen_, screen_.items[i]->place, showing_.display)
              : out.items[size_t(nesting_[i].parent)].scale;
  }

  void placeAxis(Layout& out, bool horizontal) {
    // What is in a container comes after it, so that backwards it is measured before it.
    for (size_t i = sizes_.size(); i-- > 0;) sizes_[i] = measured(i, horizontal, out);
    for (size_t i = 0; i < sizes_.size(); ++i) {
      const Item& item = *screen_.items[i];
      Box& box = out.items[i].box;
      if (nesting_[i].parent < 0) put(box, horizontal, onScreen(i, horizontal, out));
      if (item.container()) arrange(i, horizontal, out);
    }
  }

  // What is pinned is mirrored where one reads from the right.
  Span onScreen(size_t i, bool horizontal, Layout& out) {
    const Item& item = *screen_.items[i];
    const AxisPlace& axis = axisOf(item.place, horizontal);
    const Box room = roomFor(item.place, showing_.display);
    const double scale = out.items[i].scale;
    const Px from = (horizontal ? room.x : room.y) / scale;
    const Px extent = (horizontal ? room.w : room.h) / scale;
    Span span = placeOnAxis(axis, sizes_[i], from, extent, baseline(i, horizontal, out));
    if (horizontal && out.rightToLeft && axis.pin != Pin::None)
      span.at = 2 * from + extent - span.at - span.size;
    return span;
  }

  Baseline baseline(size_t i, bool horizontal, Layout& out) const {
    if (horizontal) return {};
    const Item& item = *screen_.items[i];
    const int parent = nesting_[i].parent;
    const bool inRow =
        parent >= 0 && screen_.items[size_t(parent)]->container()->across == Across::Baseline;
    if (!inRow && item.place.y.pin != Pin::Baseline) return {};
    return out.items[i].baseline =
               baselineOf(project_, item, languageOf(project_, showing_.language).id, measure_);
  }

  static void put(Box& box, bool horizontal, const Span& span) {
    (horizontal ? box.x : box.y) = span.at;
    (horizontal ? box.w : box.h) = span.size;
  }

  Px measured(size_t i, bool horizontal, Layout& out) {
    const Item& item = *screen_.items[i];
    const AxisPlace& axis = axisOf(item.place, horizontal);
    Px size = axis.size;
    if (size <= 0 && item.container()) {
      listChildren(i, horizontal, out);
      size = measureContainer(i, *item.container(), horizontal);
    } else if (size <= 0) {
      size = horizontal ? natural_[i].w : natural_[i].h;
    }
    return withinBounds(axis, size);
  }

  Px measureContainer(size_t i, const ContainerData& how, bool horizontal) const {
    switch (how.flow) {
      case Flow::Row:
        return horizontal ? measureAlong(how, children_) : measureAcross(how, children_);
      case Flow::Column:
        return horizontal ? measureAcross(how, children_) : measureAlong(how, children_);
      case Flow::Grid:
        return measureGrid(how, horizontal, cellCount(i, horizontal), children_);
      case Flow::Ring:
        return measureRing(how, children_);
      case Flow::Free:
        return measureFree(how, children_);
    }
    return 0;
  }

  void arrange(size_t i, bool horizontal, Layout& out) {
    listChildren(i, horizontal, out);
    const ContainerData& how = *screen_.items[i]->container();
    const Box& box = out.items[i].box;
    const Px size = horizontal ? box.w : box.h;
    places_.assign(children_.size(), {});
    if (how.flow == Flow::Grid) {
      arrangeGrid(how, horizontal, cellCount(i, horizontal), size, children_, places_);
    } else if (how.flow == Flow::Ring) {
      arrangeRing(how, horizontal, size, children_, places_);
    } else if (how.flow == Flow::Free) {
      arrangeFree(how, size, children_, places_);
    } else if (horizontal == (how.flow == Flow::Row)) {
      arrangeAlong(how, size, children_, places_);
    } else {
      arrangeAcross(how, size, children_, places_);
    }
    for (size_t c = 0; c < indices_.size(); ++c) {
      const Span& span = places_[c];
      const bool mirrored = horizontal && out.rightToLeft;
      const Px at = mirrored ? size - span.at - span.size : span.at;
      put(out.items[indices_[c]].box, horizontal, {(horizontal ? box.x : box.y) + at, span.size});
      lines_[indices_[c]] = children_[c].line;
    }
  }

  void listChildren(size_t i, bool horizontal, Layout& out) {
    indices_.clear();
    children_.clear();
    const int columns = screen_.items[i]->container()->columns;
    for (size_t child = i + 1; child < nesting_[i].end; child = nesting_[child].end) {
      const Item& item = *screen_.items[child];
      const AxisPlace& axis = axisOf(item.place, horizontal);
      indices_.push_back(child);
      children_.push_back({.base = sizes_[child],
                           .rest = axis.rest,
                           .least = axis.least,
                           .most = axis.most,
                           .sized = axis.size > 0,
                           .line = lines_[child],
                           .first = horizontal ? cells_[child].column : cells_[child].row,
                           .cells = horizontal ? std::min(item.columns, columns) : item.rows,
                           .place = &axis,
                           .baseline = baseline(child, horizontal, out)});
    }
  }

  void findCells(size_t i) {
    std::vector<size_t> children;
    std::vector<int> columns, rows;
    for (size_t child = i + 1; child < nesting_[i].end; child = nesting_[child].end) {
      children.push_back(child);
      columns.push_back(screen_.items[child]->columns);
      rows.push_back(screen_.items[child]->rows);
    }
    const auto cells = cellsOf(screen_.items[i]->container()->columns, columns, rows);
    for (size_t c = 0; c < children.size(); ++c) cells_[children[c]] = cells[c];
  }

  // Columns stand there even where nothing is in them, unless their size is that of their content.
  int cellCount(size_t i, bool horizontal) const {
    const ContainerData& grid = *screen_.items[i]->container();
    if (horizontal && grid.cells != Cells::Content) return grid.columns;
    int out = 1;
    for (const Child& child : children_) out = std::max(out, child.first + child.cells);
    return out;
  }

  // What follows from the box and from what is around the item.
  void finish(size_t i, Layout& out) {
    const Item& item = *screen_.items[i];
    Placed& here = out.items[i];
    const Box& box = here.box;
    const double scale = here.scale;
    Px padding = 0;
    if (const auto* button = item.button())
      if (const Kind* kind = find(project_, button->kind)) {
        padding = kind->still ? 0 : kind->hitPadding * scale;
        here.still = kind->still;
      }
    here.hit = {box.x - padding, box.y - padding, box.w + 2 * padding, box.h + 2 * padding};
    here.shown = !nesting_[i].hidden;
    here.clip = nesting_[i].parent < 0 ? -1 : within_[size_t(nesting_[i].parent)];
    here.visible = here.clip < 0 ? here.hit : common(here.hit, out.clips[size_t(here.clip)]);
    within_[i] = here.clip;
    findScroller(i, out);
    const auto* container = item.container();
    if (!container || !container->isCut()) return;
    out.clips.push_back(here.clip < 0 ? box : common(box, out.clips[size_t(here.clip)]));
    out.clipOf.push_back({i, here.clip});
    within_[i] = static_cast<int>(out.clips.size()) - 1;
  }

  // Which one it is moved by; whether it is one itself.
  void findScroller(size_t i, Layout& out) {
    const int parent = nesting_[i].parent;
    Placed& here = out.items[i];
    if (parent >= 0) here.scroller = scrollerIn_[size_t(parent)];
    scrollerIn_[i] = here.scroller;
    const ContainerData* how = screen_.items[i]->container();
    if (!how || how->scrolls == Scrolls::No) return;
    const bool down = how->scrolls == Scrolls::Down;
    const Px view = down ? here.box.h : here.box.w;
    out.scrollers.push_back({i, down, !down && out.rightToLeft, here.scroller, view, view});
    scrollerIn_[i] = static_cast<int>(out.scrollers.size()) - 1;
  }

  const Project& project_;
  const Screen& screen_;
  const TextMeasure& measure_;
  const Showing& showing_;
  std::vector<Nesting> nesting_;
  std::vector<Size> natural_;    // of what is no container
  std::vector<Px> sizes_;        // on the axis at hand
  std::vector<int> lines_;       // of the row that wraps that each is in
  std::vector<Cell> cells_;      // of the grid that each is in
  std::vector<int> scrollerIn_;  // what moves the content of a container, by its index
  std::vector<int> within_;      // what cuts off the content of a container, by its index
  // Of the container at hand; kept, so that many small ones cost no memory anew.
  std::vector<size_t> indices_;
  std::vector<Child> children_;
  std::vector<Span> places_;
};

}  // namespace

Box common(const Box& a, const Box& b) {
  const Px x = std::max(a.x, b.x), y = std::max(a.y, b.y);
  return {x, y, std::max(0.0, std::min(a.x + a.w, b.x + b.w) - x),
          std::max(0.0, std::min(a.y + a.h, b.y + b.h) - y)};
}

Box boundsOf(std::span<const Box> boxes) {
  if (boxes.empty()) return {0, 0, 0, 0};
  Box out = boxes[0];
  for (const Box& b : boxes) {
    const double right = std::max(out.x + out.w, b.x + b.w);
    const double bottom = std::max(out.y + out.h, b.y + b.h);
    out.x = std::min(out.x, b.x);
    out.y = std::min(out.y, b.y);
    out.w = right - out.x;
    out.h = bottom - out.y;
  }
  return out;
}

bool Layout::shows(size_t item, Px x, Px y) const {
  const Placed& it = items[item];
  if (!it.isSeen() || it.clip < 0) return it.isSeen();
  const Box& clip = clips[size_t(it.clip)];
  return x >= clip.x && x < clip.x + clip.w && y >= clip.y && y < clip.y + clip.h;
}

Layout layOut(const Project& project, const Screen& screen, const Showing& showing,
              const TextMeasure& measure) {
  Layout out;
  out.width = showing.display.layoutWidth();
  out.height = showing.display.layoutHeight();
  const Language& language = languageOf(project, showing.language);
  out.display = showing.display.id;
  out.language = language.id;
  out.rightToLeft = language.rightToLeft;
  Place asScreen;
  out.scale = scaleOf(project, screen, asScreen, showing.display);
  asScreen.safe = true;
  out.safe = roomFor(asScreen, showing.display);
  Placer(project, screen, showing, measure).run(out);
  return out;
}

}  // namespace bristle
