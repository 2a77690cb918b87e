// The canvas of the Place bench: picks, moves, nudges and lines up what stands on the screen.
#pragma once
#include "core/edit/screen_edits.h"
#include "desktop/view/screen_view.h"

namespace bristle {

class Canvas : public ScreenView {
  Q_OBJECT
 public:
  explicit Canvas(Work& work, QWidget* parent = nullptr);
  // The picked items, as one step.
  void align(Alignment how);
  // The picked items, in layout px.
  void nudge(double dx, double dy);
  // Hit areas over the art; those that lie over one another, or are too small, in the colour of
  // what is wrong.
  void showHitAreas(bool on);
  bool hitAreasShown() const { return hitAreas_; }
  // What moves when the picked items are moved: they, or the containers that keep them in order.
  std::vector<ItemId> movers() const;

 protected:
  void paintOver(QPainter& painter) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 Q_SIGNALS:
  void wantsCaption();  // a double click or F2: the caption is to be edited

 private:
  enum class Drag { None, Waiting, Moving, Marquee };
  void moveBy(double dx, double dy, const QString& name, const QString& mergeKey,
              const Layout& from);
  void pickInMarquee(bool add);
  int containerEdgeAt(const QPointF& screen) const;
  void pickNext(int by);

  void paintHitAreas(QPainter& painter);
  bool hitAreas_ = false;
  Drag drag_ = Drag::None;
  QPointF pressed_, now_;  // layout px
  Layout started_;         // where all lay when the drag began
  int drags_ = 0;          // tells one drag's merge key from the next
};

}  // namespace bristle
