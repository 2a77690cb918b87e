// Whatever is done in several sittings, with kinds and machines from elsewhere: what was written
// can be opened again, and is the same.
#include <gmock/gmock.h>

#include <random>

#include "core/edit/button_edits.h"
#include "core/edit/kind_edits.h"
#include "core/edit/library_edits.h"
#include "core/edit/machine_edits.h"
#include "core/edit/motion_edits.h"
#include "core/edit/named_edits.h"
#include "core/edit/state_edits.h"
#include "core/edit/templates.h"
#include "core/formats/project_store.h"
#include "runtime/document/whynot.h"
#include "support/menus.h"

namespace bristle {
namespace {

using testing::HasSubstr;

// A project whose ids are far from small: what is taken from it brings them along.
Project foreign(unsigned seed) {
  Project p = test::fullProject();
  p.lastId = 40 + seed % 700;
  History h(p);
  test::must(h, addKind("Foreign", Wins::Focused));
  const KindId kind = h.now().kinds.back()->id;
  for (int i = 0; i < 3; ++i) test::must(h, addPart(kind, PartType::Shape, "Part"));
  test::must(h, addState(kind, "lit", Role::None, {}));
  return h.now();
}

class Sitting {
 public:
  Sitting(Project project, unsigned seed) : history(std::move(project)), random_(seed) {}

  void work(int edits) {
    for (int i = 0; i < edits; ++i) static_cast<void>(history.perform(any()));
  }
  History history;

 private:
  size_t roll(size_t n) { return random_() % n; }
  double wild() {
    constexpr double kAll[] = {0,   1,    -1,   0.5,  1e4,   -1e4,
                               1e9, -1e9, 3601, 2001, 1e300, 0.1234567891};
    return kAll[roll(std::size(kAll))];
  }
  Value wildValue(const PropertyInfo& info) {
    if (std::holds_alternative<double>(info.start)) return wild();
    if (std::holds_alternative<Four>(info.start)) return Four{wild(), wild(), wild(), wild()};
    if (std::holds_alternative<Shadow>(info.start))
      return Shadow{wild(), wild(), wild(), wild(), {1, 2, 3, 4}};
    if (std::holds_alternative<Fill>(info.start)) {
      Fill fill = Fill::linear(wild(), {{wild(), {1, 2, 3, 4}}, {1, {5, 6, 7, 8}}});
      if (roll(2)) fill.type = FillType::Radial;
      fill.x = wild();
      fill.radius = wild();
      return fill;
    }
    return info.start;
  }
  Edit any() {
    const Project& p = history.now();
    const Kind& kind = *p.kinds[roll(p.kinds.size())];
    const Screen& screen = *p.screens[roll(p.screens.size())];
    const Machine* machine = find(p, kind.machine);
    switch (roll(15)) {
      case 0:
        return takeKinds(Shared<Project>(foreign(unsigned(random_()))), {{foreignKind()}}, {});
      case 1:
        return addState(kind.id, "state", Role::None, {});
      case 2:
        return addPart(kind.id, static_cast<PartType>(1 + roll(5)), "part");
      case 3: {
        const auto all = allProperties(kind);
        const PropKey key = all[roll(all.size())];
        return setLook(kind.id, {Column{}}, key,
                       wildValue(*findProperty(*partType(kind, key.part), key.prop)));
      }
      case 4:
        return changeScreen(screen.id, "backdrop", {}, [&](Screen& s) {
          s.backdrop = Fill::linear(wild(), {{0, {1, 2, 3, 4}}, {wild(), {1, 2, 3, 4}}});
        });
      case 5:
        return addNamed(NamedType::Length, "length" + std::to_string(roll(50)), wild());
      case 6:
        return addButton(screen.id, kind.id, "b", wild(), wild());
      case 7:
        return changeKind(kind.id, "size", {}, [&](Kind& k) {
          k.width = wild();
          k.hitPadding = wild();
        });
      case 8: {
        Machine other = fromTemplate(Template::Toggle, {"m"}, "chart", Wins::Hover);
        if (roll(3) == 0) other.states.push_back(other.states[0]);  // a chart with an id twice
        if (roll(3) == 0) other.states.back().id.text.clear();
        return replaceMachine(kind.machine, other);
      }
      case 9:
        return changeMachine(kind.machine, "times", {}, [&](Machine& m) {
          m.hold = static_cast<Ms>(std::clamp(wild(), -1e9, 1e9));
          if (!m.transitions.empty())
            m.transitions[0].timing = Timing{Ms(std::clamp(wild(), -1e9, 1e9)), 0, {}};
        });
      case 10:
        return addScreen("s");
      case 11: {
        const StateId state =
            machine ? machine->states[roll(machine->states.size())].id : StateId{};
        return setMotion(kind.id, state,
                         StateMotion{0,
                                     Ms(roll(3000)),
                                     int(roll(4)),
                                     {{{{}, Prop::Scale}, {{0, 0, {}}, {1, wild(), {}}}}}},
                         "move");
      }
      case 12:
        return changeItems(
            screen.id,
            screen.items.empty() ? std::vector<ItemId>{} : std::vector{screen.items[0]->id},
            "place", {}, [&](Item& item) {
              item.place.x.offset = wild();
              item.place.y.size = wild();
              item.parent = screen.items[roll(screen.items.size())]->id;  // refused, unless right
            });
      case 13:
        return addPart(kind.id, PartType::Marker, "mark");
      default: {
        for (const auto& item : screen.items)
          if (item->button() && item->button()->kind == kind.id && !kind.parts.empty())
            return setLook(LookOwner{kind.id, screen.id, item->id}, {Column{}},
                           {kind.parts[roll(kind.parts.size())].id, Prop::Size}, 900.0);
        return addScreen("t");
      }
    }
  }
  KindId foreignKind() const { return foreign(0).kinds.back()->id; }
  std::mt19937 random_;
};

TEST(Sittings, WhatWasWrittenCanAlwaysBeOpenedAgain) {
  for (unsigned seed = 1; seed <= 25; ++seed) {
    Project p = test::fullProject();
    for (unsigned sitting = 0; sitting < 4; ++sitting) {
      Sitting now(p, seed * 31 + sitting);
      now.work(30);
      const auto text = provenText(now.history.now());
      ASSERT_TRUE(text) << "seed " << seed << ": " << text.error().text();
      p = parseProject(*text)->project;
    }
  }
}

TEST(Sittings, IdsThatCameAlongAreNotGivenOutAgain) {
  History h(emptyProject());
  test::must(h, addKind("Mine", Wins::Hover));
  Project lib = foreign(500);
  const KindId taken = lib.kinds.back()->id;
  test::must(h, takeKinds(Shared<Project>(lib), {taken}, {}));
  const KindId kind = h.now().kinds.back()->id;
  for (int i = 0; i < 800; ++i) test::must(h, addPart(kind, PartType::Shape, "Part"));
  EXPECT_TRUE(provenText(h.now()));
  for (int i = 0; i < 40; ++i)
    test::must(h, addState(kind, "more" + std::to_string(i), Role::None, {}));
  EXPECT_TRUE(provenText(h.now()));
}

TEST(Gate, TellsWhatWasExpectedAndChangesNothing) {
  History h(test::fullProject());
  const Project before = h.now();
  const ScreenId first = before.screens[0]->id;
  const auto refused = h.perform(changeScreen(first, "backdrop", {}, [](Screen& s) {
    s.backdrop = Fill::linear(9999, {{0, {}}, {1, {}}});
  }));
  ASSERT_FALSE(refused);
  EXPECT_THAT(refused.error().text(), HasSubstr("an angle from -3600 to 3600"));
  EXPECT_TRUE(equal(h.now(), before));
}

TEST(Gate, KeepsEverySortOfValueWithinWhatFilesTake) {
  EXPECT_NE(whyNot(Value(Shadow{3000, 0, 0, 0, {}})), "");
  EXPECT_NE(whyNot(Value(Fill::linear(0, {{0, {}}}))), "");
  EXPECT_NE(whyNot(Value(1e8)), "");
  EXPECT_NE(whyNot(Value(Easing{EasingType::Spring, 0, 0, 0, 0, 1, false, 1, 0.5})), "");
  EXPECT_EQ(whyNot(Value(Fill::solid({}))), "");
  Project p = test::fullProject();
  p.screens[1].edit().items.push_back(p.screens[0]->items[0]);
  EXPECT_THAT(whyNot(p)->reason, HasSubstr("used twice"));
}

TEST(OwnLooks, OfAMarkerAreWrittenAsAMarkers) {
  History h(test::fullProject());
  const Kind& kind = *h.now().kinds[0];
  const auto marker = std::find_if(kind.parts.begin(), kind.parts.end(),
                                   [](const Part& p) { return p.type == PartType::Marker; });
  const ScreenId first = h.now().screens[0]->id;
  test::must(h, setLook(LookOwner{kind.id, first, test::buttons(h.now())[2]}, {Column{}},
                        {marker->id, Prop::Size}, 900.0));
  const auto text = provenText(h.now());
  ASSERT_TRUE(text) << text.error().text();
  EXPECT_THAT(*text, HasSubstr("\"marker.size\": 900"));
}

// A kind of another project whose parts have the same ids but other sorts takes the place of one
// here.
TEST(OwnLooks, ThatWouldNotSuitAReplacedKindAreToldNotWritten) {
  History h(test::fullProject());
  const Kind& kind = *h.now().kinds[0];
  const auto marker = std::find_if(kind.parts.begin(), kind.parts.end(),
                                   [](const Part& p) { return p.type == PartType::Marker; });
  const ScreenId first = h.now().screens[0]->id;
  test::must(h, setLook(LookOwner{kind.id, first, test::buttons(h.now())[2]}, {Column{}},
                        {marker->id, Prop::Size}, 900.0));
  Project library = libraryOf(h.now(), {kind.id});
  Kind& theirs = *edit(library, kind.id);
  for (Part& part : theirs.parts)
    if (part.id == marker->id) part.type = PartType::Label;
  theirs.base.clearPart(marker->id);
  for (auto& entry : theirs.departures) entry.second.clearPart(marker->id);
  const auto taken =
      h.perform(takeKinds(Shared<Project>(library), {kind.id},
                          {{{LibraryConflict::Sort::Kind, kind.name}, OnConflict::Theirs}}));
  EXPECT_FALSE(taken) << "900 px is no size of a caption";
  EXPECT_TRUE(provenText(h.now()));
}

TEST(Easings, KeepTheirDigits) {
  const Easing curve{EasingType::CubicBezier, 0.12345678, 0.1, 1.0 / 3, 0.987654321};
  EXPECT_EQ(parseEasing(toText(curve)), curve);
}

}  // namespace
}  // namespace bristle
