// Flashes by WCAG 2.2's definition of the general and the red flash, on pictures whose figures are
// worked out by hand; and kinds that flash by each of the ways there are.
#include <gmock/gmock.h>

#include <QTemporaryDir>
#include <cmath>

#include "core/edit/kind_edits.h"
#include "core/findings/review.h"
#include "core/findings/rules.h"
#include "paint/flash_reader.h"
#include "paint/painted_eyes.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

QImage plain(QRgb px, int w = 10, int h = 10) {
  QImage out(w, h, QImage::Format_RGB32);
  out.fill(px);
  return out;
}

// So many pictures, evenly, in so many ms.
PictureRound round(const std::vector<QRgb>& colours, double length, int count = 0) {
  PictureRound out{.length = length, .count = count};
  for (size_t i = 0; i < colours.size(); ++i) {
    out.pictures.push_back(plain(colours[i]));
    out.at.push_back(length * double(i) / double(colours.size()));
  }
  return out;
}

constexpr QRgb kBlack = qRgb(0, 0, 0), kWhite = qRgb(255, 255, 255);

TEST(Flashes, AreMoreThanThreeASecond) {
  EXPECT_NEAR(threeFlashes(round({kBlack, kWhite}, 330), 1), 990, 1e-9);
  EXPECT_TRUE(std::isinf(threeFlashes(round({kBlack, kWhite}, 334), 1)));
  EXPECT_NEAR(threeFlashes(round({kBlack, kWhite, kBlack, kWhite}, 500), 1), 750, 1e-9);
  EXPECT_TRUE(std::isinf(threeFlashes(round({kBlack, kWhite}, 100, 3), 1))) << "three in all";
  EXPECT_NEAR(threeFlashes(round({kBlack, kWhite}, 100, 4), 1), 300, 1e-9);
  // Four at once, then nothing for long.
  std::vector<QRgb> burst(60, kBlack);
  for (const size_t at : {1, 3, 5, 7}) burst[at] = kWhite;
  EXPECT_NEAR(threeFlashes(round(burst, 6000), 1), 600, 1e-9);
  burst[7] = kBlack;
  EXPECT_TRUE(std::isinf(threeFlashes(round(burst, 6000), 1)));
}

// 89 of 255 is a luminance of 0.100, 94 of 0.112: sRGB of W3C, by hand. 231 is 0.799, 232 is 0.807.
TEST(Flashes, AreChangesOfATenthOfTheLightWhereTheDarkerIsNotBright) {
  const auto grey = [](int of) { return qRgb(of, of, of); };
  EXPECT_TRUE(std::isinf(threeFlashes(round({kBlack, grey(88)}, 200), 1)));
  EXPECT_FALSE(std::isinf(threeFlashes(round({kBlack, grey(90)}, 200), 1)));
  EXPECT_FALSE(std::isinf(threeFlashes(round({grey(231), kWhite}, 200), 1)));
  EXPECT_TRUE(std::isinf(threeFlashes(round({grey(232), kWhite}, 200), 1)));
  // In steps, each too small by itself; and a tremble on the way is none.
  EXPECT_NEAR(threeFlashes(round({kBlack, grey(60), grey(90), grey(60)}, 200), 1), 600, 1e-9);
  EXPECT_NEAR(
      threeFlashes(round({kBlack, grey(120), grey(110), grey(200), grey(190), kWhite}, 300), 1),
      900, 1e-9);
}

// Of one luminance: red (255, 0, 0) is 0.2126, the grey 127 is 0.212; they lie 0.26
// apart in u′v′ (0.451, 0.523 and 0.198, 0.468).
TEST(Flashes, OfASaturatedRedCountWithoutAChangeOfLight) {
  const QRgb red = qRgb(255, 0, 0), grey = qRgb(127, 127, 127), green = qRgb(0, 139, 0);
  EXPECT_FALSE(std::isinf(threeFlashes(round({red, grey}, 200), 1)));
  EXPECT_TRUE(std::isinf(threeFlashes(round({green, grey}, 200), 1)));
  EXPECT_TRUE(std::isinf(threeFlashes(round({red, qRgb(255, 60, 0)}, 200), 1))) << "near to it";
}

TEST(Flashes, CountFromAnAreaOn) {
  PictureRound r = round({kBlack, kWhite}, 300);
  for (int x = 0; x < 10; ++x)
    for (int y = 0; y < 4; ++y) r.pictures[1].setPixel(x, y, kBlack);
  EXPECT_NEAR(threeFlashes(r, 60), 900, 1e-9);
  EXPECT_TRUE(std::isinf(threeFlashes(r, 61)));
  // The rate that as much as that reaches.
  PictureRound fast = round({kBlack, kWhite, kBlack, kWhite}, 600);
  for (int x = 0; x < 5; ++x)
    for (int y = 0; y < 10; ++y) fast.pictures[3].setPixel(x, y, kBlack);
  EXPECT_NEAR(threeFlashes(fast, 50), 900, 1e-9);
  EXPECT_TRUE(std::isinf(threeFlashes(fast, 51))) << "one in 600 ms is slow enough";
  EXPECT_TRUE(std::isinf(threeFlashes({}, 1)));
}

class FlashRule : public testing::Test {
 protected:
  FlashRule() {
    project = columnMenu({"Dive"});
    project.screens[0].edit().backdrop = Fill::solid({0, 0, 0, 255});
    kind().width = 400;
    kind().height = 100;
    for (const Part& part : kind().parts)
      if (part.type == PartType::Shape && plate.text.empty()) plate = part.id;
    setAll({plate, Prop::Fill}, Fill::solid({255, 255, 255, 255}));
    hover = project.machines[0]->states[1].id;
  }
  Kind& kind() { return project.kinds[0].edit(); }
  void setAll(const PropKey& key, const Value& value) {
    kind().base.set(key, value);
    for (auto& [state, look] : kind().departures) look.clear(key);
  }
  void blink(Ms period, int count = 0) {
    StateMotion motion;
    motion.tracks = {{{{}, Prop::Opacity}, {{0, 0, {}}, {0.5, -0.5, {}}, {1, 0, {}}}}};
    motion.period = period;
    motion.count = count;
    kind().motions[hover] = motion;
  }
  Findings found(const Project& p) {
    PaintedEyes eyes(folder.path());
    Findings out;
    checkFlashes({.project = p, .eyes = &eyes}, *p.kinds[0], out);
    return out;
  }
  // The one there is; its mend leaves none.
  Finding only() {
    const Findings out = found(project);
    EXPECT_EQ(out.size(), 1U);
    if (out.size() != 1) return {};
    EXPECT_EQ(out[0].mends.size(), 1U);
    EXPECT_TRUE(found(after(project, out[0].mends[0])).empty());
    return out[0];
  }
  QTemporaryDir folder;
  Project project;
  PartId plate;
  StateId hover;
};

TEST_F(FlashRule, KeyFramesByTheLightTheyChange) {
  blink(334);
  EXPECT_TRUE(found(project).empty());
  blink(330);
  const Finding f = only();
  EXPECT_NEAR(*f.figure, 3.03, 0.01);
  EXPECT_EQ(f.state, hover);
  blink(330, 3);
  EXPECT_TRUE(found(project).empty()) << "three and no more";
  blink(100);
  only();
  // As much less of it, but dark on dark.
  setAll({plate, Prop::Fill}, Fill::solid({60, 60, 60, 255}));
  EXPECT_TRUE(found(project).empty());
}

TEST_F(FlashRule, SmallOnesMay) {
  blink(200);
  kind().width = 200;
  EXPECT_TRUE(found(project).empty());
  kind().width = 240;
  only();
}

TEST_F(FlashRule, TimersThatGoRound) {
  Machine& machine = project.machines[0].edit();
  const StateId rest = machine.states[0].id;
  kind().departures[hover].set({plate, Prop::Fill}, Fill::solid({0, 0, 0, 255}));
  const auto goes = [](const StateId& from, const StateId& to, Ms after) {
    Transition t;
    t.from = from;
    t.to = to;
    t.on = Event::After;
    t.after = after;
    t.timing = Timing{.duration = 0, .delay = 0, .easing = {}};
    return t;
  };
  machine.transitions.push_back(goes(rest, hover, 100));
  EXPECT_TRUE(found(project).empty()) << "no way back";
  machine.transitions.push_back(goes(hover, rest, 130));
  EXPECT_NEAR(*only().figure, 1000 / 230.0, 0.01);
  machine.transitions.back().after = 234;
  EXPECT_TRUE(found(project).empty());
  machine.transitions.back().after = 130;
  machine.transitions.back().guard = "over";
  EXPECT_TRUE(found(project).empty()) << "only where something holds";
}

// However many there are on the way round.
TEST_F(FlashRule, StatesThatLastNoTimeAreNotSeen) {
  Machine& machine = project.machines[0].edit();
  const StateId rest = machine.states[0].id;
  kind().departures[hover].set({plate, Prop::Fill}, Fill::solid({0, 0, 0, 255}));
  const LookValues dark = kind().departures[hover];
  StateId from = rest;
  for (int i = 0; i <= 8; ++i) {
    State more;
    more.id = {"more" + std::to_string(i)};
    machine.states.push_back(more);
    if (i % 2 == 0) kind().departures[more.id] = dark;
    Transition t;
    t.from = from;
    t.to = i < 8 ? more.id : rest;
    t.on = Event::After;
    t.after = i == 0 ? 400 : 0;
    t.timing = Timing{.duration = 0, .delay = 0, .easing = {}};
    machine.transitions.push_back(t);
    from = more.id;
  }
  EXPECT_TRUE(found(project).empty());
}

TEST_F(FlashRule, FramesOfAPicture) {
  QImage strip(800, 100, QImage::Format_RGB32);
  strip.fill(Qt::black);
  for (int x = 400; x < 800; ++x)
    for (int y = 0; y < 100; ++y) strip.setPixel(x, y, kWhite);
  ASSERT_TRUE(strip.save(folder.filePath(QStringLiteral("strip.png"))));
  Part part;
  part.id = {"film"};
  part.type = PartType::Picture;
  kind().parts.push_back(part);
  setAll({part.id, Prop::File}, std::string("strip.png"));
  setAll({part.id, Prop::FramesAcross}, 2.0);
  setAll({part.id, Prop::FrameRate}, 6.0);
  setAll({part.id, Prop::Playing}, std::string("loop"));
  EXPECT_TRUE(found(project).empty());
  for (const auto& state : project.machines[0]->states) {
    kind().departures[state.id].set({part.id, Prop::Playing}, std::string("stand"));
  }
  kind().departures[hover].set({part.id, Prop::Playing}, std::string("loop"));
  setAll({part.id, Prop::FrameRate}, 7.0);
  EXPECT_NEAR(*only().figure, 3.5, 0.01);
}

// Film of forty thousand frames, and a button as large as a wall: looked at within bounds.
TEST_F(FlashRule, LargeOnesAreLookedAtSmaller) {
  kind().width = kind().height = 4000;
  blink(200);
  EXPECT_NEAR(*only().figure, 5, 0.01);
  Part part;
  part.id = {"film"};
  part.type = PartType::Picture;
  kind().parts.push_back(part);
  setAll({part.id, Prop::File}, std::string("none.png"));
  setAll({part.id, Prop::FramesAcross}, 200.0);
  setAll({part.id, Prop::FramesDown}, 200.0);
  setAll({part.id, Prop::FrameRate}, 120.0);
  setAll({part.id, Prop::Playing}, std::string("loop"));
  kind().width = kind().height = 300;
  EXPECT_EQ(found(project).size(), 1U) << "the blinking alone";
  kind().motions.clear();
  EXPECT_TRUE(found(project).empty());
}

// What is kept of a kind follows the ground that it stands on.
TEST_F(FlashRule, AnotherGroundIsLookedAtAnew) {
  blink(200);
  setAll({plate, Prop::Fill}, Fill::solid({90, 90, 90, 255}));
  kind().parts.resize(1);
  PaintedEyes eyes;
  Review review;
  const auto flashes = [&] {
    const Findings all = review.check(project, {.eyes = &eyes});
    return std::count_if(all.begin(), all.end(),
                         [](const Finding& f) { return f.rule == "flashes"; });
  };
  EXPECT_EQ(flashes(), 0) << "the dark below shows through";
  project.screens[0].edit().backdrop = Fill::solid({255, 255, 255, 255});
  EXPECT_EQ(flashes(), 1);
}

}  // namespace
}  // namespace bristle::test
