// A real controller, as far as SDL can tell, plays the menu in the real window.
#include "core/rehearse/reel.h"
#include "desktop/rehearse/rehearsal.h"
#include "desktop/rehearse/rehearse_bench.h"
#include "desktop/window_fixture.h"
#include "drive/virtual_pad.h"

namespace bristle {
namespace {

class ControllerInWindow : public test::WindowTest {
 protected:
  RehearseBench& bench() {
    return static_cast<RehearseBench&>(*window->bench(QStringLiteral("rehearse")));
  }
  ItemId focused() { return bench().rehearsal().session()->focused(); }
  bool traced(const std::string& line) {
    for (const TraceEntry& e : bench().rehearsal().trace())
      if (toLine(e) == line) return true;
    return false;
  }
};

TEST_F(ControllerInWindow, DPadStickAcceptAndHotPlug) {
  work().replace(test::columnMenu({"One", "Two", "Three"}), {}, false);
  window->openBench(QStringLiteral("rehearse"));
  const auto ids = test::buttons(project());
  {
    VirtualPad pad;  // plugged in while it runs
    QTest::qWait(30);
    pad.button(SDL_CONTROLLER_BUTTON_DPAD_DOWN, true);
    EXPECT_TRUE(QTest::qWaitFor([&] { return focused() == ids[1]; }));
    pad.button(SDL_CONTROLLER_BUTTON_DPAD_DOWN, false);
    EXPECT_EQ(bench().rehearsal().session()->modality(), Device::Controller);
    pad.stick(0, 0.9);
    EXPECT_TRUE(QTest::qWaitFor([&] { return focused() == ids[2]; }));
    pad.stick(0, 0);
    pad.button(SDL_CONTROLLER_BUTTON_A, true);
    EXPECT_TRUE(
        QTest::qWaitFor([&] { return traced("state " + ids[2].text + " focused → pressed"); }));
  }
  // Pulled out while the button is held: given up, not activated.
  EXPECT_TRUE(
      QTest::qWaitFor([&] { return traced("state " + ids[2].text + " pressed → focused"); }));
  EXPECT_FALSE(traced("activate " + ids[2].text));
}

}  // namespace
}  // namespace bristle
