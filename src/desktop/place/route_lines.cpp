#include "desktop/place/route_lines.h"

#include "desktop/view/screen_view.h"
#include "desktop/view/strokes.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

void paintRouteLines(QPainter& p, const ScreenView& view, Work& work) {
  const ScreenRoutes& routes = work.routes();
  const Screen& screen = *work.screen();
  const Display& d = *work.display();
  const QRectF all = view.toWidget(Box{0, 0, d.layoutWidth(), d.layoutHeight()});
  std::vector<QRectF> boxes;
  std::vector<char> picked;
  bool any = false;
  for (size_t b = 0; b < routes.items.size(); ++b) {
    boxes.push_back(view.toWidget(routes.input.boxes[b]));
    picked.push_back(work.isPicked(screen.items[size_t(routes.items[b])]->id));
    any |= picked.back() != 0;
  }
  std::vector<Stroke> strokes;
  for (size_t b = 0; b < routes.output.routes.size(); ++b)
    for (const Dir dir : kDirs) {
      const int to = routes.output.routes[b][size_t(dir)].target;
      if (to < 0 || (any && !picked[b] && !picked[size_t(to)])) continue;
      Stroke s = strokeOf(routes, static_cast<int>(b), dir, boxes[b], boxes[size_t(to)]);
      s.strong = !any || picked[b];
      s.rimmed = true;
      s.screen = all;
      strokes.push_back(std::move(s));
    }
  paintStrokes(p, strokes, boxes);
}

}  // namespace bristle
