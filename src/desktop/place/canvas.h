// The canvas of the Place bench: picks, moves, resizes and copies what stands on the screen. The
// drags themselves are in canvas_drag.h.
#pragma once
#include <functional>
#include <memory>

#include "core/arrange/drop.h"
#include "desktop/place/canvas_drag.h"
#include "desktop/view/screen_view.h"

namespace bristle {

class PlaceWatch;

class Canvas : public ScreenView {
  Q_OBJECT
 public:
  Canvas(Work& work, const PlaceWatch& watch, QWidget* parent = nullptr);
  ~Canvas() override;

  // What is shown besides the screen, and whether drags snap; a person's own choice, kept by the
  // bench.
  struct Aids {
    bool rulers = true, grid = false, guides = true, snaps = true, hitAreas = false, routes = false;
  };
  const Aids& aids() const { return aids_; }
  void setAids(const Aids& aids);

  // The picked items, in layout px.
  void nudge(double dx, double dy);
  // What lies below what is picked, at its middle; round and round.
  void pickBelow();

 protected:
  void paintOver(QPainter& painter) override;
  QMargins edges() const override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void dragEnterEvent(QDragEnterEvent* event) override;
  void dragMoveEvent(QDragMoveEvent* event) override;
  void dragLeaveEvent(QDragLeaveEvent* event) override;
  void dropEvent(QDropEvent* event) override;

 Q_SIGNALS:
  void wantsCaption();  // a double click or F2: the caption is to be edited

 private:
  using MakeDrag = std::function<std::unique_ptr<CanvasDrag>()>;
  MakeDrag dragOfEdges(const QPointF& widget) const;
  MakeDrag dragOfGuide(const QPointF& widget) const;
  void pressItem(int item, Qt::KeyboardModifiers keys);
  void clicked(Qt::KeyboardModifiers keys);
  void pickBelow(const QPointF& at);
  DragBase base() const { return {work(), *this, pressed_, aids_.snaps, aids_.grid, aids_.guides}; }
  void endDrag();
  bool giveUpDrag();
  int containerEdgeAt(const QPointF& screen) const;
  void pickNext(int by);
  std::optional<Edges> edgesAt(const QPointF& widget) const;
  int guideAt(const QPointF& widget) const;
  void showCursor(const QPointF& widget);
  void paintAids(QPainter& painter);
  void paintItems(QPainter& painter);
  void paintFaults(QPainter& painter);
  void paintFault(QPainter& painter, size_t item, bool wrong);
  QString hint(int item) const override;

  const PlaceWatch& watch_;
  Aids aids_;
  std::optional<DropSpot> dropMark_;  // of what is dragged in from elsewhere
  MakeDrag waiting_;                  // begins once the pointer has gone far enough
  std::unique_ptr<CanvasDrag> drag_;
  QPointF pressed_;         // layout px
  bool wasPicked_ = false;  // what was pressed
  Project before_;          // the drag, for giving it up
};

}  // namespace bristle
