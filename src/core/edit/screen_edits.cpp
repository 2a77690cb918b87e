#include "core/edit/screen_edits.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <unordered_map>
#include <unordered_set>

#include "core/edit/forget.h"
#include "core/edit/on_screen.h"
#include "core/edit/series_edits.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

std::vector<std::string> screenNames(const Project& project) {
  std::vector<std::string> names;
  for (const auto& screen : project.screens) names.push_back(screen->name);
  return names;
}

Item freshButton(Project& project, const KindId& kind, std::string caption) {
  Item item;
  item.id = freshId<ItemId>(project, "b");
  ButtonData button;
  button.kind = kind;
  button.caption = std::move(caption);
  item.what = std::move(button);
  return item;
}

// With the ids that its likes have; the outermost lies 24 px down and right of the original.
Item copyOf(const Item& original, const std::unordered_map<ItemId, ItemId>& copies,
            bool outermost) {
  Item copy = original;
  copy.id = copies.at(original.id);
  if (outermost) {
    copy.place.x.offset += copy.place.x.pin == Pin::End ? -24 : 24;
    copy.place.y.offset += copy.place.y.pin == Pin::End ? -24 : 24;
  } else {
    copy.parent = copies.at(original.parent);
  }
  if (ContainerData* box = copy.container())
    if (const auto from = copies.find(box->flyOut.from); from != copies.end())
      box->flyOut.from = from->second;
  if (ButtonData* button = copy.button())
    button->routes.each([&](RouteRule& rule) {
      const auto to = copies.find(rule.target.item.alone());
      if (to != copies.end()) rule.target = to->second;
    });
  return copy;
}

}  // namespace

Edit addScreen(std::string name) {
  return {"new screen", {}, [name = std::move(name)](const Project& before) -> Result<Project> {
            Project after = before;
            Screen screen;
            screen.name = freeName(screenNames(after), name);
            screen.backdrop = Fill::solid({38, 44, 46, 255});
            screen.id = freshId<ScreenId>(after, "s");
            if (!after.first) after.first = screen.id;
            after.screens.emplace_back(std::move(screen));
            return after;
          }};
}

Edit renameScreen(ScreenId id, std::string name) {
  return onScreen(id, "rename screen", {}, [=](Project after, Screen& screen) -> Result<Project> {
    if (name.empty()) return fail({}, "a screen needs a name");
    for (const auto& other : after.screens)
      if (other->id != id && other->name == name)
        return fail({}, "another screen is called “" + name + "”");
    screen.name = name;
    return after;
  });
}

Edit removeScreen(ScreenId id) {
  return {"remove screen", {}, [id = std::move(id)](const Project& before) -> Result<Project> {
            Project after = before;
            std::erase_if(after.screens, [&](const auto& s) { return s->id == id; });
            if (after.first == id)
              after.first = after.screens.empty() ? ScreenId{} : after.screens.front()->id;
            return after;
          }};
}

Edit openFirst(ScreenId id) {
  return onScreen(id, "open first", {}, [=](Project after, Screen&) -> Result<Project> {
    after.first = id;
    return after;
  });
}

Edit changeScreen(ScreenId id, std::string name, std::string mergeKey,
                  std::function<void(Screen&)> change) {
  return onScreen(std::move(id), std::move(name), std::move(mergeKey),
                  [change = std::move(change)](Project after, Screen& screen) -> Result<Project> {
                    change(screen);
                    return after;
                  });
}

Edit changeItems(ScreenId screen, std::vector<ItemId> items, std::string name, std::string mergeKey,
                 std::function<void(Item&)> change) {
  return onScreen(std::move(screen), std::move(name), std::move(mergeKey),
                  [items = std::move(items), change = std::move(change)](
                      Project after, Screen& s) -> Result<Project> {
                    const std::unordered_set<ItemId> wanted(items.begin(), items.end());
                    bool any = wanted.empty();
                    for (auto& item : s.items)
                      if (wanted.contains(item->id)) {
                        change(item.edit());
                        any = true;
                      }
                    if (!any) return fail({}, "what it would change is gone");
                    return after;
                  });
}

Edit addSeries(ScreenId id, KindId kind, std::vector<std::string> captions, Flow flow, Px x, Px y) {
  std::vector<SeriesRow> rows;
  for (std::string& caption : captions) {
    rows.emplace_back();
    rows.back().caption.base = std::move(caption);
  }
  return layDown(std::move(id), std::move(kind), std::move(rows), flow, x, y);
}

Edit addButton(ScreenId id, KindId kind, std::string caption, Px x, Px y) {
  return onScreen(id, "add button", {}, [=](Project after, Screen& screen) -> Result<Project> {
    if (!find(after, kind)) return fail({}, "that kind is gone");
    Item item = freshButton(after, kind, caption);
    item.place.x.offset = x;
    item.place.y.offset = y;
    if (!screen.entry && !isStill(after, item)) screen.entry = item.id;
    screen.items.emplace_back(std::move(item));
    return after;
  });
}

Edit addItem(ScreenId id, std::string name, Item item) {
  return onScreen(id, std::move(name), {}, [=](Project after, Screen& screen) -> Result<Project> {
    Item fresh = item;
    fresh.id = freshId<ItemId>(after, "i");
    // Panels and pictures go behind the buttons: they are what buttons stand on.
    const bool behind = !fresh.button() && !fresh.container();
    const auto at = behind
                        ? std::find_if(screen.items.begin(), screen.items.end(),
                                       [](const auto& i) { return i->button() || i->container(); })
                        : screen.items.end();
    screen.items.insert(at, Shared<Item>(std::move(fresh)));
    return after;
  });
}

Edit removeItems(ScreenId id, std::vector<ItemId> items) {
  return onScreen(id, "remove", {}, [=](Project after, Screen& screen) -> Result<Project> {
    std::unordered_set<ItemId> removed;
    for (const auto& item : takeOut(screen, outermost(screen, items))) removed.insert(item->id);
    forget(screen, removed);
    return after;
  });
}

Edit duplicateItems(ScreenId id, std::vector<ItemId> items) {
  return onScreen(id, "duplicate", {}, [=](Project after, Screen& screen) -> Result<Project> {
    const auto roots = outermost(screen, items);
    const std::unordered_set<ItemId> isRoot(roots.begin(), roots.end());
    Screen taken = screen;
    const auto originals = takeOut(taken, roots);
    std::unordered_map<ItemId, ItemId> copies;
    for (const auto& item : originals)
      copies[item->id] = freshId<ItemId>(after, item->button() ? "b" : "i");
    // Those of one holder together: thousands may be copied at once.
    std::map<ItemId, std::vector<Shared<Item>>> runs;
    ItemId holder;  // of the root at hand
    for (const auto& item : originals) {
      const bool root = isRoot.contains(item->id);
      if (root) holder = item->parent;
      runs[holder].emplace_back(copyOf(*item, copies, root));
    }
    for (auto& [into, run] : runs) putLast(screen, into, std::move(run));
    return after;
  });
}

Edit placeItems(ScreenId id, std::vector<std::pair<ItemId, Place>> places, std::string name,
                std::string mergeKey) {
  return onScreen(std::move(id), std::move(name), std::move(mergeKey),
                  [places = std::move(places)](Project after, Screen& screen) -> Result<Project> {
                    std::unordered_map<ItemId, Place> wanted(places.begin(), places.end());
                    for (auto& item : screen.items) {
                      const auto at = wanted.find(item->id);
                      if (at != wanted.end() && item->place != at->second)
                        item.edit().place = at->second;
                    }
                    return after;
                  });
}

Edit setEntry(ScreenId screen, ItemId item) {
  return changeScreen(std::move(screen), "start focus here", {},
                      [item = std::move(item)](Screen& s) { s.entry = item; });
}

Edit setRoute(ScreenId screen, ItemId item, Dir dir, RouteRule rule) {
  const char* const verbs[] = {"release route", "pin route", "close route", "wrap route"};
  return changeItems(std::move(screen), {std::move(item)},
                     fmt::format("{} {}", verbs[static_cast<size_t>(rule.type)], nameOf(dir)), {},
                     [=](Item& i) {
                       if (ButtonData* button = i.button()) button->routes[dir] = rule;
                     });
}

Edit setRouteOn(ScreenId screen, ItemId item, Dir dir, DisplayId display,
                std::optional<RouteRule> rule) {
  const std::string name = rule ? "route {} on this display" : "route {} as on all displays";
  return changeItems(std::move(screen), {std::move(item)},
                     fmt::format(fmt::runtime(name), nameOf(dir)), {}, [=](Item& i) {
                       if (!i.button()) return;
                       auto& where = i.button()->routes.where;
                       const auto at = std::find_if(
                           where.begin(), where.end(), [&](const RouteException& each) {
                             return each.dir == dir && each.display == display && !each.language;
                           });
                       if (!rule && at != where.end()) where.erase(at);
                       if (rule && at != where.end()) at->rule = *rule;
                       if (rule && at == where.end()) where.push_back({display, {}, dir, *rule});
                     });
}

Edit setAction(ScreenId screen, ItemId item, Action action) {
  return changeItems(std::move(screen), {std::move(item)}, "change action", {}, [=](Item& i) {
    if (ButtonData* button = i.button()) button->actions = {action};
  });
}

Edit setActions(ScreenId screen, std::vector<ItemId> items, Actions actions) {
  return changeItems(std::move(screen), std::move(items), "change actions", {}, [=](Item& i) {
    if (ButtonData* button = i.button()) button->actions = actions;
  });
}

}  // namespace bristle
