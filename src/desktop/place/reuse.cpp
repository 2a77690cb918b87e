#include "desktop/place/reuse.h"

#include <QCoreApplication>

#include "core/arrange/place_at.h"
#include "core/edit/group_edits.h"
#include "desktop/place/new_items.h"
#include "desktop/work/work.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

QString tr(const char* text) {
  return QCoreApplication::translate("Reuse", text);
}

const Item* pickedCopy(const Work& work) {
  return work.item() ? copyAround(*work.screen(), *work.item()) : nullptr;
}

}  // namespace

const Item* copyAround(const Screen& screen, const Item& item) {
  const Item* out = nullptr;
  for (const Item* at = &item; at; at = at->parent ? findItem(screen, at->parent) : nullptr)
    if (at->container() && at->container()->group) out = at;
  return out;
}

const Group* groupOfPicked(const Work& work) {
  const Item* copy = pickedCopy(work);
  return copy ? find(work.project(), copy->container()->group) : nullptr;
}

void makeReusable(Work& work) {
  const Item* item = work.item();
  if (!item || !item->container())
    return work.tell(tr("Pick a row, column, grid, ring or group to make it reusable"), true);
  work.perform(makeGroup(work.screen()->id, item->id, displayName(*item)));
}

void placeAnotherCopy(Work& work) {
  constexpr Px kBeside = 24;
  const Item* copy = pickedCopy(work);
  const Group* group = groupOfPicked(work);
  if (!group) return work.tell(tr("Pick a copy of a reusable group"), true);
  const Spot spot{copy->parent, brotherAfter(*work.screen(), copy->id)};
  const auto at = indexOf(*work.screen(), copy->id);
  if (!at) return;
  Box box = work.layout().items[*at].box;
  box.x += kBeside;
  box.y += kBeside;
  const Place there = placeInside(*work.screen(), work.layout(), copy->parent, copy->place, box);
  performAndPickNew(work,
                    placeGroup(work.screen()->id, group->id, spot, there.x.offset, there.y.offset));
}

void letGoOfGroup(Work& work) {
  const Item* copy = pickedCopy(work);
  if (!copy) return work.tell(tr("Pick a copy of a reusable group"), true);
  work.perform(letGo(work.screen()->id, copy->id));
}

}  // namespace bristle
