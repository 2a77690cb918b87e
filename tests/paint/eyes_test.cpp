// Rules that look at what is painted: contrast of captions where they really stand, states that
// must be told apart by everybody, focus that can be seen.
#include "paint/painted_eyes.h"

#include <gmock/gmock.h>

#include <QTemporaryDir>
#include <random>

#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "core/findings/check.h"
#include "core/findings/review.h"
#include "paint/convert.h"
#include "paint/seen_as.h"
#include "runtime/layout/layout.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

using testing::HasSubstr;

class EyesRules : public testing::Test {
 protected:
  EyesRules() {
    project = columnMenu({"Dive", "Chart"});
    ids = buttons(project);
    for (const ItemId& id : ids)
      edit(project.screens[0].edit(), id)->button()->actions = {
          {.type = ActionType::Message, .message = "m"}};
    for (const Part& part : kind().parts) {
      if (part.type == PartType::Label) label = part.id;
      if (part.type == PartType::Shape && plate.text.empty()) plate = part.id;
    }
  }
  Kind& kind() { return project.kinds[0].edit(); }
  // In every state alike.
  void setAll(const PropKey& key, const Value& value) {
    kind().base.set(key, value);
    for (auto& [state, look] : kind().departures) look.clear(key);
  }
  Findings of(std::string_view rule, const Project& p) {
    PaintedEyes eyes;
    Findings out = check(p, {.eyes = &eyes});
    std::erase_if(out, [&](const Finding& f) { return f.rule != rule; });
    return out;
  }
  Findings of(std::string_view rule) { return of(rule, project); }
  Project project;
  std::vector<ItemId> ids;
  PartId label, plate;
};

TEST_F(EyesRules, ACaptionStandsOut) {
  setAll({plate, Prop::Fill}, Fill::solid({40, 40, 40, 255}));
  setAll({label, Prop::Size}, 18.0);
  setAll({label, Prop::Colour}, Colour{230, 230, 230, 255});
  EXPECT_TRUE(of("contrast").empty());
  setAll({label, Prop::Colour}, Colour{90, 90, 90, 255});
  const Findings found = of("contrast");
  ASSERT_FALSE(found.empty());
  for (const Finding& f : found) {
    EXPECT_NEAR(*f.figure, 2.1, 0.15);
    EXPECT_EQ(f.limit, 4.5);
    ASSERT_EQ(f.mends.size(), 1U);
  }
  Project mended = project;
  for (const Finding& f : found) mended = after(mended, f.mends[0]);
  EXPECT_TRUE(of("contrast", mended).empty());
  // Large ones need less.
  setAll({label, Prop::Colour}, Colour{125, 125, 125, 255});
  EXPECT_FALSE(of("contrast").empty());
  setAll({label, Prop::Size}, 24.0);
  EXPECT_TRUE(of("contrast").empty());
}

// Where one button of a kind stands for all it is one that shows words.
TEST_F(EyesRules, AButtonWithoutACaptionSpeaksForNoOther) {
  setAll({plate, Prop::Fill}, Fill::solid({40, 40, 40, 255}));
  setAll({label, Prop::Colour}, Colour{90, 90, 90, 255});
  edit(project.screens[0].edit(), ids[0])->button()->caption = {};
  ASSERT_FALSE(of("contrast").empty());
  EXPECT_THAT(of("contrast")[0].place, HasSubstr("Chart"));
}

// Through a plate that is not there, on what lies behind the button.
TEST_F(EyesRules, AgainstWhatIsReallyBehindIt) {
  setAll({plate, Prop::Opacity}, 0.0);
  setAll({label, Prop::Colour}, Colour{240, 240, 240, 255});
  project.screens[0].edit().backdrop = Fill::solid({20, 30, 40, 255});
  EXPECT_TRUE(of("contrast").empty());
  project.screens[0].edit().backdrop = Fill::solid({235, 235, 220, 255});
  EXPECT_FALSE(of("contrast").empty());
}

// Where the button lies on something else on another display, in another language, or once
// something hidden is shown.
TEST_F(EyesRules, AgainstAllThatMayLieBehindIt) {
  setAll({plate, Prop::Opacity}, 0.0);
  setAll({label, Prop::Colour}, Colour{240, 240, 240, 255});
  setAll({label, Prop::Size}, 18.0);  // large ones find a grey between both
  Screen& screen = project.screens[0].edit();
  screen.backdrop = Fill::solid({20, 30, 40, 255});
  Item pane;
  pane.id = {"pane"};
  pane.what = PanelData{.fill = Fill::solid({235, 235, 220, 255})};
  pane.place.y.size = 2000;
  // At the right: on the first display it lies beside the buttons, on the narrow one below them.
  pane.place.x = {.pin = Pin::End, .size = 700};
  project.displays = {Display{{"wide"}, "Wide", 1920, 1080},
                      Display{{"narrow"}, "Narrow", 640, 1080}};
  screen.items.insert(screen.items.begin(), pane);
  const Findings found = of("contrast");
  ASSERT_FALSE(found.empty());
  for (const Finding& f : found) {
    EXPECT_EQ(f.display.text, "narrow");
    EXPECT_THAT(f.reason, HasSubstr("on Narrow"));
    // No colour stands out from both grounds: the mend of the one would break the other.
    EXPECT_TRUE(f.mends.empty());
  }
  project.displays.pop_back();
  EXPECT_TRUE(of("contrast").empty());
  // Hidden at first, right below them.
  Item& hidden = screen.items.front().edit();
  hidden.place.x = {.pin = Pin::Start, .size = 700};
  EXPECT_FALSE(of("contrast").empty());
  hidden.hidden = true;
  EXPECT_FALSE(of("contrast").empty());
  // Above them it is not behind them.
  std::rotate(screen.items.begin(), screen.items.begin() + 1, screen.items.end());
  EXPECT_TRUE(of("contrast").empty());
}

// A picture over a button hides it where it is opaque: a frame around it does not.
TEST_F(EyesRules, APictureLaidOverAButtonHidesItWhereItIsOpaque) {
  QTemporaryDir folder;
  const auto laid = [&](bool frame) {
    QImage image(200, 200, QImage::Format_ARGB32);
    image.fill(QColor(90, 120, 60));
    if (frame)
      for (int y = 20; y < 180; ++y)
        for (int x = 20; x < 180; ++x) image.setPixelColor(x, y, Qt::transparent);
    EXPECT_TRUE(image.save(folder.filePath(QStringLiteral("over.png"))));
    Project p = project;
    Item over;
    over.id = {"over"};
    over.what = PictureData{.file = "over.png"};
    const Layout layout = layOut(p, *p.screens[0], p.displays[0], PlainMeasure());
    for (size_t i = 0; i < layout.items.size(); ++i)
      if (p.screens[0]->items[i]->id == ids[0]) {
        const Box& box = layout.items[i].box;
        over.place.x = {.pin = Pin::Start, .offset = box.x, .size = box.w};
        over.place.y = {.pin = Pin::Start, .offset = box.y, .size = box.h};
      }
    p.screens[0].edit().items.emplace_back(over);
    PaintedEyes eyes(folder.path());
    Findings out = check(p, {.eyes = &eyes});
    std::erase_if(out, [](const Finding& f) { return f.rule != "focus-covered"; });
    return out;
  };
  EXPECT_TRUE(laid(true).empty());
  const Findings hidden = laid(false);
  ASSERT_EQ(hidden.size(), 1u);
  EXPECT_EQ(hidden[0].item, ids[0]);
  EXPECT_GT(*hidden[0].figure, 90);
}

// What one button has of its own is mended there, and the kind stays.
TEST_F(EyesRules, OneButtonsOwnLookIsItsOwnMatter) {
  setAll({plate, Prop::Fill}, Fill::solid({40, 40, 40, 255}));
  setAll({label, Prop::Colour}, Colour{230, 230, 230, 255});
  edit(project.screens[0].edit(), ids[1])
      ->button()
      ->own.base.set({label, Prop::Colour}, Colour{80, 80, 80, 255});
  const Findings found = of("contrast");
  ASSERT_FALSE(found.empty());
  EXPECT_EQ(found[0].item, ids[1]);
  const Project mended = after(project, found[0].mends[0]);
  EXPECT_EQ(*mended.kinds[0], *project.kinds[0]);
}

// By a colour alone that is as light: seen by most, and not by those who see no red.
TEST_F(EyesRules, StatesAreToldApartByEverybody) {
  for (auto& [state, look] : kind().departures) look = {};
  setAll({plate, Prop::Fill}, Fill::solid({200, 40, 40, 255}));
  const Findings same = of("told-apart");
  ASSERT_FALSE(same.empty());
  EXPECT_THAT(same[0].reason, testing::EndsWith("told apart")) << "by anybody";
  const auto paintOthers = [&](Colour press, Colour others) {
    for (const State& state : project.machines[0]->states)
      if (state.role != Role::Rest)
        kind().departures[state.id].set({plate, Prop::Fill},
                                        Fill::solid(state.role == Role::Press ? press : others));
  };
  paintOthers({20, 30, 60, 255}, {0, 117, 0, 255});
  const Findings found = of("told-apart");
  ASSERT_FALSE(found.empty());
  for (const Finding& f : found) EXPECT_THAT(f.reason, HasSubstr("in grey"));
  paintOthers({240, 240, 250, 255}, {20, 30, 60, 255});
  EXPECT_TRUE(of("told-apart").empty());
  // Pressed as pointed at: nobody sees that it was pressed.
  paintOthers({20, 30, 60, 255}, {20, 30, 60, 255});
  ASSERT_EQ(of("told-apart").size(), 1U);
  EXPECT_THAT(of("told-apart")[0].reason, HasSubstr("pressed"));
}

// By tables what is computed for one colour.
TEST(SeenAs, EveryPixelAsThatColourIsSeen) {
  QImage image(64, 64, QImage::Format_ARGB32);
  std::mt19937 random(9);
  for (int y = 0; y < 64; ++y)
    for (int x = 0; x < 64; ++x)
      image.setPixel(x, y,
                     qRgba(int(random() % 256), int(random() % 256), int(random() % 256), 255));
  for (const Vision vision : kAllVisions) {
    const QImage seen = seenAs(image, vision);
    for (int y = 0; y < 64; ++y)
      for (int x = 0; x < 64; ++x) {
        const Colour wanted = seenWith(vision, fromQt(QColor(image.pixel(x, y))));
        const QColor found = seen.pixelColor(x, y);
        ASSERT_LE(std::abs(found.red() - wanted.r), 1);
        ASSERT_LE(std::abs(found.green() - wanted.g), 1);
        ASSERT_LE(std::abs(found.blue() - wanted.b), 1);
      }
  }
}

TEST_F(EyesRules, FocusIsSeen) {
  EXPECT_TRUE(of("focus-look").empty()) << "the ready-made kind";
  for (const State& state : project.machines[0]->states)
    if (state.role == Role::Focus) kind().departures[state.id] = {};
  const Findings found = of("focus-look");
  ASSERT_EQ(found.size(), 1U);
  EXPECT_EQ(found[0].figure, 0);
}

// From dark on light to light on dark it passes through where nobody reads it.
TEST_F(EyesRules, ACaptionIsReadOnTheWayToo) {
  setAll({plate, Prop::Fill}, Fill::solid({240, 240, 240, 255}));
  setAll({label, Prop::Colour}, Colour{20, 20, 20, 255});
  StateId hover;
  for (const State& state : project.machines[0]->states)
    if (state.role == Role::Hover) hover = state.id;
  kind().departures[hover].set({plate, Prop::Fill}, Fill::solid({20, 20, 20, 255}));
  kind().departures[hover].set({label, Prop::Colour}, Colour{240, 240, 240, 255});
  const auto pace = [&](Ms ms) {
    project.machines[0].edit().timing.duration = ms;
    for (Transition& t : project.machines[0].edit().transitions) t.timing = {};
  };
  pace(800);
  EXPECT_TRUE(of("contrast").empty());
  const Findings found = of("contrast-between");
  ASSERT_EQ(found.size(), 1U) << "of each kind once";
  EXPECT_GT(*found[0].figure, 100);
  EXPECT_LT(*found[0].figure, 800);
  pace(100);
  EXPECT_TRUE(of("contrast-between").empty()) << "over before anybody misses it";
}

// §1.4.11: what stands in for words; beside words it may be weak.
TEST_F(EyesRules, AnIconThatStandsAloneStandsOut) {
  History h(project);
  must(h, addPart(h.now().kinds[0]->id, PartType::Icon, "Sign"));
  project = h.now();
  const PartId icon = project.kinds[0]->parts.back().id;
  setAll({icon, Prop::Icon}, std::string("play"));
  setAll({icon, Prop::LikeCaption}, false);
  setAll({icon, Prop::PinX}, std::string("centre"));
  setAll({icon, Prop::PinY}, std::string("centre"));
  setAll({plate, Prop::Fill}, Fill::solid({40, 40, 40, 255}));
  setAll({label, Prop::Colour}, Colour{230, 230, 230, 255});
  setAll({icon, Prop::Colour}, Colour{80, 80, 80, 255});
  EXPECT_TRUE(of("contrast").empty());
  ButtonData& button = *edit(project.screens[0].edit(), ids[0])->button();
  button.accessibleName = button.caption;
  button.caption = {};
  const Findings found = of("contrast");
  ASSERT_FALSE(found.empty());
  EXPECT_THAT(found[0].reason, HasSubstr("its icon"));
  EXPECT_EQ(found[0].limit, 3);
  Project mended = project;
  for (const Finding& f : found) mended = after(mended, f.mends[0]);
  for (const Finding& f : of("contrast", mended)) ADD_FAILURE() << f.key << ": " << f.reason;
}

TEST_F(EyesRules, TheDarkSetIsLookedAtToo) {
  project.named.edit().push_back({.id = {"n1"},
                                  .name = "plate",
                                  .value = Colour{40, 40, 40, 255},
                                  .dark = Value(Colour{250, 250, 250, 255})});
  setAll({label, Prop::Colour}, Colour{230, 230, 230, 255});
  Fill fill = Fill::solid({40, 40, 40, 255});
  fill.stops[0].named = {"n1"};
  setAll({plate, Prop::Fill}, fill);
  const Findings found = of("contrast");
  ASSERT_FALSE(found.empty());
  for (const Finding& f : found) EXPECT_THAT(f.reason, HasSubstr("in the dark set"));
  project.named.edit().back().dark = Value(Colour{60, 60, 60, 255});
  EXPECT_TRUE(of("contrast").empty());
}

// ISO 9241-303: 16 minutes of arc; 70 % of 20 px at 96 to an inch are 3.7 mm, seen so high from
// 796 mm.
TEST_F(EyesRules, CaptionsAreReadFromWherePeopleSit) {
  setAll({label, Prop::Size}, 20.0);
  EXPECT_TRUE(of("small-text").empty()) << "nobody said how far it is";
  project.displays[0].perInch = 96;
  project.displays[0].distance = 790;
  EXPECT_TRUE(of("small-text").empty());
  project.displays[0].distance = 800;
  const Findings found = of("small-text");
  ASSERT_EQ(found.size(), 2U);
  EXPECT_NEAR(*found[0].figure, 15.9, 0.05);
  // One that has to shrink to fit is seen smaller.
  project.displays[0].distance = 500;
  EXPECT_TRUE(of("small-text").empty());
  setAll({label, Prop::Overflow}, std::string("shrink"));
  edit(project.screens[0].edit(), ids[1])->button()->caption =
      "A caption that is much too long for the button that it stands on";
  const Findings shrunk = of("small-text");
  ASSERT_EQ(shrunk.size(), 1U);
  EXPECT_EQ(shrunk[0].item, ids[1]);
}

TEST_F(EyesRules, AFontHasTheLettersOfItsCaptions) {
  setAll({label, Prop::Family}, std::string("Inter"));
  edit(project.screens[0].edit(), ids[1])->button()->caption = "Tiefe Gewässer – 4 × 3";
  EXPECT_TRUE(of("missing-letters").empty());
  edit(project.screens[0].edit(), ids[1])->button()->caption = "Dive ⾦⾦ now";
  const Findings found = of("missing-letters");
  ASSERT_EQ(found.size(), 1U);
  EXPECT_THAT(found[0].reason, HasSubstr("“⾦”"));
  // Where the font is not there at all, that is another matter.
  setAll({label, Prop::Family}, std::string("No such family"));
  EXPECT_TRUE(of("missing-letters").empty());
}

// However many look, they find the same, in the same order, and keep as much of it.
TEST_F(EyesRules, SeveralEyesFindWhatOneFinds) {
  setAll({label, Prop::Colour}, Colour{90, 90, 90, 255});
  for (int i = 0; i < 6; ++i) {
    project = after(project, addKind("Entry " + std::to_string(i), Wins::Hover));
    project = after(project, addScreen("Screen " + std::to_string(i)));
    project = after(project, addButton(project.screens.back()->id, project.kinds[size_t(i)]->id,
                                       i % 2 ? "Dive" : "Dive\xE2\x80\xA6", 20, 20));
  }
  PaintedEyes one, second, third;
  Review review;
  for (int round = 0; round < 3; ++round) {
    const Findings plain = check(project, {.eyes = &one});
    const Findings many = review.check(project, {.eyes = &one, .moreEyes = {&second, &third}});
    ASSERT_GT(plain.size(), 12u);
    ASSERT_EQ(many.size(), plain.size());
    for (size_t i = 0; i < plain.size(); ++i) {
      EXPECT_EQ(many[i].key, plain[i].key);
      EXPECT_EQ(many[i].reason, plain[i].reason);
    }
    project.screens[size_t(round)].edit().name += " once more";
  }
  const int whole = Review().check(project, {.eyes = &one}).empty() ? 0 : review.looked();
  EXPECT_GT(whole, 0);
  EXPECT_LT(whole, 60) << "what stayed the same was looked at again";
}

}  // namespace
}  // namespace bristle::test
