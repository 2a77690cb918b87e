// The Place bench: the canvas, the other displays below it, and what is picked at the side.
#pragma once
#include <QLabel>
#include <QStackedWidget>

#include "desktop/work/bench.h"
#include "desktop/work/commands.h"

namespace bristle {

class Canvas;
class ItemForm;
class SeriesForm;

class PlaceBench : public Bench {
  Q_OBJECT
 public:
  PlaceBench(Work& work, QWidget* parent);
  QWidget* card() override { return card_; }
  void enter() override;
  QString hint() const override;

 private:
  void build();
  void buildCard();
  QAction* add(const QString& name, const QKeySequence& keys, std::function<void()> run,
               KeysWork where = KeysWork::InOwner);
  void addCommands();
  void addCommandsOfThePicked();
  void addArranging();
  void addLiningUp();
  void refresh();
  void newScreen();

  Work& work_;
  QLabel *title_, *about_;
  QStackedWidget* pages_;
  Canvas* canvas_;
  QWidget* card_;
  QStackedWidget* forms_;
  ItemForm* itemForm_;
  SeriesForm* series_;
};

}  // namespace bristle
