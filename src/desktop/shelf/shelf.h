// The shelf at the left: kinds above, screens below, as live miniatures.
#pragma once
#include <QListWidget>
#include <QTimer>
#include <QWidget>

namespace bristle {

class Work;

class Shelf : public QWidget {
  Q_OBJECT
 public:
  explicit Shelf(Work& work, QWidget* parent = nullptr);

 protected:
  void changeEvent(QEvent* event) override;

 private:
  QListWidget* list(QListWidget* list, const QString& name, const QString& add,
                    std::function<void()> make);
  void refresh();
  void fill(QListWidget* list, int count, int picked,
            const std::function<void(int, QListWidgetItem&)>& show);
  void showMiniatures();
  Work& work_;
  QListWidget *kinds_, *screens_;
  bool filling_ = false;
  QTimer soon_;
};

}  // namespace bristle
