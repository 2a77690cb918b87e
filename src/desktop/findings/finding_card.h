// What stands beside the list: the finding in hand, why it matters, and what can be done about it.
#pragma once
#include <QLabel>
#include <QWidget>
#include <vector>

#include "core/findings/finding.h"
#include "desktop/view/form.h"

namespace bristle {

class FigureScale;
class Work;

class FindingCard : public QWidget {
  Q_OBJECT
 public:
  explicit FindingCard(Work& work);
  void refresh();
  // By one of its mends; where it has none that is told.
  void mend(size_t which);
  void mendAlike();

 Q_SIGNALS:
  // To where it is made.
  void wantsPlace();
  // What had the keys is not there any more.
  void leftKeys();

 private:
  void show(const Finding* finding);
  void buildMends(Form& form);
  void buildAccepting(Form& form);
  const Finding* mendable() const;
  void accept(const std::vector<std::string>& keys);
  std::vector<std::string> alike(const Finding& finding) const;

  Work& work_;
  QLabel *rule_, *place_, *reason_, *why_, *standard_, *accepted_, *byHand_;
  FigureScale* scale_;
  QPushButton *go_, *mendAll_, *accept_, *acceptAll_, *again_;
  std::vector<QPushButton*> mends_;
  QLineEdit* because_;
  Form* all_;
  QLabel* none_;
};

}  // namespace bristle
