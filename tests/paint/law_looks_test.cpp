#include "paint/law_looks.h"

#include "core/edit/kind_edits.h"
#include "core/laws/check.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

class Looks : public testing::Test {
 protected:
  History history{emptyProject()};
  LookPainter painter;
  void SetUp() override { must(history, addKind("Hatch", Wins::Hover)); }
  const Kind& kind() { return *history.now().kinds[0]; }
  PartId part(const char* name) {
    for (const Part& p : kind().parts)
      if (p.name == name) return p.id;
    return {};
  }
  LawReport report() {
    const Project& now = history.now();
    const Machine& machine = *find(now, kind().machine);
    const auto ready = makeReady(machine, now);
    const LookTable table(kind(), machine, naming(now));
    const RenderedLooks looks(painter, kind(), table, groundOf(now, kind()));
    return checkLaws({machine, ready->program, ready->symbols, ready->values, &looks, nullptr});
  }
};

TEST_F(Looks, AFocusRingIsSeenUnlessItIsTooFaintOrTooThin) {
  EXPECT_TRUE(report().allKept());
  const PropKey colour{part("Focus ring"), Prop::BorderColour};
  must(history, setLook(kind().id, {Column{}}, colour, Colour{118, 117, 115, 255}));
  EXPECT_TRUE(report().of(Law::FocusShows).broken) << "grey on grey";
  history.undo();
  must(history, setLook(kind().id, {Column{}}, {part("Focus ring"), Prop::BorderWidth}, 0.4));
  EXPECT_TRUE(report().of(Law::FocusShows).broken) << "a hair";
}

TEST_F(Looks, DeclaredValuesDoNotCountOnlyWhatIsPainted) {
  // Another fill beneath a part that covers it all: nothing is seen of the press.
  const PartId plate = part("Plate");
  for (const Prop prop : {Prop::Fill, Prop::BorderColour})
    must(history, clearLook(kind().id, {StateId{"pressed"}}, {plate, prop}));
  must(history, clearLook(kind().id, {StateId{"hover"}}, {plate, Prop::Shadow}));
  must(history, setLook(kind().id, {Column{}}, {plate, Prop::Opacity}, 0.0));
  must(history, setLook(kind().id, {StateId{"pressed"}}, {plate, Prop::Fill},
                        Fill::solid({200, 0, 0, 255})));
  for (const Prop prop : {Prop::Scale, Prop::OffsetY, Prop::Opacity})
    must(history, clearLook(kind().id, {StateId{"pressed"}}, {PartId{}, prop}));
  const LawReport now = report();
  EXPECT_TRUE(now.of(Law::PressShows).broken) << "the plate is not painted at all";
}

TEST(Grounds, AreThePanelBelowElseTheBackdropElseGrey) {
  Project p = test::columnMenu({"Dive"});
  Screen& screen = *edit(p, p.screens[0]->id);
  const Kind& kind = *p.kinds[0];
  screen.backdrop = {};
  EXPECT_NEAR(groundOf(p, kind).r, groundOf(p, kind).b, 4) << "grey";
  screen.backdrop = Fill::solid({10, 200, 30, 255});
  EXPECT_EQ(groundOf(p, kind), (Colour{10, 200, 30, 255}));
  Item veil, sheet;
  veil.id = {"veil"};
  veil.what = PanelData{Fill::solid({255, 255, 255, 40})};
  screen.items.insert(screen.items.begin(), Shared<Item>(veil));
  EXPECT_EQ(groundOf(p, kind), (Colour{10, 200, 30, 255})) << "a veil is no ground";
  sheet.id = {"sheet"};
  sheet.what = PanelData{Fill::solid({90, 10, 10, 255})};
  screen.items.insert(screen.items.begin() + 1, Shared<Item>(sheet));
  EXPECT_EQ(groundOf(p, kind), (Colour{90, 10, 10, 255}));
}

}  // namespace
}  // namespace bristle::test
