// The Place bench: the canvas, the other displays below it, and what is picked at the side.
#pragma once
#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QStackedWidget>
#include <QToolButton>

#include "desktop/derive/place_watch.h"
#include "desktop/place/arranging.h"
#include "desktop/work/bench.h"
#include "desktop/work/commands.h"

namespace bristle {

class Canvas;
class CardStack;
class ItemForm;
class LanguageForm;
class DisplayForm;
class SeriesForm;
class SeveralForm;
class TreePanel;
class WordsPage;

class PlaceBench : public Bench {
  Q_OBJECT
 public:
  PlaceBench(Work& work, QWidget* parent);
  QWidget* card() override { return card_; }
  QWidget* workplace() override;
  void enter() override;
  void showPlaceOf(const Finding& finding) override;
  void keepState(QSettings& settings) const override;
  void restoreState(const QSettings& settings) override;
  QString hint() const override;

 private:
  void build();
  QToolButton* tool(QHBoxLayout* head, const QString& text, const QString& name);
  void buildCard();
  QAction* add(const QString& name, const QKeySequence& keys, std::function<void()> run,
               KeysWork where = KeysWork::InOwner);
  void addCommands();
  void addMaking();
  void addCommandsOfThePicked();
  void addPicking();
  void addArranging();
  void addLiningUp();
  void addLineUpTo(QMenu* menu);
  void addSpreading(QMenu* menu);
  void addViewing();
  void addAids();
  void refresh();
  void refreshZoom();
  void newScreen();
  void openWords();
  void closeWords();
  void enableCommands(bool on);

  Work& work_;
  Arranging arranging_;
  QLabel *title_, *about_;
  QToolButton *lineUp_, *show_, *zoom_;
  QStackedWidget* pages_;
  Canvas* canvas_;
  QWidget* card_;
  CardStack* forms_;
  ItemForm* itemForm_;
  SeriesForm *series_, *seriesInto_;
  DisplayForm* displays_;
  LanguageForm* languages_;
  SeveralForm* several_;
  TreePanel* tree_;
  PlaceWatch watch_;
  WordsPage* words_ = nullptr;  // while it is open
};

}  // namespace bristle
