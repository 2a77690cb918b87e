#include "paint/law_looks.h"

#include "core/derive/ground.h"
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
    const RenderedLooks looks(painter, kind(), table, groundOf(now, kind().id));
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

}  // namespace
}  // namespace bristle::test
