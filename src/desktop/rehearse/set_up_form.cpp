#include "desktop/rehearse/set_up_form.h"

#include "desktop/rehearse/rehearsal.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

SetUpForm::SetUpForm(Work& work, Rehearsal& rehearsal, QWidget* parent)
    : QWidget(parent), work_(work), rehearsal_(rehearsal) {
  column_ = new QVBoxLayout(this);
  column_->setContentsMargins(0, 0, 0, 0);
  column_->setSpacing(0);
  auto* form = new Form;
  buildShown(*form);
  column_->addWidget(form);
  makeValues();
  column_->addStretch();
}

void SetUpForm::buildShown(Form& form) {
  form.heading(tr("SHOWN"));
  display_ = form.choice(tr("Display"), {}, [this](int i) {
    work_.pickDisplay(work_.project().displays[size_t(i)].id);
    Q_EMIT changed();
  });
  language_ = form.choice(tr("Language"), {}, [this](int i) {
    work_.pickLanguage(work_.project().languages[size_t(i)].id);
    Q_EMIT changed();
  });
  dark_ = form.check(tr("Dark set"), [this](bool on) {
    SetUp setUp = rehearsal_.setUp();
    setUp.dark = on;
    rehearsal_.setUp(setUp);
    Q_EMIT changed();
  });
  dark_->setToolTip(tr("Named values show their dark side; the project stays as it is"));
  rightToLeft_ = form.check(tr("Right to left"), [this](bool on) {
    SetUp setUp = rehearsal_.setUp();
    setUp.rightToLeft = on;
    rehearsal_.setUp(setUp);
    Q_EMIT changed();
  });
  rightToLeft_->setToolTip(tr("Whichever way the language is read"));
  reduced_ = form.check(tr("Reduced motion"), [this](bool on) { rehearsal_.setReducedMotion(on); });
  reduced_->setToolTip(tr("As those see it who asked for less motion: nothing takes time"));
  here_ = form.check(tr("Begins on the screen in hand"), [this](bool) { Q_EMIT changed(); });
  here_->setChecked(true);
  here_->setToolTip(tr("Otherwise where the menu opens"));
}

// A row for each value of the project: a mark, a number or a choice, as it is.
void SetUpForm::makeValues() {
  made_ = work_.project().values;
  rows_.clear();
  if (values_) values_->deleteLater();
  values_ = nullptr;
  if (made_.empty()) return;
  values_ = new Form;
  values_->heading(tr("VALUES AT THE START"));
  for (const ProjectValue& value : made_) {
    const ValueId id = value.id;
    const QString name = toQt(value.name);
    QWidget* field = nullptr;
    if (value.sort == ValueSort::Flag) {
      field = values_->check(name, [this, id](bool on) { setStart(id, on ? 1 : 0); });
    } else if (value.sort == ValueSort::Choice) {
      QStringList options;
      for (const std::string& option : value.options) options << toQt(option);
      auto* choice = values_->choice(name, {}, [this, id](int i) { setStart(id, i); });
      choice->addItems(options);
      field = choice;
    } else {
      field = values_->number(name, -1e12, 1e12, [this, id](double v) {
        setStart(id, v);
        return true;
      });
    }
    rows_.push_back({id, field});
  }
  values_->button(tr("As in the project"), [this] {
    SetUp setUp = rehearsal_.setUp();
    setUp.starts.clear();
    rehearsal_.setUp(setUp);
    Q_EMIT changed();
  });
  column_->insertWidget(1, values_);
}

void SetUpForm::setStart(const ValueId& id, double start) {
  SetUp setUp = rehearsal_.setUp();
  setUp.starts[id] = start;
  rehearsal_.setUp(setUp);
  Q_EMIT changed();
}

void SetUpForm::refresh() {
  const Project& project = work_.project();
  if (project.values != made_) makeValues();
  QStringList displays, languages;
  int display = 0, language = 0;
  for (const Display& each : project.displays) {
    if (work_.display() && each.id == work_.display()->id) display = int(displays.size());
    displays << toQt(each.name);
  }
  for (const Language& each : project.languages) {
    if (each.id == work_.language().id) language = int(languages.size());
    languages << toQt(each.name);
  }
  refill(display_, displays, display);
  refill(language_, languages, language);
  const SetUp& setUp = rehearsal_.setUp();
  refill(dark_, setUp.dark.value_or(project.settings.darkSet));
  refill(rightToLeft_, setUp.rightToLeft.value_or(work_.language().rightToLeft));
  for (const Row& row : rows_) {
    const ProjectValue* value = bristle::find(project, row.id);
    const auto own = setUp.starts.find(row.id);
    const double start = within(*value, own == setUp.starts.end() ? value->start : own->second);
    if (auto* mark = qobject_cast<QCheckBox*>(row.field)) refill(mark, start != 0);
    if (auto* choice = qobject_cast<QComboBox*>(row.field)) refill(choice, int(start));
    if (auto* number = qobject_cast<QLineEdit*>(row.field)) refill(number, QString::number(start));
  }
}

}  // namespace bristle
