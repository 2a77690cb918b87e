// The canvas of the Route bench: the screen stepped back, the routes over it. From the picked
// button a knob on each side is dragged to another button to pin that direction.
#pragma once
#include "core/derive/route_quality.h"
#include "core/derive/route_walk.h"
#include "desktop/route/route_ground.h"
#include "desktop/view/screen_view.h"

namespace bristle {

enum class Shown { All, Picked, Direction, Marked };

class RouteView : public ScreenView {
  Q_OBJECT
 public:
  explicit RouteView(Work& work, QWidget* parent = nullptr);
  // Which routes are drawn.
  void show(Shown shown);
  // Draws these and no others.
  void show(std::vector<RouteMove> moves);
  // Each button is tinted by its steps from where focus starts, and tells them.
  void showSteps(bool on);
  // The strip ahead of the picked direction, 45° aside of it, and the ranks of what lies there.
  void showWhy(bool on);
  // By box; other than boxes where they are not known yet.
  void setSteps(std::vector<int> steps);
  // This one stands out; empty: none.
  void showCluster(const ClusterId& cluster);
  // Goes on from the picked button as its menu would.
  void walk(Dir dir);
  // Into a single stop that was walked to, or out of the one that it is in.
  void walkThrough(bool into);
  // The place of the knob for a direction, in widget px; outside any button of interest.
  QPointF knob(Dir dir) const;
  // The picked direction is drawn to a place, in widget px, and pinned to the button there.
  void drawTo(const QPointF& place);
  void dropAt(const QPointF& place);
  // Of a screen with many routes the picture is still being painted.
  bool busy() const { return ground_.busy(); }

 protected:
  void paintOver(QPainter& painter) override;
  double fade() const override { return 0.8; }
  QString hint(int item) const override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  void walked(const Result<RouteWalk::Stepped>& stepped);
  bool isDrawn(int box, Dir dir) const;
  bool isOfPicked(int box) const;
  QRectF boxRect(int box) const;
  QRectF targetRect(int from, const Route& route) const;
  QRectF clusterRect(int cluster) const;
  void addRoutes(std::vector<Stroke>& strokes) const;
  void addStops(std::vector<Stroke>& strokes) const;
  void paintClusters(QPainter& painter);
  RouteBox routeBox(int box, bool picked) const;
  bool isPickedBox(int box) const;
  void paintMany(QPainter& painter, std::vector<Stroke> strokes);
  std::optional<int> stepsTo(int box) const;
  void paintKnobs(QPainter& painter);
  void paintSight(QPainter& painter);
  void paintRanks(QPainter& painter);

  Shown shown_ = Shown::All;
  std::vector<RouteMove> marked_;
  ScreenId markedOn_;
  ClusterId cluster_;
  RouteWalk walk_;
  RouteGround ground_;
  bool stepsShown_ = false, whyShown_ = true;
  std::vector<int> steps_;
  int mostSteps_ = 0;
  bool dragging_ = false;
  QPointF at_;  // widget px
};

}  // namespace bristle
