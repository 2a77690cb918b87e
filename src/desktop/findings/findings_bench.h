// The review: everything that is wrong, where it is, why it matters, and the mend.
#pragma once
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QStackedWidget>

#include "desktop/findings/findings_list.h"
#include "desktop/work/bench.h"

namespace bristle {

class CardTabs;
class FindingCard;
class FindingPicture;
class FindingsModel;
struct Finding;

class FindingsBench : public Bench {
  Q_OBJECT
 public:
  FindingsBench(Work& work, QWidget* parent);
  QWidget* card() override;
  QWidget* workplace() override { return list_; }
  void enter() override { refresh(); }
  QString hint() const override;
  void keepState(QSettings& settings) const override;
  void restoreState(const QSettings& settings) override;

 private:
  void refresh();
  void showPicked();
  void goThere();
  void addCommands();

  Work& work_;
  FindingsModel* model_;
  QComboBox *groups_, *order_;
  QLineEdit* filter_;
  QLabel *about_, *empty_;
  FindingsList* list_;
  QStackedWidget* pages_;
  FindingPicture* picture_;
  FindingCard* finding_;
  CardTabs* card_;
  size_t at_ = 0;  // where the one in hand stands, of all that are shown
};

}  // namespace bristle
