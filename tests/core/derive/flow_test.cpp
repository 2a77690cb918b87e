// What leads where, how it is laid out, and what is said of it.
#include <gmock/gmock.h>

#include <random>

#include "core/derive/action_words.h"
#include "core/derive/flow_layout.h"
#include "core/derive/formula_names.h"
#include "core/derive/value_uses.h"
#include "core/edit/flow_edits.h"
#include "core/edit/used_files.h"
#include "core/edit/value_edits.h"
#include "core/formats/flow_table.h"
#include "core/tables/table_file.h"
#include "support/menus.h"

namespace bristle {
namespace {

using testing::ElementsAre;
using testing::HasSubstr;
using testing::IsEmpty;

// A first screen of three buttons; an overlay, a screen of its own, and one that nothing leads to.
struct Flows {
  Project project = test::columnMenu({"a", "b", "c"});
  std::vector<ScreenId> screens;
  std::vector<ItemId> ids;
  Flows() {
    History h{project};
    for (const char* name : {"Over", "Next", "Lonely"}) {
      test::must(h, addScreen(name));
      test::must(h, addButton(h.now().screens.back()->id, h.now().kinds[0]->id, "x", 10, 10));
    }
    project = h.now();
    for (const auto& screen : project.screens) screens.push_back(screen->id);
    ids = test::buttons(project);
    for (size_t s : {0u, 2u, 3u}) edit(project, screens[s])->backdrop = Fill::solid({1, 2, 3, 255});
    edit(project, screens[1])->backdrop = {};
    of(0, 0) = {{ActionType::PutOnTop, screens[1]}};
    of(0, 1) = {{.type = ActionType::Message, .message = "hi"}, {ActionType::Open, screens[2]}};
    of(2, 0) = {{ActionType::Open, screens[0]}};
  }
  Actions& of(size_t screen, size_t button) {
    return edit(*edit(project, screens[screen]), test::buttons(project, screen)[button])
        ->button()
        ->actions;
  }
};

TEST(FlowGraph, TellsDepthsOverlaysWaysOutAndWhatDoesNothing) {
  Flows f;
  const FlowGraph graph = flowOf(f.project);
  const auto& s = graph.screens;
  EXPECT_EQ(s[0].depth, 0);
  EXPECT_EQ(s[1].depth, 1);
  EXPECT_EQ(s[2].depth, 1);
  EXPECT_EQ(s[3].depth, -1);
  EXPECT_TRUE(s[1].overlay);
  EXPECT_EQ(s[1].over, 0);
  EXPECT_FALSE(s[2].overlay);
  EXPECT_TRUE(s[1].left) << "cancel takes it off";
  EXPECT_TRUE(s[2].left);
  EXPECT_FALSE(s[3].left);
  EXPECT_THAT(s[0].idle, ElementsAre(f.ids[2]));
  ASSERT_EQ(graph.steps.size(), 4u);
  EXPECT_EQ(graph.steps[2].to, 2);
  EXPECT_EQ(graph.steps[2].at, 1u);
}

TEST(FlowGraph, WithoutACancelAnOverlayNeedsAWayBack) {
  Flows f;
  std::erase_if(f.project.bindings, [](const Binding& b) { return b.does == Does::Cancel; });
  EXPECT_FALSE(flowOf(f.project).screens[1].left);
  f.of(1, 0) = {{ActionType::Back}};
  EXPECT_TRUE(flowOf(f.project).screens[1].left);
}

TEST(FlowGraph, ShortcutsLeadFromAnywhereAndWhatIsGoneIsBroken) {
  Flows f;
  f.project.shortcuts.push_back({{"c"}, "Map", {{ActionType::PutOnTop, f.screens[3]}}});
  f.of(0, 2) = {{ActionType::Open, {"gone"}}};
  const FlowGraph graph = flowOf(f.project);
  EXPECT_EQ(graph.screens[3].depth, 1);
  EXPECT_EQ(graph.steps.back().from, -1);
  EXPECT_TRUE(std::any_of(graph.steps.begin(), graph.steps.end(),
                          [](const FlowStep& s) { return s.broken && s.from == 0; }));
}

TEST(FlowLayout, ScreensStandInColumnsAndNoneLieOnOneAnotherButOverlays) {
  Flows f;
  const FlowGraph graph = flowOf(f.project);
  const FlowLayout layout = layOutFlow(graph, {190, 107});
  const auto& b = layout.boxes;
  EXPECT_LT(b[0].x, b[2].x);
  EXPECT_LT(b[2].x, b[3].x) << "what nothing leads to comes last";
  EXPECT_GT(b[1].x, b[0].x);
  EXPECT_LT(b[1].x, b[0].x + b[0].w) << "half over what it covers";
  ASSERT_EQ(layout.columns.size(), 3u);
  EXPECT_EQ(layout.columns[2].depth, -1);
}

// Names change nothing; and of random flows few strokes cross: never more than as they came.
TEST(FlowLayout, IsSteadyAndHasFewCrossings) {
  for (unsigned seed = 1; seed <= 60; ++seed) {
    std::mt19937 random(seed);
    FlowGraph graph;
    const int n = 4 + int(random() % 14);
    graph.screens.resize(size_t(n));
    for (int s = 1; s < n; ++s) {
      graph.steps.push_back({.from = int(random() % unsigned(s)), .to = s});
      if (random() % 2) graph.steps.push_back({.from = int(random() % unsigned(n)), .to = s});
    }
    for (int round = 0; round < n; ++round)
      for (const FlowStep& step : graph.steps) {
        FlowScreen& from = graph.screens[size_t(step.from)];
        FlowScreen& to = graph.screens[size_t(step.to)];
        graph.screens[0].depth = 0;
        if (from.depth >= 0 && (to.depth < 0 || to.depth > from.depth + 1))
          to.depth = from.depth + 1;
      }
    const FlowLayout layout = layOutFlow(graph, {100, 60});
    FlowLayout asTheyCame = layout;
    std::map<Px, Px> next;
    for (Box& box : asTheyCame.boxes) box.y = next[box.x]++;
    EXPECT_LE(crossings(graph, layout), crossings(graph, asTheyCame)) << "seed " << seed;
    for (size_t a = 0; a < layout.boxes.size(); ++a)
      for (size_t b = a + 1; b < layout.boxes.size(); ++b) {
        const Box meet = common(layout.boxes[a], layout.boxes[b]);
        EXPECT_FALSE(meet.w > 0 && meet.h > 0) << "seed " << seed;
      }
    const FlowLayout again = layOutFlow(graph, {100, 60});
    for (size_t a = 0; a < layout.boxes.size(); ++a) EXPECT_EQ(again.boxes[a].y, layout.boxes[a].y);
  }
}

TEST(FlowEdits, LeadToAScreenInItsOwnWayAndRetarget) {
  Flows f;
  History h{f.project};
  const auto actions = [&](size_t button) {
    return findItem(*h.now().screens[0], f.ids[button])->button()->actions;
  };
  test::must(h, leadTo(f.screens[0], f.ids[2], f.screens[1]));
  EXPECT_EQ(actions(2), (Actions{{ActionType::PutOnTop, f.screens[1]}})) << "it lets be seen";
  test::must(h, leadTo(f.screens[0], f.ids[2], f.screens[2]));
  EXPECT_EQ(actions(2), (Actions{{ActionType::PutOnTop, f.screens[2]}})) << "how stays";
  test::must(h, leadTo(f.screens[0], f.ids[1], f.screens[3]));
  EXPECT_EQ(actions(1)[1].screen, f.screens[3]) << "the one that leads somewhere";
  EXPECT_EQ(actions(1)[0].type, ActionType::Message);
  test::must(h, removeAction(f.screens[0], f.ids[1], 0));
  EXPECT_EQ(actions(1).size(), 1u);
  EXPECT_FALSE(h.perform(leadTo(f.screens[0], f.ids[0], {"gone"})));
}

TEST(FlowEdits, ANewScreenComesWithAWayBack) {
  Flows f;
  History h{f.project};
  test::must(h, leadToNew(f.screens[0], f.ids[2]));
  const Screen& fresh = *h.now().screens.back();
  EXPECT_EQ(fresh.name, "c") << "as the button is called";
  const auto back = test::buttons(h.now(), h.now().screens.size() - 1);
  ASSERT_EQ(back.size(), 1u);
  EXPECT_EQ(findItem(fresh, back[0])->button()->actions, (Actions{{ActionType::Back}}));
  EXPECT_TRUE(findItem(fresh, back[0])->button()->answers.cancel);
  EXPECT_EQ(fresh.entry, back[0]);
  EXPECT_TRUE(flowOf(h.now()).screens.back().left);
  h.undo();
  EXPECT_TRUE(equal(h.now(), f.project)) << "one step";
}

TEST(FormulaNames, ReadWithNamesAndAreTypedSo) {
  Flows f;
  f.project.values = {{.id = {"v1"}, .name = "sections"}, {.id = {"v2"}, .name = "lamp on"}};
  const std::string ids = "@v1 >= 3 and not @v2 or visited(@" + f.screens[2].text + ")";
  const std::string names = withNames(f.project, ids);
  EXPECT_EQ(names, "@sections >= 3 and not @[lamp on] or visited(@Next)");
  EXPECT_EQ(*withIds(f.project, names), ids);
  EXPECT_EQ(*withIds(f.project, ids), ids) << "ids may be typed, too";
  EXPECT_THAT(withIds(f.project, "@depth > 2").error().text(), HasSubstr("“depth”"));
  f.project.values[1].name = "sections";
  EXPECT_EQ(withNames(f.project, "@v1 + @v2"), "@v1 + @v2") << "a shared name says nothing";
  EXPECT_EQ(*withIds(f.project, "(2 + 3) * 4 - 1"), "(2 + 3) * 4 - 1");
}

TEST(ActionWords, SayWhatAButtonDoes) {
  Flows f;
  f.project.values = {
      {.id = {"v"}, .name = "depth", .sort = ValueSort::Choice, .options = {"low", "high"}}};
  EXPECT_EQ(inWords(f.project, Actions{}), "does nothing yet");
  EXPECT_EQ(inWords(f.project, f.of(0, 1)), "send “hi”, and 1 more");
  const Action set{.type = ActionType::Set, .value = {"v"}, .number = 1, .when = "@v = 0"};
  EXPECT_EQ(inWords(f.project, set), "set depth to high, only if @depth = 0");
  EXPECT_THAT(inWords(f.project, Action{ActionType::Open, {"gone"}}), HasSubstr("which is gone"));
}

TEST(ValueUses, TellWhoSetsAndWhoAsks) {
  Flows f;
  History h{f.project};
  test::must(h, addValue("count", ValueSort::Number));
  test::must(h, addValue("count", ValueSort::Flag));
  const ValueId id = h.now().values[0].id;
  EXPECT_EQ(h.now().values[1].name, "count 2");
  test::must(h, changeValue(id, "limits", {}, [](ProjectValue& v) {
               v.start = 9;
               v.most = 4;
             }));
  EXPECT_EQ(h.now().values[0].start, 4) << "within its limits";
  EXPECT_THAT(usesOf(h.now(), id).setBy, IsEmpty());
  test::must(h, setActions(f.screens[0], {f.ids[0]}, {{.type = ActionType::Step, .value = id}}));
  test::must(h, changeItems(f.screens[0], {f.ids[1]}, "ask", {},
                            [id](Item& i) { i.shownWhen = "@" + id.text + " > 1"; }));
  const ValueUses uses = usesOf(h.now(), id);
  const std::string first = h.now().screens[0]->name;
  EXPECT_THAT(uses.setBy, ElementsAre(first + " · a"));
  EXPECT_THAT(uses.askedBy, ElementsAre(first + " · b"));
  test::must(h, removeValue(id));
  EXPECT_EQ(h.now().values.size(), 1u);
}

// They go along where the project is saved elsewhere.
TEST(UsedFiles, HaveMusicAndCues) {
  const auto sounds = filesOf(test::fullProject()).sounds;
  for (const char* file : {"deep.ogg", "bump.wav", "open.wav", "back.wav"})
    EXPECT_TRUE(sounds.contains(file)) << file;
}

TEST(FlowTable, HasARowForEachActionAndIsReadBackAsATable) {
  Flows f;
  f.of(0, 1)[1].when = "visited(@" + f.screens[3].text + ")";
  f.of(0, 1)[1].change = ScreenChange{{}, {ScreenMotionForm::Slide, 100, {}}};
  f.of(2, 0)[0].message = "";
  edit(f.project, f.screens[2])->name = "Next, \"the\" one";
  const auto table = parseTable(flowTable(f.project));
  ASSERT_TRUE(table);
  ASSERT_EQ(table->size(), 5u);
  EXPECT_THAT((*table)[3].cells,
              ElementsAre(f.project.screens[0]->name, "b", "open Next, \"the\" one",
                          "visited(@Lonely)", "slide"));
  EXPECT_EQ((*table)[4].cells[4], "as the screens say");
  EXPECT_EQ(**parseChangeWord("grow"), ScreenMotionForm::Grow);
  EXPECT_FALSE(parseChangeWord("wobble"));
}

}  // namespace
}  // namespace bristle
