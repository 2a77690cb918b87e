// The flow as a table, for editing many steps at once.
#pragma once
#include <QWidget>

class QLineEdit;
class QSortFilterProxyModel;
class QTableView;

namespace bristle {

class StepsModel;
class Work;

class StepsPage : public QWidget {
  Q_OBJECT
 public:
  explicit StepsPage(Work& work, QWidget* parent = nullptr);
  // Writes the table of it all; what went wrong is told.
  bool exportTo(const QString& path);

 private:
  void refresh();
  void pickCurrent();
  Work& work_;
  StepsModel* model_;
  QSortFilterProxyModel* found_;
  QTableView* table_;
  QLineEdit* find_;
};

}  // namespace bristle
