// The Route bench: where focus goes, seen and set.
#pragma once
#include <QLabel>

#include "core/edit/route_edits.h"
#include "desktop/work/bench.h"
#include "runtime/document/route_rule.h"

class QStackedWidget;
class QButtonGroup;
class QToolButton;

namespace bristle {

class RouteCard;
class RouteView;

class RouteBench : public Bench {
  Q_OBJECT
 public:
  RouteBench(Work& work, QWidget* parent);
  QWidget* card() override;
  QWidget* workplace() override;
  void showPlaceOf(const Finding& finding) override;
  void keepState(QSettings& settings) const override;
  void restoreState(const QSettings& settings) override;
  QString hint() const override;

  // A new screen from another tool's layout (core/formats/boxes_file.h); what is wrong with the
  // file is told.
  void importBoxes(const QString& path);

 private:
  void addCommands();
  void addClusterCommands();
  void addBoxes();
  void refresh();
  void turn();
  void set(RouteRule rule);
  void pinLine(const PinLine& line);
  Work& work_;
  QLabel *title_, *about_;
  QToolButton *why_, *steps_, *keys_;
  QButtonGroup* ways_;  // which routes are drawn
  RouteView* view_;
  RouteCard* card_;
  QStackedWidget* pages_;
};

}  // namespace bristle
