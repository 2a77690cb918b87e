// Screen::items as a tree written out, held against a plain nested model.
#include "runtime/document/tree.h"

#include <gmock/gmock.h>

#include <functional>
#include <random>

#include "core/edit/screen_edits.h"
#include "core/edit/tree_edits.h"
#include "support/menus.h"

namespace bristle {
namespace {

using testing::ElementsAre;
using testing::HasSubstr;
using testing::IsEmpty;

Item item(const char* id, const char* parent, bool holds) {
  Item out;
  out.id = {id};
  out.name = id;
  out.parent = {parent};
  if (holds)
    out.what = ContainerData{};
  else
    out.what = PanelData{};
  return out;
}

// a( b  c( d ) )  e
Screen small() {
  Screen screen;
  screen.items = {item("a", "", true), item("b", "a", false), item("c", "a", true),
                  item("d", "c", false), item("e", "", false)};
  return screen;
}

TEST(Tree, NestingTellsParentsEndsAndDepths) {
  const auto n = nestingOf(small());
  const auto column = [&](auto member) {
    std::vector<int> out;
    for (const Nesting& each : n) out.push_back(static_cast<int>(each.*member));
    return out;
  };
  EXPECT_THAT(column(&Nesting::parent), ElementsAre(-1, 0, 0, 2, -1));
  EXPECT_THAT(column(&Nesting::end), ElementsAre(4, 2, 4, 4, 5));
  EXPECT_THAT(column(&Nesting::depth), ElementsAre(0, 1, 1, 2, 0));
}

TEST(Tree, HiddenAndLockedComeDownFromTheContainersAround) {
  Screen screen = small();
  screen.items[0].edit().hidden = true;
  screen.items[2].edit().locked = true;
  const auto n = nestingOf(screen);
  EXPECT_TRUE(n[3].hidden && n[1].hidden && n[0].hidden);
  EXPECT_FALSE(n[4].hidden);
  EXPECT_TRUE(n[2].locked && n[3].locked);
  EXPECT_FALSE(n[0].locked || n[1].locked || n[4].locked);
}

TEST(Tree, WhatStandsElsewhereThanInItsContainerIsTold) {
  EXPECT_EQ(whyNoTree(small()), "");
  Screen apart = small();  // c's d after e
  std::swap(apart.items[3], apart.items[4]);
  EXPECT_THAT(whyNoTree(apart), HasSubstr("“d” right after"));
  Screen before = small();
  std::swap(before.items[0], before.items[1]);
  EXPECT_THAT(whyNoTree(before), HasSubstr("“b”"));
  Screen self = small();
  self.items[0].edit().parent = {"a"};
  EXPECT_NE(whyNoTree(self), "");
  Screen inPanel = small();
  inPanel.items[4].edit().parent = {"d"};
  EXPECT_NE(whyNoTree(inPanel), "") << "a panel holds nothing";
  Screen deep;
  for (int i = 0; i <= 65; ++i)
    deep.items.emplace_back(item(("n" + std::to_string(i)).c_str(),
                                 i ? ("n" + std::to_string(i - 1)).c_str() : "", true));
  EXPECT_THAT(whyNoTree(deep), HasSubstr("64"));
  deep.items.pop_back();
  EXPECT_EQ(whyNoTree(deep), "");
}

// The same tree as nodes that own their children.
struct Node {
  std::string id;
  bool holds = false;
  std::vector<Node> children;
};

std::vector<Node> nodesOf(const Screen& screen) {
  std::vector<Node> roots;
  std::vector<std::pair<std::string, std::vector<size_t>>> ways;  // id, indices from the roots
  for (const auto& each : screen.items) {
    std::vector<Node>* into = &roots;
    std::vector<size_t> way;
    for (const auto& [id, known] : ways)
      if (id == each->parent.text) way = known;
    for (size_t step : way) into = &(*into)[step].children;
    way.push_back(into->size());
    into->push_back({each->id.text, each->container() != nullptr, {}});
    ways.emplace_back(each->id.text, way);
  }
  return roots;
}

std::string text(const std::vector<Node>& nodes) {
  std::string out;
  for (const Node& node : nodes) {
    out += (out.empty() ? "" : " ") + node.id;
    if (node.holds) out += "(" + text(node.children) + ")";
  }
  return out;
}

// The list of brothers that it is in, and where.
std::pair<std::vector<Node>*, size_t> locate(std::vector<Node>& nodes, const std::string& id) {
  for (size_t i = 0; i < nodes.size(); ++i) {
    if (nodes[i].id == id) return {&nodes, i};
    if (const auto found = locate(nodes[i].children, id); found.first) return found;
  }
  return {};
}

bool isWithin(const Node& node, const std::string& id) {
  return node.id == id || std::any_of(node.children.begin(), node.children.end(),
                                      [&](const Node& each) { return isWithin(each, id); });
}

TEST(Tree, EditsDoWhatTheyDoToNodesThatOwnTheirChildren) {
  for (unsigned seed = 1; seed <= 40; ++seed) {
    std::mt19937 random(seed);
    Screen screen;
    screen.id = {"s"};
    for (int i = 0; i < 12; ++i) {
      std::vector<ItemId> holders{{}};
      for (const auto& each : screen.items)
        if (each->container()) holders.push_back(each->id);
      const ItemId holder = holders[random() % holders.size()];
      putLast(screen, holder, {item(("i" + std::to_string(i)).c_str(), "", random() % 2)});
    }
    std::vector<Node> model = nodesOf(screen);
    for (int step = 0; step < 30 && !screen.items.empty(); ++step) {
      const ItemId id = screen.items[random() % screen.items.size()]->id;
      const auto [brothers, at] = locate(model, id.text);
      ASSERT_TRUE(brothers);
      if (const int by = random() % 2 ? 1 : -1; random() % 2) {
        swapWithBrother(screen, id, by);
        if (by > 0 && at + 1 < brothers->size()) std::swap((*brothers)[at], (*brothers)[at + 1]);
        if (by < 0 && at > 0) std::swap((*brothers)[at], (*brothers)[at - 1]);
      } else {  // into another container, or out of all
        std::vector<ItemId> holders{{}};
        for (const auto& each : screen.items)
          if (each->container() && !isWithin((*brothers)[at], each->id.text))
            holders.push_back(each->id);
        const ItemId to = holders[random() % holders.size()];
        putLast(screen, to, takeOut(screen, std::vector{id}));
        Node node = (*brothers)[at];
        brothers->erase(brothers->begin() + std::ptrdiff_t(at));
        if (!to) {
          model.push_back(node);
        } else {
          const auto [list, holder] = locate(model, to.text);
          (*list)[holder].children.push_back(node);
        }
      }
      ASSERT_EQ(whyNoTree(screen), "") << "seed " << seed;
      ASSERT_EQ(text(nodesOf(screen)), text(model)) << "seed " << seed;
    }
  }
}

TEST(Tree, OutermostLeavesOutWhatGoesAlongAnyway) {
  const std::vector<ItemId> picked{{"e"}, {"d"}, {"a"}, {"nobody"}};
  EXPECT_THAT(outermost(small(), picked), ElementsAre(ItemId{"a"}, ItemId{"e"}));
}

std::vector<std::string> names(const Screen& screen) {
  std::vector<std::string> out;
  for (const auto& each : screen.items) out.push_back(displayName(*each));
  return out;
}

struct Tree {
  History history{test::columnMenu({"a", "b"})};
  const Screen& screen() const { return *history.now().screens[0]; }
};

TEST(TreeEdits, ADuplicatedContainerHasCopiesOfAllThatIsInIt) {
  Tree m;
  test::must(m.history, duplicateItems(m.screen().id, {m.screen().items[0]->id}));
  EXPECT_THAT(names(m.screen()), ElementsAre("column", "a", "b", "column", "a", "b"));
  EXPECT_EQ(m.screen().items[4]->parent, m.screen().items[3]->id);
  test::must(m.history, duplicateItems(m.screen().id, {m.screen().items[1]->id}));
  EXPECT_THAT(names(m.screen()), ElementsAre("column", "a", "b", "a", "column", "a", "b"))
      << "a copy of what is in a container is in it, too";
}

TEST(TreeEdits, AContainerTakesAllThatIsInItAlongWhenItGoes) {
  Tree m;
  test::must(m.history, removeItems(m.screen().id, {m.screen().items[0]->id}));
  EXPECT_THAT(m.screen().items, IsEmpty());
  EXPECT_FALSE(m.screen().entry);
}

TEST(TreeEdits, GatheringAContainerWithWhatIsInItKeepsItWhole) {
  Tree m;
  std::vector<ItemId> all;
  for (const auto& each : m.screen().items) all.push_back(each->id);
  test::must(m.history, gather(m.screen().id, all, {.flow = Flow::Row, .x = 5, .y = 6}));
  EXPECT_THAT(names(m.screen()), ElementsAre("row", "column", "a", "b"));
  EXPECT_EQ(m.screen().items[1]->parent, m.screen().items[0]->id);
  EXPECT_EQ(m.screen().items[2]->parent, m.screen().items[1]->id);
}

TEST(TreeEdits, AnEditThatTearsTheTreeIsRefused) {
  Tree m;
  const ItemId button = m.screen().items[1]->id;
  const auto torn = m.history.perform(
      changeItems(m.screen().id, {button}, "tear", {}, [&](Item& each) { each.parent = button; }));
  ASSERT_FALSE(torn);
  EXPECT_THAT(torn.error().reason, HasSubstr("container"));
}

}  // namespace
}  // namespace bristle
