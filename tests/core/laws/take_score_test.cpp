// A button's signals in a take of the menu: drawn again on the scope they lead to the same.
#include "core/laws/take_score.h"

#include <gtest/gtest.h>

#include "core/formats/file_io.h"
#include "core/laws/check.h"
#include "runtime/formats/project_file.h"
#include "runtime/formats/take_file.h"
#include "runtime/session/take_player.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

class TakeScore : public testing::Test {
 protected:
  Project project =
      parseProject(*readFile(sourcePath("data/demo/saltglass-deep.bristle")))->project;
  Take take = *parseTake(*readFile(sourcePath("data/demo/tour.take.jsonl")));
  PlainMeasure measure;

  // What the session's trace says of the button, and what its score leads to on its own.
  void expectTheSame(const ItemId& item) {
    const auto played = play(project, take, measure);
    ASSERT_TRUE(played);
    const Item* placed = nullptr;
    for (const auto& screen : project.screens)
      if (const Item* found = findItem(*screen, item)) placed = found;
    const KindId kind = placed->button()->kind;
    const auto found = scoreIn(project, take, kind, item, measure);
    ASSERT_TRUE(found) << found.error().text();
    EXPECT_EQ(found->item, item);
    const Machine& machine = *find(project, find(project, kind)->machine);
    const auto ready = makeReady(machine, project);
    std::vector<std::string> session, scope;
    for (const TraceEntry& e : played->trace)
      if (e.item == item && (e.type == TraceType::State || e.type == TraceType::Activate))
        session.push_back(std::to_string(e.at) +
                          (e.type == TraceType::Activate
                               ? " activate"
                               : " " + e.fromState.text + " → " + e.toState.text));
    for (const Outcome& o : play(ready->program, ready->values, found->score).outcomes) {
      if (o.type == OutcomeType::Activate) scope.push_back(std::to_string(o.at) + " activate");
      if (o.type == OutcomeType::State && o.from != o.to)
        scope.push_back(std::to_string(o.at) + " " + machine.states[o.from].id.text + " → " +
                        machine.states[o.to].id.text);
    }
    std::sort(session.begin(), session.end());
    std::sort(scope.begin(), scope.end());
    EXPECT_EQ(scope, session) << item.text;
  }
};

TEST_F(TakeScore, LeadsToWhatTheMenuDid) {
  for (const char* item : {"bay", "ashore", "helm", "stay", "slot-4"}) expectTheSame({item});
}

// By shoulders, cancel and shortcuts, too.
TEST_F(TakeScore, TellsOfPressesFromWhereverFocusIs) {
  project = test::columnMenu({"One", "Two", "Three"});
  const auto ids = test::buttons(project);
  Screen& screen = *edit(project, project.screens[0]->id);
  for (auto& item : screen.items)
    if (item->container()) item.edit().container()->tabs = Tabs::Stop;
  edit(screen, ids[2])->button()->answers.cancel = true;
  take = {};
  const auto add = [&](Ms at, InputType type, bool down, Dir dir = Dir::Right) {
    InputEvent event;
    event.at = at;
    event.type = type;
    event.down = down;
    event.dir = dir;
    take.steps.push_back({event});
  };
  add(100, InputType::Shoulder, true);
  add(200, InputType::Shoulder, false);
  add(500, InputType::Cancel, true);
  add(600, InputType::Cancel, false);
  const auto stretches = [&](const ItemId& id) {
    const auto found = scoreIn(project, take, project.kinds[0]->id, id, measure);
    std::vector<std::pair<Ms, Ms>> out;
    if (found)
      for (const Stretch& s : found->score.stretches)
        if (s.lane == Lane::Accept && !s.calledOff) out.emplace_back(s.from, s.to);
    return out;
  };
  EXPECT_EQ(stretches(ids[1]), (std::vector<std::pair<Ms, Ms>>{{100, 101}}));
  EXPECT_EQ(stretches(ids[2]), (std::vector<std::pair<Ms, Ms>>{{500, 600}}));
}

TEST_F(TakeScore, WithoutAWishItIsTheOneToWhichMostHappens) {
  const auto found = scoreIn(project, take, {"k-slab"}, {}, measure);
  ASSERT_TRUE(found);
  EXPECT_EQ(found->item, ItemId{"bay"});
}

TEST_F(TakeScore, AKindThatIsNotThereIsSaid) {
  EXPECT_FALSE(scoreIn(project, take, {"nobody"}, {}, measure));
}

}  // namespace
}  // namespace bristle::test
