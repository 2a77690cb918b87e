// Moving items about in the tree of a screen.
#include "core/edit/tree_edits.h"

#include <gmock/gmock.h>

#include "core/edit/screen_edits.h"
#include "runtime/document/tree.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::must;
using testing::HasSubstr;

// Two columns of two, and a free button.
struct Two {
  History history{test::columnMenu({"a", "b"})};
  ScreenId screen = history.now().screens[0]->id;
  ItemId first, second, free;
  Two() {
    const KindId kind = history.now().kinds[0]->id;
    must(history, addSeries(screen, kind, {"c", "d"}, Flow::Column, 400, 0));
    must(history, addButton(screen, kind, "e", 700, 300));
    first = item("a").parent;
    second = item("c").parent;
    free = item("e").id;
  }
  const Screen& now() const { return *history.now().screens[0]; }
  const Item& item(const std::string& caption) const {
    for (const auto& each : now().items)
      if (each->button() && each->button()->caption.base == caption) return *each;
    return *now().items[0];
  }
  // The tree as captions, a container's content in brackets.
  std::string tree() const {
    const auto nesting = nestingOf(now());
    std::string out;
    for (size_t i = 0; i < now().items.size(); ++i) {
      const Item& at = *now().items[i];
      out += at.container() ? "(" : at.button()->caption.base;
      for (size_t in = 0; in <= i; ++in)
        if (now().items[in]->container() && nesting[in].end == i + 1) out += ")";
    }
    return out;
  }
  std::string refusal(const Edit& edit) {
    const auto done = history.perform(edit);
    return done ? "" : done.error().reason;
  }
};

TEST(TreeEdits, AnItemGoesIntoAnotherContainerBeforeOneOfIt) {
  Two t;
  ASSERT_EQ(t.tree(), "(ab)(cd)e");
  must(t.history, moveInto(t.screen, {t.item("a").id}, {t.second, t.item("d").id}));
  EXPECT_EQ(t.tree(), "(b)(cad)e");
  must(t.history, moveInto(t.screen, {t.free, t.item("b").id}, {t.second, {}}));
  EXPECT_EQ(t.tree(), "()(cadbe)") << "several keep the screen's order";
  must(t.history, moveInto(t.screen, {t.item("a").id}, {{}, t.first}));
  EXPECT_EQ(t.tree(), "a()(cdbe)");
  t.history.undo();
  t.history.undo();
  t.history.undo();
  EXPECT_EQ(t.tree(), "(ab)(cd)e");
}

TEST(TreeEdits, BesideOneThatGoesAlongIsWhereThatWas) {
  Two t;
  must(t.history, moveInto(t.screen, {t.item("c").id, t.item("a").id}, {t.first, t.item("a").id}));
  EXPECT_EQ(t.tree(), "(acb)(d)e");
}

TEST(TreeEdits, AContainerIsNeverPutIntoItself) {
  Two t;
  must(t.history, moveInto(t.screen, {t.second}, {t.first, {}}));
  ASSERT_EQ(t.tree(), "(ab(cd))e");
  EXPECT_THAT(t.refusal(moveInto(t.screen, {t.first}, {t.second, {}})), HasSubstr("into itself"));
  EXPECT_THAT(t.refusal(moveInto(t.screen, {t.first}, {t.first, {}})), HasSubstr("into itself"));
  EXPECT_THAT(t.refusal(moveInto(t.screen, {t.free}, {t.item("a").id, {}})), HasSubstr("gone"))
      << "a button holds nothing";
  EXPECT_THAT(t.refusal(moveInto(t.screen, {t.free}, {t.first, t.item("c").id})), HasSubstr("gone"))
      << "not in that container";
  EXPECT_EQ(t.tree(), "(ab(cd))e");
}

TEST(TreeEdits, ContainersNestNoDeeperThanFilesHold) {
  Two t;
  ItemId inner = t.free;
  std::string refused;
  for (int i = 0; i < 200 && refused.empty(); ++i) {
    refused = t.refusal(gather(t.screen, {inner}, {.flow = Flow::Free}));
    ASSERT_EQ(whyNoTree(t.now()), "") << i;
    inner = findItem(t.now(), inner)->parent;
  }
  EXPECT_THAT(refused, HasSubstr("containers"));
}

TEST(TreeEdits, TakingAContainerAwayLeavesWhatIsInItWhereItStood) {
  Two t;
  Place place;
  place.x.offset = 33;
  must(t.history, dissolve(t.screen, t.first, {{t.item("a").id, place}}));
  EXPECT_EQ(t.tree(), "ab(cd)e");
  EXPECT_EQ(t.item("a").place, place);
  EXPECT_THAT(t.refusal(dissolve(t.screen, t.free, {})), HasSubstr("gone"));
}

}  // namespace
}  // namespace bristle
