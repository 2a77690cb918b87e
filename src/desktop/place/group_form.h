// Of a picked container: whether it is a copy of a reusable group, keeps in step with a list of
// screens, or flies out from a button.
#pragma once
#include "desktop/view/form.h"
#include "runtime/document/project.h"

class QListWidget;

namespace bristle {

class Work;

class GroupForm : public Form {
  Q_OBJECT
 public:
  // `work` must outlive it.
  explicit GroupForm(Work& work);
  // Of the first picked item, container or not.
  void refresh();

 private:
  void buildGroup();
  void buildFlyOut();
  void buildBar();
  void refreshGroup(const Item& item);
  void refreshFlyOut(const Item& item);
  void refreshBar(const Item& item);
  void flyFrom(const ItemId& from);
  bool changeContainer(const char* name, std::function<void(ContainerData&)> apply);
  void setOwn(bool Group::*which, bool on);
  void listChanged();
  const Group* group() const;

  Work& work_;
  QLabel *groupHead_, *groupNote_, *flyHead_, *barHead_;
  QPushButton *make_, *another_, *letGo_, *makeBar_;
  QLineEdit* name_;
  QCheckBox *captions_, *targets_, *exits_, *hover_, *focus_, *accept_;
  QComboBox *from_, *side_, *list_;
  QListWidget* screens_;
  std::vector<ItemId> buttons_;  // by entry of `from_`, after the first
};

}  // namespace bristle
