#include "desktop/frame/finder.h"

#include <QKeyEvent>
#include <QVBoxLayout>
#include <algorithm>

namespace bristle {
namespace {

// All words of the text, anywhere in the name.
bool fits(const QString& name, const QString& text) {
  for (const QString& word : text.split(QLatin1Char(' '), Qt::SkipEmptyParts))
    if (!name.contains(word, Qt::CaseInsensitive)) return false;
  return true;
}

// How far the name is from what is typed, 0 or more: words that were not typed whole.
int wordsLeft(const QString& name, const QString& text) {
  const QStringList typed = text.split(QLatin1Char(' '), Qt::SkipEmptyParts);
  const QStringList words = name.split(QLatin1Char(' '));
  return int(std::count_if(words.begin(), words.end(), [&](const QString& word) {
    return !typed.isEmpty() && !typed.contains(word, Qt::CaseInsensitive);
  }));
}

QString nameOf(const QAction& action) {
  return action.text().remove(QLatin1Char('&'));
}

}  // namespace

Finder::Finder(QWidget* window) : QFrame(window) {
  setFrameShape(QFrame::StyledPanel);
  setAutoFillBackground(true);
  auto* column = new QVBoxLayout(this);
  text_ = new QLineEdit;
  text_->setPlaceholderText(tr("Find a command"));
  text_->setAccessibleName(tr("Find a command"));
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Commands found"));
  list_->setFocusPolicy(Qt::NoFocus);
  column->addWidget(text_);
  column->addWidget(list_);
  connect(text_, &QLineEdit::textChanged, this, &Finder::filter);
  connect(text_, &QLineEdit::returnPressed, this, &Finder::run);
  connect(list_, &QListWidget::itemClicked, this, &Finder::run);
  text_->installEventFilter(this);
  hide();
}

void Finder::open(std::vector<QAction*> commands) {
  commands_ = std::move(commands);
  if (!isVisible()) before_ = parentWidget()->focusWidget();
  const QSize size(480, 320);
  setGeometry((parentWidget()->width() - size.width()) / 2, 64, size.width(), size.height());
  text_->clear();
  filter();
  show();
  raise();
  text_->setFocus();
}

void Finder::filter() {
  list_->clear();
  std::vector<QAction*> found;
  for (QAction* action : commands_)
    if (action->isEnabled() && !action->isSeparator() && !action->menu() &&
        fits(nameOf(*action), text_->text()))
      found.push_back(action);
  std::stable_sort(found.begin(), found.end(), [this](const QAction* a, const QAction* b) {
    return wordsLeft(nameOf(*a), text_->text()) < wordsLeft(nameOf(*b), text_->text());
  });
  for (QAction* action : found) {
    const QString name = nameOf(*action);
    const QString keys = action->shortcut().toString(QKeySequence::NativeText);
    auto* item = new QListWidgetItem(
        keys.isEmpty() ? name : QStringLiteral("%1    %2").arg(name, keys), list_);
    item->setData(Qt::UserRole, QVariant::fromValue<void*>(action));
  }
  if (!list_->count()) {
    auto* none = new QListWidgetItem(tr("No command here has these words"), list_);
    none->setFlags(Qt::NoItemFlags);
  }
  list_->setCurrentRow(0);
}

// Whoever came by keyboard goes on where they were.
void Finder::leave() {
  QWidget* back = before_ && before_->isVisible() ? before_.data() : parentWidget();
  back->setFocus();
  hide();
}

void Finder::run() {
  const QListWidgetItem* item = list_->currentItem();
  if (item && !(item->flags() & Qt::ItemIsEnabled)) return;
  leave();
  if (item) static_cast<QAction*>(item->data(Qt::UserRole).value<void*>())->trigger();
}

bool Finder::eventFilter(QObject* object, QEvent* event) {
  if (object == text_ && event->type() == QEvent::KeyPress) {
    const int key = static_cast<QKeyEvent*>(event)->key();
    if (key == Qt::Key_Escape) {
      leave();
      return true;
    }
    if (key == Qt::Key_Down || key == Qt::Key_Up) {
      const int to = list_->currentRow() + (key == Qt::Key_Down ? 1 : -1);
      if (to >= 0 && to < list_->count()) list_->setCurrentRow(to);
      return true;
    }
  }
  if (object == text_ && event->type() == QEvent::FocusOut && isVisible() && !list_->underMouse())
    hide();
  return QFrame::eventFilter(object, event);
}

}  // namespace bristle
