// A figure against its limit on a small scale.
#pragma once
#include <QWidget>
#include <optional>

namespace bristle {

class FigureScale : public QWidget {
  Q_OBJECT
 public:
  explicit FigureScale(QWidget* parent = nullptr);
  void show(double figure, double limit, const QString& unit);
  QSize sizeHint() const override { return {200, 34}; }

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  double figure_ = 0, limit_ = 0;
  QString unit_;
};

}  // namespace bristle
