#include "core/edit/route_edits.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>

#include "core/edit/on_screen.h"
#include "core/edit/screen_edits.h"
#include "runtime/document/tree.h"

namespace bristle {

Edit pinLine(ScreenId screen, std::vector<ItemId> inOrder, PinLine line) {
  return onScreen(std::move(screen), line.loop ? "pin in a loop" : "pin in a line", {},
                  [=, items = std::move(inOrder)](Project after, Screen& s) -> Result<Project> {
                    const size_t n = items.size();
                    if (n < 2) return fail({}, "a line needs two buttons or more");
                    const auto pin = [](ButtonData& button, Dir way, const ItemId& to) {
                      button.routes[way] = {RouteType::Pinned, to};
                    };
                    for (auto& item : s.items) {
                      const auto at = std::find(items.begin(), items.end(), item->id);
                      if (at == items.end() || !item->button()) continue;
                      const auto place = static_cast<size_t>(at - items.begin());
                      ButtonData& button = *item.edit().button();
                      if (line.loop || place + 1 < n) pin(button, line.dir, items[(place + 1) % n]);
                      if (line.bothWays && (line.loop || place > 0))
                        pin(button, opposite(line.dir), items[(place + n - 1) % n]);
                    }
                    return after;
                  });
}

namespace {

std::vector<size_t> buttonsIn(const Screen& screen, const ItemId& container) {
  std::vector<size_t> out;
  const auto at = indexOf(screen, container);
  if (!at) return out;
  const auto nesting = nestingOf(screen);
  for (size_t i = *at + 1; i < nesting[*at].end; ++i)
    if (screen.items[i]->button()) out.push_back(i);
  return out;
}

}  // namespace

std::vector<ItemId> groupsLike(const Screen& screen, const ItemId& container) {
  std::vector<ItemId> out;
  const auto at = indexOf(screen, container);
  if (!at) return out;
  const auto nesting = nestingOf(screen);
  std::vector<size_t> before(screen.items.size() + 1);  // buttons before each item
  for (size_t i = 0; i < screen.items.size(); ++i)
    before[i + 1] = before[i] + (screen.items[i]->button() ? 1 : 0);
  const auto count = [&](size_t i) { return before[nesting[i].end] - before[i]; };
  for (size_t i = 0; i < screen.items.size() && count(*at) > 0; ++i) {
    const bool apart = nesting[i].end <= *at || i >= nesting[*at].end;
    if (screen.items[i]->container() && apart && count(i) == count(*at))
      out.push_back(screen.items[i]->id);
  }
  return out;
}

Edit routesLike(ScreenId screen, ItemId container, ItemId like) {
  return onScreen(std::move(screen), "set routes as in another group", {},
                  [=](Project after, Screen& s) -> Result<Project> {
                    const auto here = buttonsIn(s, container), there = buttonsIn(s, like);
                    if (here.empty() || here.size() != there.size())
                      return fail({}, fmt::format("it holds {} buttons, the other one {}",
                                                  here.size(), there.size()));
                    std::map<ItemId, ItemId> counterparts;
                    for (size_t i = 0; i < here.size(); ++i)
                      counterparts[s.items[there[i]]->id] = s.items[here[i]]->id;
                    for (size_t i = 0; i < here.size(); ++i) {
                      RouteRules routes = s.items[there[i]]->button()->routes;
                      routes.each([&](RouteRule& rule) {
                        const auto to = counterparts.find(rule.target.item.alone());
                        if (to != counterparts.end()) rule.target = to->second;
                        if (rule.target.item.alone() == s.items[here[i]]->id) rule = {};
                      });
                      s.items[here[i]].edit().button()->routes = std::move(routes);
                    }
                    return after;
                  });
}

Edit releaseRoutes(ScreenId screen, std::vector<ItemId> items) {
  return changeItems(std::move(screen), std::move(items), "release routes", {}, [](Item& i) {
    ButtonData* button = i.button();
    if (!button) return;
    button->routes.everywhere = {};
    button->routes.where.clear();
  });
}

Edit setCarries(ScreenId screen, std::vector<ItemId> items, Dir dir, RouteCarries carries) {
  return changeItems(std::move(screen), std::move(items), "change what a route carries", {},
                     [=, carries = std::move(carries)](Item& i) {
                       if (ButtonData* b = i.button()) b->routes.carries[size_t(dir)] = carries;
                     });
}

}  // namespace bristle
