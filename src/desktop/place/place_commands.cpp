// All that the Place bench offers by name, and its three menus.
#include <QActionGroup>
#include <QClipboard>
#include <QGuiApplication>

#include "core/edit/button_edits.h"
#include "core/edit/screen_edits.h"
#include "desktop/place/canvas.h"
#include "desktop/place/clipboard.h"
#include "desktop/place/display_form.h"
#include "desktop/place/language_form.h"
#include "desktop/place/move_in_tree.h"
#include "desktop/place/new_items.h"
#include "desktop/place/pinning.h"
#include "desktop/place/place_bench.h"
#include "desktop/place/placing.h"
#include "desktop/place/reuse.h"
#include "desktop/place/series_form.h"
#include "desktop/place/tree_panel.h"
#include "desktop/work/work.h"

namespace bristle {
namespace {

// Keys that mean nothing in a text field work from the card and the shelf, too.
constexpr KeysWork kFromCard = KeysWork::InWindow;

}  // namespace

QAction* PlaceBench::add(const QString& name, const QKeySequence& keys, std::function<void()> run,
                         KeysWork where) {
  return work_.commands().add(this, name, keys, std::move(run), where);
}

void PlaceBench::addCommands() {
  addMaking();
  addCommandsOfThePicked();
  addPicking();
  addArranging();
  addLiningUp();
  addViewing();
  addAids();
}

void PlaceBench::addMaking() {
  add(tr("Remove screen"), {}, [this] {
    if (work_.screen()) work_.perform(removeScreen(work_.screen()->id));
  });
  add(
      tr("Words in all languages"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_L),
      [this] { openWords(); }, KeysWork::InWindow);
  add(tr("Add a language"), {}, [this] {
    work_.pickItems({});
    languages_->begin();
  });
  add(tr("Remove the language in sight"), {}, [this] { languages_->removeShown(); });
  add(tr("Add a display"), {}, [this] { displays_->addOne(); });
  add(tr("Remove the display in sight"), {}, [this] { displays_->removeShown(); });
  add(
      tr("Add buttons from captions"), QKeySequence(Qt::Key_Insert),
      [this] {
        if (work_.item() && work_.item()->container()) return seriesInto_->begin();
        work_.pickItems({});
        series_->begin();
      },
      KeysWork::InWindow);  // from shelf and card, too: it harms nothing
  add(
      tr("Place a button of the picked kind"), QKeySequence(Qt::ALT | Qt::Key_Insert),
      [this] {
        if (work_.screen() && work_.kind())
          placeBesidePicked(work_, work_.kind()->id, canvas_->middle());
      },
      KeysWork::InWindow);
  const auto addDecor = [this](const char* name, auto what) {
    if (!work_.screen()) return;
    Item item;
    item.place = {{Pin::Start, 120, 480, 0}, {Pin::Start, 120, 320, 0}};
    item.what = std::move(what);
    performAndPickNew(work_, addItem(work_.screen()->id, name, std::move(item)));
  };
  add(tr("Add panel"), {}, [=] {
    addDecor("add panel", PanelData{Fill::solid({30, 36, 38, 200}), 12});
  });
  add(tr("Add picture"), {}, [=] { addDecor("add picture", PictureData{}); });
}

void PlaceBench::addCommandsOfThePicked() {
  add(
      tr("Make a button of the picked panel or picture"), QKeySequence(Qt::CTRL | Qt::Key_B),
      [this] {
        if (work_.screen() && work_.item() &&
            work_.perform(buttonFrom(work_.screen()->id, work_.item()->id)))
          work_.pickKind(work_.project().kinds.back()->id);
      },
      kFromCard);
  add(tr("Take the picked picture apart into the groups of its SVG"), {},
      [this] { takeApartPicked(work_); });
  add(tr("Remove what is picked"), QKeySequence(Qt::Key_Delete), [this] {
    if (work_.screen() && work_.item())
      work_.perform(removeItems(work_.screen()->id, work_.picked().items));
  });
  add(
      tr("Duplicate what is picked"), QKeySequence(Qt::CTRL | Qt::Key_D),
      [this] {
        if (work_.screen() && work_.item())
          performAndPickNew(work_, duplicateItems(work_.screen()->id, work_.picked().items));
      },
      kFromCard);
  add(tr("Cut what is picked"), QKeySequence::Cut, [this] { cutPicked(work_); });
  add(tr("Copy what is picked"), QKeySequence::Copy, [this] { copyPicked(work_); });
  add(tr("Paste"), QKeySequence::Paste,
      [this] { pasteInto(work_, QGuiApplication::clipboard()->mimeData()); });
  add(tr("Start focus on the picked button"), {}, [this] {
    if (work_.item() && work_.item()->button())
      work_.perform(setEntry(work_.screen()->id, work_.item()->id));
  });
  add(
      tr("Lock or unlock what is picked"), QKeySequence(Qt::CTRL | Qt::Key_L),
      [this] { arranging_.lock(); }, kFromCard);
  add(
      tr("Hide or show what is picked"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_H),
      [this] { arranging_.hide(); }, kFromCard);
}

void PlaceBench::addPicking() {
  add(tr("Pick all buttons"), QKeySequence(Qt::CTRL | Qt::Key_A), [this] {
    std::vector<ItemId> all;
    if (work_.screen())
      for (const auto& item : work_.screen()->items)
        if (item->button()) all.push_back(item->id);
    work_.pickItems(all);
  });
  add(
      tr("Pick what lies below"), QKeySequence(Qt::CTRL | Qt::Key_Period),
      [this] { canvas_->pickBelow(); }, kFromCard);
  add(tr("Pick what holds it"), QKeySequence(Qt::CTRL | Qt::Key_Up), [this] {
    if (work_.item() && work_.item()->parent) work_.pickItems({work_.item()->parent});
  });
}

void PlaceBench::addArranging() {
  const std::pair<QString, Flow> ways[] = {{tr("Put what is picked into a column"), Flow::Column},
                                           {tr("Put what is picked into a row"), Flow::Row},
                                           {tr("Put what is picked into a grid"), Flow::Grid},
                                           {tr("Put what is picked into a ring"), Flow::Ring}};
  for (const auto& [name, flow] : ways)
    add(name, {}, [this, flow = flow] { arranging_.gather(flow); });
  add(
      tr("Group what is picked"), QKeySequence(Qt::CTRL | Qt::Key_G),
      [this] { arranging_.gather(Flow::Free); }, kFromCard);
  add(
      tr("Take the group or container away"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_G),
      [this] { arranging_.dissolve(); }, kFromCard);
  add(
      tr("Make the group reusable"), QKeySequence(Qt::CTRL | Qt::ALT | Qt::Key_G),
      [this] { makeReusable(work_); }, kFromCard);
  add(
      tr("Place another copy of the group"), QKeySequence(Qt::CTRL | Qt::ALT | Qt::Key_D),
      [this] { placeAnotherCopy(work_); }, kFromCard);
  add(tr("Let the copy go of its group"), {}, [this] { letGoOfGroup(work_); });
  add(
      tr("Pin what is picked to the nearest edges"), QKeySequence(Qt::CTRL | Qt::ALT | Qt::Key_P),
      [this] { pinToNearest(work_); }, kFromCard);
  add(tr("Into the container before it"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_Right),
      [this] { moveInward(work_); });
  add(tr("Out of its container"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_Left),
      [this] { moveOutward(work_); });
  add(
      tr("Earlier in its column, or further back"), QKeySequence(Qt::CTRL | Qt::Key_PageUp),
      [this] { arranging_.reorder(-1); }, kFromCard);
  add(
      tr("Later in its column, or further to the front"), QKeySequence(Qt::CTRL | Qt::Key_PageDown),
      [this] { arranging_.reorder(1); }, kFromCard);
}

void PlaceBench::addLiningUp() {
  QMenu* menu = lineUp_->menu();
  const std::pair<QString, Alignment> ways[] = {{tr("Line up left edges"), Alignment::Left},
                                                {tr("Line up centres"), Alignment::Centre},
                                                {tr("Line up right edges"), Alignment::Right},
                                                {tr("Line up top edges"), Alignment::Top},
                                                {tr("Line up middles"), Alignment::Middle},
                                                {tr("Line up bottom edges"), Alignment::Bottom}};
  for (const auto& [name, how] : ways)
    menu->addAction(add(name, {}, [this, how = how] { arranging_.lineUp(how); }));
  addLineUpTo(menu);
  menu->addSeparator();
  addSpreading(menu);
}

void PlaceBench::addLineUpTo(QMenu* menu) {
  auto* to = menu->addMenu(tr("Line up with"));
  auto* group = new QActionGroup(this);
  const std::pair<QString, LineUpTo> ways[] = {
      {tr("Line up with one another"), LineUpTo::Picked},
      {tr("Line up with the first picked"), LineUpTo::First},
      {tr("Line up with what holds it"), LineUpTo::Holder},
      {tr("Line up with the safe area"), LineUpTo::Safe}};
  for (const auto& [name, which] : ways) {
    QAction* action = add(name, {}, [this, which = which] { arranging_.setTo(which); });
    action->setCheckable(true);
    group->addAction(action);
    to->addAction(action);
  }
  connect(to, &QMenu::aboutToShow, this,
          [this, group] { group->actions()[static_cast<int>(arranging_.to())]->setChecked(true); });
}

void PlaceBench::addSpreading(QMenu* menu) {
  const auto spread = [this](bool horizontal, Spread how) {
    return [this, horizontal, how] { arranging_.spread(horizontal, how); };
  };
  menu->addAction(add(tr("Even gaps across"), {}, spread(true, Spread::Gaps)));
  menu->addAction(add(tr("Even gaps down"), {}, spread(false, Spread::Gaps)));
  menu->addAction(add(tr("Spread centres across"), {}, spread(true, Spread::Centres)));
  menu->addAction(add(tr("Spread centres down"), {}, spread(false, Spread::Centres)));
  menu->addSeparator();
  menu->addAction(
      add(tr("As wide as the first picked"), {}, [this] { arranging_.even(true, false); }));
  menu->addAction(
      add(tr("As high as the first picked"), {}, [this] { arranging_.even(false, true); }));
  menu->addAction(
      add(tr("As large as the first picked"), {}, [this] { arranging_.even(true, true); }));
}

void PlaceBench::addViewing() {
  constexpr double kStep = 1.25;
  QMenu* menu = zoom_->menu();
  menu->addAction(add(
      tr("Zoom in"), QKeySequence::ZoomIn, [this] { canvas_->zoomBy(kStep); }, kFromCard));
  menu->addAction(add(
      tr("Zoom out"), QKeySequence::ZoomOut, [this] { canvas_->zoomBy(1 / kStep); }, kFromCard));
  menu->addAction(add(
      tr("Fit the screen into view"), QKeySequence(Qt::CTRL | Qt::Key_0),
      [this] { canvas_->fit(); }, kFromCard));
  menu->addAction(add(
      tr("True size"), QKeySequence(Qt::CTRL | Qt::Key_1), [this] { canvas_->showTrueSize(); },
      kFromCard));
}

void PlaceBench::addAids() {
  QAction* tree = add(
      tr("Show tree"), QKeySequence(Qt::CTRL | Qt::Key_T),
      [this] { tree_->setVisible(tree_->isHidden()); }, KeysWork::InWindow);
  tree->setCheckable(true);
  show_->menu()->addAction(tree);
  connect(show_->menu(), &QMenu::aboutToShow, tree,
          [this, tree] { tree->setChecked(!tree_->isHidden()); });
  const auto toggle = [this](const QString& name, const QKeySequence& keys,
                             bool Canvas::Aids::*which) {
    QAction* action = add(
        name, keys,
        [this, which] {
          Canvas::Aids aids = canvas_->aids();
          aids.*which = !(aids.*which);
          canvas_->setAids(aids);
        },
        kFromCard);
    action->setCheckable(true);
    show_->menu()->addAction(action);
    connect(show_->menu(), &QMenu::aboutToShow, action,
            [this, action, which] { action->setChecked(canvas_->aids().*which); });
  };
  toggle(tr("Show rulers"), QKeySequence(Qt::CTRL | Qt::Key_R), &Canvas::Aids::rulers);
  toggle(tr("Show grid"), QKeySequence(Qt::CTRL | Qt::Key_QuoteLeft), &Canvas::Aids::grid);
  toggle(tr("Show guides"), {}, &Canvas::Aids::guides);
  toggle(tr("Show hit areas"), QKeySequence(Qt::CTRL | Qt::Key_H), &Canvas::Aids::hitAreas);
  toggle(tr("Show routes"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_R), &Canvas::Aids::routes);
  toggle(tr("Snap while dragging"), {}, &Canvas::Aids::snaps);
}

}  // namespace bristle
