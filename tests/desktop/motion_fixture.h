// A window with one kind, on the Motion bench.
#pragma once
#include "core/edit/kind_edits.h"
#include "desktop/motion/graph_view.h"
#include "desktop/motion/in_state_card.h"
#include "desktop/motion/laws_panel.h"
#include "desktop/motion/live_button.h"
#include "desktop/motion/motion_bench.h"
#include "desktop/motion/motion_card.h"
#include "desktop/motion/scope_tools.h"
#include "desktop/motion/scope_view.h"
#include "desktop/motion/template_page.h"
#include "desktop/motion/timeline_view.h"
#include "window_fixture.h"

namespace bristle::test {

class Motion : public WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    ASSERT_TRUE(work().perform(addKind("Hatch", Wins::Hover)));
    work().pickKind(project().kinds[0]->id);
    window->openBench(QStringLiteral("motion"));
  }
  MotionBench& bench() {
    return *static_cast<MotionBench*>(window->bench(QStringLiteral("motion")));
  }
  MotionView& view() { return bench().view(); }
  const Machine& machine() { return *project().machines[0]; }
  // Waits until the laws of the machine as it is now have been checked.
  const LawReport& laws() {
    EXPECT_TRUE(
        QTest::qWaitFor([&] { return !bench().laws().checking() && bench().laws().now(); }, 20000));
    return bench().laws().now()->report;
  }
};

}  // namespace bristle::test
