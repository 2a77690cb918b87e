#include "desktop/route/route_bench.h"

#include <QButtonGroup>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QSettings>
#include <QStackedWidget>
#include <QToolButton>
#include <QVBoxLayout>

#include "core/edit/route_edits.h"
#include "core/edit/screen_edits.h"
#include "core/findings/finding.h"
#include "core/formats/boxes_screen.h"
#include "desktop/route/cluster_form.h"
#include "desktop/route/keys_page.h"
#include "desktop/route/quality_panel.h"
#include "desktop/route/rose.h"
#include "desktop/route/route_card.h"
#include "desktop/route/route_view.h"
#include "desktop/view/bench_head.h"
#include "desktop/view/controller_walk.h"
#include "desktop/view/display_strip.h"
#include "desktop/view/empty_page.h"
#include "desktop/view/text_file.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/document/tree.h"

namespace bristle {

RouteBench::RouteBench(Work& work, QWidget* parent) : Bench(parent), work_(work) {
  const auto [column, head, title, about] = makeHead(this);
  title_ = title;
  about_ = about;
  view_ = new RouteView(work);
  QButtonGroup* group = ways_ = new QButtonGroup(this);
  const std::tuple<QString, QString, Shown> ways[] = {
      {tr("All"), tr("All routes"), Shown::All},
      {tr("Picked"), tr("Of the picked, or of the cluster in hand"), Shown::Picked},
      {tr("Direction"), tr("One direction"), Shown::Direction}};
  for (const auto& [text, name, shown] : ways) {
    auto* button = new QToolButton;
    button->setText(text);
    button->setAccessibleName(name);
    button->setToolTip(name);
    button->setCheckable(true);
    button->setChecked(shown == Shown::All);
    group->addButton(button, static_cast<int>(shown));
    head->addWidget(button);
    connect(button, &QToolButton::clicked, view_, [this, shown = shown] { view_->show(shown); });
  }
  const auto toggle = [&](const QString& text, const QString& name, const QString& tip) {
    auto* out = new QToolButton;
    out->setText(text);
    out->setAccessibleName(name);
    out->setToolTip(tip);
    out->setCheckable(true);
    head->addWidget(out);
    return out;
  };
  why_ = toggle(tr("Why"), tr("Why on the canvas"),
                tr("What lies ahead of the picked direction, and how it ranks"));
  why_->setChecked(true);
  connect(why_, &QToolButton::toggled, view_, &RouteView::showWhy);
  steps_ = toggle(tr("Steps"), tr("Steps from the start"),
                  tr("How many moves each button is away from where focus starts"));
  connect(steps_, &QToolButton::toggled, view_, &RouteView::showSteps);
  keys_ = toggle(tr("Keys"), tr("Keys and controller buttons"),
                 tr("What keys and controller buttons do, everywhere or on one screen"));
  keys_->setObjectName(QStringLiteral("keys"));
  connect(keys_, &QToolButton::toggled, this, [this] {
    turn();
    work_.tell({});  // the hint is another one
  });
  card_ = new RouteCard(work);
  pages_ = new QStackedWidget;
  auto* page = new QWidget;
  auto* inner = new QVBoxLayout(page);
  inner->setContentsMargins(0, 0, 0, 0);
  inner->setSpacing(0);
  inner->addWidget(view_, 1);
  inner->addWidget(new DisplayStrip(work, card_->quality().marks()));
  page->setFocusProxy(view_);
  pages_->addWidget(page);
  pages_->addWidget(new EmptyPage(
      tr("Where the four directions lead from each button: there are none on this screen yet."),
      {{tr("Place buttons"), [this] { Q_EMIT wantsBench(QStringLiteral("place")); }}}));
  pages_->addWidget(new KeysPage(work));
  column->addWidget(pages_, 1);
  connect(&card_->quality(), &QualityPanel::judged, view_, &RouteView::setSteps);
  connect(&card_->quality(), &QualityPanel::wantsSeen, view_, [this, group](const auto& moves) {
    // None of the ways above.
    group->setExclusive(false);
    for (QAbstractButton* each : group->buttons()) each->setChecked(false);
    group->setExclusive(true);
    view_->show(moves);
  });
  const auto onView = [this](const QPointF& global) { return view_->mapFromGlobal(global); };
  connect(&card_->rose(), &Rose::drawnTo, view_,
          [this, onView](const QPointF& at) { view_->drawTo(onView(at)); });
  connect(&card_->rose(), &Rose::droppedAt, view_,
          [this, onView](const QPointF& at) { view_->dropAt(onView(at)); });
  connect(&card_->clusters(), &ClusterForm::shown, view_, &RouteView::showCluster);
  auto* controllers = new ControllerWalk(work, *view_);
  connect(controllers, &ControllerWalk::stepped, view_, &RouteView::walk);
  connect(controllers, &ControllerWalk::wentThrough, view_, &RouteView::walkThrough);
  addCommands();
  addClusterCommands();
  new WhileSeen(work, this, [this] { refresh(); });
  refresh();
}

void RouteBench::addCommands() {
  const std::pair<QString, RouteRule> rules[] = {
      {tr("Close the picked direction"), {RouteType::Closed, {}}},
      {tr("Let the picked direction wrap round"), {RouteType::Wrap, {}}},
      {tr("Release the picked direction"), {}}};
  for (const auto& [name, rule] : rules)
    work_.commands().add(this, name, {}, [this, rule = rule] { set(rule); });
  for (const auto& [along, dir] :
       {std::pair(tr("row"), Dir::Right), std::pair(tr("column"), Dir::Down)})
    for (const auto& [how, loop, both] :
         {std::tuple(tr("Pin the picked in a %1"), false, true),
          std::tuple(tr("Pin the picked in a %1, round the ends"), true, true),
          std::tuple(tr("Pin the picked in a %1, one way"), false, false),
          std::tuple(tr("Pin the picked in a %1, one way and round the ends"), true, false)})
      work_.commands().add(this, how.arg(along), {},
                           [this, line = PinLine{dir, loop, both}] { pinLine(line); });
  work_.commands().add(
      this, tr("Steps from the start"), QKeySequence(Qt::CTRL | Qt::Key_U),
      [this] { steps_->toggle(); }, KeysWork::InWindow);
  work_.commands().add(
      this, tr("Why on the canvas"), QKeySequence(Qt::CTRL | Qt::ALT | Qt::Key_W),
      [this] { why_->toggle(); }, KeysWork::InWindow);
  work_.commands().add(
      this, tr("Keys and controller buttons"), QKeySequence(Qt::CTRL | Qt::Key_B),
      [this] { keys_->toggle(); }, KeysWork::InWindow);
  work_.commands().add(this, tr("New screen from a file of boxes…"), {}, [this] { addBoxes(); });
  work_.commands().add(this, tr("Release all directions of the picked"), {}, [this] {
    if (work_.screen() && !work_.picked().items.empty())
      work_.perform(releaseRoutes(work_.screen()->id, work_.picked().items));
  });
}

void RouteBench::addClusterCommands() {
  ClusterForm* clusters = &card_->clusters();
  work_.commands().add(
      this, tr("Make a cluster of the picked"), QKeySequence(Qt::CTRL | Qt::Key_G),
      [clusters] { clusters->makeOfPicked(); }, KeysWork::InWindow);
  work_.commands().add(
      this, tr("Make a cluster of the picked button's container"),
      QKeySequence(Qt::CTRL | Qt::ALT | Qt::Key_G), [clusters] { clusters->makeOfHolder(); },
      KeysWork::InWindow);
  work_.commands().add(
      this, tr("Take the cluster away"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_G),
      [clusters] { clusters->removeShown(); }, KeysWork::InWindow);
}

QWidget* RouteBench::card() {
  return card_;
}

void RouteBench::keepState(QSettings& settings) const {
  settings.setValue(QStringLiteral("route/why"), why_->isChecked());
  settings.setValue(QStringLiteral("route/steps"), steps_->isChecked());
  // Single moves that were looked at are of the moment.
  settings.setValue(QStringLiteral("route/shown"), std::max(0, ways_->checkedId()));
}

void RouteBench::restoreState(const QSettings& settings) {
  why_->setChecked(settings.value(QStringLiteral("route/why"), true).toBool());
  steps_->setChecked(settings.value(QStringLiteral("route/steps"), false).toBool());
  if (auto* way = ways_->button(settings.value(QStringLiteral("route/shown"), 0).toInt()))
    way->click();
}

QWidget* RouteBench::workplace() {
  return view_;
}

void RouteBench::addBoxes() {
  const QString path = QFileDialog::getOpenFileName(this, tr("Boxes of another tool"),
                                                    work_.folder(), tr("Boxes (*.json)"));
  if (!path.isEmpty()) importBoxes(path);
}

void RouteBench::importBoxes(const QString& path) {
  QString why;
  const auto text = textOf(path, &why);
  if (!text) return work_.tell(why, true);
  const QString file = QFileInfo(path).fileName();
  auto boxes = parseBoxes(fromQt(*text));
  if (!boxes) return work_.tell(file + QLatin1String(": ") + toQt(boxes.error().text()), true);
  if (work_.perform(
          addScreenOfBoxes(fromQt(QFileInfo(path).completeBaseName()), std::move(*boxes))))
    work_.pickScreen(work_.project().screens.back()->id);
}

void RouteBench::set(RouteRule rule) {
  if (work_.pickedBox() >= 0)
    work_.perform(setRoute(work_.screen()->id, work_.item()->id, work_.picked().dir, rule));
}

// In the order in which they stand.
void RouteBench::pinLine(const PinLine& line) {
  const Screen* screen = work_.screen();
  if (!screen) return;
  std::vector<std::pair<Px, ItemId>> places;
  for (const ItemId& id : work_.picked().items) {
    const auto at = indexOf(*screen, id);
    if (!at || !screen->items[*at]->button()) continue;
    const Box& box = work_.layout().items[*at].box;
    places.emplace_back(line.dir == Dir::Right ? box.x + box.w / 2 : box.y + box.h / 2, id);
  }
  std::stable_sort(places.begin(), places.end(),
                   [](const auto& a, const auto& b) { return a.first < b.first; });
  std::vector<ItemId> inOrder;
  for (auto& place : places) inOrder.push_back(std::move(place.second));
  work_.perform(bristle::pinLine(screen->id, std::move(inOrder), line));
}

void RouteBench::showPlaceOf(const Finding& finding) {
  keys_->setChecked(finding.rule == "binding");
}

void RouteBench::turn() {
  turnTo(pages_, keys_->isChecked() ? 2 : work_.routes().items.empty() ? 1 : 0);
}

void RouteBench::refresh() {
  const Screen* screen = work_.screen();
  title_->setText(screen ? toQt(screen->name) : tr("No screen yet"));
  turn();
  int pinned = 0, closed = 0, wraps = 0;
  if (screen)
    for (const auto& item : screen->items)
      if (const ButtonData* b = item->button())
        for (const Dir dir : kDirs) {
          const RouteType type =
              b->routes.on(work_.picked().display, work_.language().id, dir).type;
          pinned += type == RouteType::Pinned;
          closed += type == RouteType::Closed;
          wraps += type == RouteType::Wrap;
        }
  QStringList about{tr("%1 buttons").arg(work_.routes().items.size())};
  for (const auto& [count, words] :
       {std::pair(pinned, tr("%1 pinned")), std::pair(closed, tr("%1 closed")),
        std::pair(wraps, tr("%1 wrap"))})
    if (count > 0) about << words.arg(count);
  about_->setText(about.join(QStringLiteral(" · ")));
}

QString RouteBench::hint() const {
  if (keys_->isChecked())
    return tr("Type keys, several with commas, or press + and then the key · Ctrl+B goes back");
  return tr(
      "Drag a knob to a button to pin · Shift+click picks more · Ctrl+G makes a cluster · "
      "X close · W wrap · R release · Ctrl+arrows walk");
}

}  // namespace bristle
