// The very place of a finding, large: its screen with the item marked, or its kind in the state.
#pragma once
#include <QImage>
#include <QWidget>
#include <optional>

#include "core/findings/finding.h"

namespace bristle {

class Work;

class FindingPicture : public QWidget {
  Q_OBJECT
 public:
  explicit FindingPicture(Work& work, QWidget* parent = nullptr);
  // Null: nothing.
  void show(const Finding* finding);

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  void paintScreen(QPainter& painter, const Screen& screen);
  void paintKind(QPainter& painter, const Kind& kind);
  Work& work_;
  std::optional<Finding> finding_;
};

}  // namespace bristle
