#include "runtime/session/trace.h"

#include <gtest/gtest.h>

#include <set>

#include "support/menus.h"

namespace bristle {
namespace {

TraceEntry entry(TraceType type) {
  TraceEntry e;
  e.type = type;
  return e;
}

struct Named {
  Project project = test::fullProject();
  std::vector<ItemId> ids = test::buttons(project);
};

TEST(Trace, LinesNameThingsByIdForTakesAndByNameForPeople) {
  Named n;
  TraceEntry focus = entry(TraceType::Focus);
  focus.item = n.ids[1];
  focus.fromItem = n.ids[0];
  focus.how = "down, solved";
  EXPECT_EQ(toLine(focus), "focus " + n.ids[0].text + " → " + n.ids[1].text + " (down, solved)");
  EXPECT_EQ(toLine(focus, n.project), "focus One → Two (down, solved)");
  TraceEntry open = entry(TraceType::Open);
  open.screen = n.project.screens[1]->id;
  EXPECT_EQ(toLine(open, n.project), "open screen Second");
  TraceEntry value = entry(TraceType::Value);
  value.value = {"v1"};
  value.number = 2.5;
  EXPECT_EQ(toLine(value), "value v1 = 2.5");
  EXPECT_EQ(toLine(value, n.project), "value dives = 2.5");
}

TEST(Trace, WhatIsGoneKeepsItsIdAndNothingIsADash) {
  Named n;
  TraceEntry e = entry(TraceType::Focus);
  e.item = {"gone"};
  e.how = "entry";
  EXPECT_EQ(toLine(e, n.project), "focus – → gone (entry)");
  e = entry(TraceType::Back);
  e.screen = {"lost"};
  EXPECT_EQ(toLine(e, n.project), "back to lost");
}

TEST(Trace, EverySortHasALineOfItsOwn) {
  std::set<std::string> lines;
  for (int t = 0; t <= int(TraceType::Runaway); ++t) {
    const std::string line = toLine(entry(static_cast<TraceType>(t)));
    EXPECT_FALSE(line.empty()) << t;
    EXPECT_TRUE(lines.insert(line).second) << line;
  }
}

TEST(Trace, RenamingAButtonChangesNoLineOfATake) {
  Named n;
  TraceEntry e = entry(TraceType::Activate);
  e.item = n.ids[0];
  const std::string before = toLine(e);
  n.project = test::after(n.project, changeItems(n.project.screens[0]->id, {n.ids[0]}, "rename", {},
                                                 [](Item& i) { i.button()->caption = "Other"; }));
  EXPECT_EQ(toLine(e), before);
  EXPECT_EQ(toLine(e, n.project), "activate Other");
}

}  // namespace
}  // namespace bristle
