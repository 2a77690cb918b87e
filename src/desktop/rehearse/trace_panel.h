// What happened, beside the running menu: pick a line and see the moment; from there to the bench
// where it is made.
#pragma once
#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QTreeView>
#include <QWidget>
#include <vector>

#include "desktop/rehearse/trace_model.h"

namespace bristle {

class Rehearsal;
class Work;

class TracePanel : public QWidget {
  Q_OBJECT
 public:
  TracePanel(Work& work, Rehearsal& rehearsal, QWidget* parent = nullptr);
  TraceModel& model() { return model_; }
  // What has come, and where one looks.
  void refresh();
  void begin();  // another run

 Q_SIGNALS:
  void wantsBench(const QString& id);

 private:
  void build();
  void refreshButtons();
  void pick(const QModelIndex& index);
  void showWhy(const QModelIndex& index);
  void goThere();
  QString whyOf(const TraceEntry& entry) const;
  const TraceEntry* picked() const;

  Work& work_;
  Rehearsal& rehearsal_;
  TraceModel model_;
  QTreeView* tree_;
  QComboBox* only_;
  QLabel* why_;
  QPushButton* there_;
  std::vector<ItemId> offered_;  // by the choice, from its second on
  size_t read_ = 0;              // entries of the trace, for them
  bool following_ = false;       // it picks by itself
};

}  // namespace bristle
