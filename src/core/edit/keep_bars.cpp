#include "core/edit/keep_bars.h"

#include <algorithm>
#include <unordered_set>

#include "core/edit/forget.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

using Run = std::vector<Shared<Item>>;

void dropGoneScreens(Project& after) {
  for (ScreenList& list : after.lists)
    std::erase_if(list.screens, [&](const ScreenId& id) { return !find(after, id); });
}

// The screen of its own that a button opens; empty: it does something else.
ScreenId opens(const Item& item) {
  const ButtonData* button = item.button();
  return button ? bristle::opens(button->actions) : ScreenId{};
}

Item buttonFor(Project& project, const Screen& screen, const Item* like) {
  Item out;
  ButtonData button;
  if (like) {
    out.place = like->place;
    button.kind = like->button()->kind;
    button.own = like->button()->own;
  } else if (!project.kinds.empty()) {
    button.kind = project.kinds.front()->id;
  }
  out.id = freshId<ItemId>(project, "b");
  button.caption = screen.name;
  button.actions = {{ActionType::Open, screen.id}};
  out.what = std::move(button);
  return out;
}

// A caption that was the screen's name follows it.
void follow(const Project& before, const Screen& screen, Shared<Item>& item) {
  const Screen* was = find(before, screen.id);
  if (!was || was->name == screen.name || item->button()->caption.base != was->name) return;
  item.edit().button()->caption.base = screen.name;
}

class BarKeeper {
 public:
  BarKeeper(const Project& before, Project& after) : before_(before), after_(after) {}

  void keep(size_t screen) {
    for (size_t i = 0; i < after_.screens[screen]->items.size(); ++i) {
      const ContainerData* box = after_.screens[screen]->items[i]->container();
      if (!box || !box->bar) continue;
      if (const ScreenList* list = find(after_, box->bar))
        keep(screen, i, *list);
      else
        after_.screens[screen].edit().items[i].edit().container()->bar = {};
    }
  }

 private:
  // The runs of what is directly in the container.
  std::vector<Run> childrenOf(const Screen& screen, size_t box) const {
    const auto nesting = nestingOf(screen);
    std::vector<Run> out;
    for (size_t i = box + 1; i < nesting[box].end; i = nesting[i].end)
      out.emplace_back(screen.items.begin() + std::ptrdiff_t(i),
                       screen.items.begin() + std::ptrdiff_t(nesting[i].end));
    return out;
  }

  void keep(size_t at, size_t box, const ScreenList& list) {
    const Screen& screen = *after_.screens[at];
    const ItemId holder = screen.items[box]->id;
    std::vector<Run> old = childrenOf(screen, box), now;
    const auto first =
        std::find_if(old.begin(), old.end(), [](const Run& run) { return run[0]->button(); });
    const std::optional<Item> like =
        first == old.end() ? std::nullopt : std::optional(*(*first)[0]);
    for (const ScreenId& id : list.screens) {
      const auto has = std::find_if(old.begin(), old.end(),
                                    [&](const Run& run) { return opens(*run[0]) == id; });
      Run run;
      if (has != old.end()) {
        run = std::move(*has);
        old.erase(has);
        follow(before_, *find(after_, id), run[0]);
      } else {
        Item fresh = buttonFor(after_, *find(after_, id), like ? &*like : nullptr);
        fresh.parent = holder;
        run.emplace_back(std::move(fresh));
      }
      now.push_back(std::move(run));
    }
    std::unordered_set<ItemId> removed;
    for (Run& run : old) {
      if (opens(*run[0]))
        removed.insert(run[0]->id);
      else
        now.push_back(std::move(run));
    }
    put(at, box, now, removed);
  }

  void put(size_t at, size_t box, const std::vector<Run>& children,
           const std::unordered_set<ItemId>& removed) {
    Run all;
    for (const Run& run : children) all.insert(all.end(), run.begin(), run.end());
    const Screen& screen = *after_.screens[at];
    const size_t end = nestingOf(screen)[box].end;
    const bool same =
        end - box - 1 == all.size() &&
        std::equal(all.begin(), all.end(), screen.items.begin() + std::ptrdiff_t(box) + 1,
                   [](const auto& a, const auto& b) { return a.same(b); });
    if (same) return;
    Screen& on = after_.screens[at].edit();
    on.items.erase(on.items.begin() + std::ptrdiff_t(box) + 1,
                   on.items.begin() + std::ptrdiff_t(end));
    on.items.insert(on.items.begin() + std::ptrdiff_t(box) + 1, all.begin(), all.end());
    if (!removed.empty()) forget(on, removed);
  }

  const Project& before_;
  Project& after_;
};

bool sameScreenNames(const Project& a, const Project& b) {
  return std::equal(
      a.screens.begin(), a.screens.end(), b.screens.begin(), b.screens.end(),
      [](const auto& x, const auto& y) { return x->id == y->id && x->name == y->name; });
}

}  // namespace

void keepBars(const Project& before, Project& after) {
  if (after.lists.empty() && before.lists.empty()) return;
  if (before.screens.size() != after.screens.size()) dropGoneScreens(after);
  const bool all = before.lists != after.lists || !sameScreenNames(before, after);
  BarKeeper keeper(before, after);
  for (size_t s = 0; s < after.screens.size(); ++s)
    if (all || s >= before.screens.size() || !before.screens[s].same(after.screens[s]))
      keeper.keep(s);
}

}  // namespace bristle
