// The flow of a project, drawn: screens as live miniatures, strokes from the very buttons that lead
// on. A button is drawn to a screen to lead there, and to empty ground for a new one.
#pragma once
#include <QTimer>
#include <QWidget>
#include <optional>

#include "desktop/flow/flow_map.h"
#include "desktop/view/strokes.h"
#include "desktop/view/viewport.h"

namespace bristle {

class FlowView : public QWidget {
  Q_OBJECT
 public:
  explicit FlowView(Work& work, QWidget* parent = nullptr);

  const FlowMap& map() const { return map_; }
  QPointF toWidget(const QPointF& map) const { return viewport_.toWidget(map); }
  QPointF toMap(const QPointF& widget) const { return viewport_.toScreen(widget); }
  // What lies there, in words.
  QString hintAt(const QPointF& map) const;
  // The step in hand: of the picked button; nothing where it has none.
  std::optional<FlowStep> step() const;
  void pickStep(size_t index);
  // Which of the picked button’s actions is in hand.
  void pickAction(size_t at);
  void fit();
  void zoomBy(double factor);
  // Moves it into sight.
  void reveal(int screen);
  // The picked button's action in hand, or what the screen in hand lacks, by keys: a target is
  // chosen with the arrows and taken with Return.
  void beginLead();
  // Begins it, or takes the target that it stands on.
  void takeLead();
  void dropLead();
  // To the nearest screen that way, as what is in hand or as the target.
  void goTo(Dir arrow);
  // Through the buttons of the screen in hand, and what each does: 1 or −1.
  void stepBy(int by);
  bool isLeading() const { return lead_ >= 0; }

 Q_SIGNALS:
  void stepChanged();
  // A screen is to be worked on where it is made.
  void opened();

 protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void showEvent(QShowEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  bool event(QEvent* event) override;

 private:
  void refresh();
  void updateRedrawn();
  void panBy(const QPointF& by);
  int pickedScreen() const;
  void pick(int screen, const ItemId& button);
  void leadTo(int screen);
  void leadToNew();
  void paintHeads(QPainter& painter);
  void paintScreen(QPainter& painter, int screen, const QRegion& within);
  void paintMarks(QPainter& painter, int screen);
  struct Stroking {
    bool picked, many;
    int screen;             // in hand
    StrokeStretch stretch;  // that is to be seen
  };
  bool isReadable() const;
  void paintStrokes(QPainter& painter, const std::optional<FlowStep>& now, const QRegion& within);
  void paintStroke(QPainter& painter, size_t step, const Stroking& how);
  void paintByItself(QPainter& painter, size_t step, double opacity);
  void paintStubs(QPainter& painter);
  void paintLabel(QPainter& painter, size_t step, bool picked);
  QString faultOf(int screen) const;

  Work& work_;
  FlowMap map_;
  Viewport viewport_;
  size_t at_ = 0;  // the action in hand of the picked button
  int lead_ = -1;  // the screen that keys would lead to; −1: they do not lead
  std::optional<QPointF> pressed_, panned_;
  ItemId drawnFrom_;  // the button that is being drawn on
  int drawnOn_ = -1;  // its screen
  std::optional<size_t> retargets_;
  QTimer soon_;
  std::vector<ScreenId> redrawn_;  // whose miniatures came since the last frame
  QPointF at2_;                    // where the pointer is, widget px
  bool drawing_ = false;
};

}  // namespace bristle
