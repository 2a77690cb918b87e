#include "desktop/frame/window.h"

#include <QApplication>
#include <QButtonGroup>
#include <QCloseEvent>
#include <QHBoxLayout>
#include <QMenu>
#include <QPointer>
#include <QPushButton>
#include <QScrollArea>
#include <QStyle>
#include <QToolButton>
#include <QVBoxLayout>

#include "desktop/derive/findings_watch.h"
#include "desktop/frame/autosave.h"
#include "desktop/frame/finder.h"
#include "desktop/frame/recovery_page.h"
#include "desktop/shelf/shelf.h"
#include "desktop/view/counted.h"
#include "desktop/work/finding_place.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

// Resources of a static library must be asked for; the macro wants to stand outside namespaces.
static void useIcons() {
  Q_INIT_RESOURCE(icons);
}

namespace bristle {
namespace {

constexpr int kShelfWidth = 196, kCardWidth = 268;
constexpr int kAroundFocus = 24;  // px to be seen above and below the field in hand

QWidget* lineOf(Qt::Orientation way) {
  auto* line = new QWidget;
  line->setObjectName(QStringLiteral("rule"));
  line->setAutoFillBackground(true);
  line->setBackgroundRole(QPalette::Mid);
  way == Qt::Vertical ? line->setFixedWidth(1) : line->setFixedHeight(1);
  return line;
}

QWidget* scrolling(QWidget* inside) {
  auto* area = new QScrollArea;
  area->setWidget(inside);
  area->setWidgetResizable(true);
  area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  area->setFocusPolicy(Qt::NoFocus);
  // A command may send the focus to a field that is out of view, or only now shown.
  QObject::connect(qApp, &QApplication::focusChanged, area, [area](QWidget*, QWidget* now) {
    if (!now || !area->isAncestorOf(now)) return;
    const auto show = [area, field = QPointer(now)] {
      if (field && area->isAncestorOf(field)) area->ensureWidgetVisible(field, 0, kAroundFocus);
    };
    QMetaObject::invokeMethod(area, show, Qt::QueuedConnection);
  });
  return area;
}

// Working off the style sheet anew is dear: only where something changed.
void markWrong(QWidget& label, bool wrong) {
  if (label.property("wrong").toBool() == wrong) return;
  label.setProperty("wrong", wrong);
  label.style()->unpolish(&label);
  label.style()->polish(&label);
}

}  // namespace

Window::Window(const std::vector<BenchInfo>& benches, const QString& settingsFile)
    : offered_(benches),
      settings_(settingsFile.isEmpty()
                    ? QSettings(QStringLiteral("bristle"), QStringLiteral("bristle")).fileName()
                    : settingsFile,
                QSettings::IniFormat) {
  useIcons();
  applyTheme(*this,
             settings_.value(QStringLiteral("dark")).toBool() ? Theme::darkOne() : Theme::light());
  files_ = new Files(work_, settings_, this);
  autosave_ = new Autosave(work_, *files_, unsavedFolder(), this);
  auto* all = new QWidget;
  auto* column = new QVBoxLayout(all);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(0);
  for (QWidget* part : {makeTop(), lineOf(Qt::Horizontal)}) column->addWidget(part);
  column->addWidget(makeMiddle(), 1);
  for (QWidget* part : {lineOf(Qt::Horizontal), makeBottom()}) column->addWidget(part);
  setCentralWidget(all);
  makeMenus();
  finder_ = new Finder(this);
  setMinimumSize(1100, 700);
  connect(&work_, &Work::changed, this, &Window::refresh);
  connect(&work_, &Work::historyChanged, this, &Window::refresh);
  connect(&work_, &Work::pickedChanged, this, [this] { say({}, false); });
  connect(&work_.findings(), &FindingsWatch::pickedChanged, this, [this] { say({}, false); });
  connect(&work_, &Work::told, this, &Window::say);
  connect(files_, &Files::pathChanged, this, &Window::refresh);
  connect(files_, &Files::pathChanged, this, [this] { say({}, false); });
  connect(&work_.findings(), &FindingsWatch::changed, this, &Window::showFindings);
  restoreState();
  refresh();
}

Window::~Window() {
  if (current_ >= 0) benches_[size_t(current_)]->leave();
  // Views ask the work while they go, so they go first.
  hide();
  delete takeCentralWidget();
}

QWidget* Window::makeTop() {
  auto* top = new QWidget;
  auto* row = new QHBoxLayout(top);
  row->setContentsMargins(16, 0, 12, 0);
  row->setSpacing(4);
  auto* mark = new QLabel;
  mark->setPixmap(QIcon(QStringLiteral(":/icons/bristle.svg")).pixmap(24, 24));
  menu_ = new QToolButton;
  menu_->setText(tr("Menu"));
  menu_->setAccessibleName(tr("Menu of all commands"));
  menu_->setToolTip(tr("F10"));
  menu_->setProperty("popup", true);
  menu_->setProperty("plain", true);
  menu_->setFocusPolicy(Qt::StrongFocus);
  menu_->setPopupMode(QToolButton::InstantPopup);
  name_ = new QLabel;
  QFont bold = name_->font();
  bold.setWeight(QFont::DemiBold);
  name_->setFont(bold);
  state_ = new QLabel;
  state_->setProperty("quiet", true);
  row->addWidget(mark);
  row->addWidget(menu_);
  row->addSpacing(4);
  row->addWidget(name_);
  row->addWidget(state_);
  row->addSpacing(24);
  makeTabs(*row);
  row->addStretch();
  const auto quiet = [&](const QString& name) {
    auto* button = new QPushButton;
    button->setProperty("plain", true);
    button->setAutoDefault(true);
    button->setAccessibleName(name);
    row->addWidget(button);
    return button;
  };
  undo_ = quiet(tr("Undo"));
  redo_ = quiet(tr("Redo"));
  connect(undo_, &QPushButton::clicked, &work_, &Work::undo);
  connect(redo_, &QPushButton::clicked, &work_, &Work::redo);
  auto* rehearse = new QPushButton(tr("Rehearse"));
  rehearse->setAccessibleName(tr("Rehearse the menu"));
  rehearse->setToolTip(tr("F5"));
  rehearse->setProperty("main", true);
  connect(rehearse, &QPushButton::clicked, this, [this] { rehearseOrBack(); });
  row->addSpacing(8);
  row->addWidget(rehearse);
  top->setFixedHeight(46);
  return top;
}

void Window::makeTabs(QHBoxLayout& row) {
  tabs_ = new QButtonGroup(this);
  for (const BenchInfo& info : offered_) {
    auto* tab = new QPushButton(info.name);
    tab->setCheckable(true);
    tab->setAutoDefault(true);  // Return works it, too
    tab->setProperty("tab", true);
    tab->setProperty("plain", true);
    tab->setAccessibleName(tr("Bench %1").arg(info.name));
    tab->setToolTip(tr("Alt+%1").arg(info.place));
    tabs_->addButton(tab, static_cast<int>(&info - offered_.data()));
    row.addWidget(tab);
  }
  connect(tabs_, &QButtonGroup::idClicked, this, &Window::showBench);
}

QWidget* Window::makeMiddle() {
  middle_ = new QWidget;
  auto* row = new QHBoxLayout(middle_);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(0);
  shelf_ = new Shelf(work_, this);
  shelf_->setFixedWidth(kShelfWidth);
  pages_ = new QStackedWidget;
  cards_ = new QStackedWidget;
  cards_->setFixedWidth(kCardWidth);
  row->addWidget(shelf_);
  row->addWidget(lineOf(Qt::Vertical));
  row->addWidget(pages_, 1);
  row->addWidget(lineOf(Qt::Vertical));
  row->addWidget(cards_);
  return middle_;
}

QWidget* Window::makeBottom() {
  auto* bottom = new QWidget;
  auto* row = new QHBoxLayout(bottom);
  row->setContentsMargins(16, 0, 16, 0);
  hint_ = new QLabel;
  hint_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
  findings_ = new QToolButton;
  findings_->setProperty("plain", true);
  findings_->setAccessibleName(tr("Findings"));
  connect(findings_, &QToolButton::clicked, this,
          [this] { openBench(QStringLiteral("findings")); });
  auto* finder = new QLabel(tr("Ctrl+J finds a command"));
  finder->setProperty("quiet", true);
  row->addWidget(hint_, 1);
  row->addWidget(findings_);
  row->addSpacing(16);
  row->addWidget(finder);
  bottom->setFixedHeight(28);
  return bottom;
}

// A bench is made when it is first needed: the window is there sooner, and what is not seen costs
// nothing.
Bench* Window::need(size_t index) {
  benches_.resize(offered_.size());
  Bench*& bench = benches_[index];
  if (bench) return bench;
  bench = offered_[index].make(work_, pages_);
  cardOf_[bench] = scrolling(bench->card());
  connect(bench, &Bench::hintChanged, this, [this] {
    if (hinting_) say({}, false);
  });
  bench->restoreState(settings_);
  connect(bench, &Bench::wantsBench, this,
          [this](const QString& id) { id.isEmpty() ? rehearseOrBack() : openBench(id); });
  connect(bench, &Bench::wantsFinding, this, &Window::toFinding);
  pages_->addWidget(bench);
  cards_->addWidget(cardOf_[bench]);
  return bench;
}

void Window::openBench(const QString& id) {
  for (size_t i = 0; i < offered_.size(); ++i)
    if (id == QLatin1String(offered_[i].id)) showBench(static_cast<int>(i));
}

void Window::rehearseOrBack() {
  const QString rehearse = QStringLiteral("rehearse");
  const QString now = current_ < 0 ? QString() : QString::fromLatin1(offered_[size_t(current_)].id);
  if (now == rehearse) return openBench(cameFrom_);
  cameFrom_ = now;
  openBench(rehearse);
}

Bench* Window::bench(const QString& id) {
  for (size_t i = 0; i < offered_.size(); ++i)
    if (id == QLatin1String(offered_[i].id)) return need(i);
  return nullptr;
}

void Window::showBench(int index) {
  if (index < 0 || size_t(index) >= offered_.size()) return;
  Bench* bench = need(size_t(index));
  const QWidget* focus = focusWidget();
  bool leaves = false;  // with what had the focus
  if (current_ >= 0 && current_ != index) {
    Bench* old = benches_[size_t(current_)];
    leaves = focus && (old->isAncestorOf(focus) || cardOf_[old]->isAncestorOf(focus));
    old->leave();
    // Left to itself it would go to whatever comes next, and pick something there.
    if (leaves) tabs_->button(index)->setFocus();
  }
  work_.seal();
  current_ = index;
  tabs_->button(index)->setChecked(true);
  pages_->setCurrentWidget(bench);
  cards_->setVisible(!settings_.value(QStringLiteral("fold/card")).toBool());
  cards_->setCurrentWidget(cardOf_[bench]);
  benchMenu_->clear();
  for (QAction* action : work_.commands().of(bench)) benchMenu_->addAction(action);
  benchMenu_->setEnabled(!benchMenu_->isEmpty());
  say({}, false);
  if (leaves) focusInto(bench);
  bench->enter();
}

// To where one was in it; for the first time to what is worked on there.
void Window::focusInto(QWidget* area) {
  const auto last = lastIn_.find(area);
  auto* bench = qobject_cast<Bench*>(area);
  for (QWidget* to : {last == lastIn_.end() ? nullptr : last->second.data(),
                      bench ? bench->workplace() : nullptr})
    if (to && area->isAncestorOf(to) && to->isVisible() && to->isEnabled()) return to->setFocus();
  for (QWidget* child : area->findChildren<QWidget*>())
    if (child->focusPolicy() & Qt::TabFocus && child->isVisible() && child->isEnabled())
      return child->setFocus();
}

// From the running menu or the canvas to the card, the shelf, and back: for keys that a bench keeps
// to itself.
void Window::nextArea() {
  QWidget* const areas[] = {pages_->currentWidget(), cards_->currentWidget(), shelf_};
  QWidget* now = focusWidget();
  size_t at = 2;
  for (size_t i = 0; i < 3; ++i)
    if (now && (areas[i] == now || areas[i]->isAncestorOf(now))) {
      at = i;
      lastIn_[areas[i]] = now;
    }
  focusInto(areas[(at + 1) % 3]);
}

void Window::refresh() {
  name_->setText(toQt(work_.project().name));
  state_->setText(work_.readOnly() ? tr("read-only")
                  : work_.saved()  ? (files_->path().isEmpty() ? tr("new") : tr("saved"))
                                   : tr("not saved"));
  const auto& history = work_.history();
  undo_->setEnabled(history.canUndo());
  redo_->setEnabled(history.canRedo());
  const QString undoes = toQt(history.undoName());
  // A long name must not push the rest of the head about.
  constexpr int kUndoWide = 180;  // px
  undo_->setText(history.canUndo()
                     ? tr("↶ Undo “%1”")
                           .arg(undo_->fontMetrics().elidedText(undoes, Qt::ElideRight, kUndoWide))
                     : tr("↶ Undo"));
  undo_->setToolTip(history.canUndo() ? tr("Undo “%1”").arg(undoes) : tr("Undo"));
  redo_->setText(QStringLiteral("↷"));
  redo_->setToolTip(history.canRedo() ? tr("Redo “%1”").arg(toQt(history.redoName())) : tr("Redo"));
  setWindowTitle(tr("%1[*] – Bristle").arg(toQt(work_.project().name)));
  setWindowModified(!work_.saved());
  if (hinting_) say({}, false);  // what a bench asks for may be there now
  work_.findings().look(work_.project(), work_.folder());
}

void Window::showFindings() {
  const Findings& found = work_.findings().now().open;
  findings_->setText(found.empty()
                         ? tr("no findings")
                         : counted(qint64(found.size()), tr("%n finding"), tr("%n findings")));
  QStringList lines;
  for (size_t i = 0; i < found.size() && i < 12; ++i)
    lines << toQt(found[i].place + ": " + found[i].reason);
  findings_->setToolTip(lines.join(QLatin1Char('\n')));
  // Notes alone are no reason to worry.
  markWrong(*findings_, std::any_of(found.begin(), found.end(),
                                    [](const Finding& f) { return f.severity != Severity::Note; }));
}

void Window::toNextFinding(bool forwards) {
  if (!work_.findings().pickNext(forwards)) return work_.tell(tr("There are no findings"));
  const bool here = current_ >= 0 &&
                    QString::fromLatin1(offered_[size_t(current_)].id) == QLatin1String("findings");
  if (!here) toFinding();
}

void Window::toFinding() {
  const Finding there = *work_.findings().picked();
  work_.pickPlaceOf(there);
  openBench(benchOf(there));
  benches_[size_t(current_)]->showPlaceOf(there);
  work_.tell(tr("%1: %2").arg(toQt(there.place), toQt(there.reason)), true);
}

void Window::say(const QString& text, bool wrong) {
  if (!hint_ || current_ < 0) return;
  hinting_ = text.isEmpty();
  hint_->setText(text.isEmpty() ? benches_[size_t(current_)]->hint() : text);
  hint_->setToolTip(hint_->text());
  markWrong(*hint_, wrong);
}

void Window::setDark(bool dark) {
  settings_.setValue(QStringLiteral("dark"), dark);
  applyTheme(*this, dark ? Theme::darkOne() : Theme::light());
  work_.tell(dark ? tr("Dark") : tr("Light"));
  for (QWidget* widget : findChildren<QWidget*>()) widget->update();
}

void Window::restoreState() {
  resize(1280, 800);
  restoreGeometry(settings_.value(QStringLiteral("geometry")).toByteArray());
  const QString bench =
      settings_.value(QStringLiteral("bench"), QStringLiteral("shape")).toString();
  openBench(bench == QStringLiteral("rehearse") ? QStringLiteral("place") : bench);
  if (current_ < 0) showBench(0);
}

void Window::closeEvent(QCloseEvent* event) {
  if (!files_->mayLeave()) return event->ignore();
  settings_.setValue(QStringLiteral("geometry"), saveGeometry());
  settings_.setValue(QStringLiteral("bench"), QString::fromLatin1(offered_[size_t(current_)].id));
  for (const Bench* bench : benches_)
    if (bench) bench->keepState(settings_);
  settings_.sync();
  autosave_->clear();
  event->accept();
}

void Window::offerUnsaved() {
  auto* page = new RecoveryPage(work_, *autosave_, *files_, pages_);
  if (!page->showNext()) return delete page;
  recovery_ = page;
  pages_->addWidget(page);
  cards_->hide();
  pages_->setCurrentWidget(page);
  say(tr("Nothing is lost: both versions stay until you choose"), false);
  page->setFocus();
  connect(page, &RecoveryPage::done, this, [this] {
    pages_->removeWidget(recovery_);
    recovery_->deleteLater();
    recovery_ = nullptr;
    const int bench = std::exchange(current_, -1);
    showBench(bench);
  });
}

}  // namespace bristle
