// The card of the Route bench: the rose with the four routes of the picked button, how good the
// routes of the screen are, why the picked direction leads where it leads, and the clusters.
#pragma once
#include <QListWidget>
#include <array>

#include "desktop/view/form.h"
#include "runtime/document/route_rule.h"

namespace bristle {

class AnswerForm;
class CarriesForm;
class ClusterForm;
class QualityPanel;
class Rose;
class Work;

class RouteCard : public QWidget {
  Q_OBJECT
 public:
  explicit RouteCard(Work& work);
  QualityPanel& quality() { return *quality_; }
  ClusterForm& clusters() { return *clusters_; }
  Rose& rose() { return *rose_; }

 private:
  void refresh();
  void refreshRoutes(int box);
  void refreshWhy(int box);
  void setFromChoice(Dir dir, int index);
  void set(Dir dir, RouteRule rule);
  void setOwn(bool on);
  bool isOwn(Dir dir) const;
  void refreshLike(int box);
  QString nameOfBox(int box) const;

  Work& work_;
  QLabel* head_;
  Form* form_;
  Rose* rose_;
  std::array<QComboBox*, 4> choices_;
  QCheckBox *entry_, *own_;
  QComboBox* like_;
  std::vector<ItemId> likes_;  // what it offers
  Form* whyForm_;
  QLabel* whyHead_;
  QLabel* why_;
  QualityPanel* quality_;
  ClusterForm* clusters_;
  CarriesForm* carries_;
  AnswerForm* answers_;
};

}  // namespace bristle
