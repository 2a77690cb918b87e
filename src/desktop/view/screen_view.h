// Shows the picked screen at the picked display, as large as fits or zoomed and moved, and turns
// places in the widget into places on the screen. The canvases of Place and Route build on it.
#pragma once
#include <QPixmap>
#include <QWidget>
#include <map>
#include <memory>

#include "core/derive/shown_screen.h"
#include "desktop/view/viewport.h"
#include "runtime/layout/layout.h"

namespace bristle {

class LookTable;
class Work;

class ScreenView : public QWidget {
  Q_OBJECT
 public:
  explicit ScreenView(Work& work, QWidget* parent = nullptr);

  // Between widget px and layout px.
  QPointF toScreen(const QPointF& widget) const { return viewport_.toScreen(widget); }
  QPointF toWidget(const QPointF& screen) const { return viewport_.toWidget(screen); }
  QRectF toWidget(const Box& box) const;
  // What of the screen is in the middle of the view, layout px.
  QPointF middle() const { return toScreen(viewport_.room().center()); }
  double zoom() const { return viewport_.zoom(); }
  bool fits() const { return viewport_.fits(); }

  void fit();
  // Times as large; what is in the middle stays.
  void zoomBy(double factor);
  // One px of the display on one of this one.
  void showTrueSize();
  // Moves it into sight where it is zoomed out of it.
  void reveal(const Box& box);

 Q_SIGNALS:
  void viewChanged();  // zoomed or moved

 protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void showEvent(QShowEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  bool event(QEvent* event) override;
  // Painted over the screen, in widget px.
  virtual void paintOver(QPainter& painter) = 0;
  // How far the art steps back behind what is painted over it, 0–1.
  virtual double fade() const { return 0; }
  // What is kept free for the view's own edges.
  virtual QMargins edges() const { return {}; }
  // The index of the topmost item at a place in layout px that can be picked; −1 for none.
  int itemAt(const QPointF& screen, bool buttonsOnly) const;
  // All of them, the topmost first.
  std::vector<int> itemsAt(const QPointF& screen, bool buttonsOnly) const;
  void refresh();
  Work& work() const { return work_; }
  // What the tooltip says about an item.
  virtual QString hint(int item) const;

 private:
  void place();
  void viewMoved();
  bool panned(QEvent* event);
  void paintArt();
  void paintParts(const QRegion& parts, const ShownScreen& now, const Layout& layout);
  QRect inDevice(const QRectF& part) const;
  bool moveArt();
  void startArt(const QSize& size);
  // How far looks reach beyond their boxes, worked out once for each.
  using Reaches = std::map<std::shared_ptr<const LookTable>, double>;
  QRectF extent(const ShownScreen& shown, size_t item, const Layout& layout, Reaches& reaches);
  std::optional<QRegion> staleParts(const ShownScreen& now, const Layout& layout);

  Work& work_;
  Viewport viewport_;
  QPixmap art_;                       // as large as the widget
  std::optional<ShownScreen> shown_;  // in the art
  Layout shownLayout_;
  Viewport shownAt_;
  bool panKey_ = false;  // the space bar is held
  std::optional<QPointF> panFrom_;
};

}  // namespace bristle
