#include "core/edit/group_edits.h"

#include <algorithm>

#include "core/edit/keep_copies.h"
#include "core/edit/on_screen.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

std::vector<std::string> namesOf(const Project& project) {
  std::vector<std::string> out;
  for (const auto& group : project.groups) out.push_back(group->name);
  return out;
}

// A first button of that kind, so that those which follow the list are made like it.
void startBar(Project& after, Screen& screen, const ItemId& container, const KindId& kind,
              const std::vector<ScreenId>& screens) {
  const auto at = *indexOf(screen, container);
  const size_t end = nestingOf(screen)[at].end;
  const auto any = std::any_of(screen.items.begin() + std::ptrdiff_t(at),
                               screen.items.begin() + std::ptrdiff_t(end),
                               [](const auto& item) { return item->button(); });
  const Screen* first = screens.empty() ? nullptr : find(after, screens.front());
  if (any || !kind || !first) return;
  Item item;
  item.id = freshId<ItemId>(after, "b");
  ButtonData button;
  button.kind = kind;
  button.caption = first->name;
  button.actions = {{ActionType::Open, first->id}};
  item.what = std::move(button);
  putLast(screen, container, {Shared<Item>(std::move(item))});
}

}  // namespace

Edit makeGroup(ScreenId screen, ItemId container, std::string name) {
  return onScreen(std::move(screen), "make a reusable group", {},
                  [=](Project after, Screen& on) -> Result<Project> {
                    const auto at = indexOf(on, container);
                    const ContainerData* box = at ? on.items[*at]->container() : nullptr;
                    if (!box) return fail({}, "that container is gone");
                    if (box->group) return fail({}, "it is a copy of a reusable group already");
                    Group group;
                    group.id = freshId<GroupId>(after, "g");
                    group.name = freeName(namesOf(after), name);
                    // As it stands, then with ids of its own.
                    Group taken = group;
                    const size_t end = nestingOf(on)[*at].end;
                    taken.holds.items.assign(on.items.begin() + std::ptrdiff_t(*at),
                                             on.items.begin() + std::ptrdiff_t(end));
                    Item outermost = *taken.holds.items[0];
                    outermost.parent = {};
                    outermost.container()->flyOut = {};
                    taken.holds.items[0] = Shared<Item>(outermost);
                    group.holds.items = copyOfGroup(after, taken);
                    group.holds.items[0].edit().container()->group = {};
                    for (size_t i = 1; i < taken.holds.items.size(); ++i) {
                      group.holds.items[i].edit().origin = taken.holds.items[i]->origin;
                      on.items[*at + i].edit().origin = group.holds.items[i]->id;
                    }
                    on.items[*at].edit().container()->group = group.id;
                    after.groups.emplace_back(std::move(group));
                    return after;
                  });
}

Edit placeGroup(ScreenId screen, GroupId group, Spot to, Px x, Px y) {
  return onScreen(std::move(screen), "place a reusable group", {},
                  [=](Project after, Screen& on) -> Result<Project> {
                    const Group* of = find(after, group);
                    if (!of) return fail({}, "that group is gone");
                    if (to.holder && !findItem(on, to.holder))
                      return fail({}, "that container is gone");
                    auto run = copyOfGroup(after, *of);
                    Item& outermost = run[0].edit();
                    outermost.place.x.offset = x;
                    outermost.place.y.offset = y;
                    outermost.place.x.pin = outermost.place.y.pin = Pin::None;
                    putBefore(on, to.holder, to.before, std::move(run));
                    if (const std::string why = whyNoTree(on); !why.empty())
                      return fail({}, "expected " + why);
                    return after;
                  });
}

Edit letGo(ScreenId screen, ItemId copy) {
  return onScreen(std::move(screen), "let go of its group", {},
                  [=](Project after, Screen& on) -> Result<Project> {
                    Item* item = edit(on, copy);
                    if (!item || !item->container() || !item->container()->group)
                      return fail({}, "it is no copy of a reusable group");
                    item->container()->group = {};
                    return after;
                  });
}

Edit changeGroup(GroupId group, std::string name, std::function<void(Group&)> change) {
  return {std::move(name), {}, [=](const Project& before) -> Result<Project> {
            Project after = before;
            Group* found = edit(after, group);
            if (!found) return fail({}, "that group is gone");
            change(*found);
            return after;
          }};
}

Edit removeGroup(GroupId group) {
  return {"remove reusable group", {}, [=](const Project& before) -> Result<Project> {
            Project after = before;
            std::erase_if(after.groups, [&](const auto& each) { return each->id == group; });
            return after;
          }};
}

Edit makeBar(ScreenId screen, ItemId container, std::vector<ScreenId> screens, KindId kind) {
  return onScreen(std::move(screen), "make a bar of screens", {},
                  [=](Project after, Screen& on) -> Result<Project> {
                    Item* box = edit(on, container);
                    if (!box || !box->container()) return fail({}, "that container is gone");
                    ScreenList list;
                    list.id = freshId<ListId>(after, "list");
                    list.name = box->name.empty() ? on.name : box->name;
                    list.screens = screens;
                    box->container()->bar = list.id;
                    startBar(after, on, container, kind, screens);
                    after.lists.push_back(std::move(list));
                    return after;
                  });
}

Edit followList(ScreenId screen, ItemId container, ListId list, KindId kind) {
  return onScreen(std::move(screen), list ? "follow a list of screens" : "follow no list", {},
                  [=](Project after, Screen& on) -> Result<Project> {
                    Item* box = edit(on, container);
                    if (!box || !box->container()) return fail({}, "that container is gone");
                    const ScreenList* of = find(after, list);
                    if (list && !of) return fail({}, "that list is gone");
                    box->container()->bar = list;
                    if (of) startBar(after, on, container, kind, of->screens);
                    return after;
                  });
}

Edit changeList(ListId list, std::string name, std::function<void(ScreenList&)> change) {
  return {std::move(name), {}, [=](const Project& before) -> Result<Project> {
            Project after = before;
            for (ScreenList& each : after.lists)
              if (each.id == list) change(each);
            return after;
          }};
}

}  // namespace bristle
