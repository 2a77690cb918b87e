#include "desktop/place/place_bench.h"

#include <QApplication>
#include <QSettings>
#include <QVBoxLayout>
#include <cmath>

#include "core/edit/screen_edits.h"
#include "desktop/place/canvas.h"
#include "desktop/place/canvas_form.h"
#include "desktop/place/display_form.h"
#include "desktop/place/item_form.h"
#include "desktop/place/language_form.h"
#include "desktop/place/place_marks.h"
#include "desktop/place/placing.h"
#include "desktop/place/screen_form.h"
#include "desktop/place/series_form.h"
#include "desktop/place/several_form.h"
#include "desktop/place/tree_panel.h"
#include "desktop/place/words_page.h"
#include "desktop/view/bench_head.h"
#include "desktop/view/card_stack.h"
#include "desktop/view/display_strip.h"
#include "desktop/view/empty_page.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

PlaceBench::PlaceBench(Work& work, QWidget* parent)
    : Bench(parent), work_(work), arranging_(work), watch_(this) {
  build();
  buildCard();
  addCommands();
  new WhileSeen(work, this, [this] {
    watch_.look(work_.project(), work_.picked().screen);
    refresh();
  });
  connect(canvas_, &Canvas::wantsCaption, itemForm_, &ItemForm::editCaption);
  connect(&work, &Work::groupChosen, this, [this](const GroupId& group) {
    if (isVisible()) placeGroupBesidePicked(work_, group, canvas_->middle());
  });
  connect(&work, &Work::kindChosen, this, [this](const KindId& kind) {
    if (isVisible() && work_.screen()) placeBesidePicked(work_, kind, canvas_->middle());
  });
  connect(canvas_, &Canvas::viewChanged, this, &PlaceBench::refreshZoom);
  refresh();
}

void PlaceBench::build() {
  const auto [column, head, title, about] = makeHead(this);
  title_ = title;
  about_ = about;
  lineUp_ = tool(head, tr("Line up"), tr("Line up what is picked"));
  show_ = tool(head, tr("Show"), tr("Show rulers, grid, guides, hit areas and routes"));
  zoom_ = tool(head, QString(), tr("Zoom"));
  zoom_->setMinimumWidth(72);
  pages_ = new QStackedWidget;
  auto* page = new QWidget;
  canvas_ = new Canvas(work_, watch_);
  auto* inner = new QVBoxLayout(page);
  inner->setContentsMargins(0, 0, 0, 0);
  inner->setSpacing(0);
  auto* middle = new QHBoxLayout;
  middle->setSpacing(0);
  middle->addWidget(tree_ = new TreePanel(work_));
  middle->addWidget(canvas_, 1);
  tree_->hide();
  inner->addLayout(middle, 1);
  inner->addWidget(new DisplayStrip(work_, *new PlaceMarks(work_, watch_, this)));
  page->setFocusProxy(canvas_);
  pages_->addWidget(page);
  pages_->addWidget(new EmptyPage(tr("A screen holds buttons; focus goes from one to the other."),
                                  {{tr("New screen"), [this] { newScreen(); }}}));
  column->addWidget(pages_, 1);
}

QToolButton* PlaceBench::tool(QHBoxLayout* head, const QString& text, const QString& name) {
  auto* out = new QToolButton;
  out->setText(text);
  out->setAccessibleName(name);
  out->setProperty("popup", true);
  out->setFocusPolicy(Qt::StrongFocus);
  out->setPopupMode(QToolButton::InstantPopup);
  out->setMenu(new QMenu(this));
  head->addWidget(out);
  return out;
}

void PlaceBench::buildCard() {
  card_ = new QWidget;
  auto* column = new QVBoxLayout(card_);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(0);
  forms_ = new CardStack;
  auto* screenPage = new QWidget;
  auto* inner = new QVBoxLayout(screenPage);
  inner->setContentsMargins(0, 0, 0, 0);
  series_ = new SeriesForm(work_);
  inner->addWidget(series_);
  inner->addWidget(new ScreenForm(work_));
  inner->addWidget(new CanvasForm(work_));
  inner->addWidget(displays_ = new DisplayForm(work_));
  inner->addWidget(languages_ = new LanguageForm(work_));
  connect(languages_, &LanguageForm::wantsWords, this, &PlaceBench::openWords);
  inner->addStretch(1);
  auto* itemPage = new QWidget;
  auto* itemColumn = new QVBoxLayout(itemPage);
  itemColumn->setContentsMargins(0, 0, 0, 0);
  itemForm_ = new ItemForm(work_, watch_);
  itemColumn->addWidget(itemForm_);
  connect(itemForm_, &ItemForm::goesOn, this, [this] { canvas_->setFocus(); });
  itemColumn->addWidget(seriesInto_ = new SeriesForm(work_));
  itemColumn->addWidget(several_ = new SeveralForm(arranging_));
  itemColumn->addStretch(1);
  forms_->addCard(screenPage);
  forms_->addCard(itemPage);
  column->addWidget(forms_);
  column->addStretch(1);
}

void PlaceBench::enter() {
  if (!work_.screen()) pages_->currentWidget()->setFocus();
}

void PlaceBench::refreshZoom() {
  zoom_->setText(canvas_->fits() ? tr("fits, %1 %").arg(std::round(canvas_->zoom() * 100))
                                 : tr("%1 %").arg(std::round(canvas_->zoom() * 100)));
}

void PlaceBench::keepState(QSettings& settings) const {
  const Canvas::Aids& aids = canvas_->aids();
  settings.setValue(QStringLiteral("place/rulers"), aids.rulers);
  settings.setValue(QStringLiteral("place/grid"), aids.grid);
  settings.setValue(QStringLiteral("place/guides"), aids.guides);
  settings.setValue(QStringLiteral("place/snaps"), aids.snaps);
  settings.setValue(QStringLiteral("place/routes"), aids.routes);
  settings.setValue(QStringLiteral("place/tree"), !tree_->isHidden());
  settings.setValue(QStringLiteral("place/lineUpTo"), static_cast<int>(arranging_.to()));
}

void PlaceBench::restoreState(const QSettings& settings) {
  Canvas::Aids aids = canvas_->aids();
  const auto read = [&](const char* key, bool& to) {
    to = settings.value(QLatin1String(key), to).toBool();
  };
  read("place/rulers", aids.rulers);
  read("place/grid", aids.grid);
  read("place/guides", aids.guides);
  read("place/snaps", aids.snaps);
  read("place/routes", aids.routes);
  canvas_->setAids(aids);
  tree_->setVisible(settings.value(QStringLiteral("place/tree")).toBool());
  const int to = settings.value(QStringLiteral("place/lineUpTo")).toInt();
  if (to >= 0 && to <= static_cast<int>(LineUpTo::Safe))
    arranging_.setTo(static_cast<LineUpTo>(to));
}

void PlaceBench::openWords() {
  if (words_) return words_->setFocus();
  words_ = new WordsPage(work_, this);
  pages_->addWidget(words_);
  pages_->setCurrentWidget(words_);
  connect(words_, &Page::done, this, &PlaceBench::closeWords);
  enableCommands(false);
  refresh();
  words_->setFocus();
}

// While the canvas is out of sight, its keys must not change what is on it.
void PlaceBench::enableCommands(bool on) {
  for (QAction* action : work_.commands().of(this)) action->setEnabled(on);
}

void PlaceBench::closeWords() {
  if (!words_) return;
  pages_->removeWidget(words_);
  words_->deleteLater();
  words_ = nullptr;
  enableCommands(true);
  refresh();
  pages_->currentWidget()->setFocus();
}

void PlaceBench::showPlaceOf(const Finding&) {
  closeWords();
}

QWidget* PlaceBench::workplace() {
  return canvas_;
}

void PlaceBench::newScreen() {
  if (!work_.perform(addScreen("Screen"))) return;
  work_.pickScreen(work_.project().screens.back()->id);
}

void PlaceBench::refresh() {
  const Screen* screen = work_.screen();
  if (!words_) turnTo(pages_, screen ? 0 : 1);
  // Focus that was in the form which goes away goes to the canvas, not to whatever comes next.
  const int page = work_.item() ? 1 : 0;
  const QWidget* now = QApplication::focusWidget();
  if (page != forms_->chosen() && now && forms_->isAncestorOf(now)) canvas_->setFocus();
  forms_->choose(page);
  // The page out of sight takes no room.
  forms_->setVisible(screen != nullptr);
  title_->setText(screen ? toQt(screen->name) : tr("No screen yet"));
  for (QToolButton* tool : {lineUp_, show_, zoom_}) tool->setVisible(screen != nullptr && !words_);
  several_->refresh();
  seriesInto_->setVisible(work_.item() && work_.item()->container());
  refreshZoom();
  const Display* d = work_.display();
  about_->setText(screen && d ? tr("%1 · %2 × %3").arg(toQt(d->name)).arg(d->width).arg(d->height)
                              : QString());
}

QString PlaceBench::hint() const {
  const Screen* screen = work_.screen();
  if (!screen) return tr("A menu needs at least one screen");
  if (screen->items.empty()) return tr("Type captions at the right, then lay down a column");
  if (work_.picked().items.empty())
    return tr("Drag a frame to pick, Ctrl+wheel zooms, space-drag moves the view");
  return tr("Drag to move, with Ctrl a copy, with Alt without snapping; arrows nudge");
}

}  // namespace bristle
