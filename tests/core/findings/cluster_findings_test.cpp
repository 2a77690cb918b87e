// What is told of clusters, and that each mend mends.
#include <gmock/gmock.h>

#include "core/findings/check.h"
#include "support/menus.h"

namespace bristle {
namespace {

using testing::ElementsAre;
using testing::HasSubstr;
using testing::IsEmpty;

struct Clusters {
  Project project = test::columnMenu({"One", "Two", "Three"});
  std::vector<ItemId> ids = test::buttons(project);
  Cluster& add(const char* id, std::vector<size_t> in) {
    Cluster cluster;
    cluster.id = {id};
    cluster.name = id;
    for (const size_t i : in) cluster.items.emplace_back(ids[i]);
    auto& all = edit(project, project.screens[0]->id)->clusters;
    all.push_back(cluster);
    return all.back();
  }
  static Findings of(const Project& project) {
    Findings out = check(project);
    std::erase_if(out, [](const Finding& f) { return f.rule != "cluster"; });
    return out;
  }
  std::vector<std::string> told() const {
    std::vector<std::string> out;
    for (const Finding& f : of(project)) {
      out.push_back(f.reason);
      for (const Edit& mend : f.mends)
        for (const Finding& left : of(test::after(project, mend))) EXPECT_NE(left.key, f.key);
    }
    return out;
  }
};

TEST(ClusterFindings, AGoodOneHasNone) {
  Clusters c;
  c.add("g1", {0, 1});
  EXPECT_THAT(c.told(), IsEmpty());
}

TEST(ClusterFindings, EmptyOnesAreTold) {
  Clusters c;
  c.add("g1", {});
  c.add("g2", {}).items = {ItemPath(ItemId{"gone"})};
  EXPECT_THAT(c.told(),
              ElementsAre(HasSubstr("no button is in it"), HasSubstr("no button is in it")));
}

TEST(ClusterFindings, ASealedOneWithoutAWayOutIsTold) {
  Clusters c;
  c.add("g1", {0, 1}).leave = Leave::Sealed;
  EXPECT_THAT(c.told(), ElementsAre(HasSubstr("only cancel is left")));
  edit(*edit(c.project, c.project.screens[0]->id), c.ids[1])->button()->actions = {
      {ActionType::Back, {}, {}}};
  EXPECT_THAT(c.told(), IsEmpty());
}

TEST(ClusterFindings, AnExitToItselfAndToWhatIsGoneIsTold) {
  Clusters c;
  Cluster& g = c.add("g1", {0, 1});
  g.exits[size_t(Dir::Up)] = {RouteType::Pinned, ClusterId{"g1"}};
  g.exits[size_t(Dir::Down)] = {RouteType::Pinned, ItemId{"gone"}};
  EXPECT_THAT(c.told(), ElementsAre(HasSubstr("its exit up leads to nothing"),
                                    HasSubstr("its exit down leads to nothing")));
}

TEST(ClusterFindings, TwoThatOverlapOnlyPartlyAreTold) {
  Clusters c;
  c.add("g1", {0, 1});
  c.add("g2", {1, 2});
  EXPECT_THAT(c.told(), ElementsAre(HasSubstr("1 of its buttons in common")));
}

TEST(ClusterFindings, TwentyWithinEachOtherAreBorne) {
  Clusters c;
  for (int i = 0; i < 20; ++i) c.add(("g" + std::to_string(i)).c_str(), {0, 1, 2});
  EXPECT_THAT(c.told(), IsEmpty()) << "each holds the next";
}

}  // namespace
}  // namespace bristle
