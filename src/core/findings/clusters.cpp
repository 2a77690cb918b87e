#include <fmt/format.h>

#include <algorithm>
#include <set>

#include "core/edit/cluster_edits.h"
#include "core/findings/rules.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

// The buttons of a cluster, by place on the screen.
std::set<size_t> buttonsIn(const Screen& screen, const Cluster& cluster) {
  std::set<size_t> out;
  const auto nesting = nestingOf(screen);
  for (const ItemPath& path : cluster.items) {
    const auto at = indexOf(screen, path.alone());
    for (size_t i = at.value_or(screen.items.size()); i < screen.items.size(); ++i) {
      if (i >= nesting[*at].end) break;
      if (screen.items[i]->button()) out.insert(i);
    }
  }
  return out;
}

class ClusterJudge {
 public:
  ClusterJudge(const Screen& screen, Findings& out) : screen_(screen), out_(out) {
    for (const Cluster& cluster : screen.clusters) buttons_.push_back(buttonsIn(screen, cluster));
  }
  void judge(size_t at) {
    const Cluster& cluster = screen_.clusters[at];
    const auto& in = buttons_[at];
    if (in.empty())
      return tell(cluster, "empty", "no button is in it, so it does nothing",
                  removeCluster(screen_.id, cluster.id));
    const bool acts = std::any_of(in.begin(), in.end(), [&](size_t i) {
      return !screen_.items[i]->button()->actions.empty();
    });
    if (cluster.leave == Leave::Sealed && !acts)
      tell(
          cluster, "sealed",
          "no direction leads out of it and none of its buttons does anything: only cancel is left",
          change(cluster, "let it be left at its ends", [](Cluster& c) { c.leave = Leave::Ends; }));
    if (cluster.enter == Enter::Chosen && !holds(in, cluster.chosen))
      tell(
          cluster, "chosen", "the button at which it is entered is not in it",
          change(cluster, "enter it at the nearest", [](Cluster& c) { c.enter = Enter::Nearest; }));
    for (const Dir dir : kDirs) judgeExit(cluster, dir);
    for (size_t other = at + 1; other < buttons_.size(); ++other) judgeNesting(at, other);
  }

 private:
  bool holds(const std::set<size_t>& in, const ItemPath& path) const {
    const auto at = path ? indexOf(screen_, path.alone()) : std::nullopt;
    return at && in.contains(*at);
  }
  void judgeExit(const Cluster& cluster, Dir dir) {
    const RouteRule& exit = cluster.exits[size_t(dir)];
    if (exit.type != RouteType::Pinned) return;
    const Item* item = exit.target.item ? findItem(screen_, exit.target.item.alone()) : nullptr;
    const bool there =
        (item && item->button()) ||
        std::any_of(screen_.clusters.begin(), screen_.clusters.end(), [&](const Cluster& c) {
          return exit.target.cluster && c.id == exit.target.cluster && c.id != cluster.id;
        });
    if (!there)
      tell(cluster, "exit " + std::string(nameOf(dir)),
           fmt::format("its exit {} leads to nothing outside of it", nameOf(dir)),
           change(cluster, fmt::format("let its exit {} be as laid out", nameOf(dir)),
                  [dir](Cluster& c) { c.exits[size_t(dir)] = {}; }));
  }
  // One within the other, or apart.
  void judgeNesting(size_t a, size_t b) {
    const auto& in = buttons_[a];
    const auto& other = buttons_[b];
    size_t both = 0;
    for (const size_t i : in) both += other.contains(i);
    if (both == 0 || both == in.size() || both == other.size()) return;
    tell(screen_.clusters[a], "over " + screen_.clusters[b].id.text,
         fmt::format("it has {} of its buttons in common with “{}”, and neither holds the other",
                     both, screen_.clusters[b].name),
         {});
  }
  Edit change(const Cluster& cluster, std::string name, std::function<void(Cluster&)> apply) const {
    return changeCluster(screen_.id, cluster.id, std::move(name), std::move(apply));
  }
  void tell(const Cluster& cluster, std::string detail, std::string reason,
            std::optional<Edit> mend) {
    Finding f{.place = fmt::format("{}, cluster “{}”", screen_.name, cluster.name),
              .reason = std::move(reason),
              .screen = screen_.id,
              .detail = cluster.id.text + " " + detail};
    if (mend) f.mends = {std::move(*mend)};
    out_.push_back(std::move(f));
  }

  const Screen& screen_;
  Findings& out_;
  std::vector<std::set<size_t>> buttons_;  // by cluster
};

}  // namespace

void checkClusters(const Surroundings&, const Screen& screen, Findings& out) {
  ClusterJudge judge(screen, out);
  for (size_t i = 0; i < screen.clusters.size(); ++i) judge.judge(i);
}

}  // namespace bristle
