#include "desktop/deliver/deliver_bench.h"

#include <QDesktopServices>
#include <QDir>
#include <QMenu>
#include <QUrl>
#include <QVBoxLayout>

#include "core/edit/delivery_edits.h"
#include "desktop/deliver/delivery_form.h"
#include "desktop/deliver/made_files.h"
#include "desktop/derive/hand_over_watch.h"
#include "desktop/view/bench_head.h"
#include "desktop/view/counted.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

// What to begin with.
struct Beginning {
  QString name, about;
  std::vector<Output> outputs;
};
std::vector<Beginning> beginnings() {
  return {
      {QObject::tr("Web page"), QObject::tr("The menu in any browser"), {{OutputSort::Page}}},
      {QObject::tr("For the game"),
       QObject::tr(
           "The menu for the library, the same as data, sheets of all states and of what stands "
           "on screens, statecharts"),
       {{OutputSort::Library},
        {OutputSort::Data},
        {OutputSort::Sheets, 1, true, true},
        {OutputSort::Statecharts}}},
      {QObject::tr("For colleagues"),
       QObject::tr("A specification, pictures, named values, words and routes"),
       {{OutputSort::Specification},
        {OutputSort::Pictures},
        {OutputSort::Tokens},
        {OutputSort::Css},
        {OutputSort::Words},
        {OutputSort::Routes}}}};
}

}  // namespace

DeliverBench::DeliverBench(Work& work, QWidget* parent)
    : Bench(parent), work_(work), watch_(new HandOverWatch(this)) {
  const auto [column, head, title, about] = makeHead(this);
  title->setText(tr("Deliver"));
  about_ = about;
  stop_ = new QPushButton(tr("Stop"));
  stop_->setAccessibleName(tr("Stop making it"));
  head->addWidget(stop_);
  all_ = new QComboBox;
  all_->setAccessibleName(tr("The delivery in hand"));
  all_->setMinimumWidth(180);
  head->addWidget(all_);
  add_ = new QPushButton(tr("Add"));
  add_->setAccessibleName(tr("Add a delivery"));
  auto* menu = new QMenu(add_);
  auto* empty = new QWidget;
  auto* ways = new QVBoxLayout(empty);
  ways->addStretch(2);
  auto* words =
      new QLabel(tr("What leaves Bristle is handed over as a list of outputs into a folder,\n"
                    "again and again: only what is otherwise is written."));
  words->setAlignment(Qt::AlignCenter);
  ways->addWidget(words);
  ways->addSpacing(12);
  for (const Beginning& each : beginnings()) {
    const auto begin = [this, each] { add(each.name, each.outputs); };
    connect(menu->addAction(each.name), &QAction::triggered, this, begin);
    auto* button = new QPushButton(each.name);
    button->setAutoDefault(true);
    button->setAccessibleName(each.name);
    button->setProperty("main", ways->count() == 3);
    button->setMinimumWidth(180);
    connect(button, &QPushButton::clicked, this, begin);
    ways->addWidget(button, 0, Qt::AlignCenter);
    auto* line = new QLabel(each.about);
    line->setProperty("quiet", true);
    ways->addWidget(line, 0, Qt::AlignCenter);
    ways->addSpacing(8);
  }
  ways->addStretch(3);
  add_->setMenu(menu);
  head->addWidget(add_);
  warning_ = new QLabel;
  warning_->setWordWrap(true);
  warning_->setProperty("wrong", true);
  warning_->setContentsMargins(16, 4, 16, 8);
  column->addWidget(warning_);
  pages_ = new QStackedWidget;
  pages_->addWidget(files_ = new MadeFiles);
  pages_->addWidget(empty);
  column->addWidget(pages_, 1);
  form_ = new DeliveryForm(work);
  connect(form_, &DeliveryForm::wantsHandOver, this, &DeliverBench::handOver);
  connect(form_, &DeliveryForm::wantsFolder, this, &DeliverBench::openFolder);
  connect(stop_, &QPushButton::clicked, watch_, &HandOverWatch::stop);
  connect(all_, &QComboBox::activated, this, [this](int at) {
    const auto& all = work_.project().deliveries;
    if (at >= 0 && size_t(at) < all.size()) pick(all[size_t(at)].id);
  });
  connect(watch_, &HandOverWatch::changed, this, [this] {
    made_ = true;
    showMade();
  });
  connect(watch_, &HandOverWatch::stopped, this, [this] {
    stop_->hide();
    about_->setText(tr("stopped"));
    form_->tellState(true, false, false);
  });
  connect(watch_, &HandOverWatch::advanced, this, [this](int done, int of) {
    about_->setText(tr("drawing %1 of %2 …").arg(done).arg(of));
  });
  connect(watch_, &HandOverWatch::handedOver, this,
          [this](const QString& told, bool fine, const QString&) { work_.tell(told, !fine); });
  new WhileSeen(work, this, [this] { refresh(); });
  addCommands();
  refresh();
}

void DeliverBench::addCommands() {
  work_.commands().add(
      this, tr("Hand over the delivery in hand"), QKeySequence(Qt::CTRL | Qt::Key_Return),
      [this] { handOver(false, false); }, KeysWork::InWindow);
  work_.commands().add(
      this, tr("Hand over all deliveries"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_Return),
      [this] { handOver(true, false); }, KeysWork::InWindow);
  work_.commands().add(
      this, tr("Open the folder of the delivery"), {}, [this] { openFolder(); },
      KeysWork::InWindow);
  for (const Beginning& each : beginnings())
    work_.commands().add(
        this, tr("Add a delivery: %1").arg(each.name), {},
        [this, each] { add(each.name, each.outputs); }, KeysWork::InWindow);
}

QWidget* DeliverBench::card() {
  return form_;
}

QWidget* DeliverBench::workplace() {
  return pages_->currentIndex() == 0 ? files_->list() : pages_->currentWidget();
}

QString DeliverBench::hint() const {
  return tr("Ctrl+Return hands over · with Shift all deliveries");
}

void DeliverBench::add(const QString& name, std::vector<Output> outputs) {
  const QString folder =
      QStringLiteral("delivered/") + name.toLower().replace(QLatin1Char(' '), QLatin1Char('-'));
  if (!work_.perform(addDelivery(fromQt(name), fromQt(folder), std::move(outputs)))) return;
  pick(work_.project().deliveries.back().id);
}

bool DeliverBench::busy() const {
  return watch_->busy();
}

void DeliverBench::pick(const DeliveryId& id) {
  picked_ = id;
  refresh();
}

void DeliverBench::look(bool anew) {
  const auto& all = work_.project().deliveries;
  if (!bristle::find(work_.project(), picked_))
    picked_ = all.empty() ? DeliveryId() : all.front().id;
  QStringList names;
  int at = -1;
  for (const Delivery& each : all) {
    if (each.id == picked_) at = int(names.size());
    names << toQt(each.name);
  }
  refill(all_, names, at);
  all_->setVisible(!all.empty());
  pages_->setCurrentIndex(all.empty() ? 1 : 0);
  form_->show(picked_);
  if (all.empty()) {
    about_->setText({});
    stop_->hide();
    warning_->hide();
    return;
  }
  if (!watch_->look(work_.project(), picked_, work_.folder(), anew)) return;
  made_ = false;
  showMade();
}

void DeliverBench::showMade() {
  const MadeDelivery& made = watch_->now();
  stop_->setVisible(!made_);
  if (!made_) {
    about_->setText(tr("looking at what it comes to …"));
    form_->tellState(false, false, true);
    return;
  }
  qint64 size = 0;
  for (const MadeFile& file : made.files) size += qint64(file.bytes.size());
  about_->setText(
      tr("%1, %2 · %3 to be written")
          .arg(counted(qint64(made.files.size()), tr("%n file"), tr("%n files")), sizeInWords(size))
          .arg(made.would.written.size()));
  QStringList warnings;
  const Delivery* delivery = bristle::find(work_.project(), picked_);
  const bool placed =
      !work_.folder().isEmpty() || (delivery && QDir::isAbsolutePath(toQt(delivery->folder)));
  if (!placed)
    warnings << tr("The project has no folder yet: save it first, or choose a whole path.");
  if (!made.why.empty()) warnings << toQt(made.why);
  for (const std::string& left : made.left) warnings << tr("left out: %1").arg(toQt(left));
  warning_->setText(warnings.join(QLatin1Char('\n')));
  warning_->setVisible(!warnings.isEmpty());
  form_->tellState(placed && made.why.empty(), placed && made.inTheWay, false);
  files_->show(made);
}

void DeliverBench::handOver(bool all, bool over) {
  std::vector<DeliveryId> which;
  for (const Delivery& each : work_.project().deliveries)
    if (all || each.id == picked_) which.push_back(each.id);
  if (which.empty()) return;
  for (const DeliveryId& id : which)
    if (work_.folder().isEmpty() &&
        !QDir::isAbsolutePath(toQt(bristle::find(work_.project(), id)->folder)))
      return work_.tell(tr("Save the project first: its deliveries lie beside it."), true);
  made_ = false;
  showMade();
  watch_->handOver(work_.project(), which, work_.folder(), over);
}

void DeliverBench::openFolder() {
  const Delivery* delivery = bristle::find(work_.project(), picked_);
  if (!delivery) return;
  const QString folder = toQt(folderFor(*delivery, fromQt(work_.folder())));
  if (!QDir(folder).exists())
    return work_.tell(tr("%1 is not there yet: hand it over first.").arg(folder), true);
  QDesktopServices::openUrl(QUrl::fromLocalFile(folder));
}

}  // namespace bristle
