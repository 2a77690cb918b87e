// The boxes of the Route bench, and the routes of a screen that has more of them than can be drawn
// within a frame: these are painted on a worker, and the picture is shown until there is a newer.
#pragma once
#include <QFont>
#include <QImage>
#include <QObject>

#include "desktop/derive/latest.h"
#include "desktop/view/strokes.h"
#include "runtime/document/ids.h"

namespace bristle {

// A button, stepped back.
struct RouteBox {
  QRectF rect;  // widget px
  QString name, steps;
  QColor fill;
  bool picked = false, entry = false;
  bool operator==(const RouteBox&) const = default;
};
void paintRouteBox(QPainter& painter, const RouteBox& box, const QFont& font);

class RouteGround : public QObject {
  Q_OBJECT
 public:
  struct Scene {
    ScreenId screen;
    std::vector<RouteBox> boxes;
    std::vector<Stroke> strokes;  // all as if they were strong
    QFont font;
    QSize size;        // of the view, px of the device
    double ratio = 1;  // of these to widget px
    QPointF origin;    // of the screen, widget px
    double zoom = 1;
    bool operator==(const Scene&) const = default;
  };
  explicit RouteGround(QObject* parent = nullptr);

  // What is to be seen; has it painted where it is other than the last.
  void show(Scene scene);
  // What there is of the scene's screen, moved and scaled to where the scene has it; the strokes
  // with an opacity of 0–1.
  void paint(QPainter& painter, double strokes) const;
  bool busy() const { return painting_.busy(); }

 Q_SIGNALS:
  void painted();

 private:
  struct Picture {
    QImage boxes, strokes;
    ScreenId screen;
    QPointF origin;
    double zoom = 1;
  };
  static Picture paintScene(const Scene& scene);
  Scene scene_;
  Picture picture_;
  Latest<Picture> painting_;
};

}  // namespace bristle
