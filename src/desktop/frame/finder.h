// The command finder: type a few letters of any command, Enter runs it.
#pragma once
#include <QAction>
#include <QFrame>
#include <QLineEdit>
#include <QListWidget>
#include <QPointer>
#include <vector>

namespace bristle {

class Finder : public QFrame {
  Q_OBJECT
 public:
  explicit Finder(QWidget* window);
  // Over the window, with these to choose from.
  void open(std::vector<QAction*> commands);

 protected:
  bool eventFilter(QObject* object, QEvent* event) override;

 private:
  void filter();
  void run();
  void leave();
  std::vector<QAction*> commands_;
  QPointer<QWidget> before_;  // what had the keyboard's focus
  QLineEdit* text_;
  QListWidget* list_;
};

}  // namespace bristle
