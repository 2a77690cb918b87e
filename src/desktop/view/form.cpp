#include "desktop/view/form.h"

#include <QAbstractItemView>
#include <QEvent>
#include <QFocusEvent>
#include <QSignalBlocker>
#include <QStyle>
#include <algorithm>

#include "desktop/view/typed_number.h"

namespace bristle {
namespace {

constexpr int kNameWidth = 92;  // px of the names at the left
constexpr int kBeside = 12;     // px beside an entry that its hint of size leaves out

void mark(QLineEdit* field, bool bad) {
  if (field->property("bad").toBool() == bad) return;
  field->setProperty("bad", bad);
  field->style()->unpolish(field);
  field->style()->polish(field);
}

}  // namespace

namespace {

// Its list is as wide as its longest entry, however narrow the card is.
class WideList : public QComboBox {
 public:
  void showPopup() override {
    view()->setMinimumWidth(std::max(width(), view()->sizeHintForColumn(0) + kBeside));
    QComboBox::showPopup();
  }
};

// A wheel that comes by while the card is scrolled must not choose something else.
class NoWheel : public QObject {
 public:
  using QObject::QObject;
  bool eventFilter(QObject* watched, QEvent* event) override {
    const auto* widget = static_cast<QWidget*>(watched);
    if (event->type() != QEvent::Wheel || widget->hasFocus()) return false;
    event->ignore();
    return true;
  }
};

// The click that comes into a field chooses the whole number: what is typed then replaces it. The
// next click, or dragging over a part, sets the caret as usual.
class WholeNumber : public QObject {
 public:
  using QObject::QObject;
  bool eventFilter(QObject* watched, QEvent* event) override {
    auto* field = static_cast<QLineEdit*>(watched);
    if (event->type() == QEvent::FocusIn)
      came_ = static_cast<QFocusEvent*>(event)->reason() == Qt::MouseFocusReason;
    if (event->type() == QEvent::MouseButtonRelease && std::exchange(came_, false) &&
        !field->hasSelectedText())
      field->selectAll();
    return false;
  }

 private:
  bool came_ = false;
};

}  // namespace

Form::Form(QWidget* parent) : QWidget(parent), grid_(new QGridLayout(this)) {
  grid_->setContentsMargins(16, 12, 16, 12);
  grid_->setHorizontalSpacing(8);
  grid_->setVerticalSpacing(6);
  grid_->setColumnStretch(1, 1);
  grid_->setColumnMinimumWidth(0, kNameWidth);
}

QLabel* Form::heading(const QString& text) {
  auto* label = new QLabel(text);
  label->setProperty("heading", true);
  label->setContentsMargins(0, rows_ ? 10 : 0, 0, 2);
  label->setWordWrap(true);
  wide(label);
  return label;
}

QLabel* Form::note(const QString& text) {
  auto* label = new QLabel(text);
  label->setProperty("quiet", true);
  label->setWordWrap(true);
  wide(label);
  return label;
}

QLineEdit* Form::text(const QString& name, std::function<bool(const QString&)> done) {
  auto* field = new QLineEdit;
  connect(field, &QLineEdit::editingFinished, field, [field, done = std::move(done)] {
    if (!field->isModified()) return;
    const bool taken = done(field->text());
    mark(field, !taken);
    if (taken) field->setModified(false);
  });
  connect(field, &QLineEdit::textEdited, field, [field] { mark(field, false); });
  row(name, field);
  return field;
}

QLineEdit* Form::number(const QString& name, double least, double most,
                        std::function<bool(double)> done, const QString& unit) {
  auto* field = text(name, [=](const QString& text) {
    const auto value = typedNumber(text, unit);
    return value && *value >= least && *value <= most && done(*value);
  });
  field->installEventFilter(new WholeNumber(field));
  field->setProperty("unit", unit);
  field->setToolTip(
      tr("%1, a number from %2 to %3 %4").arg(name).arg(least).arg(most).arg(unit).trimmed());
  return field;
}

QComboBox* Form::choice(const QString& name, const QStringList& choices,
                        std::function<void(int)> done) {
  auto* field = new WideList;
  field->setMaxVisibleItems(20);
  field->addItems(choices);
  field->setMinimumContentsLength(8);
  field->setFocusPolicy(Qt::StrongFocus);
  field->installEventFilter(new NoWheel(field));
  field->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  connect(field, &QComboBox::activated, field, std::move(done));
  row(name, field);
  return field;
}

QCheckBox* Form::check(const QString& name, std::function<void(bool)> done) {
  auto* field = new QCheckBox(name);
  field->setAccessibleName(name);
  connect(field, &QCheckBox::clicked, field, std::move(done));
  wide(field);
  return field;
}

QPushButton* Form::button(const QString& name, std::function<void()> done) {
  auto* field = new QPushButton(name);
  field->setAutoDefault(true);  // Return works it, too
  field->setAccessibleName(name);
  connect(field, &QPushButton::clicked, field, [done = std::move(done)] { done(); });
  wide(field);
  return field;
}

std::pair<QPushButton*, QPushButton*> Form::buttons(Side left, Side right) {
  auto* row = new QHBoxLayout;
  row->setSpacing(8);
  const auto one = [&](Side& side) {
    auto* button = new QPushButton(side.shortName);
    button->setAutoDefault(true);
    button->setAccessibleName(side.name);
    button->setToolTip(side.name);
    connect(button, &QPushButton::clicked, button, [done = std::move(side.done)] { done(); });
    row->addWidget(button, 1);
    return button;
  };
  auto* first = one(left);
  auto* second = one(right);
  grid_->addLayout(row, rows_++, 0, 1, 2);
  return {first, second};
}

void Form::row(const QString& name, QWidget* field) {
  auto* label = new QLabel(name);
  label->setProperty("quiet", true);
  label->setWordWrap(true);  // a long name takes two lines, not the field's room
  label->setFixedWidth(kNameWidth);
  label->setBuddy(field);
  if (field->accessibleName().isEmpty()) field->setAccessibleName(name);
  grid_->addWidget(label, rows_, 0);
  grid_->addWidget(field, rows_++, 1);
}

void Form::setRowVisible(QWidget* field, bool visible) {
  for (QLabel* label : findChildren<QLabel*>())
    if (label->buddy() == field) label->setVisible(visible);
  field->setVisible(visible);
}

void Form::wide(QWidget* widget) {
  grid_->addWidget(widget, rows_++, 0, 1, 2);
}

void Form::space() {
  grid_->setRowStretch(rows_++, 1);
}

void refill(QLineEdit* field, const QString& plain) {
  const QString unit = field->property("unit").toString();
  const QString text = unit.isEmpty() || plain.isEmpty() || plain.endsWith(unit)
                           ? plain
                           : plain + QLatin1Char(' ') + unit;
  if (field->hasFocus() && field->isModified()) return;
  if (field->text() != text) {
    field->setText(text);
    if (!field->hasFocus()) field->setCursorPosition(0);  // long ones show their beginning
  }
  field->setModified(false);
  mark(field, false);
}

void refill(QComboBox* field, int index) {
  const QSignalBlocker quiet(field);
  field->setCurrentIndex(index);
}

void refill(QComboBox* field, const QStringList& choices, int index) {
  QStringList shown;
  for (int i = 0; i < field->count(); ++i) shown << field->itemText(i);
  const QSignalBlocker quiet(field);
  if (shown != choices) {
    field->clear();
    field->addItems(choices);
  }
  field->setCurrentIndex(index);
}

void refill(QCheckBox* field, bool on) {
  const QSignalBlocker quiet(field);
  field->setChecked(on);
}

}  // namespace bristle
