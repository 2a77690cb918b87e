#include "runtime/formats/format_one.h"

#include <algorithm>
#include <unordered_map>

#include "runtime/document/whynot.h"

namespace bristle {
namespace {

class Rebuild {
 public:
  explicit Rebuild(const Screen& screen) : screen_(screen), children_(screen.items.size()) {
    std::unordered_map<ItemId, size_t> index;
    for (size_t i = 0; i < screen.items.size(); ++i) index.emplace(screen.items[i]->id, i);
    for (size_t i = 0; i < screen.items.size(); ++i) {
      const auto at = index.find(screen.items[i]->parent);
      const bool held = at != index.end() && screen.items[at->second]->container();
      holder_.push_back(held ? static_cast<int>(at->second) : -1);
    }
    for (size_t i = 0; i < holder_.size(); ++i)
      if (endsNowhere(i)) holder_[i] = -1;
    for (size_t i = 0; i < holder_.size(); ++i)
      if (holder_[i] >= 0) children_[size_t(holder_[i])].push_back(i);
  }

  std::vector<Shared<Item>> run(std::vector<std::string>& log) {
    std::vector<std::pair<size_t, size_t>> roots;  // where the first of it was painted, index
    for (size_t i = 0; i < holder_.size(); ++i)
      if (holder_[i] < 0) roots.emplace_back(firstOf(i), i);
    std::sort(roots.begin(), roots.end());
    for (const auto& root : roots) put(root.second);
    tell(log);
    return std::move(out_);
  }

 private:
  // In itself by way of others, or deeper than anything may be: taken out.
  bool endsNowhere(size_t i) const {
    size_t steps = 0;
    for (int up = holder_[i]; up >= 0; up = holder_[size_t(up)])
      if (++steps > kDeepestContainer) return true;
    return false;
  }

  // Containers paint nothing, so that what counts is what is in them.
  size_t firstOf(size_t i) const {
    if (children_[i].empty()) return i;
    size_t first = screen_.items.size();
    for (size_t child : children_[i]) first = std::min(first, firstOf(child));
    return first;
  }

  void put(size_t i) {
    order_.push_back(i);
    out_.push_back(screen_.items[i]);
    const ItemId parent = holder_[i] < 0 ? ItemId{} : screen_.items[size_t(holder_[i])]->id;
    if (out_.back()->parent != parent) {
      lost_.push_back(i);
      out_.back().edit().parent = parent;
    }
    for (size_t child : children_[i]) put(child);
  }

  void tell(std::vector<std::string>& log) const {
    const auto line = [&](size_t i, const std::string& what) {
      log.push_back("screen “" + screen_.name + "”, “" + displayName(*screen_.items[i]) + "” (" +
                    screen_.items[i]->id.text + "): " + what);
    };
    for (size_t i : lost_)
      line(i, "its container “" + screen_.items[i]->parent.text +
                  "” is not there or cannot hold it; it lies on the screen");
    size_t highest = 0;
    for (size_t i : order_) {
      if (screen_.items[i]->container()) continue;
      if (i < highest) line(i, "it is painted with its container now, further to the front");
      highest = std::max(highest, i);
    }
  }

  const Screen& screen_;
  std::vector<int> holder_;
  std::vector<std::vector<size_t>> children_;
  std::vector<size_t> order_, lost_;
  std::vector<Shared<Item>> out_;
};

}  // namespace

std::vector<std::string> bringUpItems(Project& project) {
  std::vector<std::string> log;
  for (auto& screen : project.screens) screen.edit().items = Rebuild(*screen).run(log);
  return log;
}

}  // namespace bristle
