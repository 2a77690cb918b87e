// The takes beside a project: made, described, played everywhere, accepted; and the restless
// visitor, who finds what nobody thought of.
#pragma once
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>
#include <map>
#include <vector>

#include "desktop/rehearse/take_runner.h"

namespace bristle {

class Form;
class Rehearsal;
class TakeGrid;
class TimeLine;
class TraceModel;
class Work;

class TakesPanel : public QWidget {
  Q_OBJECT
 public:
  TakesPanel(Work& work, Rehearsal& rehearsal, TimeLine& line, TraceModel& trace,
             QWidget* parent = nullptr);
  // The files, read anew.
  void refresh();
  void refreshWhatIsKept();
  void keep();
  void replayPicked();
  void runAll();
  void runRestless();
  void told();  // a replay came to its end

 Q_SIGNALS:
  // A take is about to be played, or has been.
  void replays();

 private:
  struct Entry {
    QString path;
    Take take;
  };
  void buildKeep(Form& form);
  void buildTakes(QWidget* column);
  void show(int index);
  void replay(const Take& take);
  void open(const TakeRun& run);
  void write(const Take& take);
  void accept();
  void leaveOut();
  void setResults(const std::vector<TakeRun>& runs);
  void showFound(const Restless& found);
  QString wordsOf(size_t take) const;
  Entry* picked();
  bool isItsOwn(const Take& take) const;
  void forgetRuns();

  Work& work_;
  Rehearsal& rehearsal_;
  TimeLine& line_;
  TraceModel& trace_;
  TakeRunner runner_;
  std::vector<Entry> takes_;
  std::vector<TakeRun> runs_;  // of takes_, by its index
  TakeRun opened_;             // in the grid
  std::map<int, Take> found_;  // by the restless visitor, by the row below the takes
  QLineEdit *name_, *about_, *events_, *seed_;
  QLabel *kept_, *result_;
  QListWidget* list_;
  TakeGrid* grid_;
  QPushButton *keep_, *replay_, *runAll_, *restless_, *accept_, *leaveOut_;
};

}  // namespace bristle
