// The line above the scope: which of the two is looked at, play, speed, what happens to the button,
// its takes and its curves.
#pragma once
#include <QWidget>

#include "desktop/motion/motion_view.h"

class QAction;
class QMenu;
class QToolButton;

namespace bristle {

class ScopeTools : public QWidget {
  Q_OBJECT
 public:
  // What stands in its menus becomes commands of the bench.
  ScopeTools(Work& work, MotionView& view, QWidget& bench);

  // Keeps what is on the scope beside the project, as `takes/NAME.scope.jsonl`; brings one back, or
  // from a take of a rehearsal what happens to the picked button, or to another one of the kind.
  // False where it was refused; the person has been told.
  bool keep(const QString& name);
  bool bring(const QString& path);

 private:
  bool bringRehearsal(const QString& path);
  QToolButton* tool(const QString& name, const QString& spoken);
  QMenu* menuOf(QToolButton* button);
  QAction* command(const QString& name, std::function<void()> run);
  void turn(bool inState);
  void makeTry();
  void makeTakes();
  void makeCurves();
  void refresh();

  Work& work_;
  MotionView& view_;
  QWidget& bench_;
  QToolButton *scope_, *inState_, *play_, *speed_, *curves_, *takes_, *try_;
};

}  // namespace bristle
