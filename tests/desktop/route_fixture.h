// A column of four buttons on the Route bench.
#pragma once
#include <QLabel>

#include "desktop/route/route_view.h"
#include "desktop/window_fixture.h"

namespace bristle::test {

class RouteBenchTest : public WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    work().replace(columnMenu({"Dive", "Chart", "Log", "Ashore"}), {}, false);
    ids = buttons(project());
    window->openBench(QStringLiteral("route"));
    view = window->findChild<RouteView*>();
    view->setFocus();
  }
  QPointF at(size_t button) {
    const ScreenRoutes& routes = work().routes();
    return view->toWidget(routes.input.boxes[size_t(button)]).center();
  }
  QString figures() { return named<QLabel>(QStringLiteral("Figures of the routes"))->text(); }
  const RouteRule& rule(size_t button, Dir dir) {
    return findItem(*project().screens[0], ids[button])->button()->routes[dir];
  }
  std::vector<ItemId> ids;
  RouteView* view = nullptr;
};

}  // namespace bristle::test
