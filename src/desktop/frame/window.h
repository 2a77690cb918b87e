// The window: bench tabs above, the shelf at the left, the card at the right, one line below.
#pragma once
#include <QLabel>
#include <QMainWindow>
#include <QPointer>
#include <QSettings>
#include <QStackedWidget>
#include <map>
#include <vector>

#include "desktop/frame/files.h"
#include "desktop/work/bench.h"
#include "desktop/work/work.h"

class QButtonGroup;
class QHBoxLayout;
class QPushButton;
class QMenu;
class QToolButton;

namespace bristle {

class Autosave;
class Finder;
class RecoveryPage;
class Shelf;

class Window : public QMainWindow {
  Q_OBJECT
 public:
  // `benches` must outlive it.
  explicit Window(const std::vector<BenchInfo>& benches, const QString& settingsFile = {});
  ~Window() override;

  Work& work() { return work_; }
  Files& files() { return *files_; }
  Autosave& autosave() { return *autosave_; }
  // Shows what was left unsaved by a program that was killed, where there is any.
  void offerUnsaved();
  // By the bench's id: "shape", "place", "route", "rehearse".
  void openBench(const QString& id);
  // To the rehearsal, and from there back to where one was.
  void rehearseOrBack();
  // The next finding, or the one before, in hand where it is made.
  void toNextFinding(bool forwards);
  Bench* bench(const QString& id);
  std::vector<QAction*> allCommands();

 protected:
  void closeEvent(QCloseEvent* event) override;

 private:
  QWidget* makeTop();
  void makeTabs(QHBoxLayout& row);
  QWidget* makeMiddle();
  QWidget* makeBottom();
  Bench* need(size_t index);
  void makeMenus();
  void makeFileMenu(QMenu* menu);
  void makeViewMenu(QMenu* menu);
  void makeSeenMenu(QMenu* menu);
  static QString seenName(int which);
  void seeAs(int which);
  QAction* command(QMenu* menu, const QString& name, const QKeySequence& keys,
                   std::function<void()> run);
  void fold(QMenu* menu, const QString& name, int key, const QString& setting, QWidget* part);
  void showBench(int index);
  void refresh();
  void showFindings();
  void toFinding();  // there is one in hand
  void say(const QString& text, bool wrong);
  void nextArea();
  void focusInto(QWidget* area);
  void setDark(bool dark);
  void restoreState();

  Work work_;
  const std::vector<BenchInfo>& offered_;
  QSettings settings_;
  Files* files_ = nullptr;
  Autosave* autosave_ = nullptr;
  RecoveryPage* recovery_ = nullptr;
  std::vector<Bench*> benches_;  // null until needed
  std::map<Bench*, QWidget*> cardOf_;
  std::map<QWidget*, QPointer<QWidget>> lastIn_;  // where the keyboard was in a part of the window
  int current_ = -1;
  QString cameFrom_ = QStringLiteral("place");  // the bench before the rehearsal
  QButtonGroup* tabs_ = nullptr;
  QStackedWidget *pages_ = nullptr, *cards_ = nullptr;
  Shelf* shelf_ = nullptr;
  QWidget* middle_ = nullptr;
  bool hinting_ = true;  // the bottom line says the bench's hint, not a message
  QLabel *name_ = nullptr, *state_ = nullptr, *hint_ = nullptr;
  QToolButton* findings_ = nullptr;
  int seenAs_ = 0;  // of kAllVisions, and one beyond
  QPushButton *undo_ = nullptr, *redo_ = nullptr;
  QMenu *recent_ = nullptr, *benchMenu_ = nullptr;
  QToolButton* menu_ = nullptr;
  Finder* finder_ = nullptr;
};

}  // namespace bristle
