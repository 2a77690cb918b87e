// The values of the project in one list.
#pragma once
#include <QWidget>

class QLabel;
class QPushButton;
class QTableView;

namespace bristle {

class ValuesModel;
class Work;

class ValuesPage : public QWidget {
  Q_OBJECT
 public:
  explicit ValuesPage(Work& work, QWidget* parent = nullptr);

 private:
  void refresh();
  void removePicked();
  Work& work_;
  ValuesModel* model_;
  QTableView* table_;
  QPushButton* remove_;
  QLabel* none_;
};

}  // namespace bristle
