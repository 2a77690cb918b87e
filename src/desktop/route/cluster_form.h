// The clusters of a screen on the Route bench's card: made of what is picked, and how focus comes
// into each and leaves it.
#pragma once
#include <array>

#include "desktop/view/form.h"
#include "runtime/document/route_rule.h"

namespace bristle {

class Work;

class ClusterForm : public Form {
  Q_OBJECT
 public:
  explicit ClusterForm(Work& work);
  void refresh();
  // Of what is picked, or of the container that the picked button is in.
  void makeOfPicked();
  void makeOfHolder();
  void removeShown();

 Q_SIGNALS:
  // The one whose fields are shown; empty: none.
  void shown(const ClusterId& cluster);

 private:
  const Cluster* now() const;
  void show(const ClusterId& cluster);
  void make(std::vector<ItemId> items);
  void change(const char* name, std::function<void(Cluster&)> apply);
  void buildRing();
  void setExit(Dir dir, int index);
  void refreshFields(const Cluster* cluster);
  std::vector<ItemId> members(const Cluster& cluster) const;

  Work& work_;
  ClusterId shown_;
  ItemId pickedBefore_;
  QLabel* head_;
  QComboBox* which_;
  QPushButton *ofPicked_, *ofHolder_, *remove_;
  QLineEdit *name_, *ring_, *outset_, *radius_, *colour_;
  QComboBox *enter_, *chosen_, *leave_;
  std::array<QComboBox*, 4> exits_;
};

}  // namespace bristle
