// A bench: one of the work places. Which there are stands in desktop/benches.cpp.
#pragma once
#include <QWidget>

class QSettings;

namespace bristle {

class Work;
struct Finding;

class Bench : public QWidget {
  Q_OBJECT
 public:
  using QWidget::QWidget;
  // What stands at the right while this bench is open; owned by the window's card area.
  virtual QWidget* card() = 0;
  // What is worked on in it: where the keyboard begins; null: at the first thing there is.
  virtual QWidget* workplace() { return nullptr; }
  // Called when the bench comes into sight, and goes out of it.
  virtual void enter() {}
  virtual void leave() {}
  // Turns to the page on which the finding is made, where there are several. What it is about is
  // picked already.
  virtual void showPlaceOf(const Finding&) {}
  // What a person has set up in it, for the next time.
  virtual void keepState(QSettings&) const {}
  virtual void restoreState(const QSettings&) {}
  // What the bottom line says when nothing else is to be said.
  virtual QString hint() const = 0;

 Q_SIGNALS:
  // The bottom line has something else to say.
  void hintChanged();
  // Another bench is where the next thing is done; by its id. None: from the rehearsal to where one
  // came from.
  void wantsBench(const QString& id);
  // To where the finding in hand is made.
  void wantsFinding();
};

struct BenchInfo {
  const char* id;
  QString name;
  int place;  // its number for Alt+n, in the order of the work: 1 Shape … 8 Deliver
  Bench* (*make)(Work& work, QWidget* parent);
};

}  // namespace bristle
