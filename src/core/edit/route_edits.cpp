#include "core/edit/route_edits.h"

#include <algorithm>

#include "core/edit/on_screen.h"
#include "core/edit/screen_edits.h"

namespace bristle {

Edit pinLine(ScreenId screen, std::vector<ItemId> inOrder, Dir dir, bool loop) {
  return onScreen(std::move(screen), loop ? "pin in a loop" : "pin in a line", {},
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
                      if (loop || place + 1 < n) pin(button, dir, items[(place + 1) % n]);
                      if (loop || place > 0) pin(button, opposite(dir), items[(place + n - 1) % n]);
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
