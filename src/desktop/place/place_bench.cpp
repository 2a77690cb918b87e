#include "desktop/place/place_bench.h"

#include <QApplication>
#include <QHBoxLayout>
#include <QMenu>
#include <QToolButton>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "core/edit/button_edits.h"
#include "core/edit/screen_edits.h"
#include "desktop/place/canvas.h"
#include "desktop/place/display_strip.h"
#include "desktop/place/item_form.h"
#include "desktop/place/language_form.h"
#include "desktop/place/screen_form.h"
#include "desktop/place/series_form.h"
#include "desktop/view/bench_head.h"
#include "desktop/view/empty_page.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

PlaceBench::PlaceBench(Work& work, QWidget* parent) : Bench(parent), work_(work) {
  build();
  buildCard();
  addCommands();
  addCommandsOfThePicked();
  addArranging();
  addLiningUp();
  new WhileSeen(work, this, [this] { refresh(); });
  connect(canvas_, &Canvas::wantsCaption, itemForm_, &ItemForm::editCaption);
  refresh();
}

void PlaceBench::build() {
  const auto [column, head, title, about] = makeHead(this);
  title_ = title;
  about_ = about;
  auto* line = new QToolButton;
  line->setText(tr("Line up"));
  line->setAccessibleName(tr("Line up what is picked"));
  line->setProperty("popup", true);
  line->setFocusPolicy(Qt::StrongFocus);
  line->setPopupMode(QToolButton::InstantPopup);
  line->setObjectName(QStringLiteral("lineUp"));
  head->addWidget(line);
  pages_ = new QStackedWidget;
  auto* page = new QWidget;
  page->setFocusProxy(canvas_ = new Canvas(work_));
  auto* inner = new QVBoxLayout(page);
  inner->setContentsMargins(0, 0, 0, 0);
  inner->setSpacing(0);
  inner->addWidget(canvas_, 1);
  inner->addWidget(new DisplayStrip(work_));
  pages_->addWidget(page);
  pages_->addWidget(new EmptyPage(tr("A screen holds buttons; focus goes from one to the other."),
                                  {{tr("New screen"), [this] { newScreen(); }}}));
  column->addWidget(pages_, 1);
}

void PlaceBench::buildCard() {
  card_ = new QWidget;
  auto* column = new QVBoxLayout(card_);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(0);
  forms_ = new QStackedWidget;
  auto* screenPage = new QWidget;
  auto* inner = new QVBoxLayout(screenPage);
  inner->setContentsMargins(0, 0, 0, 0);
  series_ = new SeriesForm(work_);
  inner->addWidget(series_);
  inner->addWidget(new ScreenForm(work_));
  inner->addWidget(new LanguageForm(work_));
  inner->addStretch();
  auto* itemPage = new QWidget;
  auto* itemColumn = new QVBoxLayout(itemPage);
  itemColumn->setContentsMargins(0, 0, 0, 0);
  itemForm_ = new ItemForm(work_);
  itemColumn->addWidget(itemForm_);
  itemColumn->addStretch();
  forms_->addWidget(screenPage);
  forms_->addWidget(itemPage);
  column->addWidget(forms_);
  column->addStretch();
}

QAction* PlaceBench::add(const QString& name, const QKeySequence& keys, std::function<void()> run,
                         KeysWork where) {
  return work_.commands().add(this, name, keys, std::move(run), where);
}

void PlaceBench::addCommands() {
  add(tr("New screen"), {}, [this] { newScreen(); });
  add(tr("Remove screen"), {}, [this] {
    if (work_.screen()) work_.perform(removeScreen(work_.screen()->id));
  });
  add(
      tr("Add buttons from captions"), QKeySequence(Qt::Key_Insert),
      [this] {
        work_.pickItems({});
        series_->begin();
      },
      KeysWork::InWindow);  // from shelf and card, too: it harms nothing
  const auto addDecor = [this](const char* name, auto what) {
    if (!work_.screen()) return;
    Item item;
    item.place = {{Pin::Start, 120, 480, 0}, {Pin::Start, 120, 320, 0}};
    item.what = std::move(what);
    work_.perform(addItem(work_.screen()->id, name, std::move(item)));
  };
  add(tr("Add panel"), {}, [=] {
    addDecor("add panel", PanelData{Fill::solid({30, 36, 38, 200}), 12});
  });
  add(tr("Add picture"), {}, [=] { addDecor("add picture", PictureData{}); });
}

void PlaceBench::addCommandsOfThePicked() {
  add(tr("Make a button of the picked panel or picture"), QKeySequence(Qt::CTRL | Qt::Key_B),
      [this] {
        if (work_.screen() && work_.item() &&
            work_.perform(buttonFrom(work_.screen()->id, work_.item()->id)))
          work_.pickKind(work_.project().kinds.back()->id);
      });
  add(tr("Remove what is picked"), QKeySequence(Qt::Key_Delete), [this] {
    if (work_.screen() && work_.item())
      work_.perform(removeItems(work_.screen()->id, work_.picked().items));
  });
  add(tr("Duplicate what is picked"), QKeySequence(Qt::CTRL | Qt::Key_D), [this] {
    if (work_.screen() && work_.item())
      work_.perform(duplicateItems(work_.screen()->id, work_.picked().items));
  });
  add(tr("Show hit areas"), QKeySequence(Qt::CTRL | Qt::Key_H),
      [this] { canvas_->showHitAreas(!canvas_->hitAreasShown()); });
  add(tr("Pick all buttons"), QKeySequence(Qt::CTRL | Qt::Key_A), [this] {
    std::vector<ItemId> all;
    if (work_.screen())
      for (const auto& item : work_.screen()->items)
        if (item->button()) all.push_back(item->id);
    work_.pickItems(all);
  });
  add(tr("Start focus on the picked button"), {}, [this] {
    if (work_.item() && work_.item()->button())
      work_.perform(setEntry(work_.screen()->id, work_.item()->id));
  });
}

void PlaceBench::addArranging() {
  const auto put = [this](Flow flow) {
    std::vector<ItemId> loose;
    double x = HUGE_VAL, y = HUGE_VAL;
    const Screen* screen = work_.screen();
    for (size_t i = 0; screen && i < screen->items.size(); ++i) {
      const Item& item = *screen->items[i];
      if (!work_.isPicked(item.id) || item.parent || !item.button()) continue;
      loose.push_back(item.id);
      x = std::min(x, work_.layout().items[i].box.x);
      y = std::min(y, work_.layout().items[i].box.y);
    }
    if (loose.size() < 2)
      return work_.tell(tr("Pick two or more buttons that are in no container yet"), true);
    work_.perform(gather(screen->id, std::move(loose), flow, x, y));
  };
  add(tr("Put what is picked into a column"), {}, [put] { put(Flow::Column); });
  add(tr("Put what is picked into a row"), {}, [put] { put(Flow::Row); });
  add(tr("Put what is picked into a grid"), {}, [put] { put(Flow::Grid); });
  add(tr("Put what is picked into a ring"), {}, [put] { put(Flow::Ring); });
  const auto order = [this](int by) {
    if (work_.item()) work_.perform(reorder(work_.screen()->id, work_.item()->id, by));
  };
  add(tr("Earlier in its column, or further back"), QKeySequence(Qt::CTRL | Qt::Key_PageUp),
      [order] { order(-1); });
  add(tr("Later in its column, or further to the front"), QKeySequence(Qt::CTRL | Qt::Key_PageDown),
      [order] { order(1); });
}

void PlaceBench::addLiningUp() {
  auto* menu = new QMenu(this);
  const std::pair<QString, Alignment> ways[] = {{tr("Line up left edges"), Alignment::Left},
                                                {tr("Line up centres"), Alignment::Centre},
                                                {tr("Line up right edges"), Alignment::Right},
                                                {tr("Line up top edges"), Alignment::Top},
                                                {tr("Line up middles"), Alignment::Middle},
                                                {tr("Line up bottom edges"), Alignment::Bottom}};
  for (const auto& [name, how] : ways)
    menu->addAction(add(name, {}, [this, how = how] { canvas_->align(how); }));
  findChild<QToolButton*>(QStringLiteral("lineUp"))->setMenu(menu);
}

void PlaceBench::enter() {
  if (!work_.screen()) pages_->currentWidget()->setFocus();
}

void PlaceBench::newScreen() {
  if (!work_.perform(addScreen("Screen"))) return;
  work_.pickScreen(work_.project().screens.back()->id);
}

void PlaceBench::refresh() {
  const Screen* screen = work_.screen();
  turnTo(pages_, screen ? 0 : 1);
  // Focus that was in the form which goes away goes to the canvas, not to whatever comes next.
  const int page = work_.item() ? 1 : 0;
  const QWidget* now = QApplication::focusWidget();
  if (page != forms_->currentIndex() && now && forms_->isAncestorOf(now)) canvas_->setFocus();
  forms_->setCurrentIndex(page);
  forms_->setVisible(screen != nullptr);
  title_->setText(screen ? toQt(screen->name) : tr("No screen yet"));
  findChild<QToolButton*>(QStringLiteral("lineUp"))->setVisible(screen != nullptr);
  const Display* d = work_.display();
  about_->setText(screen && d ? tr("%1 · %2 × %3").arg(toQt(d->name)).arg(d->width).arg(d->height)
                              : QString());
}

QString PlaceBench::hint() const {
  const Screen* screen = work_.screen();
  if (!screen) return tr("A menu needs at least one screen");
  if (screen->items.empty()) return tr("Type captions at the right, then lay down a column");
  return tr("Drag to move, arrows nudge (Shift: 10 px), Shift-click picks more");
}

}  // namespace bristle
