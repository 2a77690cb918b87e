// The ten laws, kept or broken, as the machine is edited; a broken one shows itself on the scope.
#pragma once
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>

#include "desktop/motion/law_watch.h"
#include "desktop/motion/motion_view.h"

namespace bristle {

class LawsPanel : public QWidget {
  Q_OBJECT
 public:
  // What it is given must outlive it.
  LawsPanel(Work& work, MotionView& view, LawWatch& laws, QWidget* parent = nullptr);

  // What is told about a law never moves the graph and the scope: the list gives way.
  QSize minimumSizeHint() const override { return {160, 200}; }
  bool hasHeightForWidth() const override { return false; }

 private:
  void refresh();
  int list(const LawReport& report, int row);
  void tellOne();
  void show(int law);
  void mend();
  Work& work_;
  MotionView& view_;
  LawWatch& laws_;
  QLabel *head_, *what_;
  QListWidget* list_;
  QPushButton *play_, *mend_;
  QLineEdit* reason_;
  bool filling_ = false;
};

}  // namespace bristle
