// Words for translators and back: tables, catalogues, and the pretend language.
#include <gmock/gmock.h>

#include "core/edit/language_edits.h"
#include "core/edit/screen_edits.h"
#include "core/formats/words_file.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::must;
using testing::HasSubstr;

struct Speaking {
  History history{test::columnMenu({"Dive", "Log"})};
  ScreenId screen = history.now().screens[0]->id;
  std::vector<ItemId> ids = test::buttons(history.now());
  LanguageId german, arabic;
  Speaking() {
    must(history, addLanguage("de", "Deutsch"));
    must(history, addLanguage("ar", "العربية"));
    german = history.now().languages[1].id;
    arabic = history.now().languages[2].id;
    must(history, changeItems(screen, {ids[0]}, "words", {}, [&](Item& item) {
           item.button()->caption.others[german] = "Tauchen, \"tief\"\nmit \\";
           item.button()->accessibleName = "Begin";
         }));
  }
  std::string caption(size_t which, const LanguageId& in) const {
    const auto& languages = history.now().languages;
    const Text& text = findItem(*history.now().screens[0], ids[which])->button()->caption;
    return hasWords(languages, text, in) ? wordsIn(languages, text, in) : "";
  }
  std::string key(size_t which) const { return ids[which].text + ".caption"; }
};

TEST(WordsTable, GoesOutAndComesBackTheSame) {
  const Speaking s;
  const std::string table = writeWordsTable(s.history.now());
  EXPECT_THAT(table, HasSubstr("key,where,"));
  const auto read = readWordsTable(s.history.now(), table);
  ASSERT_TRUE(read) << read.error().text();
  Project back = s.history.now();
  for (const auto& [language, words] : *read)
    back = test::after(back, writeWords(language, words, "x"));
  EXPECT_EQ(writeWordsTable(back), table);
}

TEST(WordsTable, WrongOnesAreRefusedWithTheirPlace) {
  const Speaking s;
  const auto why = [&](std::string_view text) {
    const auto read = readWordsTable(s.history.now(), text);
    return read ? std::string() : read.error().text();
  };
  EXPECT_THAT(why("key,fr\na,b"), HasSubstr("found “fr”"));
  EXPECT_THAT(why("de\nTauchen"), HasSubstr("a column called key"));
  EXPECT_THAT(why("key,de\na,b,c"), HasSubstr("line 2: expected 2 cells, found 3"));
  EXPECT_THAT(why("key,de\n\"a,b"), HasSubstr("quote"));
  EXPECT_THAT(why("key,de\na,\xff"), HasSubstr("UTF-8"));
  EXPECT_THAT(why(""), HasSubstr("a column called key"));
}

TEST(Po, GoesOutAndComesBackTheSame) {
  Speaking s;
  const std::string po = writePo(s.history.now(), s.german);
  EXPECT_THAT(po, HasSubstr("\"Language: de\\n\""));
  EXPECT_THAT(po, HasSubstr("msgctxt \"" + s.key(0) + "\"\nmsgid \"Dive\"\n"));
  EXPECT_THAT(po, HasSubstr("msgstr \"\"\n")) << "what is missing is there to be written";
  const auto read = readPo(po);
  ASSERT_TRUE(read) << read.error().text();
  ASSERT_EQ(read->size(), 3u) << "two captions and a name, not the head";
  EXPECT_EQ((*read)[0].words, "Tauchen, \"tief\"\nmit \\");
  EXPECT_EQ((*read)[0].base, "Dive");
  must(s.history, writeWords(s.arabic, *read, "import"));
  EXPECT_EQ(s.caption(0, s.arabic), s.caption(0, s.german));
  EXPECT_EQ(s.caption(1, s.arabic), "") << "empty words leave what is there";
}

TEST(Po, ReadsWhatOtherProgramsWrite) {
  const auto read = readPo(
      "# a comment\nmsgid \"\"\nmsgstr \"\"\n\"Language: de\\n\"\n\n"
      "#: place.c:1\n#, fuzzy\nmsgctxt \"b1.caption\"\nmsgid \"\"\n\"Two \"\n\"lines\"\n"
      "msgstr \"Zwei \"\n\"Zeilen\"\n"
      "msgctxt \"b2.caption\"\nmsgid \"One\"\nmsgid_plural \"Many\"\nmsgstr[0] \"Eins\"\n"
      "msgstr[1] \"Viele\"\r\n\r\n#~ msgid \"gone\"\nmsgid \"no context\"\nmsgstr \"x\"\n");
  ASSERT_TRUE(read) << read.error().text();
  ASSERT_EQ(read->size(), 2u);
  EXPECT_EQ((*read)[0].base, "Two lines");
  EXPECT_EQ((*read)[0].words, "Zwei Zeilen");
  EXPECT_EQ((*read)[1].words, "Eins");
}

TEST(Po, WrongOnesAreRefusedWithTheLine) {
  const auto why = [](std::string_view text) {
    const auto read = readPo(text);
    return read ? std::string() : read.error().text();
  };
  EXPECT_THAT(why("msgid \"a\"\nmsgstr \"b"), HasSubstr("line 2: expected a string in quotes"));
  EXPECT_THAT(why("msgid \"a\\q\""), HasSubstr("line 1: expected \\n"));
  EXPECT_THAT(why("msgid \"a\"b\""), HasSubstr("for a quote inside"));
  EXPECT_THAT(why("\"loose\""), HasSubstr("before a string"));
  EXPECT_THAT(why("\nhello \"a\""), HasSubstr("line 2: expected msgctxt"));
  EXPECT_THAT(why("msgid \"\xe4\""), HasSubstr("UTF-8"));
  EXPECT_THAT(why("msgid \"a\\\""), HasSubstr("line 1")) << "the last quote is escaped";
}

// Whatever bytes come, it says why or gives something, and does not fall over.
TEST(Po, AnythingAtAllIsReadOrRefused) {
  for (std::uint64_t seed = 1; seed <= 2000; ++seed) {
    test::Dice dice(seed);
    const char* const bits[] = {"msgid ", "msgstr ", "msgctxt ", "\"", "\\",  "n",
                                "\n",     "#",       " ",        "ß",  "\xff"};
    std::string text;
    for (int i = dice.whole(0, 40); i > 0; --i)
      text += bits[dice.whole(0, dice.chance(0.1) ? 10 : 9)];
    const auto read = readPo(text);
    if (!read) {
      EXPECT_FALSE(read.error().text().empty());
    }
  }
}

TEST(Words, WhatWouldBeWrittenIsCounted) {
  const Speaking s;
  const auto done =
      wouldWrite(s.history.now(),
                 {{s.key(0), "Dive", "x"}, {s.key(1), "Old log", "y"}, {"b99.caption", "", "z"}});
  EXPECT_EQ(done.written, 2u);
  EXPECT_EQ(done.older, 1u);
  EXPECT_EQ(done.unknown, 1u);
}

TEST(Pretend, IsLongerByFourTenthsAndKeepsWhatIsInBraces) {
  const auto letters = [](const std::string& text) {
    return std::count_if(text.begin(), text.end(), [](char c) { return (c & 0xc0) != 0x80; });
  };
  for (const std::string base : {"Dive", "Read the soundings", "A", "Leave the dive now?"}) {
    const std::string words = pretendWords(base);
    EXPECT_GE(double(letters(words)), 1.4 * double(base.size())) << words;
    EXPECT_LE(letters(words),
              std::max<long>(long(base.size()) + 2, long(1.4 * double(base.size())) + 1))
        << words;
    EXPECT_NE(words, base);
  }
  EXPECT_THAT(pretendWords("Hull {name} up"), HasSubstr("{name}"));
  EXPECT_EQ(pretendWords(""), "");
}

TEST(Pretend, IsALanguageThatIsWrittenAnew) {
  Speaking s;
  must(s.history, pretendLanguage());
  const size_t count = s.history.now().languages.size();
  const LanguageId pretend = s.history.now().languages.back().id;
  EXPECT_EQ(s.caption(1, pretend), pretendWords("Log"));
  must(s.history, changeItems(s.screen, {s.ids[1]}, "words", {},
                              [](Item& item) { item.button()->caption.base = "Logbook"; }));
  must(s.history, pretendLanguage());
  EXPECT_EQ(s.history.now().languages.size(), count);
  EXPECT_EQ(s.caption(1, pretend), pretendWords("Logbook"));
}

}  // namespace
}  // namespace bristle
