#include "desktop/place/move_in_tree.h"

#include <QCoreApplication>

#include "core/arrange/place_at.h"
#include "desktop/work/work.h"
#include "runtime/document/tree.h"

namespace bristle {

bool moveInTree(Work& work, const std::vector<ItemId>& items, const Spot& to) {
  if (!work.screen()) return false;
  const Screen& screen = *work.screen();
  const Item* holder = to.holder ? findItem(screen, to.holder) : nullptr;
  Places places;
  // In another free container it is measured from another corner.
  if (!holder || (holder->container() && holder->container()->flow == Flow::Free))
    for (const ItemId& id : outermost(screen, items)) {
      const Item& item = *findItem(screen, id);
      if (item.parent == to.holder) continue;
      places.emplace_back(id, placeInside(screen, work.layout(), to.holder, item.place,
                                          work.layout().items[*indexOf(screen, id)].box));
    }
  return work.perform(moveInto(screen.id, items, to, std::move(places)));
}

bool moveInward(Work& work) {
  const Screen* screen = work.screen();
  const auto at = work.item() ? indexOf(*screen, work.item()->id) : std::nullopt;
  if (!at) return false;
  const auto nesting = nestingOf(*screen);
  for (size_t i = *at; i-- > 0;) {
    if (static_cast<int>(i) <= nesting[*at].parent) break;
    if (nesting[i].parent == nesting[*at].parent && screen->items[i]->container())
      return moveInTree(work, work.picked().items, {screen->items[i]->id, {}});
  }
  work.tell(QCoreApplication::translate("Tree", "There is no container before it to go into"),
            true);
  return false;
}

bool moveOutward(Work& work) {
  const Screen* screen = work.screen();
  const Item* holder =
      work.item() && work.item()->parent ? findItem(*screen, work.item()->parent) : nullptr;
  if (!holder) {
    work.tell(QCoreApplication::translate("Tree", "It is in no container"), true);
    return false;
  }
  return moveInTree(work, work.picked().items, {holder->parent, brotherAfter(*screen, holder->id)});
}

}  // namespace bristle
