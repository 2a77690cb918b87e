// The window on the Place bench with a column of two buttons and a free one.
#pragma once
#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "core/edit/tree_edits.h"
#include "desktop/place/canvas.h"
#include "desktop/window_fixture.h"

namespace bristle {

class PlaceBenchTest : public test::WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    work().replace(test::columnMenu({"One", "Two"}), {}, false);
    ASSERT_TRUE(work().perform(addButton(screenId(), project().kinds[0]->id, "Free", 800, 300)));
    window->openBench(QStringLiteral("place"));
    free = test::buttons(project())[2];
  }
  ScreenId screenId() { return project().screens[0]->id; }
  const Item& item(const ItemId& id) { return *findItem(*project().screens[0], id); }
  Box boxOf(const ItemId& id) {
    const Screen& screen = *project().screens[0];
    for (size_t i = 0; i < screen.items.size(); ++i)
      if (screen.items[i]->id == id) return work().layout().items[i].box;
    return {};
  }
  Canvas& canvas() { return *window->findChild<Canvas*>(); }
  ItemId free;
};

}  // namespace bristle
