// The library in C: what it hands out, how it fails, and that nothing it is fed brings it down.
#include <gmock/gmock.h>

#include <cstdlib>
#include <random>

#include "library/bristle.h"
#include "runtime/formats/menu_file.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

using testing::HasSubstr;

class InC : public testing::Test {
 protected:
  InC() : project(columnMenu({"Dive", "Chart", "Leave"})), bytes(writeMenu(project, {})) {
    ids = buttons(project);
  }
  ~InC() override {
    bristle_stop(run);
    bristle_close(menu);
  }
  void start() {
    ASSERT_EQ(bristle_open(bytes.data(), bytes.size(), &menu, nullptr, 0), BRISTLE_OK);
    ASSERT_EQ(bristle_start(menu, nullptr, "", nullptr, &run, nullptr, 0), BRISTLE_OK);
  }
  void feed(int input, std::int64_t at, int direction = BRISTLE_UP, int down = 1) {
    bristle_event event{};
    event.size = sizeof event;
    event.at = at;
    event.input = input;
    event.device = BRISTLE_KEYBOARD;
    event.direction = direction;
    event.down = down;
    ASSERT_EQ(bristle_feed(run, &event), BRISTLE_OK);
  }
  bristle_item item(size_t at) {
    bristle_item out{};
    out.size = sizeof out;
    EXPECT_EQ(bristle_item_at(run, 0, at, &out), BRISTLE_OK);
    return out;
  }
  // The place of a button among its screen's items.
  size_t placeOfItem(const ItemId& id) {
    bristle_screen screen{};
    screen.size = sizeof screen;
    EXPECT_EQ(bristle_screen_at(run, 0, &screen), BRISTLE_OK);
    for (size_t i = 0; i < screen.item_count; ++i)
      if (item(i).id == id.text) return i;
    return screen.item_count;
  }
  std::vector<std::string> lines() {
    std::vector<std::string> out;
    bristle_happening what{};
    what.size = sizeof what;
    for (size_t i = 0; bristle_happened_at(run, i, &what) == BRISTLE_OK; ++i)
      out.emplace_back(what.line);
    bristle_happened_clear(run);
    return out;
  }
  Project project;
  std::string bytes;
  std::vector<ItemId> ids;
  bristle_menu* menu = nullptr;
  bristle_run* run = nullptr;
};

TEST_F(InC, RunsAMenuAndTellsWhatHappened) {
  start();
  EXPECT_THAT(lines(), testing::Contains(HasSubstr("focus – → " + ids[0].text)));
  EXPECT_EQ(bristle_focus(run), ids[0].text);
  const char *to = nullptr, *how = nullptr;
  ASSERT_EQ(bristle_route(run, ids[0].text.c_str(), BRISTLE_DOWN, &to, &how), BRISTLE_OK);
  EXPECT_EQ(to, ids[1].text);
  EXPECT_STRNE(how, "");
  ASSERT_EQ(bristle_route(run, ids[0].text.c_str(), BRISTLE_LEFT, &to, nullptr), BRISTLE_OK);
  EXPECT_STREQ(to, "");
  feed(BRISTLE_MOVE, 100, BRISTLE_DOWN);
  EXPECT_THAT(lines(), testing::Contains(HasSubstr("focus " + ids[0].text + " → " + ids[1].text)));
  ASSERT_EQ(bristle_press_sign(run, 200, BRISTLE_KEY, "Enter", 0, 0), BRISTLE_OK);
  ASSERT_EQ(bristle_release_sign(run, 260, BRISTLE_KEY, "Enter", 0), BRISTLE_OK);
  EXPECT_THAT(lines(), testing::Contains("activate " + ids[1].text));
  EXPECT_EQ(bristle_now(run), 260);
  EXPECT_EQ(bristle_press_sign(run, 300, BRISTLE_KEY, "No such key", 0, 0), BRISTLE_NOT_THERE);
}

TEST_F(InC, AStickMovesOnceForEachTimeThatItGoesOut) {
  start();
  lines();
  ASSERT_EQ(bristle_stick(run, 10, 0, 0, 0.9), BRISTLE_OK);
  ASSERT_EQ(bristle_stick(run, 20, 0, 0.1, 0.9), BRISTLE_OK);
  EXPECT_EQ(bristle_focus(run), ids[1].text);
  ASSERT_EQ(bristle_stick(run, 30, 0, 0, 0), BRISTLE_OK);
  ASSERT_EQ(bristle_stick(run, 40, 0, 0, 0.9), BRISTLE_OK);
  EXPECT_EQ(bristle_focus(run), ids[2].text);
}

TEST_F(InC, TellsWhereItemsLieAndHowTheyLook) {
  start();
  const size_t at = placeOfItem(ids[0]);
  const bristle_item button = item(at);
  EXPECT_EQ(button.sort, BRISTLE_ITEM_BUTTON);
  EXPECT_STREQ(button.text, "Dive");
  EXPECT_TRUE(button.seen && button.enabled && button.focused);
  EXPECT_FALSE(button.current || button.down);
  EXPECT_GT(button.w, 0);
  // A part for each of the kind, and the whole.
  const Kind& kind = *project.kinds[0];
  ASSERT_EQ(button.part_count, kind.parts.size() + 1);
  bristle_part part{};
  part.size = sizeof part;
  for (size_t p = 0; p < button.part_count; ++p) {
    ASSERT_EQ(bristle_part_at(run, 0, at, p, &part), BRISTLE_OK);
    EXPECT_STREQ(part.id, p < kind.parts.size() ? kind.parts[p].id.text.c_str() : "");
  }
  EXPECT_EQ(part.type, BRISTLE_PART_WHOLE);
  EXPECT_EQ(part.motion.a, 1);
  double number = -1;
  const char* text = nullptr;
  bristle_fill fill{};
  bristle_colour colour{};
  bristle_shadow shadow{};
  double four[4]{};
  for (size_t p = 0; p + 1 < button.part_count; ++p) {
    bristle_part_at(run, 0, at, p, &part);
    if (part.type == BRISTLE_PART_SHAPE) {
      EXPECT_EQ(bristle_look_number(run, 0, at, p, "borderWidth", &number), BRISTLE_OK);
      EXPECT_GE(number, 0);
      EXPECT_EQ(bristle_look_fill(run, 0, at, p, "fill", &fill), BRISTLE_OK);
      EXPECT_EQ(bristle_look_four(run, 0, at, p, "radius", four), BRISTLE_OK);
      EXPECT_EQ(bristle_look_shadow(run, 0, at, p, "shadow", &shadow), BRISTLE_OK);
      EXPECT_EQ(bristle_look_text(run, 0, at, p, "form", &text), BRISTLE_OK);
      EXPECT_EQ(bristle_look_colour(run, 0, at, p, "fill", &colour), BRISTLE_OTHER_SORT);
      EXPECT_EQ(bristle_look_number(run, 0, at, p, "glyph", &number), BRISTLE_NOT_THERE);
    } else if (part.type == BRISTLE_PART_LABEL) {
      EXPECT_EQ(bristle_look_number(run, 0, at, p, "size", &number), BRISTLE_OK);
      EXPECT_GE(number, 4);
      EXPECT_EQ(bristle_look_colour(run, 0, at, p, "colour", &colour), BRISTLE_OK);
    }
  }
  EXPECT_EQ(bristle_part_at(run, 0, at, button.part_count, &part), BRISTLE_OUT_OF_RANGE);
}

TEST_F(InC, TwoRunsOfAMenuKnowNothingOfEachOther) {
  start();
  bristle_run* other = nullptr;
  ASSERT_EQ(bristle_start(menu, nullptr, nullptr, nullptr, &other, nullptr, 0), BRISTLE_OK);
  feed(BRISTLE_MOVE, 50, BRISTLE_DOWN);
  EXPECT_EQ(bristle_focus(run), ids[1].text);
  EXPECT_EQ(bristle_focus(other), ids[0].text);
  bristle_stop(other);
}

TEST_F(InC, SaysWhyItCannot) {
  char why[200] = "";
  EXPECT_EQ(bristle_open("{}", 2, &menu, why, sizeof why), BRISTLE_UNREADABLE);
  EXPECT_THAT(why, HasSubstr("no delivered menu"));
  std::string newer = bytes;
  newer.replace(newer.find(":1"), 2, ":9");
  EXPECT_EQ(bristle_open(newer.data(), newer.size(), &menu, why, sizeof why), BRISTLE_TOO_NEW);
  EXPECT_THAT(why, HasSubstr("newer"));
  EXPECT_EQ(menu, nullptr);
  // The text is cut to the room, never within a letter.
  char little[16];
  start();
  bristle_run* other = nullptr;
  EXPECT_EQ(bristle_start(menu, "ä", nullptr, nullptr, &other, little, sizeof little),
            BRISTLE_NOT_THERE);
  EXPECT_LT(std::string(little).size(), sizeof little);
  EXPECT_NE(static_cast<unsigned char>(std::string(little).back()) & 0xC0, 0xC0);
  EXPECT_EQ(bristle_start(menu, nullptr, nullptr, "nowhere", &other, why, sizeof why),
            BRISTLE_NOT_THERE);
  EXPECT_EQ(other, nullptr);
  bristle_event event{};
  EXPECT_EQ(bristle_feed(run, &event), BRISTLE_MISUSED) << "its size is not set";
  event.size = sizeof event;
  for (int input : {-1, 15, 1000}) {
    event.input = input;
    EXPECT_EQ(bristle_feed(run, &event), BRISTLE_OUT_OF_RANGE);
  }
  event.input = BRISTLE_POINT;
  event.x = std::nan("");
  EXPECT_EQ(bristle_feed(run, &event), BRISTLE_OUT_OF_RANGE);
  double value = 0;
  EXPECT_EQ(bristle_value_get(run, "no such value", &value), BRISTLE_NOT_THERE);
  for (int code = BRISTLE_OK; code <= BRISTLE_OTHER_SORT; ++code)
    EXPECT_STRNE(bristle_code_text(static_cast<bristle_code>(code)), "");
}

TEST_F(InC, NullIsMisuseAndNoMore) {
  bristle_close(nullptr);
  bristle_stop(nullptr);
  EXPECT_EQ(bristle_open(nullptr, 0, &menu, nullptr, 0), BRISTLE_MISUSED);
  EXPECT_EQ(bristle_open(bytes.data(), bytes.size(), nullptr, nullptr, 0), BRISTLE_MISUSED);
  EXPECT_EQ(bristle_start(nullptr, nullptr, nullptr, nullptr, &run, nullptr, 0), BRISTLE_MISUSED);
  EXPECT_EQ(bristle_step(nullptr, 0), BRISTLE_MISUSED);
  EXPECT_EQ(bristle_feed(nullptr, nullptr), BRISTLE_MISUSED);
  EXPECT_EQ(bristle_screen_count(nullptr), 0u);
  EXPECT_EQ(bristle_happened_count(nullptr), 0u);
  EXPECT_STREQ(bristle_focus(nullptr), "");
  start();
  EXPECT_EQ(bristle_screen_at(run, 0, nullptr), BRISTLE_MISUSED);
  EXPECT_EQ(bristle_route(run, nullptr, BRISTLE_UP, nullptr, nullptr), BRISTLE_MISUSED);
  EXPECT_EQ(bristle_look_number(run, 0, 0, 0, nullptr, nullptr), BRISTLE_MISUSED);
}

// What can be opened in spite of it is run as well.
void tryOut(const std::string& bytes) {
  bristle_menu* menu = nullptr;
  bristle_run* run = nullptr;
  char why[64];
  if (bristle_open(bytes.data(), bytes.size(), &menu, why, sizeof why) != BRISTLE_OK) return;
  if (bristle_start(menu, nullptr, nullptr, nullptr, &run, why, sizeof why) == BRISTLE_OK) {
    bristle_stick(run, 100, 0, 0, 1);
    bristle_press_sign(run, 200, BRISTLE_KEY, "Enter", 0, 0);
    bristle_release_sign(run, 300, BRISTLE_KEY, "Enter", 0);
    bristle_step(run, 2'000);
    bristle_item item{};
    item.size = sizeof item;
    for (size_t i = 0; bristle_item_at(run, 0, i, &item) == BRISTLE_OK; ++i) continue;
    bristle_stop(run);
  }
  bristle_close(menu);
}

TEST_F(InC, GarbageAndWhatBreaksOffIsRefused) {
  for (size_t length = 0; length < bytes.size(); length += 7) tryOut(bytes.substr(0, length));
  std::mt19937 random(5);
  for (int i = 0; i < 300; ++i) {
    std::string garbage(random() % 400, 0);
    for (char& c : garbage) c = static_cast<char>(random());
    tryOut(garbage);
  }
}

// BRISTLE_MUTATIONS says how many, BRISTLE_SEED which.
TEST_F(InC, MutatedMenusBringNothingDown) {
  const char* wished = std::getenv("BRISTLE_MUTATIONS");
  const int count = wished ? std::atoi(wished) : 1'500;
  const char* seed = std::getenv("BRISTLE_SEED");
  std::mt19937 random(seed ? unsigned(std::atoi(seed)) : 11);
  const auto upTo = [&](size_t n) { return static_cast<size_t>(random() % n); };
  for (int i = 0; i < count; ++i) {
    std::string torn = bytes;
    for (size_t edits = 1 + upTo(4); edits > 0; --edits) {
      const size_t at = upTo(torn.size());
      switch (upTo(5)) {
        case 0:
          torn[at] = static_cast<char>(random());
          break;
        case 1:
          torn.erase(at, 1 + upTo(20));
          break;
        case 2:
          torn.insert(at, torn.substr(upTo(torn.size()), 1 + upTo(60)));
          break;
        case 3:
          // Another number: the likeliest way to something that is read and makes no sense.
          if (torn[at] >= '0' && torn[at] <= '9')
            torn.replace(at, 1, std::to_string(int(random() % 100'000) - 1'000));
          break;
        default:
          torn[at] = "{}[]\",:0919-e."[upTo(14)];
      }
      if (torn.empty()) torn = "{";
    }
    tryOut(torn);
  }
}

}  // namespace
}  // namespace bristle::test
