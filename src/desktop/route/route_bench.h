// The Route bench: where focus goes, seen and set.
#pragma once
#include <QLabel>

#include "desktop/work/bench.h"
#include "runtime/document/route_rule.h"

class QStackedWidget;

namespace bristle {

class RouteCard;
class RouteView;

class RouteBench : public Bench {
  Q_OBJECT
 public:
  RouteBench(Work& work, QWidget* parent);
  QWidget* card() override;
  QString hint() const override;

 private:
  void refresh();
  void set(RouteRule rule);
  void pinLine(Dir dir, bool loop);
  Work& work_;
  QLabel *title_, *about_;
  RouteView* view_;
  RouteCard* card_;
  QStackedWidget* pages_;
};

}  // namespace bristle
