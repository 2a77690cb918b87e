#include "desktop/route/signs_field.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QMenu>
#include <QStyle>
#include <QToolButton>
#include <algorithm>

#include "desktop/view/form.h"
#include "desktop/view/key_sign.h"
#include "paint/convert.h"

namespace bristle {
namespace {

QString toWords(const std::vector<Sign>& signs) {
  QStringList out;
  for (const Sign& sign : signs) out << toQt(toText(sign));
  return out.join(QStringLiteral(", "));
}

}  // namespace

SignsField::SignsField(Sign::Of of, const QString& what, QWidget* parent)
    : QWidget(parent), of_(of), text_(new QLineEdit), add_(new QToolButton) {
  const bool keys = of == Sign::Of::Key;
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(4);
  row->addWidget(text_, 1);
  row->addWidget(add_);
  text_->setAccessibleName(keys ? tr("Keys for %1").arg(what)
                                : tr("Controller buttons for %1").arg(what));
  text_->setToolTip(keys ? tr("Such as Enter, Q, Ctrl+S; several with commas")
                         : tr("By their places, such as lower button; several with commas"));
  setFocusProxy(text_);
  connect(text_, &QLineEdit::editingFinished, this, &SignsField::take);
  if (keys) add_->setText(QStringLiteral("+"));
  add_->setAccessibleName(keys ? tr("Press a key for %1").arg(what)
                               : tr("Choose controller buttons for %1").arg(what));
  add_->setToolTip(add_->accessibleName());
  add_->setFocusPolicy(Qt::StrongFocus);
  if (keys) {
    add_->setCheckable(true);
    add_->installEventFilter(this);
    connect(add_, &QToolButton::toggled, this, &SignsField::listen);
    return;
  }
  auto* menu = new QMenu(add_);
  connect(menu, &QMenu::aboutToShow, this, [this, menu] {
    menu->clear();
    for (const std::string_view name : signNames(Sign::Of::Button)) {
      const Sign sign = *parseSign(Sign::Of::Button, name);
      QAction* action = menu->addAction(toQt(std::string(name)));
      action->setCheckable(true);
      action->setChecked(std::find(signs_.begin(), signs_.end(), sign) != signs_.end());
      connect(action, &QAction::triggered, this, [this, sign] { toggle(sign); });
    }
  });
  add_->setMenu(menu);
  add_->setPopupMode(QToolButton::InstantPopup);
}

void SignsField::set(const std::vector<Sign>& signs, const std::vector<Sign>& otherwise) {
  signs_ = signs;
  otherwise_ = otherwise;
  refill(text_, toWords(signs));
  if (!add_->isCheckable() || !add_->isChecked()) text_->setPlaceholderText(toWords(otherwise));
}

void SignsField::setClash(bool on) {
  if (text_->property("bad").toBool() == on) return;
  text_->setProperty("bad", on);
  text_->style()->unpolish(text_);
  text_->style()->polish(text_);
}

// What was typed; a word that is no key is refused, and the field shows what was before.
void SignsField::take() {
  std::vector<Sign> typed;
  for (const QString& word : text_->text().split(QLatin1Char(','), Qt::SkipEmptyParts)) {
    if (word.trimmed().isEmpty()) continue;
    const auto sign = parseSign(of_, fromQt(word));
    if (!sign) {
      Q_EMIT refused(of_ == Sign::Of::Key
                         ? tr("“%1” is no key that can be bound: expected keys such as Enter, Q or "
                              "Ctrl+S. Arrows always move, Tab always steps.")
                               .arg(word.trimmed())
                         : tr("“%1” is no controller button: expected places such as lower button "
                              "or left shoulder")
                               .arg(word.trimmed()));
      text_->setText(toWords(signs_));
      return;
    }
    if (std::find(typed.begin(), typed.end(), *sign) == typed.end()) typed.push_back(*sign);
  }
  text_->setText(toWords(typed));
  if (typed == signs_) return;
  signs_ = typed;
  Q_EMIT changed(signs_);
}

void SignsField::listen(bool on) {
  text_->setPlaceholderText(on ? tr("press a key…") : toWords(otherwise_));
  text_->setText(on ? QString() : toWords(signs_));
}

void SignsField::add(Sign sign) {
  if (std::find(signs_.begin(), signs_.end(), sign) == signs_.end()) {
    signs_.push_back(std::move(sign));
    Q_EMIT changed(signs_);
  }
}

void SignsField::toggle(const Sign& sign) {
  if (std::erase(signs_, sign) == 0) signs_.push_back(sign);
  text_->setText(toWords(signs_));
  Q_EMIT changed(signs_);
}

// While it listens, the next key is the one to bind, whatever the window would do with it.
bool SignsField::eventFilter(QObject* watched, QEvent* event) {
  if (watched == add_ && add_->isChecked()) {
    if (event->type() == QEvent::FocusOut) add_->setChecked(false);
    if (event->type() == QEvent::ShortcutOverride) {
      event->accept();
      return true;
    }
    if (event->type() == QEvent::KeyPress) {
      const auto sign = signOf(static_cast<QKeyEvent&>(*event));
      if (!sign) return QWidget::eventFilter(watched, event);  // a modifier, or Tab goes on
      add_->setChecked(false);
      add(*sign);
      return true;
    }
    if (event->type() == QEvent::KeyRelease) return true;
  }
  return QWidget::eventFilter(watched, event);
}

}  // namespace bristle
