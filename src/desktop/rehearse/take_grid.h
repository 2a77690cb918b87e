// What passed of one take: a cell for each display and language.
#pragma once
#include <QWidget>
#include <vector>

#include "core/rehearse/take_runs.h"

namespace bristle {

class TakeGrid : public QWidget {
  Q_OBJECT
 public:
  explicit TakeGrid(QWidget* parent = nullptr);
  // Of one take; those that have not been run are empty.
  void show(const Project& project, std::vector<TakeRun> runs);
  QSize sizeHint() const override;
  QSize minimumSizeHint() const override { return sizeHint(); }

 Q_SIGNALS:
  void picked(const bristle::TakeRun& run);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;
  bool event(QEvent* event) override;

 private:
  QRectF cell(int column, int row) const;
  int runAt(const QPointF& at) const;
  QString wordsOf(const TakeRun& run) const;
  void tell();

  std::vector<TakeRun> runs_;
  std::vector<std::pair<DisplayId, QString>> columns_;
  std::vector<std::pair<LanguageId, QString>> rows_;
  int now_ = 0;  // of the keyboard
};

}  // namespace bristle
