#include "desktop/shape/library_page.h"

#include <QFile>
#include <QFileDialog>
#include <QPainter>

#include "core/edit/used_files.h"
#include "core/formats/copy_files.h"
#include "core/formats/project_store.h"
#include "desktop/shape/kind_picture.h"
#include "desktop/view/ask_file.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr QSize kTile(174, 84);
constexpr int kStateHeight = 74, kMostStates = 5;

// All states of a kind, on a light and on a dark ground.
QPixmap strip(const Project& project, const KindId& id, LookPainter& looks, LookTables& tables,
              int width, double ratio, const QColor& ink) {
  const QSize cell(std::clamp(width / kMostStates, 60, 150), kStateHeight);
  const auto table = tables.get(project, id);
  const Kind* kind = find(project, id);
  const Machine* machine = kind ? find(project, kind->machine) : nullptr;
  const int count = table ? std::min(kMostStates, int(table->stateCount())) : 0;
  QPixmap out(QSize(cell.width() * std::max(count, 1), cell.height() * 2 + 18) * ratio);
  out.setDevicePixelRatio(ratio);
  out.fill(Qt::transparent);
  if (!machine) return out;
  QPainter p(&out);
  p.setPen(ink);
  for (int s = 0; s < count; ++s) {
    const QRect head(s * cell.width(), 0, cell.width(), 16);
    p.drawText(head, Qt::AlignCenter, toQt(machine->states[size_t(s)].name));
    const QColor grounds[] = {QColor(0xd9, 0xd6, 0xd0), QColor(0x24, 0x2a, 0x2d)};
    for (int g = 0; g < 2; ++g)
      p.drawPixmap(s * cell.width(), 18 + g * cell.height(),
                   kindPicture(project, id, StateIndex(s), cell, grounds[g], looks, tables, ratio));
  }
  return out;
}

}  // namespace

namespace {
std::set<std::string> filesToTake(const Project& project, const std::vector<KindId>& kinds) {
  UsedFiles used = filesOf(project, kinds);
  used.pictures.insert(used.sounds.begin(), used.sounds.end());
  return std::move(used.pictures);
}
}  // namespace

Project LibraryPage::readyMade() {
  QFile file(QStringLiteral(":/kinds/ready-made.bristle"));
  if (!file.open(QIODevice::ReadOnly)) return emptyProject();
  auto opened = parseProject(file.readAll().toStdString());
  return opened ? std::move(opened->project) : emptyProject();
}

LibraryPage::LibraryPage(Work& work, QWidget* parent)
    : Page(tr("Kinds to start from"), tr("Take one, then make it yours. Several: Ctrl or Shift."),
           parent),
      work_(work) {
  kinds_ = new QListWidget;
  kinds_->setAccessibleName(tr("Kinds of the library"));
  kinds_->setViewMode(QListView::IconMode);
  kinds_->setIconSize(kTile);
  kinds_->setGridSize(kTile + QSize(14, 28));
  kinds_->setResizeMode(QListView::Adjust);
  kinds_->setMovement(QListView::Static);
  kinds_->setUniformItemSizes(true);
  kinds_->setSelectionMode(QAbstractItemView::ExtendedSelection);
  body()->addWidget(kinds_, 1);
  states_ = new QLabel;
  states_->setMinimumSize(1, kStateHeight * 2 + 18);
  states_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
  body()->addWidget(states_);
  conflictNote_ = new QLabel(tr("These names are here already, for something else:"));
  conflictNote_->setProperty("wrong", true);
  body()->addWidget(conflictNote_);
  conflicts_ = new QVBoxLayout;
  body()->addLayout(conflicts_);
  take_ = button(tr("Take into this project"));
  take_->setProperty("main", true);
  auto* ready = button(tr("Ready-made"));
  auto* open = button(tr("Open library…"));
  auto* save = button(tr("Save kind…"));
  auto* saveAll = button(tr("Save all…"));
  row({take_, ready, open, save, saveAll});
  const QString filter = tr("Bristle projects and libraries (*.bristle)");
  connect(take_, &QPushButton::clicked, this, &LibraryPage::take);
  connect(ready, &QPushButton::clicked, this, [this] { show(readyMade(), {}); });
  connect(open, &QPushButton::clicked, this, [this, filter] {
    const QString path =
        QFileDialog::getOpenFileName(this, tr("Open a library"), work_.folder(), filter);
    if (!path.isEmpty()) openLibrary(path);
  });
  const auto ask = [this, filter](bool all) {
    const QString path = askWhereToSave(this, tr("Save a library"), work_.folder(), filter,
                                        QStringLiteral(".bristle"), work_.file());
    if (!path.isEmpty()) saveLibrary(path, all);
  };
  connect(save, &QPushButton::clicked, this, [ask] { ask(false); });
  connect(saveAll, &QPushButton::clicked, this, [ask] { ask(true); });
  save->setEnabled(work.kind());
  saveAll->setEnabled(work.kind());
  connect(kinds_, &QListWidget::itemSelectionChanged, this, &LibraryPage::refreshChoice);
  connect(kinds_, &QListWidget::itemActivated, this, &LibraryPage::take);
  soon_.setInterval(0);
  connect(&soon_, &QTimer::timeout, this, &LibraryPage::drawSome);
  setFocusProxy(kinds_);
  show(readyMade(), {});
}

void LibraryPage::show(Project library, const QString& folder) {
  library_ = Shared<Project>(std::move(library));
  folder_ = folder;
  looks_.pictures().setFolder(folder);
  looks_.pictures().forget();
  kinds_->clear();
  QPixmap blank(kTile);
  blank.fill(themeOf(this).work);
  for (const auto& kind : library_->kinds)
    kinds_->addItem(new QListWidgetItem(blank, toQt(kind->name)));
  drawn_ = 0;
  soon_.start();
  if (kinds_->count()) kinds_->setCurrentRow(0);
  refreshChoice();
}

// A few at a time, so that a large library is there at once and scrolls while it is drawn.
void LibraryPage::drawSome() {
  for (int i = 0; i < 4; ++i, ++drawn_) {
    if (drawn_ >= kinds_->count()) return soon_.stop();
    const QPixmap picture = kindPicture(*library_, library_->kinds[size_t(drawn_)]->id, 0, kTile,
                                        themeOf(this).work, looks_, tables_, devicePixelRatioF());
    QIcon icon(picture);
    icon.addPixmap(picture, QIcon::Selected);
    kinds_->item(drawn_)->setIcon(icon);
  }
}

void LibraryPage::resizeEvent(QResizeEvent* event) {
  Page::resizeEvent(event);
  refreshChoice();
}

std::vector<KindId> LibraryPage::chosen() const {
  std::vector<KindId> out;
  for (int i = 0; i < kinds_->count(); ++i)
    if (kinds_->item(i)->isSelected()) out.push_back(library_->kinds[size_t(i)]->id);
  return out;
}

void LibraryPage::refreshChoice() {
  const auto kinds = chosen();
  take_->setEnabled(!kinds.empty());
  states_->setPixmap(kinds.empty() ? QPixmap()
                                   : strip(*library_, kinds.front(), looks_, tables_, width() - 40,
                                           devicePixelRatioF(), themeOf(this).quiet));
  for (auto& entry : answers_) delete entry.second->parentWidget();
  answers_.clear();
  for (const LibraryConflict& conflict : conflictsWith(work_.project(), *library_, kinds)) {
    auto* line = new QWidget;
    auto* layout = new QHBoxLayout(line);
    layout->setContentsMargins(0, 0, 0, 0);
    const bool kind = conflict.sort == LibraryConflict::Sort::Kind;
    auto* name =
        new QLabel(tr("%1 “%2”").arg(kind ? tr("kind") : tr("named value"), toQt(conflict.name)));
    auto* how = new QComboBox;
    how->setAccessibleName(tr("What becomes of %1").arg(toQt(conflict.name)));
    how->addItems(
        {tr("both stay, the new one renamed"), tr("mine stays"), tr("theirs takes its place")});
    layout->addWidget(name);
    layout->addWidget(how);
    layout->addStretch();
    conflicts_->addWidget(line);
    answers_.push_back({conflict, how});
  }
  conflictNote_->setVisible(!answers_.empty());
}

// Pictures and sounds come along into the project's folder, under the same names; one that is there
// already and differs is not written over.
bool LibraryPage::takeFiles(const std::vector<KindId>& kinds) {
  const std::set<std::string> files = filesToTake(*library_, kinds);
  if (files.empty() || folder_.isEmpty()) return true;
  if (work_.folder().isEmpty()) {
    work_.tell(tr("These kinds have pictures: save the project first, so that they have a place."),
               true);
    return false;
  }
  if (const auto copied = copyFiles(fromQt(folder_), fromQt(work_.folder()), files); !copied) {
    work_.tell(tr("Nothing is taken: %1").arg(toQt(copied.error().text())), true);
    return false;
  }
  work_.filesChanged();
  return true;
}

void LibraryPage::take() {
  const auto kinds = chosen();
  if (kinds.empty() || !takeFiles(kinds)) return;
  std::map<LibraryConflict, OnConflict> answers;
  for (const auto& [conflict, how] : answers_)
    answers[conflict] = static_cast<OnConflict>(how->currentIndex());
  const std::string name = bristle::find(*library_, kinds.front())->name;
  const size_t before = work_.project().kinds.size();
  if (!work_.perform(takeKinds(library_, kinds, std::move(answers)))) return;
  const auto& now = work_.project().kinds;
  if (now.size() > before) work_.pickKind(now[before]->id);
  work_.tell(tr("Taken: %1").arg(toQt(name)));
  Q_EMIT done();
}

bool LibraryPage::openLibrary(const QString& path) {
  auto stored = loadProject(fromQt(path));
  if (!stored) {
    work_.tell(tr("This is no library: %1").arg(toQt(stored.error().text())), true);
    return false;
  }
  show(std::move(stored->opened.project), QFileInfo(path).absolutePath());
  return true;
}

bool LibraryPage::saveLibrary(const QString& wanted, bool all) {
  if (!work_.kind()) return false;
  const QString path = withEnding(wanted, QStringLiteral(".bristle"));
  if (isSameFile(path, work_.file())) {
    work_.tell(tr("%1 is the project that is open; a library needs another name.").arg(path), true);
    return false;
  }
  std::vector<KindId> kinds;
  for (const auto& kind : work_.project().kinds)
    if (all || kind->id == work_.kind()->id) kinds.push_back(kind->id);
  Project library = libraryOf(work_.project(), kinds);
  library.name = fromQt(QFileInfo(path).completeBaseName());
  if (!work_.folder().isEmpty()) {
    const auto copied = copyFiles(fromQt(work_.folder()), fromQt(QFileInfo(path).absolutePath()),
                                  filesToTake(library, kinds));
    if (!copied)
      return work_.tell(tr("Nothing is saved: %1").arg(toQt(copied.error().text())), true), false;
  }
  const auto written = saveProject(fromQt(path), library);
  if (!written) return work_.tell(toQt(written.error().text()), true), false;
  work_.tell(tr("%1 kinds saved in %2").arg(kinds.size()).arg(path));
  return true;
}

}  // namespace bristle
