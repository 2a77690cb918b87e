// The menus of the window, and the commands that work on every bench.
#include <QMenu>
#include <QStackedWidget>
#include <QToolButton>

#include "core/edit/settings_edit.h"
#include "desktop/frame/finder.h"
#include "desktop/frame/window.h"
#include "desktop/shelf/shelf.h"
#include "desktop/view/seen_effect.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"

namespace bristle {

QAction* Window::command(QMenu* menu, const QString& name, const QKeySequence& keys,
                         std::function<void()> run) {
  QAction* action = work_.commands().add(this, name, keys, std::move(run), KeysWork::InWindow);
  menu->addAction(action);
  return action;
}

void Window::makeFileMenu(QMenu* menu) {
  command(menu, tr("New project"), QKeySequence::New, [this] { files_->newProject(); });
  command(menu, tr("Open…"), QKeySequence::Open, [this] { files_->openAsked(); });
  recent_ = menu->addMenu(tr("Open recent"));
  connect(recent_, &QMenu::aboutToShow, this, [this] {
    recent_->clear();
    for (const QString& path : files_->recent())
      connect(recent_->addAction(path), &QAction::triggered, this,
              [this, path] { files_->open(path); });
    if (recent_->isEmpty()) recent_->addAction(tr("none yet"))->setEnabled(false);
  });
  menu->addSeparator();
  command(menu, tr("Save"), QKeySequence::Save, [this] { files_->save(); });
  command(menu, tr("Save as…"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_S),
          [this] { files_->saveAsked(); });
  menu->addSeparator();
  command(menu, tr("Deliver…"), QKeySequence(Qt::CTRL | Qt::Key_E),
          [this] { openBench(QStringLiteral("deliver")); });
  menu->addSeparator();
  command(menu, tr("Close"), QKeySequence::Quit, [this] { close(); });
}

void Window::makeViewMenu(QMenu* menu) {
  for (const BenchInfo& info : offered_) {
    const QString id = QString::fromLatin1(info.id);
    command(menu, tr("%1 bench").arg(info.name),
            QKeySequence(Qt::ALT | Qt::Key(Qt::Key_0 + info.place)), [this, id] { openBench(id); });
  }
  menu->addSeparator();
  command(menu, tr("Rehearse"), QKeySequence(Qt::Key_F5), [this] { rehearseOrBack(); });
  command(menu, tr("Next finding"), QKeySequence(Qt::Key_F9), [this] { toNextFinding(true); });
  command(menu, tr("Previous finding"), QKeySequence(Qt::SHIFT | Qt::Key_F9),
          [this] { toNextFinding(false); });
  command(menu, tr("Next part of the window"), QKeySequence(Qt::Key_F6), [this] { nextArea(); });
  fold(menu, tr("Shelf"), Qt::Key_F7, QStringLiteral("fold/shelf"), shelf_);
  fold(menu, tr("Card"), Qt::Key_F8, QStringLiteral("fold/card"), cards_);
  command(menu, tr("Find a command"), QKeySequence(Qt::CTRL | Qt::Key_J),
          [this] { finder_->open(allCommands()); });
  makeSeenMenu(menu->addMenu(tr("As others &see it")));
  command(menu, tr("Light or dark"), {}, [this] { setDark(!themeOf(this).dark); });
}

// One key goes through them all; what is seen so is the bench, not the frame around it.
void Window::makeSeenMenu(QMenu* menu) {
  command(menu, tr("As the next others see it"), QKeySequence(Qt::Key_F4),
          [this] { seeAs((seenAs_ + 1) % (int(kAllVisions.size()) + 1)); });
  for (int i = 0; i <= int(kAllVisions.size()); ++i)
    command(menu, tr("Seen %1").arg(seenName(i)), {}, [this, i] { seeAs(i); });
}

// The last one is what weak eyes see.
QString Window::seenName(int which) {
  return which < int(kAllVisions.size()) ? toQt(std::string(nameOf(kAllVisions[size_t(which)])))
                                         : tr("by weak eyes (blurred)");
}

void Window::seeAs(int which) {
  constexpr double kWeak = 2.5;  // px
  seenAs_ = which;
  const bool blurs = which == int(kAllVisions.size());
  const Vision vision = blurs ? Vision::AsIs : kAllVisions[size_t(which)];
  pages_->setGraphicsEffect(which == 0 ? nullptr
                                       : new SeenEffect(vision, blurs ? kWeak : 0, pages_));
  work_.tell(which == 0 ? tr("Seen as it is")
                        : tr("Seen %1 · F4: the next others").arg(seenName(which)));
}

// Folded away by a key, so that what is worked on has the room; remembered.
void Window::fold(QMenu* menu, const QString& name, int key, const QString& setting,
                  QWidget* part) {
  QAction* action = command(menu, name, QKeySequence(key), [this, setting, part] {
    const bool folded = !settings_.value(setting).toBool();
    settings_.setValue(setting, folded);
    if (folded && part->isAncestorOf(QApplication::focusWidget()))
      pages_->currentWidget()->setFocus();
    part->setVisible(!folded);
  });
  action->setCheckable(true);
  const bool folded = settings_.value(setting).toBool();
  action->setChecked(!folded);
  if (folded) part->hide();
}

void Window::makeMenus() {
  auto* all = new QMenu(this);
  menu_->setMenu(all);
  command(all, tr("Menu of all commands"), QKeySequence(Qt::Key_F10), [this] {
    menu_->showMenu();
  })->setVisible(false);
  makeFileMenu(all->addMenu(tr("&File")));
  QMenu* edit = all->addMenu(tr("&Edit"));
  command(edit, tr("Undo"), QKeySequence::Undo, [this] { work_.undo(); });
  // The same two on every desktop, whatever it calls usual.
  command(edit, tr("Redo"), {}, [this] { work_.redo(); })
      ->setShortcuts(
          {QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_Z), QKeySequence(Qt::CTRL | Qt::Key_Y)});
  command(edit, tr("New kind"), {}, [this] { shelf_->newKind(); });
  command(edit, tr("New screen"), {}, [this] { shelf_->newScreen(); });
  command(edit, tr("Pointer and focus: together or apart"), {}, [this] {
    work_.perform(changeSettings("pointer and focus", [](Settings& settings) {
      settings.pointerMovesFocus = !settings.pointerMovesFocus;
    }));
    work_.tell(work_.project().settings.pointerMovesFocus ? tr("The pointer takes focus along")
                                                          : tr("Pointer and focus are kept apart"));
  });
  benchMenu_ = all->addMenu(tr("&Bench"));
  makeViewMenu(all->addMenu(tr("&View")));
}

std::vector<QAction*> Window::allCommands() {
  std::vector<QAction*> out;
  if (current_ >= 0) out = work_.commands().of(benches_[size_t(current_)]);
  const auto& everywhere = work_.commands().of(this);
  out.insert(out.end(), everywhere.begin(), everywhere.end());
  return out;
}

}  // namespace bristle
