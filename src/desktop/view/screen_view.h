// Shows the picked screen at the picked display, as large as fits, and turns places in the widget
// into places on the screen. The canvases of Place and Route build on it.
#pragma once
#include <QPixmap>
#include <QWidget>

#include "core/derive/shown_screen.h"
#include "runtime/layout/layout.h"

namespace bristle {

class Work;

class ScreenView : public QWidget {
  Q_OBJECT
 public:
  explicit ScreenView(Work& work, QWidget* parent = nullptr);

  // Between widget px and layout px.
  QPointF toScreen(const QPointF& widget) const;
  QPointF toWidget(const QPointF& screen) const;
  QRectF toWidget(const Box& box) const;
  double zoom() const { return zoom_; }

 protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void showEvent(QShowEvent* event) override;
  bool event(QEvent* event) override;
  // Painted over the screen, in widget px.
  virtual void paintOver(QPainter& painter) = 0;
  // How far the art steps back behind what is painted over it, 0–1.
  virtual double fade() const { return 0; }
  // The index of the topmost item at a place in layout px that can be picked; −1 for none.
  int itemAt(const QPointF& screen, bool buttonsOnly) const;
  void refresh();
  Work& work() const { return work_; }
  // What the tooltip says about an item.
  virtual QString hint(int item) const;

 private:
  void place();
  Work& work_;
  void paintArt();
  QRectF extent(const ShownScreen& shown, size_t item, const Layout& layout);
  std::optional<QRectF> stalePart(const ShownScreen& now, const Layout& layout);
  QPixmap art_;
  std::optional<ShownScreen> shown_;  // in the art
  Layout shownLayout_;
  double zoom_ = 1;
  QPointF origin_;
};

}  // namespace bristle
