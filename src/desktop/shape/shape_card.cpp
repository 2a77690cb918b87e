#include "desktop/shape/shape_card.h"

#include <QHBoxLayout>

#include "desktop/shape/ledger_model.h"
#include "desktop/shape/swatches.h"
#include "paint/convert.h"

namespace bristle {
namespace {

const PartType kAddable[] = {PartType::Shape, PartType::Label, PartType::Marker, PartType::Picture};

// Whether the kind's machine is wired so that focused wins over hover.
bool focusWins(const Machine& machine) {
  for (const Transition& t : machine.transitions)
    if (t.from && t.from->text == "hover" && t.on == Event::FocusGain) return true;
  return false;
}

}  // namespace

ShapeCard::ShapeCard(Work& work) : work_(work) {
  build();
  connect(&work, &Work::changed, this, &ShapeCard::refresh);
  connect(&work, &Work::pickedChanged, this, &ShapeCard::refresh);
  refresh();
}

void ShapeCard::build() {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  auto* form = form_ = new Form;
  column->addWidget(form);
  column->addStretch();
  valueHead_ = form->heading(QString());
  value_ = form->text(tr("Value"), [this](const QString& text) { return setValue(text); });
  choices_ = form->choice(tr("Choose"), {}, [this](int) { setValue(choices_->currentText()); });
  swatches_ = new Swatches;
  form->wide(swatches_);
  connect(swatches_, &Swatches::taken, this, [this](Colour colour) {
    const PropertyInfo* i = info();
    if (!i) return;
    if (std::holds_alternative<Colour>(i->start) || std::holds_alternative<Fill>(i->start))
      setValue(toQt(toHex(colour)));
  });
  expected_ = form->note(QString());
  fallBack_ = form->button(tr("Back to the base"), [this] {
    if (work_.kind())
      work_.perform(clearLook(work_.kind()->id, work_.picked().columns, work_.picked().property));
  });
  buildKind(*form);
  buildParts(*form);
}

void ShapeCard::buildKind(Form& form) {
  form.heading(tr("KIND"));
  name_ = form.text(tr("Name"), [this](const QString& text) {
    return work_.kind() && work_.perform(renameKind(work_.kind()->id, fromQt(text.trimmed())));
  });
  width_ = form.number(tr("Width"), 1, 8000, [this](double v) {
    return work_.kind() && work_.perform(resizeKind(work_.kind()->id, v, work_.kind()->height));
  });
  height_ = form.number(tr("Height"), 1, 8000, [this](double v) {
    return work_.kind() && work_.perform(resizeKind(work_.kind()->id, work_.kind()->width, v));
  });
  const auto change = [this](const char* what, std::function<void(Kind&)> apply) {
    return work_.kind() && work_.perform(changeKind(work_.kind()->id, what, {}, std::move(apply)));
  };
  caption_ = form.text(tr("Sample"), [=](const QString& text) {
    return change("change sample caption", [text](Kind& k) { k.sampleCaption = fromQt(text); });
  });
  hit_ = form.number(tr("Hit padding"), 0, 200, [=](double v) {
    return change("change hit area", [v](Kind& k) { k.hitPadding = v; });
  });
  fits_ = form.check(tr("Wider where a caption needs it"), [=](bool on) {
    change("fit caption", [on](Kind& k) { k.fitsCaption = on; });
  });
  wins_ = form.choice(tr("Stronger look"), {tr("hover"), tr("focused")}, [this](int i) {
    if (work_.kind()) work_.perform(rewire(work_.kind()->id, i ? Wins::Focused : Wins::Hover));
  });
  wins_->setToolTip(tr("Which look shows while the pointer is over a button that has focus"));
}

void ShapeCard::buildParts(Form& form) {
  form.heading(tr("PARTS"));
  partName_ = form.text(tr("Picked part"), [this](const QString& text) {
    const auto& part = work_.picked().property.part;
    return work_.kind() && part &&
           work_.perform(renamePart(work_.kind()->id, part, fromQt(text.trimmed())));
  });
  removePart_ = form.button(tr("Remove this part"), [this] {
    const PartId part = work_.picked().property.part;
    if (work_.kind() && part) work_.perform(removePart(work_.kind()->id, part));
  });
  partType_ =
      form.choice(tr("Add a"), {tr("shape"), tr("label"), tr("marker"), tr("picture")}, [](int) {});
  form.button(tr("Add part"), [this] {
    if (!work_.kind()) return;
    const int i = partType_->currentIndex();
    const QString name = partType_->currentText();
    work_.perform(
        addPart(work_.kind()->id, kAddable[i], fromQt(name.left(1).toUpper() + name.mid(1))));
  });
}

const PropertyInfo* ShapeCard::info() const {
  const Kind* kind = work_.kind();
  if (!kind) return nullptr;
  const PartType* type = partType(*kind, work_.picked().property.part);
  return type ? findProperty(*type, work_.picked().property.prop) : nullptr;
}

bool ShapeCard::setValue(const QString& text) {
  return setLookFromText(work_, work_.picked().columns, work_.picked().property, text);
}

QString ShapeCard::columnNames() const {
  QStringList names;
  const Machine* machine = work_.machine();
  for (const Column& column : work_.picked().columns) {
    const State* state = column && machine ? findState(*machine, *column) : nullptr;
    names << (state ? toQt(state->name) : tr("base look"));
  }
  return names.join(tr(" and "));
}

void ShapeCard::step(int by) {
  const Machine* machine = work_.machine();
  if (!machine) return;
  std::vector<Column> all{Column{}};
  for (const State& state : machine->states) all.push_back(state.id);
  const auto& now = work_.picked().columns;
  int at = 0;
  for (size_t i = 0; i < all.size(); ++i)
    if (all[i] == now.front()) at = static_cast<int>(i);
  const int n = static_cast<int>(all.size());
  work_.pickColumns({all[size_t((at + by + n) % n)]}, work_.picked().property);
}

void ShapeCard::refreshValue() {
  const Kind* kind = work_.kind();
  const PropertyInfo* i = info();
  const Picked& picked = work_.picked();
  for (QWidget* w : {static_cast<QWidget*>(value_), static_cast<QWidget*>(fallBack_)})
    w->setEnabled(i);
  if (!kind || !i) {
    valueHead_->setText(tr("PICK A CELL"));
    form_->setRowVisible(choices_, false);
    return;
  }
  QString part = tr("Whole");
  for (const Part& p : kind->parts)
    if (p.id == picked.property.part) part = toQt(p.name);
  valueHead_->setText(
      tr("%1 · %2 · %3").arg(part, toQt(std::string(i->label)), columnNames()).toUpper());
  const Column column = picked.columns.front();
  const Value value =
      column ? valueIn(*kind, *column, picked.property) : baseValue(*kind, picked.property);
  refill(value_, toQt(toText(value)));
  QStringList choices;
  if (std::holds_alternative<bool>(i->start))
    choices << QStringLiteral("yes") << QStringLiteral("no");
  if (!i->choices.empty()) choices = toQt(std::string(i->choices)).split(QLatin1Char('|'));
  if (choices_->count() != choices.size() ||
      (choices.size() && choices_->itemText(0) != choices[0])) {
    choices_->clear();
    choices_->addItems(choices);
  }
  form_->setRowVisible(choices_, !choices.isEmpty());
  form_->setRowVisible(value_, choices.isEmpty());
  expected_->setVisible(choices.isEmpty());
  swatches_->setVisible(std::holds_alternative<Colour>(i->start) ||
                        std::holds_alternative<Fill>(i->start));
  refill(choices_, int(choices.indexOf(toQt(toText(value)))));
  std::string wanted;
  parseValue("?", i->start, &wanted);
  expected_->setText(wanted.empty() ? QString() : tr("Takes %1").arg(toQt(wanted)));
  fallBack_->setEnabled(true);
}

void ShapeCard::refresh() {
  const Kind* kind = work_.kind();
  form_->setVisible(kind != nullptr);
  refreshValue();
  swatches_->setColours(coloursOf(work_.project(), 24));
  if (!kind) return;
  refill(name_, toQt(kind->name));
  refill(width_, QString::number(kind->width));
  refill(height_, QString::number(kind->height));
  refill(caption_, toQt(kind->sampleCaption));
  refill(hit_, QString::number(kind->hitPadding));
  refill(fits_, kind->fitsCaption);
  const Machine* machine = work_.machine();
  refill(wins_, machine && focusWins(*machine) ? 1 : 0);
  QString part;
  for (const Part& p : kind->parts)
    if (p.id == work_.picked().property.part) part = toQt(p.name);
  refill(partName_, part);
  partName_->setEnabled(!part.isEmpty());
  removePart_->setEnabled(!part.isEmpty());
}

}  // namespace bristle
