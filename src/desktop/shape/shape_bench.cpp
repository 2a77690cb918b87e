#include "desktop/shape/shape_bench.h"

#include <QSettings>

#include <QDragEnterEvent>
#include <QHBoxLayout>
#include <QMimeData>
#include <QPushButton>
#include <QToolButton>
#include <QVBoxLayout>

#include "core/edit/kind_edits.h"
#include "desktop/shape/carry_page.h"
#include "desktop/shape/cells.h"
#include "desktop/shape/cut_page.h"
#include "desktop/shape/ledger.h"
#include "desktop/shape/library_page.h"
#include "desktop/shape/named_page.h"
#include "desktop/shape/picture_kinds.h"
#include "desktop/shape/readings.h"
#include "desktop/shape/shape_card.h"
#include "desktop/shape/tile_view.h"
#include "desktop/shape/value_section.h"
#include "desktop/shape/wall.h"
#include "desktop/view/bench_head.h"
#include "desktop/view/empty_page.h"
#include "desktop/view/form.h"
#include "desktop/view/page.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

ShapeBench::ShapeBench(Work& work, QWidget* parent) : Bench(parent), work_(work) {
  setAcceptDrops(true);
  view_ = new TileView(work, this);
  auto* readings = new Readings(work, *view_, this);
  const auto [column, head, title, about] = makeHead(this);
  title_ = title;
  about_ = about;
  head->setContentsMargins(16, 6, 12, 6);
  tools_ = new QHBoxLayout;
  tools_->setSpacing(0);
  head->addLayout(tools_);
  pages_ = new QStackedWidget;
  ledger_ = new Ledger(work, *view_, *readings);
  pages_->addWidget(ledger_);
  pages_->addWidget(
      new EmptyPage(tr("A kind is a button design: made once, placed many times."),
                    {{tr("Choose a ready-made kind"), [this] { openPage<LibraryPage>(); }},
                     {tr("New kind from “menu button”"),
                      [this] { work_.perform(addKind("Menu entry", Wins::Hover)); }}}));
  column->addWidget(pages_, 1);
  makeCards(*readings);
  addKindCommands();
  const auto& all = work.commands().of(this);
  const auto first = std::ssize(all);
  addCellCommands();
  addViewCommands();
  wallCommands_.assign(all.begin() + first, all.end());
  new WhileSeen(work, this, [this] { refresh(); });
  refresh();
}

void ShapeBench::keepState(QSettings& settings) const {
  settings.setValue(QStringLiteral("shape/wall"), ledger_->wall().chosenHeight());
}

void ShapeBench::restoreState(const QSettings& settings) {
  ledger_->wall().setChosenHeight(settings.value(QStringLiteral("shape/wall")).toInt());
}

void ShapeBench::enter() {
  view_->enter();
  if (!work_.kind()) pages_->currentWidget()->setFocus();
}

void ShapeBench::makeCards(Readings& readings) {
  cards_ = new QWidget;
  auto* both = new QVBoxLayout(cards_);
  both->setContentsMargins(0, 0, 0, 0);
  card_ = new ShapeCard(work_, readings);
  both->addWidget(card_);
  pageCard_ = new QWidget;
  auto* column = new QVBoxLayout(pageCard_);
  column->setContentsMargins(0, 0, 0, 0);
  auto* form = new Form;
  pageName_ = form->heading(QString());
  pagePurpose_ = form->note(QString());
  form->button(tr("Leave the page"), [this] { closePage(); });
  column->addWidget(form);
  column->addStretch();
  both->addWidget(pageCard_);
  pageCard_->hide();
}

// Not a stack, which would be as tall as the taller of the two.
void ShapeBench::turnCard(bool toPage) {
  card_->setVisible(!toPage);
  pageCard_->setVisible(toPage);
}

QWidget* ShapeBench::card() {
  return cards_;
}

void ShapeBench::dragEnterEvent(QDragEnterEvent* event) {
  if (event->mimeData()->hasUrls()) event->acceptProposedAction();
}

void ShapeBench::dropEvent(QDropEvent* event) {
  QStringList paths;
  for (const QUrl& url : event->mimeData()->urls())
    if (url.isLocalFile()) paths << url.toLocalFile();
  if (kindsFromFiles(work_, paths)) event->acceptProposedAction();
}

template <class OnePage>
void ShapeBench::openPage() {
  closePage();
  auto* page = new OnePage(work_, this);
  page_ = page;
  // What the wall's card and keys would change is out of sight.
  for (QAction* action : wallCommands_) action->setEnabled(false);
  pageName_->setText(page->accessibleName().toUpper());
  pagePurpose_->setText(page->purpose());
  turnCard(true);
  pages_->addWidget(page);
  pages_->setCurrentWidget(page);
  connect(page, &Page::done, this, &ShapeBench::closePage);
  page->setFocus();
  refresh();
  Q_EMIT hintChanged();
}

void ShapeBench::showPlaceOf(const Finding&) {
  if (page_) closePage();
}

void ShapeBench::closePage() {
  if (page_) {
    pages_->removeWidget(page_);
    page_->deleteLater();
    page_ = nullptr;
    for (QAction* action : wallCommands_) action->setEnabled(true);
    turnCard(false);
    ledger_->setFocus();
  }
  refresh();
  Q_EMIT hintChanged();
}

QAction* ShapeBench::add(const QString& name, const QKeySequence& keys, std::function<void()> run) {
  return work_.commands().add(this, name, keys, std::move(run), KeysWork::InWindow);
}

void ShapeBench::addKindCommands() {
  add(tr("Ready-made kinds and libraries"), QKeySequence(Qt::CTRL | Qt::Key_K),
      [this] { openPage<LibraryPage>(); });
  add(tr("Named values"), QKeySequence(Qt::CTRL | Qt::Key_D), [this] { openPage<NamedPage>(); });
  add(tr("Carry over to other kinds"), QKeySequence(Qt::CTRL | Qt::Key_R), [this] {
    if (work_.kind()) openPage<CarryPage>();
  });
  add(tr("Cut buttons from a flat picture"), {}, [this] { openPage<CutPage>(); });
  add(tr("New kinds from pictures…"), {}, [this] { kindsFromFilesAsked(work_, this); });
  add(tr("Duplicate kind"), {}, [this] {
    if (work_.kind()) work_.perform(duplicateKind(work_.kind()->id));
  });
  add(tr("Remove kind"), {}, [this] {
    if (work_.kind()) work_.perform(removeKind(work_.kind()->id));
  });
}

void ShapeBench::addCellCommands() {
  add(tr("Edits go to the next state"), QKeySequence(Qt::ALT | Qt::Key_Right),
      [this] { card_->step(1); });
  add(tr("Edits go to the state before"), QKeySequence(Qt::ALT | Qt::Key_Left),
      [this] { card_->step(-1); });
  add(tr("Back to the base"), {}, [this] { clearCells(work_); });
  add(tr("Copy the state’s look"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_C), [this] {
    copiedState_ = work_.picked().columns.back();
    work_.tell(tr("The look is copied; Ctrl+Shift+V puts it into the picked states"));
  });
  add(tr("Paste the look into the picked states"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_V),
      [this] {
        if (copiedState_ && work_.kind())
          work_.perform(copyColumn(work_.lookOwner(), *copiedState_, work_.picked().columns));
      });
  add(tr("Swap text and background colours"), {}, [this] {
    if (work_.kind()) work_.perform(swapTextAndFill(work_.kind()->id, work_.picked().columns));
  });
  add(tr("Nudge the caption’s contrast"), {}, [this] { card_->value().nudge(); });
  add(tr("Copy the part"), {}, [this] {
    if (work_.kind()) copiedPart_ = copyOfPart(*work_.kind(), work_.picked().property.part);
  });
  add(tr("Paste the part"), {}, [this] {
    if (work_.kind() && copiedPart_) work_.perform(pastePart(work_.kind()->id, *copiedPart_));
  });
  add(tr("All properties of the part"), QKeySequence(Qt::CTRL | Qt::Key_M),
      [this] { ledger_->toggleFold(); });
}

void ShapeBench::addViewCommands() {
  const auto tool = [this](const QString& text, QAction* action) {
    auto* button = new QToolButton;
    button->setText(text);
    button->setAccessibleName(action->text());
    button->setToolTip(action->text() + QStringLiteral("  ") +
                       action->shortcut().toString(QKeySequence::NativeText));
    button->setProperty("plain", true);
    button->setFocusPolicy(Qt::StrongFocus);
    connect(button, &QToolButton::clicked, action, &QAction::trigger);
    tools_->addWidget(button);
    return button;
  };
  auto* backdrop = add(tr("Next backdrop"), QKeySequence(Qt::CTRL | Qt::Key_B), [this] {
    view_->setBackdrop(static_cast<Backdrop>((int(view_->backdrop()) + 1) % 3));
  });
  auto* alone = add(tr("One state alone, large"), QKeySequence(Qt::CTRL | Qt::Key_L),
                    [this] { view_->setAlone(!view_->alone()); });
  auto* signal = add(tr("Signal colours"), QKeySequence(Qt::CTRL | Qt::Key_G),
                     [this] { view_->setSignals(!work_.looks().signalsOn()); });
  auto* real = add(tr("True size"), QKeySequence(Qt::CTRL | Qt::Key_T),
                   [this] { view_->setTrueSize(!view_->trueSize()); });
  auto* hits = add(tr("Show hit areas"), QKeySequence(Qt::CTRL | Qt::Key_H),
                   [this] { view_->setHitAreas(!view_->hitAreas()); });
  auto* button = tool(QString(), backdrop);
  const auto show = [this, button] {
    const QString names[] = {tr("neutral"), tr("checker"), tr("screen")};
    button->setText(tr("backdrop: %1").arg(names[int(view_->backdrop())]));
  };
  show();
  connect(view_, &TileView::changed, button, show);
  const auto onOff = [this, tool](const QString& text, QAction* action, auto isOn) {
    auto* b = tool(text, action);
    b->setCheckable(true);
    b->setProperty("plain", true);
    connect(view_, &TileView::changed, b, [b, isOn] { b->setChecked(isOn()); });
  };
  onOff(tr("alone"), alone, [this] { return view_->alone(); });
  onOff(tr("true size"), real, [this] { return view_->trueSize(); });
  onOff(tr("signals"), signal, [this] { return work_.looks().signalsOn(); });
  onOff(tr("hit areas"), hits, [this] { return view_->hitAreas(); });
}

void ShapeBench::refresh() {
  const Kind* kind = work_.kind();
  if (!page_) turnTo(pages_, kind ? 0 : 1);
  title_->setVisible(!page_);  // a page has a title of its own
  about_->setVisible(!page_);
  title_->setText(kind ? toQt(kind->name) : tr("No kind yet"));
  int placed = 0;
  if (kind)
    for (const auto& screen : work_.project().screens)
      for (const auto& item : screen->items)
        placed += item->button() && item->button()->kind == kind->id;
  about_->setText(kind ? tr("%1 × %2 px · %3 placed").arg(kind->width).arg(kind->height).arg(placed)
                       : QString());
  const bool ledger = pages_->currentIndex() == 0;
  for (int i = 0; i < tools_->count(); ++i) tools_->itemAt(i)->widget()->setVisible(ledger);
}

QString ShapeBench::hint() const {
  if (page_) return tr("%1 · Esc goes back to the wall").arg(page_->accessibleName());
  if (!work_.kind()) return tr("A menu needs at least one kind of button");
  return tr(
      "Shift on a tile picks more states · Alt+drag carries a value sideways · drag a name to "
      "scrub · Del falls back");
}

}  // namespace bristle
