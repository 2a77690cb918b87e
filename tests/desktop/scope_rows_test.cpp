// What the scope offers rows for, and the marks in them.
#include "desktop/motion/scope_rows.h"

#include <gtest/gtest.h>

#include "core/edit/templates.h"

namespace bristle::test {
namespace {

struct Rows {
  Project project;
  Machine machine = menuButton({"m"}, "menu button", Wins::Hover);
  Score score;
  Rows() { project.values = {{{"v1"}, "dives", 2, {}}, {{"v2"}, "unused", 0, {}}}; }
  Ready ready() const { return *makeReady(machine, project); }
  QStringList names() const {
    QStringList out;
    for (const ScopeRow& row : rowsOf(ready(), project, score)) out << row.name;
    return out;
  }
};

const QStringList kSignals{QStringLiteral("over"), QStringLiteral("press"),
                           QStringLiteral("accept"), QStringLiteral("focus"),
                           QStringLiteral("disabled")};

TEST(ScopeRows, AreTheSignalsAndWhatTheMachineMinds) {
  Rows r;
  EXPECT_EQ(r.names(), kSignals);
  Transition t;
  t.from = StateId{"normal"};
  t.on = Event::Message;
  t.message = "flood";
  t.guard = "current and @v1 > 3";
  t.to = {"hover"};
  r.machine.transitions.push_back(t);
  EXPECT_EQ(r.names(), kSignals + QStringList({QStringLiteral("current"), QStringLiteral("flood"),
                                               QStringLiteral("dives")}));
}

TEST(ScopeRows, WhatTheScoreHasKeepsItsRow) {
  Rows r;
  r.score.marks = {{{Deed::SetValue, 100, 1, 7}}};
  r.score.stretches = {{Lane::Current, 0, 500, false}};
  EXPECT_EQ(r.names(),
            kSignals + QStringList({QStringLiteral("current"), QStringLiteral("unused")}));
}

TEST(ScopeRows, MarksAreFoundAddedInOrderAndCountFromTheirTimeOn) {
  Rows r;
  const Ready ready = r.ready();
  const ScopeRow dives{ScopeRow::Sort::Value, 0, {}};
  EXPECT_EQ(valueAt(r.score, dives, 500, ready), 2) << "where it starts";
  addMark(r.score, dives, 400, ready);
  addMark(r.score, dives, 200, ready);
  ASSERT_EQ(r.score.marks.size(), 2U);
  EXPECT_EQ(r.score.marks[0].step.at, 200);
  EXPECT_EQ(r.score.marks[1].step.value, 0) << "it was not 0 before";
  EXPECT_EQ(valueAt(r.score, dives, 399, ready), r.score.marks[0].step.value);
  EXPECT_EQ(markAt(r.score, dives, 207, 10), 0);
  EXPECT_EQ(markAt(r.score, dives, 300, 10), -1);
  EXPECT_EQ(markAt(r.score, {ScopeRow::Sort::Message, 0, {}}, 200, 10), -1) << "another row";
}

}  // namespace
}  // namespace bristle::test
