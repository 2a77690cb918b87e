#include "core/edit/tree_edits.h"

#include <unordered_map>
#include <unordered_set>

#include "core/edit/on_screen.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

void setPlaces(Screen& screen, const Places& places) {
  const std::unordered_map<ItemId, Place> wanted(places.begin(), places.end());
  if (wanted.empty()) return;
  for (auto& item : screen.items)
    if (const auto at = wanted.find(item->id); at != wanted.end()) item.edit().place = at->second;
}

// Refused where containers would nest deeper than files hold.
Result<Project> placed(Project after, Screen& screen, const Places& places) {
  setPlaces(screen, places);
  if (const std::string why = whyNoTree(screen); !why.empty()) return fail({}, "expected " + why);
  return after;
}

bool isIn(const Screen& screen, ItemId item, const std::unordered_set<ItemId>& holders) {
  for (const Item* at = findItem(screen, item); at; at = findItem(screen, at->parent)) {
    if (holders.contains(at->id)) return true;
    if (!at->parent) return false;
  }
  return false;
}

}  // namespace

Edit gather(ScreenId id, std::vector<ItemId> items, NewContainer container, Places places) {
  constexpr const char* kNames[] = {"make a row", "make a column", "make a grid", "make a ring",
                                    "group"};
  return onScreen(std::move(id), kNames[static_cast<size_t>(container.flow)], {},
                  [=](Project after, Screen& screen) -> Result<Project> {
                    // What is in another of them goes along with that one.
                    const auto roots = outermost(screen, items);
                    if (roots.empty()) return fail({}, "those items are gone");
                    Item box;
                    box.id = freshId<ItemId>(after, "c");
                    box.place = {{.offset = container.x, .size = container.w},
                                 {.offset = container.y, .size = container.h}};
                    ContainerData data;
                    data.flow = container.flow;
                    data.padding = container.padding;
                    box.what = data;
                    const ItemId parent = box.id;
                    std::vector<ItemId> order = items;
                    const std::unordered_set<ItemId> kept(roots.begin(), roots.end());
                    std::erase_if(order, [&](const ItemId& item) { return !kept.contains(item); });
                    auto moved = takeOut(screen, order);
                    screen.items.emplace_back(std::move(box));
                    putLast(screen, parent, std::move(moved));
                    return placed(std::move(after), screen, places);
                  });
}

Edit dissolve(ScreenId id, ItemId container, Places places) {
  return onScreen(std::move(id), "take container away", {},
                  [=](Project after, Screen& screen) -> Result<Project> {
                    const auto at = indexOf(screen, container);
                    if (!at || !screen.items[*at]->container())
                      return fail({}, "that container is gone");
                    const ItemId holder = screen.items[*at]->parent;
                    screen.items.erase(screen.items.begin() + std::ptrdiff_t(*at));
                    for (auto& item : screen.items)
                      if (item->parent == container) item.edit().parent = holder;
                    setPlaces(screen, places);
                    return after;
                  });
}

Edit reorder(ScreenId id, ItemId item, int by) {
  return onScreen(std::move(id), by < 0 ? "move earlier" : "move later", {},
                  [=](Project after, Screen& screen) -> Result<Project> {
                    if (!indexOf(screen, item)) return fail({}, "that item is gone");
                    swapWithBrother(screen, item, by);
                    return after;
                  });
}

Edit moveInto(ScreenId id, std::vector<ItemId> items, Spot to, Places places,
              std::string mergeKey) {
  return onScreen(std::move(id), "move to another place", std::move(mergeKey),
                  [=](Project after, Screen& screen) -> Result<Project> {
                    const auto roots = outermost(screen, items);
                    const std::unordered_set<ItemId> moved(roots.begin(), roots.end());
                    if (to.holder && isIn(screen, to.holder, moved))
                      return fail({}, "a container cannot be put into itself");
                    const Item* holder = to.holder ? findItem(screen, to.holder) : nullptr;
                    if (to.holder && (!holder || !holder->container()))
                      return fail({}, "that container is gone");
                    // Beside one of those that are moved is beside what comes after them.
                    ItemId before = to.before;
                    while (before && moved.contains(before)) before = brotherAfter(screen, before);
                    const Item* brother = before ? findItem(screen, before) : nullptr;
                    if (before && (!brother || brother->parent != to.holder))
                      return fail({}, "what it was to stand before is gone");
                    putBefore(screen, to.holder, before, takeOut(screen, roots));
                    return placed(std::move(after), screen, places);
                  });
}

Edit addButtons(ScreenId id, std::vector<KindId> kinds, Spot at, std::vector<Place> places) {
  return onScreen(std::move(id), kinds.size() == 1 ? "add button" : "add buttons", {},
                  [=](Project after, Screen& screen) -> Result<Project> {
                    std::vector<Shared<Item>> run;
                    for (size_t i = 0; i < kinds.size(); ++i) {
                      const Kind* kind = find(after, kinds[i]);
                      if (!kind) return fail({}, "that kind is gone");
                      ButtonData button;
                      button.kind = kind->id;
                      button.caption =
                          kind->sampleCaption.empty() ? kind->name : kind->sampleCaption;
                      Item item;
                      item.id = freshId<ItemId>(after, "b");
                      if (i < places.size()) item.place = places[i];
                      item.what = std::move(button);
                      if (!screen.entry && !kind->still) screen.entry = item.id;
                      run.emplace_back(std::move(item));
                    }
                    if (at.holder && !findItem(screen, at.holder))
                      return fail({}, "that container is gone");
                    putBefore(screen, at.holder, at.before, std::move(run));
                    return placed(std::move(after), screen, {});
                  });
}

}  // namespace bristle
