// The two demos are menus of a finished product: on each of their displays, in each of their
// languages, nothing is cut, nothing reaches where it can't be seen, nothing is pressed by mistake.
#include <gtest/gtest.h>

#include "core/derive/route_quality.h"
#include "core/findings/place_faults.h"
#include "core/formats/file_io.h"
#include "paint/convert.h"
#include "paint/fonts.h"
#include "paint/project_fonts.h"
#include "paint/screen_painter.h"
#include "runtime/focus/screen_routes.h"
#include "runtime/formats/project_file.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

class Demos : public testing::TestWithParam<const char*> {
 protected:
  Demos() {
    const std::string file = sourcePath(GetParam());
    project = parseProject(*readFile(file))->project;
    const QString folder = toQt(file.substr(0, file.rfind('/')));
    looks.pictures().setFolder(folder);
    useFontsOf(folder);
  }
  ~Demos() override { useFontsOf({}); }
  template <class Look>
  void eachScreen(Look look) {
    for (const auto& screen : project.screens)
      for (const Display& display : project.displays)
        for (const Language& language : project.languages) {
          SCOPED_TRACE(screen->name + ", " + display.name + ", " + language.name);
          look(*screen, layOut(project, *screen, {display, language.id}, measure));
        }
  }
  FontMeasure measure;
  LookPainter looks;
  LookTables tables;
  Project project;
};

TEST_P(Demos, NothingIsCutOrOutOfReachOnAnyDisplayInAnyLanguage) {
  eachScreen([&](const Screen& screen, const Layout& layout) {
    const auto isCut = [&](size_t i) {
      const ButtonData& button = *screen.items[i]->button();
      return looks.cutsCaption(
          *find(project, button.kind), *tables.get(project, button.kind, &button.own),
          toQt(layout.items[i].own()), wordsIn(project, button.caption, layout.language));
    };
    for (const PlaceFault& fault : placeFaults(project, screen, layout, isCut))
      if (!isAdvice(fault.sort)) ADD_FAILURE() << inWords(fault, screen);
  });
}

// What is not a fly-out over others, nor scrolled out of sight.
TEST_P(Demos, NoTwoButtonsAreNearerThanEightPx) {
  eachScreen([&](const Screen& screen, const Layout& layout) {
    const ScreenRoutes routes = screenRoutes(screen, layout);
    for (size_t a = 0; a < routes.items.size(); ++a)
      for (size_t b = a + 1; b < routes.items.size(); ++b) {
        const Placed &first = layout.items[size_t(routes.items[a])],
                     &second = layout.items[size_t(routes.items[b])];
        const Box &one = first.visible, &other = second.visible;
        const auto isAway = [](const Placed& p) {
          return p.closed || p.visible.w <= 0 || p.visible.h <= 0;
        };
        if (isAway(first) || isAway(second)) continue;
        const Px gap = std::max(std::max(one.x - other.x - other.w, other.x - one.x - one.w),
                                std::max(one.y - other.y - other.h, other.y - one.y - one.h));
        EXPECT_GE(gap, 7.99) << displayName(*screen.items[size_t(routes.items[a])]) << " and "
                             << displayName(*screen.items[size_t(routes.items[b])]);
      }
  });
}

// Every button can be reached and left again, and no direction makes one wonder, but where a person
// wanted it so.
TEST_P(Demos, RoutesReachAllAndAreNatural) {
  eachScreen([&](const Screen& screen, const Layout& layout) {
    const ScreenRoutes routes = screenRoutes(screen, layout);
    const RouteQuality q = routeQuality(screen, layout, routes);
    EXPECT_TRUE(q.sound()) << q.unreachable.size() << " unreachable, " << q.traps.size()
                           << " traps";
    EXPECT_EQ(q.returningWithMemory(), 1);
    EXPECT_TRUE(q.repairs.empty());
    for (const auto* moves : {&q.jumps, &q.steep, &q.dear})
      for (const RouteMove& m : *moves)
        EXPECT_EQ(routes.said[size_t(m.box)][size_t(m.dir)], RouteType::Pinned)
            << displayName(*screen.items[size_t(routes.items[size_t(m.box)])]) << " "
            << nameOf(m.dir);
  });
}

TEST_P(Demos, EveryWordIsThereInEveryLanguageAndEveryPictureToo) {
  for (const auto& screen : project.screens)
    for (const auto& item : screen->items) {
      const auto* button = item->button();
      if (!button || button->caption.base.empty()) continue;
      for (const Language& language : project.languages)
        EXPECT_TRUE(hasWords(project.languages, button->caption, language.id))
            << button->caption.base << ", " << language.name;
    }
  eachScreen([&](const Screen& screen, const Layout& layout) {
    QImage image(QSizeF(layout.width, layout.height).toSize(), QImage::Format_RGB32);
    QPainter painter(&image);
    paintScreen(painter, looks, tables, project, screen, layout);
  });
  EXPECT_EQ(looks.pictures().takeProblems(), std::set<std::string>{});
}

INSTANTIATE_TEST_SUITE_P(Both, Demos,
                         testing::Values("data/demo/saltglass-deep.bristle",
                                         "data/glasshouse/fernhollow-glasshouse.bristle"));

}  // namespace
}  // namespace bristle::test
