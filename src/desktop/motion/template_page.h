// A template before it is applied: the machine as it is and as it would be, both live, with their
// laws.
#pragma once
#include <QLabel>
#include <QPushButton>

#include "core/edit/templates.h"
#include "desktop/work/work.h"

namespace bristle {

class GraphView;
class LawWatch;
class MotionView;

class TemplatePage : public QWidget {
  Q_OBJECT
 public:
  // `work` must outlive it.
  TemplatePage(Work& work, QWidget* parent = nullptr);
  // Shows what the template would make of the picked kind's machine.
  void show(Template which);
  void setOn(bool on);

 Q_SIGNALS:
  void done();  // applied or left alone

 private:
  // A look at the project as it would be, with a history of its own that goes nowhere.
  struct Side {
    Work* work;
    MotionView* view;
    LawWatch* laws;
    GraphView* graph;
    QLabel* about;
  };
  Side makeSide(Work* work, const QString& name, QWidget* into);
  void tell(const Side& side);
  void apply();
  Work& work_;
  Work after_;
  Side sides_[2];
  QLabel *head_, *meaning_;
  QPushButton* apply_;
  Template which_ = Template::MenuButton;
};

}  // namespace bristle
