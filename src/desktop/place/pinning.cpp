#include "desktop/place/pinning.h"

#include <QCoreApplication>
#include <algorithm>
#include <cmath>

#include "core/arrange/place_at.h"
#include "core/edit/screen_edits.h"
#include "desktop/work/work.h"
#include "runtime/layout/scaling.h"

namespace bristle {
namespace {

// To the nearest hundredth of the way; the rest is an offset.
void setFraction(AxisPlace& axis, Px at, Px size, Px from, Px extent) {
  if (axis.pin != Pin::Fraction || extent <= 0) return;
  axis.fraction = std::clamp(std::round(100 * (at + size / 2 - from) / extent) / 100, 0.0, 1.0);
}

Pin nearest(Px at, Px size, Px from, Px extent) {
  const double middle = extent > 0 ? (at + size / 2 - from) / extent : 0;
  return middle < 1.0 / 3 ? Pin::Start : middle <= 2.0 / 3 ? Pin::Centre : Pin::End;
}

// The places of what is picked and lies by its own place; `apply` gets the box and its room, too.
bool pin(Work& work, const char* name,
         const std::function<void(Place&, const Box& box, const Box& room)>& apply) {
  const Screen* screen = work.screen();
  if (!screen || !work.display()) return false;
  Layout layout = work.layout();
  std::vector<std::pair<ItemId, Place>> places;
  Screen pinned = *screen;
  for (size_t i = 0; i < screen->items.size(); ++i) {
    const Item& item = *screen->items[i];
    if (!work.isPicked(item.id) || !isLoose(*screen, item)) continue;
    Place& place = pinned.items[i].edit().place;
    const Box box = layout.items[i].box;
    apply(place, box, roomOf(*screen, layout, i));
    if (!item.parent)
      layout.items[i].scale = scaleOf(work.project(), pinned, place, *work.display());
    layout.items[i].baseline = baselineOf(work.project(), item, work.language().id, work.measure());
    const Box room = roomOf(pinned, layout, i);
    setFraction(place.x, box.x, box.w, room.x, room.w);
    setFraction(place.y, box.y, box.h, room.y, room.h);
    places.emplace_back(item.id, placeAt(pinned, layout, i, box));
  }
  return !places.empty() && work.perform(placeItems(screen->id, std::move(places), name, {}));
}

}  // namespace

bool rePin(Work& work, const char* name, const std::function<void(Place&)>& apply) {
  return pin(work, name, [&](Place& place, const Box&, const Box&) { apply(place); });
}

void pinToNearest(Work& work) {
  const bool mirrored = work.layout().rightToLeft;
  const bool done =
      pin(work, "pin to the nearest edges", [&](Place& place, const Box& box, const Box& room) {
        const Pin across = nearest(box.x, box.w, room.x, room.w);
        place.x.pin = !mirrored              ? across
                      : across == Pin::Start ? Pin::End
                      : across == Pin::End   ? Pin::Start
                                             : across;
        place.y.pin = nearest(box.y, box.h, room.y, room.h);
      });
  if (!done)
    work.tell(
        QCoreApplication::translate("Pinning", "Pick what is in no row, column, grid or ring"),
        true);
}

}  // namespace bristle
