// The second bench: the machine as a graph, the laws beside it, the scope below it.
#pragma once
#include "desktop/work/bench.h"

class QLabel;
class QStackedWidget;

namespace bristle {

class GraphView;
class InStateCard;
class LawWatch;
class MotionCard;
class MotionView;
class ScopeTools;
class ScopeView;
class TemplatePage;
class TimelineView;
enum class Template : std::uint8_t;

class MotionBench : public Bench {
  Q_OBJECT
 public:
  MotionBench(Work& work, QWidget* parent);
  QWidget* card() override { return cards_; }
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
};

}  // namespace bristle
