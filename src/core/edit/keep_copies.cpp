#include "core/edit/keep_copies.h"

#include <algorithm>
#include <unordered_map>
#include <unordered_set>

#include "core/edit/forget.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

using Run = std::vector<Shared<Item>>;
using Ids = std::unordered_map<ItemId, ItemId>;

ItemId mapped(const Ids& ids, const ItemId& id) {
  const auto at = ids.find(id);
  return at == ids.end() ? id : at->second;
}

// Where routes and actions lead to what is in it.
void mapTargets(ButtonData& button, const Ids& ids) {
  button.routes.each([&](RouteRule& rule) {
    if (const auto to = ids.find(rule.target.item.alone()); to != ids.end())
      rule.target = to->second;
  });
  for (Action& action : button.actions) action.item = mapped(ids, action.item);
}

// What a button has of its own in each copy is taken from `own`; the rest stays.
void keepOwn(const Group& group, ButtonData& button, const ButtonData& own) {
  if (group.ownCaptions) {
    button.caption = own.caption;
    button.accessibleName = own.accessibleName;
    button.description = own.description;
  }
  if (group.ownTargets) {
    button.actions = own.actions;
    button.answers = own.answers;
  }
  if (group.ownExits) button.routes = own.routes;
}

// Of the outermost container only how it arranges things is the group's.
ContainerData arrangement(ContainerData container) {
  container.group = {};
  container.flyOut = {};
  return container;
}

// An item of a copy as it would stand in the group, where `was` is the group's item.
Item asGroups(const Group& group, const Item& item, const Item& was, const Ids& ids) {
  Item out = item;
  out.id = was.id;
  out.parent = mapped(ids, item.parent);
  out.origin = was.origin;
  out.extra = was.extra;
  if (ButtonData* button = out.button()) {
    mapTargets(*button, ids);
    if (const ButtonData* own = was.button()) keepOwn(group, *button, *own);
  }
  return out;
}

// Items of a copy by index, the container first.
struct Copy {
  const Screen& on;
  size_t root, end;
  const Item& at(size_t i) const { return *on.items[root + i]; }
  size_t size() const { return end - root; }
};

// Which of the group's items each of the copy's is; what is none of them has no entry.
Ids idsOf(const Group& group, const Copy& copy) {
  std::unordered_set<ItemId> known;
  for (const auto& item : group.holds.items) known.insert(item->id);
  Ids out{{copy.at(0).id, group.holds.items[0]->id}};
  for (size_t i = 1; i < copy.size(); ++i)
    if (known.erase(copy.at(i).origin)) out.emplace(copy.at(i).id, copy.at(i).origin);
  return out;
}

bool isAlike(const Group& group, const Copy& copy) {
  const auto& items = group.holds.items;
  if (items.size() != copy.size()) return false;
  if (!(arrangement(*copy.at(0).container()) == arrangement(*items[0]->container()))) return false;
  const Ids ids = idsOf(group, copy);
  for (size_t i = 1; i < items.size(); ++i)
    if (copy.at(i).origin != items[i]->id ||
        !(asGroups(group, copy.at(i), *items[i], ids) == *items[i]))
      return false;
  return true;
}

// What an item of a group was in a group around that one, where there is any.
bool isOfAnyGroup(const Project& project, const ItemId& origin) {
  return std::any_of(project.groups.begin(), project.groups.end(),
                     [&](const auto& group) { return origin && findItem(group->holds, origin); });
}

class Keeper {
 public:
  Keeper(const Project& before, Project& after) : before_(before), after_(after) {}

  void run() {
    order();
    // What was changed goes from the outermost group inwards; what follows from it, outwards again.
    for (size_t g = order_.size(); g-- > 0;) absorb(order_[g]);
    for (const GroupId& group : order_) spread(group);
    forgetOrigins();
  }

 private:
  // Copies lie on screens and in groups.
  size_t holders() const { return after_.screens.size() + after_.groups.size(); }
  const Screen& at(size_t h) const {
    const size_t n = after_.screens.size();
    return h < n ? *after_.screens[h] : after_.groups[h - n]->holds;
  }
  Screen& edit(size_t h) {
    const size_t n = after_.screens.size();
    return h < n ? after_.screens[h].edit() : after_.groups[h - n].edit().holds;
  }
  bool isAsBefore(size_t h) const {
    const size_t n = after_.screens.size();
    if (h < n) return h < before_.screens.size() && before_.screens[h].same(after_.screens[h]);
    h -= n;
    return h < before_.groups.size() && before_.groups[h].same(after_.groups[h]);
  }

  // The inner ones first.
  void order() {
    std::unordered_set<GroupId> seen;
    for (const auto& group : after_.groups) visit(group->id, seen);
  }
  void visit(const GroupId& id, std::unordered_set<GroupId>& seen) {
    const Group* group = find(after_, id);
    if (!group || group->holds.items.empty() || !seen.insert(id).second) return;
    for (const auto& item : group->holds.items)
      if (item->container() && item->container()->group) visit(item->container()->group, seen);
    order_.push_back(id);
  }

  // The containers of a holder that are copies of it and in no other copy, the last first, so that
  // changing one leaves the places of the others.
  std::vector<size_t> copiesIn(size_t h, const GroupId& group) const {
    std::vector<size_t> out;
    const Screen& screen = at(h);
    const auto nesting = nestingOf(screen);
    for (size_t i = 0; i < screen.items.size();) {
      const ContainerData* box = screen.items[i]->container();
      if (box && box->group == group) out.push_back(i);
      i = box && box->group ? nesting[i].end : i + 1;
    }
    std::reverse(out.begin(), out.end());
    return out;
  }
  Copy copyAt(size_t h, size_t root) const { return {at(h), root, nestingOf(at(h))[root].end}; }

  bool wasThere(const ItemId& root, const GroupId& group) const {
    const auto is = [&](const Screen& screen) {
      const Item* item = findItem(screen, root);
      return item && item->container() && item->container()->group == group;
    };
    return std::any_of(before_.screens.begin(), before_.screens.end(),
                       [&](const auto& s) { return is(*s); }) ||
           std::any_of(before_.groups.begin(), before_.groups.end(),
                       [&](const auto& g) { return is(g->holds); });
  }

  // The first copy that differs from what the group was is what a person changed.
  void absorb(const GroupId& id) {
    const Group* was = find(before_, id);
    if (!was) return;
    for (size_t h = 0; h < holders(); ++h) {
      if (isAsBefore(h)) continue;
      for (const size_t root : copiesIn(h, id)) {
        const Copy copy = copyAt(h, root);
        if (!wasThere(copy.at(0).id, id) || isAlike(*was, copy)) continue;
        return takeOver(id, h, root);
      }
    }
  }

  void takeOver(const GroupId& id, size_t h, size_t root) {
    const Group& group = *find(after_, id);
    const Copy copy = copyAt(h, root);
    Ids ids = idsOf(group, copy);
    for (size_t i = 1; i < copy.size(); ++i)
      if (!ids.contains(copy.at(i).id)) ids.emplace(copy.at(i).id, freshId<ItemId>(after_, "i"));
    Run items;
    Item outermost = *group.holds.items[0];
    outermost.what = arrangement(*copy.at(0).container());
    items.emplace_back(std::move(outermost));
    for (size_t i = 1; i < copy.size(); ++i) {
      const Item& item = copy.at(i);
      Item fresh;  // what it is compared with where the group has none: itself
      if (const Item* was = findItem(group.holds, ids.at(item.id))) {
        fresh = asGroups(group, item, *was, ids);
      } else {
        fresh = item;
        fresh.id = ids.at(item.id);
        fresh.parent = mapped(ids, item.parent);
        if (!isOfAnyGroup(after_, item.origin)) fresh.origin = {};
        if (ButtonData* button = fresh.button()) mapTargets(*button, ids);
      }
      items.emplace_back(std::move(fresh));
    }
    const size_t size = copy.size();
    std::vector<ItemId> origins;
    for (size_t i = 1; i < size; ++i) origins.push_back(ids.at(copy.at(i).id));
    bristle::edit(after_, id)->holds.items = std::move(items);
    Screen& on = edit(h);
    for (size_t i = 1; i < size; ++i)
      if (on.items[root + i]->origin != origins[i - 1])
        on.items[root + i].edit().origin = origins[i - 1];
  }

  void spread(const GroupId& id) {
    const Group* was = find(before_, id);
    const bool changed = !was || was != find(after_, id);
    for (size_t h = 0; h < holders(); ++h) {
      if (!changed && isAsBefore(h)) continue;
      for (const size_t root : copiesIn(h, id))
        if (!isAlike(*find(after_, id), copyAt(h, root))) makeAlike(id, h, root);
    }
  }

  void makeAlike(const GroupId& id, size_t h, size_t root) {
    const Group group = *find(after_, id);
    const Copy copy = copyAt(h, root);
    std::unordered_map<ItemId, const Item*> has;  // the copy's, by the group's
    for (size_t i = 1; i < copy.size(); ++i) has.emplace(copy.at(i).origin, &copy.at(i));
    Ids ids{{group.holds.items[0]->id, copy.at(0).id}};
    std::unordered_set<ItemId> removed;
    for (size_t i = 1; i < copy.size(); ++i) removed.insert(copy.at(i).id);
    for (size_t i = 1; i < group.holds.items.size(); ++i) {
      const ItemId& of = group.holds.items[i]->id;
      const auto own = has.find(of);
      ids.emplace(of, own == has.end() ? freshId<ItemId>(after_, "b") : own->second->id);
      removed.erase(ids.at(of));
    }
    Run run;
    Item outermost = copy.at(0);
    ContainerData how = arrangement(*group.holds.items[0]->container());
    how.group = id;
    how.flyOut = outermost.container()->flyOut;
    outermost.what = how;
    run.emplace_back(std::move(outermost));
    for (size_t i = 1; i < group.holds.items.size(); ++i) {
      const Item& of = *group.holds.items[i];
      Item item = of;
      item.id = ids.at(of.id);
      item.parent = ids.at(of.parent);
      item.origin = of.id;
      item.extra = {};
      const auto own = has.find(of.id);
      if (own != has.end()) item.extra = own->second->extra;
      if (ButtonData* button = item.button()) {
        mapTargets(*button, ids);
        if (own != has.end() && own->second->button())
          keepOwn(group, *button, *own->second->button());
      }
      run.emplace_back(std::move(item));
    }
    const size_t end = copy.end;
    Screen& on = edit(h);
    on.items.erase(on.items.begin() + std::ptrdiff_t(root), on.items.begin() + std::ptrdiff_t(end));
    on.items.insert(on.items.begin() + std::ptrdiff_t(root), run.begin(), run.end());
    if (!removed.empty()) forget(on, removed);
  }

  // What was taken out of a copy, and copies of groups that are gone.
  void forgetOrigins() {
    for (size_t h = 0; h < holders(); ++h) {
      if (isAsBefore(h) && before_.groups.size() == after_.groups.size()) continue;
      const Screen& screen = at(h);
      const auto nesting = nestingOf(screen);
      std::vector<bool> inCopy(screen.items.size(), false);
      for (size_t i = 0; i < screen.items.size(); ++i) {
        const ContainerData* box = screen.items[i]->container();
        const int parent = nesting[i].parent;
        const bool in = parent >= 0 && (inCopy[size_t(parent)] || isCopy(screen, size_t(parent)));
        inCopy[i] = in;
        if (box && box->group && !find(after_, box->group))
          edit(h).items[i].edit().container()->group = {};
        if (!in && at(h).items[i]->origin) edit(h).items[i].edit().origin = {};
      }
    }
  }
  bool isCopy(const Screen& screen, size_t i) const {
    const ContainerData* box = screen.items[i]->container();
    return box && box->group && find(after_, box->group);
  }

  const Project& before_;
  Project& after_;
  std::vector<GroupId> order_;
};

}  // namespace

void keepCopies(const Project& before, Project& after) {
  if (after.groups.empty() && before.groups.empty()) return;
  Keeper(before, after).run();
}

std::vector<Shared<Item>> copyOfGroup(Project& project, const Group& group) {
  Ids ids;
  for (const auto& item : group.holds.items)
    ids.emplace(item->id, freshId<ItemId>(project, item->button() ? "b" : "i"));
  Run out;
  for (const auto& of : group.holds.items) {
    Item item = *of;
    item.id = ids.at(of->id);
    if (item.parent) item.parent = ids.at(of->parent);
    if (out.empty())
      item.container()->group = group.id;
    else
      item.origin = of->id;
    if (ButtonData* button = item.button()) mapTargets(*button, ids);
    out.emplace_back(std::move(item));
  }
  return out;
}

}  // namespace bristle
