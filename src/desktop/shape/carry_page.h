// Carries aspects of the picked kind over to others: choose what, choose where, see before and
// after, do it in one step.
#pragma once
#include <QCheckBox>
#include <QListWidget>
#include <QScrollArea>

#include "core/edit/carry_edits.h"
#include "desktop/view/page.h"
#include "paint/screen_painter.h"

namespace bristle {

class Work;

class CarryPage : public Page {
  Q_OBJECT
 public:
  CarryPage(Work& work, QWidget* parent);

 private:
  QWidget* aspects();
  void fillTargets();
  void refresh();
  Aspects chosen() const;
  std::vector<CarryTarget> targets() const;
  std::vector<CarryTarget> shown() const;
  void paintTarget(QPainter& p, const CarryTarget& to, const Project& after, const KindId& made,
                   int y);
  Work& work_;
  KindId from_;
  std::vector<std::pair<PartId, QCheckBox*>> parts_;
  QCheckBox *departures_, *size_, *hit_, *timing_, *sounds_, *machine_;
  QListWidget* list_;
  std::vector<CarryTarget> offered_;
  QLabel* preview_;
  QPushButton* carry_;
  LookTables after_;
};

}  // namespace bristle
