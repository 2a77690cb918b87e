// The second bench: the machine as a graph, the laws beside it, the scope below it.
#pragma once
#include <QStackedWidget>

#include "desktop/frame/bench.h"
#include "desktop/motion/graph_view.h"
#include "desktop/motion/in_state_card.h"
#include "desktop/motion/laws_panel.h"
#include "desktop/motion/live_button.h"
#include "desktop/motion/motion_card.h"
#include "desktop/motion/scope_tools.h"
#include "desktop/motion/scope_view.h"
#include "desktop/motion/template_page.h"
#include "desktop/motion/timeline_view.h"

namespace bristle {

class MotionBench : public Bench {
  Q_OBJECT
 public:
  MotionBench(Work& work, QWidget* parent);
  QWidget* card() override { return cards_; }
  std::vector<QAction*> commands() override { return commands_; }
  void enter() override;
  void leave() override;
  QString hint() const override;
  MotionView& view() { return *view_; }
  LawWatch& laws() { return *laws_; }
  GraphView& graph() { return *graph_; }
  ScopeView& scope() { return *scope_; }
  TimelineView& timeline() { return *timeline_; }
  ScopeTools& tools() { return *tools_; }

  // What a template would make of the picked kind’s machine, before it is applied.
  void showTemplate(Template which);
  // Reads a statechart into the picked kind’s machine, or writes it; false where it was refused.
  bool importChart(const QString& path);
  bool exportChart(const QString& path);

 private:
  QWidget* makeScope();
  void makeCard();
  void makeTemplatePage();
  void turn();
  void addCommands();
  QAction* add(const QString& name, const QKeySequence& keys, std::function<void()> run);
  void refresh();
  Work& work_;
  MotionView* view_;
  LawWatch* laws_;
  GraphView* graph_;
  ScopeView* scope_;
  TimelineView* timeline_;
  ScopeTools* tools_;
  MotionCard* card_;
  InStateCard* stateCard_;
  TemplatePage* template_;
  QWidget* cards_;
  QStackedWidget *pages_, *lower_;
  QLabel *title_, *about_;
  std::vector<QAction*> commands_;
};

}  // namespace bristle
