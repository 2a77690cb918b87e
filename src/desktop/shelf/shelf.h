// The shelf at the left: kinds above, screens below, as live miniatures.
#pragma once
#include <QListWidget>
#include <QTimer>
#include <QWidget>
#include <optional>
#include <vector>

#include "desktop/work/work.h"

namespace bristle {

class Shelf : public QWidget {
  Q_OBJECT
 public:
  explicit Shelf(Work& work, QWidget* parent = nullptr);

 private:
  QListWidget* list(const QString& name, const QString& add, std::function<void()> make);
  void refresh();
  void fill(QListWidget* list, int count, int picked,
            const std::function<void(int, QListWidgetItem&)>& show);
  void drawMiniatures();
  QPixmap miniature(const Kind& kind);
  QPixmap miniature(const Screen& screen);
  Work& work_;
  QListWidget *kinds_, *screens_;
  bool filling_ = false;
  // Miniatures are drawn a moment after the change, once for many changes, and only those of what
  // did change: a drag must not wait for them.
  QTimer soon_;
  std::vector<std::optional<Shared<Kind>>> shownKinds_;
  std::vector<std::optional<Shared<Screen>>> shownScreens_;
};

}  // namespace bristle
