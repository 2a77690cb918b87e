#include "desktop/place/arranging.h"

#include <QCoreApplication>
#include <algorithm>
#include <cmath>

#include "core/arrange/place_at.h"
#include "core/edit/screen_edits.h"
#include "core/edit/tree_edits.h"
#include "desktop/place/new_items.h"
#include "desktop/work/work.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

QString tr(const char* text) {
  return QCoreApplication::translate("Arranging", text);
}

}  // namespace

// The things that are moved by themselves, the one picked first in front.
struct Arranging::Movers {
  std::vector<size_t> items;
  std::vector<Box> boxes;
};

Arranging::Movers Arranging::movers(size_t least, const QString& otherwise) const {
  Movers out;
  if (!work_.screen()) return out;
  const Screen& screen = *work_.screen();
  out.items = moversOf(screen, work_.picked().items);
  const auto first = work_.picked().items.empty()
                         ? std::vector<size_t>{}
                         : moversOf(screen, {&work_.picked().items.front(), 1});
  if (!first.empty())
    std::stable_partition(out.items.begin(), out.items.end(),
                          [&](size_t i) { return i == first.front(); });
  for (const size_t i : out.items) out.boxes.push_back(work_.layout().items[i].box);
  if (out.items.size() >= least) return out;
  if (!otherwise.isEmpty()) work_.tell(otherwise, true);
  return {};
}

void Arranging::place(const Movers& movers, const std::vector<Box>& boxes, const char* name) {
  const Screen& screen = *work_.screen();
  Places places;
  for (size_t i = 0; i < movers.items.size(); ++i)
    places.emplace_back(screen.items[movers.items[i]]->id,
                        placeAt(screen, work_.layout(), movers.items[i], boxes[i]));
  work_.perform(placeItems(screen.id, std::move(places), name, {}));
}

void Arranging::lineUp(Alignment how) {
  const bool besides = to_ == LineUpTo::Picked || to_ == LineUpTo::First;
  const Movers all = movers(besides ? 2 : 1, tr("Pick two or more things to line them up"));
  if (all.items.empty()) return;
  const Layout& layout = work_.layout();
  Box to = boundsOf(all.boxes);
  if (to_ == LineUpTo::First) to = all.boxes.front();
  if (to_ == LineUpTo::Holder) to = roomOf(*work_.screen(), layout, all.items.front());
  if (to_ == LineUpTo::Safe) {
    to = layout.safe;
  }
  place(all, aligned(all.boxes, how, to), "line up");
}

void Arranging::spread(bool horizontal, Spread how) {
  const Movers all = movers(3, tr("Pick three or more things to spread them out"));
  if (!all.items.empty()) place(all, spreadOut(all.boxes, horizontal, how), "spread out");
}

bool Arranging::space(bool horizontal, double gap) {
  const Movers all = movers(2, tr("Pick two or more things to space them"));
  if (!all.items.empty()) place(all, spacedBy(all.boxes, horizontal, gap), "space");
  return !all.items.empty();
}

std::optional<double> Arranging::gap(bool horizontal) const {
  Movers all = movers(2, {});
  if (all.items.empty()) return {};
  const auto near = [&](const Box& b) { return horizontal ? b.x : b.y; };
  const auto far = [&](const Box& b) { return horizontal ? b.x + b.w : b.y + b.h; };
  std::sort(all.boxes.begin(), all.boxes.end(),
            [&](const Box& a, const Box& b) { return near(a) + far(a) < near(b) + far(b); });
  const double out = near(all.boxes[1]) - far(all.boxes[0]);
  for (size_t i = 2; i < all.boxes.size(); ++i)
    if (std::abs(near(all.boxes[i]) - far(all.boxes[i - 1]) - out) > 0.5) return {};
  return out;
}

size_t Arranging::movable() const {
  return movers(0, {}).items.size();
}

// Of what is picked itself, in a container, too: its size is its own there as well.
void Arranging::even(bool widths, bool heights) {
  if (work_.picked().items.size() < 2)
    return work_.tell(tr("Pick two or more things to make them alike"), true);
  const Screen& screen = *work_.screen();
  const Layout& layout = work_.layout();
  const auto first = indexOf(screen, work_.picked().items.front());
  if (!first) return;
  const Box as = layout.items[*first].box;
  Places places;
  for (const ItemId& id : work_.picked().items) {
    const auto i = indexOf(screen, id);
    if (!i) continue;
    Place to = screen.items[*i]->place;
    if (isLoose(screen, *screen.items[*i]))
      to = placeAt(screen, layout, *i, evened({&layout.items[*i].box, 1}, widths, heights, as)[0]);
    if (widths && to.x.pin != Pin::Both) to.x.size = as.w / layout.items[*i].scale;
    if (heights && to.y.pin != Pin::Both) to.y.size = as.h / layout.items[*i].scale;
    places.emplace_back(id, to);
  }
  work_.perform(placeItems(screen.id, std::move(places), "make alike", {}));
}

void Arranging::gather(Flow flow) {
  const Screen* screen = work_.screen();
  std::vector<ItemId> loose;
  std::vector<Box> boxes;
  std::vector<size_t> items;
  for (size_t i = 0; screen && i < screen->items.size(); ++i) {
    const Item& item = *screen->items[i];
    if (!work_.isPicked(item.id) || !isLoose(*screen, item)) continue;
    loose.push_back(item.id);
    items.push_back(i);
    boxes.push_back(work_.layout().items[i].box);
  }
  if (loose.empty())
    return work_.tell(tr("Pick what is to be put together, and is in no row or column yet"), true);
  // In px of the new container, which grows as its screen does.
  const double scale = work_.layout().scale;
  for (Box& box : boxes) box = {box.x / scale, box.y / scale, box.w / scale, box.h / scale};
  const Box around = boundsOf(boxes);
  NewContainer container{.flow = flow, .x = around.x, .y = around.y};
  Places places;
  if (flow == Flow::Free) {
    container.w = around.w;
    container.h = around.h;
    for (size_t i = 0; i < items.size(); ++i) {
      const Place& old = screen->items[items[i]]->place;
      const Box& box = boxes[i];
      Place place;
      place.x = {.offset = work_.layout().rightToLeft ? around.x + around.w - box.x - box.w
                                                      : box.x - around.x,
                 .size = old.x.pin == Pin::Both || old.x.share > 0 ? box.w : old.x.size,
                 .least = old.x.least,
                 .most = old.x.most};
      place.y = {.offset = box.y - around.y,
                 .size = old.y.pin == Pin::Both || old.y.share > 0 ? box.h : old.y.size,
                 .least = old.y.least,
                 .most = old.y.most};
      places.emplace_back(loose[i], place);
    }
  }
  performAndPickNew(work_, bristle::gather(screen->id, std::move(loose), container, places));
}

void Arranging::dissolve() {
  const Screen* screen = work_.screen();
  const Item* item = work_.item();
  const auto at = item ? indexOf(*screen, item->id) : std::nullopt;
  if (!at || !item->container()) return work_.tell(tr("Pick a container or a group"), true);
  const ItemId id = item->id;
  const auto nesting = nestingOf(*screen);
  Places places;
  std::vector<ItemId> left;
  for (size_t i = *at + 1; i < nesting[*at].end; i = nesting[i].end) {
    left.push_back(screen->items[i]->id);
    places.emplace_back(left.back(),
                        placeInside(*screen, work_.layout(), item->parent, screen->items[i]->place,
                                    work_.layout().items[i].box));
  }
  if (work_.perform(bristle::dissolve(screen->id, id, std::move(places))))
    work_.pickItems(std::move(left));
}

void Arranging::reorder(int by) {
  if (work_.item()) work_.perform(bristle::reorder(work_.screen()->id, work_.item()->id, by));
}

// On, unless all of it is on already.
void Arranging::toggle(bool Item::*flag, const char* on, const char* off) {
  const Screen* screen = work_.screen();
  if (!screen || work_.picked().items.empty()) return work_.tell(tr("Pick something first"), true);
  bool all = true;
  for (const ItemId& id : work_.picked().items)
    if (const Item* item = findItem(*screen, id)) all = all && item->*flag;
  work_.perform(changeItems(screen->id, work_.picked().items, all ? off : on, {},
                            [flag, all](Item& item) { item.*flag = !all; }));
}

void Arranging::lock() {
  toggle(&Item::locked, "lock", "unlock");
}

void Arranging::hide() {
  toggle(&Item::hidden, "hide", "show");
}

}  // namespace bristle
