// The clusters on the canvas of the Route bench: outlines, and the strokes of single stops.
#include <QPainter>

#include "desktop/route/route_view.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/focus/clusters.h"

namespace bristle {

// Around all of it that there is, a little wider where others are in it.
QRectF RouteView::clusterRect(int cluster) const {
  QRectF out;
  int within = 0;
  const ScreenRoutes& routes = work().routes();
  for (const int box : routes.clusters[size_t(cluster)].boxes) {
    out = out.united(boxRect(box));
    const auto& around = routes.clustersOf[size_t(box)];
    const auto at = std::find(around.begin(), around.end(), cluster);
    within = std::max(within, static_cast<int>(at - around.begin()));
  }
  const double away = 8 + 6 * std::min(within, 4);
  return out.adjusted(-away, -away, away, away);
}

// What leads into a single stop leads to the whole of it.
QRectF RouteView::targetRect(int from, const Route& route) const {
  const ScreenRoutes& routes = work().routes();
  const int into = entered(routes, from, route.target, route.reason);
  const bool stop = into >= 0 && routes.clusters[size_t(into)].leave == Leave::SingleStop;
  return stop ? clusterRect(into) : boxRect(route.target);
}

void RouteView::paintClusters(QPainter& p) {
  const Screen& screen = *work().screen();
  const ScreenRoutes& routes = work().routes();
  for (size_t c = 0; c < routes.clusters.size() && c < screen.clusters.size(); ++c) {
    const RouteCluster& cluster = routes.clusters[c];
    if (cluster.boxes.empty()) continue;
    const bool mine = screen.clusters[c].id == cluster_;
    const QRectF r = clusterRect(static_cast<int>(c));
    // Closed all round where no direction leads out, broken where some do.
    const bool shut = cluster.leave == Leave::Sealed || cluster.leave == Leave::SingleStop;
    QPen pen(mine ? QColor("#f2c14e") : QColor(255, 255, 255, 150), mine ? 3 : 1.5);
    if (!shut) pen.setDashPattern({6, cluster.leave == Leave::Ends ? 2.0 : 5.0});
    p.setPen(pen);
    p.setBrush(cluster.leave == Leave::SingleStop ? QColor(255, 255, 255, mine ? 36 : 20)
                                                  : QColor(0, 0, 0, 0));
    p.drawRoundedRect(r, 9, 9);
    QFont small = font();
    small.setPixelSize(11);
    small.setBold(mine);
    const QString name = toQt(screen.clusters[c].name);
    const QFontMetrics metrics(small);
    // At the right, where no knob of a picked one is.
    const double wide =
        std::min<double>(metrics.horizontalAdvance(name) + 12, std::max(r.width() - 20, 40.0));
    const QRectF tag(r.right() - wide - 8, r.top() - metrics.height() / 2.0 - 1, wide,
                     metrics.height() + 2);
    p.setPen(Qt::NoPen);
    p.setBrush(mine ? QColor("#f2c14e") : QColor(58, 64, 66));
    p.drawRoundedRect(tag, 4, 4);
    p.setPen(mine ? QColor("#1d2224") : QColor(255, 255, 255));
    p.setFont(small);
    p.drawText(tag, Qt::AlignCenter,
               metrics.elidedText(name, Qt::ElideRight, int(tag.width()) - 6));
  }
}

// Where the directions lead from a cluster that is one stop.
void RouteView::addStops(std::vector<Stroke>& strokes) const {
  const ScreenRoutes& routes = work().routes();
  const Display& d = *work().display();
  const QRectF all = toWidget(Box{0, 0, d.layoutWidth(), d.layoutHeight()});
  for (size_t c = 0; c < routes.output.stops.size(); ++c) {
    if (routes.clusters[c].leave != Leave::SingleStop || routes.clusters[c].boxes.empty()) continue;
    const int first = routes.clusters[c].boxes.front();
    for (const Dir dir : kDirs) {
      const Route& route = routes.output.stops[c][size_t(dir)];
      if (route.target < 0 || (shown_ == Shown::Direction && dir != work().picked().dir)) continue;
      if (shown_ == Shown::Picked || shown_ == Shown::Marked) continue;
      Stroke s{clusterRect(static_cast<int>(c)), targetRect(first, route), dir};
      s.returns = route.returns;
      s.strong = work().pickedBox() < 0;
      s.screen = all;
      if (route.reason == RouteReason::Fixed) s.sort = StrokeSort::Pinned;
      strokes.push_back(std::move(s));
    }
  }
}

}  // namespace bristle
