// Texts by language, and what falls back to what.
#include "runtime/document/text.h"

#include <gmock/gmock.h>

#include "core/edit/language_edits.h"
#include "support/menus.h"

namespace bristle {
namespace {

const LanguageId kEn{"en"}, kDe{"de"}, kAt{"de-AT"}, kAr{"ar"};

std::vector<Language> four() {
  return {{kEn, "en", "English", false, {}, {}},
          {kDe, "de", "Deutsch", false, {}, {}},
          {kAt, "de-AT", "Deutsch (Österreich)", false, kDe, {}},
          {kAr, "ar", "العربية", true, {}, {}}};
}

TEST(Texts, FallBackAlongTheLanguagesThatSaySoAndAtLastToTheFirst) {
  Text text = "Dive";
  text.others[kDe] = "Tauchen";
  EXPECT_EQ(wordsIn(four(), text, kEn), "Dive");
  EXPECT_EQ(wordsIn(four(), text, kDe), "Tauchen");
  EXPECT_EQ(wordsIn(four(), text, kAt), "Tauchen") << "by way of its fallback";
  EXPECT_EQ(wordsIn(four(), text, kAr), "Dive");
  EXPECT_EQ(wordsIn(four(), text, LanguageId{"gone"}), "Dive");
  EXPECT_FALSE(hasWords(four(), text, kAt));
  EXPECT_TRUE(hasWords(four(), text, kDe));
}

TEST(Texts, FallbacksInARingEndAtTheFirstLanguage) {
  auto languages = four();
  languages[1].fallback = kAt;  // de → de-AT → de …
  Text text = "Dive";
  text.others[kAr] = "غوص";
  EXPECT_EQ(wordsIn(languages, text, kAt), "Dive");
}

TEST(Texts, NoWordsTakeTheEntryAway) {
  Text text = "Dive";
  setWords(four(), text, kDe, "Tauchen");
  setWords(four(), text, kEn, "Go down");
  EXPECT_EQ(wordsIn(four(), text, kDe), "Tauchen");
  EXPECT_EQ(text.base, "Go down");
  setWords(four(), text, kDe, "");
  EXPECT_EQ(wordsIn(four(), text, kDe), "Go down");
}

TEST(Languages, TheDirectionFollowsFromTheTag) {
  for (const char* tag : {"ar", "he", "fa-IR", "ur", "ff-Adlm"}) EXPECT_TRUE(readsFromTheRight(tag)) << tag;
  for (const char* tag : {"en", "de", "arn", "ff", "hex", "und"}) EXPECT_FALSE(readsFromTheRight(tag)) << tag;
}

TEST(Languages, OneThatGoesTakesItsWordsAndItsRoutesAlong) {
  History h(test::columnMenu({"Dive", "Log"}));
  test::must(h, addLanguage("de", "Deutsch"));
  const LanguageId german = h.now().languages.back().id;
  const auto ids = test::buttons(h.now());
  test::must(h, changeItems(h.now().screens[0]->id, {ids[0]}, "words", {}, [&](Item& i) {
               i.button()->caption.others[german] = "Tauchen";
               i.button()->routes.where.push_back({{}, german, Dir::Up, {RouteType::Closed, {}}});
             }));
  const auto shared = h.now().screens[0]->items[2];
  test::must(h, removeLanguage(german));
  EXPECT_EQ(findItem(*h.now().screens[0], ids[0])->button()->caption, Text("Dive"));
  EXPECT_TRUE(findItem(*h.now().screens[0], ids[0])->button()->routes.where.empty());
  EXPECT_TRUE(h.now().screens[0]->items[2].same(shared)) << "what said nothing in it is not touched";
  EXPECT_FALSE(h.perform(removeLanguage(h.now().languages.front().id)));
  EXPECT_FALSE(h.perform(addLanguage("en", "again")));
  EXPECT_FALSE(h.perform(addLanguage("", "nothing")));
}

}  // namespace
}  // namespace bristle
