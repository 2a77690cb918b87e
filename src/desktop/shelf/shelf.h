// The shelf at the left: kinds and reusable groups above, screens below, as live miniatures.
#pragma once
#include <QListWidget>
#include <QTimer>
#include <QWidget>
#include <map>

#include "core/derive/shown_screen.h"

namespace bristle {

class Work;

class Shelf : public QWidget {
  Q_OBJECT
 public:
  explicit Shelf(Work& work, QWidget* parent = nullptr);
  // Made as one begins with it, and picked.
  void newKind();
  void newScreen();

 protected:
  void changeEvent(QEvent* event) override;

 private:
  void removeKinds();
  QListWidget* list(QListWidget* list, const QString& name, const QString& add,
                    std::function<void()> make);
  void refresh();
  void fill(QListWidget* list, int count, int picked,
            const std::function<void(int, QListWidgetItem&)>& show);
  void showMiniatures();
  // A reusable group as a screen of its own, the same one for as long as nothing of it changes.
  ShownScreen shownAlone(const Shared<Group>& group);
  Work& work_;
  QListWidget *kinds_, *screens_;
  struct Alone {
    Shared<Group> group;
    Shared<Screen> screen;
    Display display;  // as large as the group, and a little room
  };
  std::map<GroupId, Alone> alone_;
  bool filling_ = false;
  QTimer soon_;
};

}  // namespace bristle
