// The Shape bench: wall and ledger of the picked kind, and the pages that its commands open.
#pragma once
#include <QHBoxLayout>
#include <QLabel>
#include <QStackedWidget>

#include "core/edit/kind_edits.h"
#include "desktop/work/bench.h"

class QToolButton;

namespace bristle {

class Ledger;
class ShapeCard;
class TileView;

class Page;
class Readings;

class ShapeBench : public Bench {
  Q_OBJECT
 public:
  ShapeBench(Work& work, QWidget* parent);
  QWidget* card() override;
  QString hint() const override;
  void keepState(QSettings& settings) const override;
  void restoreState(const QSettings& settings) override;
  void enter() override;
  void showPlaceOf(const Finding& finding) override;
  TileView& tiles() { return *view_; }
  Ledger& ledger() { return *ledger_; }

 protected:
  // Pictures that are dropped become kinds.
  void dragEnterEvent(QDragEnterEvent* event) override;
  void dropEvent(QDropEvent* event) override;

 private:
  QAction* add(const QString& name, const QKeySequence& keys, std::function<void()> run);
  void refresh();
  void addKindCommands();
  void addCellCommands();
  void addViewCommands();
  // A page that takes the place of wall and ledger until it says that it is done.
  template <class OnePage>
  void openPage();
  void makeCards(Readings& readings);
  void turnCard(bool toPage);
  void closePage();
  Work& work_;
  TileView* view_;
  QLabel* title_;
  QLabel* about_;
  QHBoxLayout* tools_;
  QStackedWidget* pages_;
  Ledger* ledger_;
  ShapeCard* card_;
  QWidget *cards_, *pageCard_;  // the wall’s card and what a page says of itself, one of them shown
  QLabel *pageName_, *pagePurpose_;
  Page* page_ = nullptr;
  std::optional<PartCopy> copiedPart_;
  std::optional<Column> copiedState_;
  std::vector<QAction*> wallCommands_;  // rest while a page is open
};

}  // namespace bristle
