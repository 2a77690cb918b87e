#include "desktop/place/new_items.h"

#include <unordered_set>

#include "core/edit/history.h"
#include "desktop/work/work.h"

namespace bristle {

bool performAndPickNew(Work& work, const Edit& edit) {
  std::unordered_set<ItemId> before;
  if (const Screen* screen = work.screen())
    for (const auto& item : screen->items) before.insert(item->id);
  if (!work.perform(edit) || !work.screen()) return false;
  std::vector<ItemId> added;
  for (const auto& item : work.screen()->items)
    if (!before.contains(item->id) && (!item->parent || before.contains(item->parent)))
      added.push_back(item->id);
  work.pickItems(std::move(added), !edit.mergeKey.empty());
  return true;
}

}  // namespace bristle
