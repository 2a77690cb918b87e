// The very place of a finding, large: its screen with the item marked, or its kind in the state;
// and beside it the same once it is mended.
#pragma once
#include <QImage>
#include <QWidget>
#include <optional>

#include "core/findings/finding.h"
#include "paint/screen_painter.h"

namespace bristle {

class Work;

class FindingPicture : public QWidget {
  Q_OBJECT
 public:
  explicit FindingPicture(Work& work, QWidget* parent = nullptr);
  // Null: nothing. Beside it what the mend in hand makes of it, by its place among the finding's.
  void show(const Finding* finding, size_t mend = 0);

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  void paintIn(QPainter& painter, const QRectF& area, const Project& project, LookTables& tables,
               const char* as);
  void paintScreen(QPainter& painter, const QRectF& area, const Project& project,
                   const Screen& screen, const char* as);
  void paintKind(QPainter& painter, const QRectF& area, const Project& project, const Kind& kind,
                 LookTables& tables);
  void prepare();
  bool isClose() const { return finding_ && finding_->screen && finding_->state && finding_->kind; }
  Work& work_;
  std::optional<Finding> finding_;
  size_t mend_ = 0;
  Project now_;                    // with its buttons in the state that it is about
  std::optional<Project> mended_;  // the same, as it would be
  LookTables mendedTables_;
};

}  // namespace bristle
