// Lists and tables that become buttons, and bring them up to date.
#include "core/edit/series_edits.h"

#include <gmock/gmock.h>

#include "core/edit/language_edits.h"
#include "core/edit/screen_edits.h"
#include "core/tables/table_file.h"
#include "runtime/document/tree.h"
#include "runtime/formats/project_file.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::must;
using testing::HasSubstr;

std::string whyNoSeries(const Project& project, std::string_view text) {
  const auto rows = readSeries(project, text);
  return rows ? "" : rows.error().text();
}

TEST(TableFile, ReadsWhatTheStandardWrites) {
  const auto table = parseTable("a,b\r\n\"x, \"\"y\"\"\r\nz\",2\r\n\r\n,last\n");
  ASSERT_TRUE(table);
  ASSERT_EQ(table->size(), 3u);
  EXPECT_EQ((*table)[1].cells, (std::vector<std::string>{"x, \"y\"\r\nz", "2"}));
  EXPECT_EQ((*table)[1].line, 2);
  EXPECT_EQ((*table)[2].cells, (std::vector<std::string>{"", "last"}));
  EXPECT_EQ((*table)[2].line, 5);
  EXPECT_EQ((*parseTable("a\tb,c\n1\t2"))[0].cells.size(), 2u) << "out of a sheet";
  EXPECT_EQ((*parseTable("a;b,c\n1;2"))[1].cells[1], "2");
  EXPECT_THAT(parseTable("a\nb,\"c\nd").error().text(), HasSubstr("line 2"));
  EXPECT_THAT(parseTable("a\nb\xff").error().text(), HasSubstr("line 2: expected text in UTF-8"));
}

TEST(TableFile, WhatIsWrittenIsReadAgain) {
  for (std::uint64_t seed = 1; seed <= 100; ++seed) {
    test::Dice dice(seed);
    const char* const bits[] = {"a", ",", "\"", "\n", "\r\n", ";", "\t", " ", "ß", "🐟", "x"};
    std::vector<std::vector<std::string>> rows;
    for (int r = dice.whole(1, 5); r > 0; --r) {
      rows.emplace_back();
      for (int c = 3; c > 0; --c) {
        std::string cell = "c";
        for (int n = dice.whole(0, 6); n > 0; --n) cell += bits[dice.whole(0, 10)];
        rows.back().push_back(cell);
      }
    }
    // The first line tells what is between the cells.
    rows.insert(rows.begin(), {"one", "two", "three"});
    const auto table = parseTable(writeTable(rows));
    ASSERT_TRUE(table) << seed;
    ASSERT_EQ(table->size(), rows.size());
    for (size_t r = 0; r < rows.size(); ++r) EXPECT_EQ((*table)[r].cells, rows[r]) << seed;
  }
}

TEST(TableFile, KnowsUtf8) {
  for (const char* good : {"", "abc", "ß", "€", "🐟", "\xf4\x8f\xbf\xbf"})
    EXPECT_EQ(firstNotUtf8(good), std::string_view::npos) << good;
  for (const char* bad : {"\x80", "\xc1\xbf", "\xe0\x9f\xbf", "\xed\xa0\x80", "\xf0\x8f\xbf\xbf",
                          "\xf4\x90\x80\x80", "\xf5\x80\x80\x80", "\xe2\x82", "\xc3"})
    EXPECT_EQ(firstNotUtf8(std::string("ab") + bad), 2u);
}

TEST(Series, LinesAreCaptionsWhateverIsInThem) {
  const Project p = test::columnMenu({"a"});
  const auto rows = readSeries(p, "Dive, deep\n\n  \"Log\n\tפתח 🐟 e\u0301\x01!\r\n");
  ASSERT_TRUE(rows);
  ASSERT_EQ(rows->size(), 3u);
  EXPECT_EQ((*rows)[0].caption.base, "Dive, deep");
  EXPECT_EQ((*rows)[1].caption.base, "\"Log");
  EXPECT_EQ((*rows)[2].caption.base, "פתח 🐟 e\u0301 !") << "control characters are spaces";
  EXPECT_THAT(whyNoSeries(p, " \n\n"), HasSubstr("at least one"));
  EXPECT_THAT(whyNoSeries(p, "a\xff"), HasSubstr("UTF-8"));
}

TEST(Series, ATableSetsKindsTargetsNamesAndWords) {
  History history(test::columnMenu({"a"}));
  must(history, addScreen("Depths"));
  must(history, addLanguage("de", "Deutsch"));
  const LanguageId german = history.now().languages[1].id;
  const auto rows = readSeries(history.now(),
                               "Key;Caption;Kind;Target;Name;de\n"
                               "dive;Dive;Entry;Depths;Begin the dive;Tauchen\n"
                               "log;Log;;;;\n");
  ASSERT_TRUE(rows) << rows.error().text();
  const ScreenId screen = history.now().screens[0]->id;
  must(history, layDown(screen, history.now().kinds[0]->id, *rows, Flow::Row, 10, 20));
  const Screen& now = *history.now().screens[0];
  const Item& dive = *now.items[now.items.size() - 2];
  EXPECT_EQ(dive.name, "dive");
  EXPECT_EQ(dive.button()->caption.base, "Dive");
  EXPECT_EQ(dive.button()->caption.others.at(german), "Tauchen");
  EXPECT_EQ(dive.button()->accessibleName.base, "Begin the dive");
  EXPECT_EQ(dive.button()->actions.at(0).screen, history.now().screens[1]->id);
  EXPECT_TRUE(now.items.back()->button()->actions.empty());
  EXPECT_EQ(now.items[now.items.size() - 3]->container()->flow, Flow::Row);
}

TEST(Series, WrongTablesAreRefusedWithTheLineAndWhatWasExpected) {
  const Project p = test::columnMenu({"a"});
  EXPECT_THAT(whyNoSeries(p, "caption,colour\na,b"), HasSubstr("found “colour”"));
  EXPECT_THAT(whyNoSeries(p, "caption,kind\na,Entry\nb,Slab"),
              HasSubstr("line 3, “kind”: there is no kind “Slab”"));
  EXPECT_THAT(whyNoSeries(p, "caption,target\na,Nowhere"), HasSubstr("no screen “Nowhere”"));
  EXPECT_THAT(whyNoSeries(p, "caption,key\na,1,2"), HasSubstr("expected 2 cells, found 3"));
  EXPECT_THAT(whyNoSeries(p, "caption,key\na,x\nb,x"), HasSubstr("line 2, too"));
  EXPECT_THAT(whyNoSeries(p, "caption,key\n"), HasSubstr("no row"));
  EXPECT_THAT(whyNoSeries(p, "caption,key\n\"a,1"), HasSubstr("quote"));
}

TEST(Series, GivenAgainItBringsUpToDateByKey) {
  History history(test::columnMenu({"first"}));
  const ScreenId screen = history.now().screens[0]->id;
  const KindId kind = history.now().kinds[0]->id;
  const ItemId column = history.now().screens[0]->items[0]->id;
  const auto lay = [&](const char* text) {
    const auto rows = readSeries(history.now(), text);
    ASSERT_TRUE(rows);
    must(history, layInto(screen, column, kind, *rows));
  };
  lay("key,caption\nfern,Fern\nmoss,Moss");
  const Screen& before = *history.now().screens[0];
  ASSERT_EQ(before.items.size(), 4u);
  const ItemId fern = before.items[2]->id;
  must(history, setRoute(screen, fern, Dir::Up, {RouteType::Closed, {}}));
  const auto again =
      readSeries(history.now(), "key,caption\nmoss,Deep moss\nfern,Tree fern\nivy,Ivy");
  ASSERT_TRUE(again);
  const SeriesDone would = seriesWouldDo(*history.now().screens[0], column, *again);
  EXPECT_EQ(would.added, 1u);
  EXPECT_EQ(would.updated, 2u);
  EXPECT_EQ(would.kept, 1u) << "the one that the list does not name";
  must(history, layInto(screen, column, kind, *again));
  const Screen& now = *history.now().screens[0];
  ASSERT_EQ(now.items.size(), 5u);
  EXPECT_EQ(findItem(now, fern)->button()->caption.base, "Tree fern");
  EXPECT_EQ(findItem(now, fern)->button()->routes[Dir::Up].type, RouteType::Closed);
  EXPECT_EQ(now.items.back()->button()->caption.base, "Ivy");
  EXPECT_EQ(whyNoTree(now), "");
}

TEST(Series, TenThousandCaptionsComeInAndTheFileIsReadAgain) {
  History history(test::columnMenu({"a"}));
  std::string text;
  for (int i = 0; i < 10000; ++i) text += "Plant " + std::to_string(i) + "\n";
  const auto rows = readSeries(history.now(), text);
  ASSERT_TRUE(rows);
  const ItemId column = history.now().screens[0]->items[0]->id;
  must(history, layInto(history.now().screens[0]->id, column, history.now().kinds[0]->id, *rows));
  EXPECT_EQ(history.now().screens[0]->items.size(), 10002u);
  EXPECT_TRUE(parseProject(writeProject(history.now())));
}

}  // namespace
}  // namespace bristle
