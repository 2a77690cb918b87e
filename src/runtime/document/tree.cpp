#include "runtime/document/tree.h"

#include <algorithm>
#include <set>
#include <unordered_map>
#include <unordered_set>

#include "runtime/document/whynot.h"

namespace bristle {
namespace {

// The containers around the item at hand, by index, while one walks on.
class Holders {
 public:
  explicit Holders(const Screen& screen) : screen_(screen) {}
  // Leaves the ones that item i is not in, telling each to `left`. False where its parent is none
  // of those that are open.
  template <class Left>
  bool goTo(size_t i, Left left) {
    const ItemId& parent = screen_.items[i]->parent;
    const auto is = [&](int holder) { return screen_.items[size_t(holder)]->id == parent; };
    const bool known = !parent || std::any_of(open_.begin(), open_.end(), is);
    while (!open_.empty() && (!parent || !known || !is(open_.back()))) {
      left(open_.back());
      open_.pop_back();
    }
    return known;
  }
  void enter(size_t i) {
    if (screen_.items[i]->container()) open_.push_back(static_cast<int>(i));
  }
  int innermost() const { return open_.empty() ? -1 : open_.back(); }
  size_t depth() const { return open_.size(); }

 private:
  const Screen& screen_;
  std::vector<int> open_;
};

std::string called(const Screen& screen, size_t i) {
  return "“" + displayName(*screen.items[i]) + "”";
}

}  // namespace

std::vector<Nesting> nestingOf(const Screen& screen) {
  std::vector<Nesting> out(screen.items.size());
  Holders holders(screen);
  std::set<int> panelsShown;  // the sets of which one has been met
  for (size_t i = 0; i < out.size(); ++i) {
    holders.goTo(i, [&](int left) { out[size_t(left)].end = i; });
    const Item& item = *screen.items[i];
    Nesting& here = out[i];
    here.parent = holders.innermost();
    here.depth = static_cast<int>(holders.depth());
    here.end = i + 1;
    here.hidden = item.hidden || (here.parent >= 0 && out[size_t(here.parent)].hidden);
    // Of a set of panels the first that is not hidden is the one that is shown.
    if (here.parent >= 0 && screen.items[size_t(here.parent)]->container()->panels && !here.hidden)
      here.hidden = !panelsShown.insert(here.parent).second;
    here.locked = item.locked || (here.parent >= 0 && out[size_t(here.parent)].locked);
    holders.enter(i);
  }
  for (int up = holders.innermost(); up >= 0; up = out[size_t(up)].parent)
    out[size_t(up)].end = out.size();
  return out;
}

std::optional<size_t> indexOf(const Screen& screen, const ItemId& id) {
  for (size_t i = 0; i < screen.items.size(); ++i)
    if (screen.items[i]->id == id) return i;
  return {};
}

std::string whyNoTree(const Screen& screen) {
  Holders holders(screen);
  for (size_t i = 0; i < screen.items.size(); ++i) {
    if (!holders.goTo(i, [](int) {}))
      return called(screen, i) + " right after the container that it is in";
    if (holders.depth() > kDeepestContainer)
      return called(screen, i) + " in no more than " + std::to_string(kDeepestContainer) +
             " containers";
    holders.enter(i);
  }
  return {};
}

std::vector<ItemId> outermost(const Screen& screen, std::span<const ItemId> items) {
  std::vector<ItemId> out;
  const std::unordered_set<ItemId> wanted(items.begin(), items.end());
  const auto nesting = nestingOf(screen);
  for (size_t i = 0; i < screen.items.size();) {
    const ItemId& id = screen.items[i]->id;
    const bool isWanted = wanted.contains(id);
    if (isWanted) out.push_back(id);
    i = isWanted ? nesting[i].end : i + 1;
  }
  return out;
}

std::vector<Shared<Item>> takeOut(Screen& screen, std::span<const ItemId> items) {
  std::unordered_map<ItemId, size_t> rank;
  for (const ItemId& id : items) rank.emplace(id, rank.size());
  const auto nesting = nestingOf(screen);
  std::vector<std::vector<Shared<Item>>> runs(rank.size());
  std::vector<Shared<Item>> left;
  for (size_t i = 0; i < screen.items.size();) {
    const auto at = rank.find(screen.items[i]->id);
    const size_t end = at == rank.end() ? i + 1 : nesting[i].end;
    auto& to = at == rank.end() ? left : runs[at->second];
    to.insert(to.end(), screen.items.begin() + std::ptrdiff_t(i),
              screen.items.begin() + std::ptrdiff_t(end));
    i = end;
  }
  screen.items = std::move(left);
  std::vector<Shared<Item>> out;
  for (auto& run : runs) out.insert(out.end(), run.begin(), run.end());
  return out;
}

void putLast(Screen& screen, const ItemId& holder, std::vector<Shared<Item>> run) {
  putBefore(screen, holder, {}, std::move(run));
}

void putBefore(Screen& screen, const ItemId& holder, const ItemId& brother,
               std::vector<Shared<Item>> run) {
  size_t end = screen.items.size();
  if (const auto before = brother ? indexOf(screen, brother) : std::nullopt)
    end = *before;
  else if (const auto at = indexOf(screen, holder))
    end = nestingOf(screen)[*at].end;
  Screen alone;
  alone.items = std::move(run);
  const auto nesting = nestingOf(alone);
  for (size_t i = 0; i < alone.items.size(); ++i)
    if (nesting[i].parent < 0 && alone.items[i]->parent != holder)
      alone.items[i].edit().parent = holder;
  screen.items.insert(screen.items.begin() + std::ptrdiff_t(end), alone.items.begin(),
                      alone.items.end());
}

ItemId brotherAfter(const Screen& screen, const ItemId& item) {
  const auto at = indexOf(screen, item);
  if (!at) return {};
  const size_t next = nestingOf(screen)[*at].end;
  const bool brother =
      next < screen.items.size() && screen.items[next]->parent == screen.items[*at]->parent;
  return brother ? screen.items[next]->id : ItemId{};
}

void swapWithBrother(Screen& screen, const ItemId& item, int by) {
  const auto at = indexOf(screen, item);
  if (!at) return;
  const auto nesting = nestingOf(screen);
  const auto first = screen.items.begin();
  const auto rotate = [&](size_t from, size_t middle) {
    std::rotate(first + std::ptrdiff_t(from), first + std::ptrdiff_t(middle),
                first + std::ptrdiff_t(nesting[middle].end));
  };
  const int parent = nesting[*at].parent;
  if (by > 0) {
    const size_t next = nesting[*at].end;
    if (next < nesting.size() && nesting[next].parent == parent) rotate(*at, next);
    return;
  }
  for (size_t i = *at; i-- > 0 && static_cast<int>(i) > parent;) {
    if (nesting[i].parent != parent) continue;
    rotate(i, *at);
    return;
  }
}

}  // namespace bristle
