#include "desktop/shape/value_section.h"

#include "desktop/shape/readings.h"

#include <QFileDialog>
#include <algorithm>

#include "core/edit/kind_edits.h"
#include "core/edit/named_edits.h"
#include "desktop/shape/cells.h"
#include "desktop/shape/swatches.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "paint/fonts.h"
#include "paint/forms.h"

namespace bristle {
ValueSection::ValueSection(Work& work, Readings& readings, Form& form)
    : QObject(&form), work_(work), readings_(readings), form_(form) {
  head_ = form.heading(QString());
  value_ = form.text(tr("Value"), [this](const QString& text) { return setValue(text); });
  choices_ = form.choice(tr("Choose"), {}, [this](int) { setValue(choices_->currentText()); });
  browse_ = form.button(tr("Choose a picture…"), [this] {
    const QString path =
        QFileDialog::getOpenFileName(&form_, tr("Choose a picture"), work_.folder(),
                                     tr("Pictures (*.png *.jpg *.jpeg *.webp *.svg)"));
    if (path.isEmpty()) return;
    const QString inside = QDir(work_.folder()).relativeFilePath(path);
    if (work_.folder().isEmpty() || inside.startsWith(QStringLiteral("..")))
      return work_.tell(tr("Pictures lie in the project’s folder, so that they go where it goes."),
                        true);
    setValue(inside);
  });
  buildColour(form);
  expected_ = form.note(QString());
  buildNames(form);
  contrast_ = form.note(QString());
  contrast_->setToolTip(
      tr("Measured on the picture: the letters against what is painted behind them"));
  nudge_ = form.button(tr("Nudge the contrast"), [this] { nudge(); });
  nudge_->setToolTip(
      tr("Moves the caption’s lightness just as far as needed, in the picked states"));
  fallBack_ = form.button(tr("Back to the base"), [this] { clearCells(work_); });
  connect(&readings, &Readings::changed, this, &ValueSection::showReading);
}

void ValueSection::buildColour(Form& form) {
  stop_ = form.choice(tr("Stop"), {}, [this](int) { refresh(); });
  std::tie(addStop_, removeStop_) =
      form.buttons({tr("Add a stop"), tr("Add a stop"), [this] { changeStops(true); }},
                   {tr("Remove the stop"), tr("Remove it"), [this] { changeStops(false); }});
  picker_ = new Picker;
  form.wide(picker_);
  connect(picker_, &Picker::picked, this, &ValueSection::setColour);
  connect(picker_, &Picker::settled, this, [this] { work_.seal(); });
  swatches_ = new Swatches;
  form.wide(swatches_);
  connect(swatches_, &Swatches::taken, this, &ValueSection::setColour);
}

void ValueSection::buildNames(Form& form) {
  names_ = form.choice(tr("Named value"), {}, [this](int i) {
    if (i > 0 && size_t(i) <= offered_.size())
      if (const NamedValue* named = find(work_.project(), offered_[size_t(i) - 1]))
        setValue(toQt(named->name));
    if (i == 0) {
      // The same value without the name.
      const PropertyInfo* info = infoOf(work_, work_.picked().property);
      if (const auto value = shown(); value && info)
        setValue(toQt(toText(settled(*value, *info, naming(work_.project())))));
    }
  });
  newName_ = form.text(tr("Name it"), [this](const QString& text) {
    if (text.trimmed().isEmpty()) return true;
    const bool done =
        work_.perform(nameCell(work_.lookOwner(), work_.picked().columns.front(),
                               work_.picked().property, fromQt(text.trimmed()), true));
    if (done) newName_->clear();
    return done;
  });
  newName_->setToolTip(tr("Gives the value a name; all cells that hold the same use it then"));
}

std::optional<Value> ValueSection::shown() const {
  const Kind* kind = work_.kind();
  if (!kind || !infoOf(work_, work_.picked().property)) return {};
  return valueIn(*kind, work_.ownLook(), work_.picked().columns.back(), work_.picked().property);
}

std::optional<Colour> ValueSection::colourOf(const Value& raw) const {
  const Value value =
      settled(raw, *infoOf(work_, work_.picked().property), naming(work_.project()));
  if (const auto* colour = std::get_if<Colour>(&value)) return *colour;
  if (const auto* shadow = std::get_if<Shadow>(&value)) return shadow->colour;
  if (const auto* fill = std::get_if<Fill>(&value)) {
    if (fill->stops.empty()) return Colour{128, 128, 128, 255};
    const int at = std::clamp(stop_->currentIndex(), 0, int(fill->stops.size()) - 1);
    return fill->stops[size_t(at)].colour;
  }
  return {};
}

bool ValueSection::setValue(const QString& text) {
  return setLookFromText(work_, work_.picked().columns, work_.picked().rows, text);
}

// Into the colour cell, the picked stop, or the shadow.
void ValueSection::setColour(Colour colour) {
  const auto raw = shown();
  const PropertyInfo* info = infoOf(work_, work_.picked().property);
  if (!raw || !info) return;
  Value value = settled(*raw, *info, naming(work_.project()));
  if (std::holds_alternative<Colour>(value)) {
    value = colour;
  } else if (auto* shadow = std::get_if<Shadow>(&value)) {
    if (*shadow == Shadow{}) *shadow = Shadow{0, 3, 8, 0, colour};
    shadow->colour = colour;
  } else if (auto* fill = std::get_if<Fill>(&value)) {
    if (const auto* held = std::get_if<Fill>(&*raw)) *fill = *held;  // other stops keep their names
    if (fill->stops.empty()) *fill = Fill::solid(colour);
    const int at = std::clamp(stop_->currentIndex(), 0, int(fill->stops.size()) - 1);
    fill->stops[size_t(at)].colour = colour;
    fill->stops[size_t(at)].named = {};
  } else {
    return;
  }
  work_.perform(setLook(work_.lookOwner(), work_.picked().columns, work_.picked().property, value));
}

void ValueSection::changeStops(bool add) {
  const auto raw = shown();
  const PropertyInfo* info = infoOf(work_, work_.picked().property);
  if (!raw || !info) return;
  Value value = settled(*raw, *info, naming(work_.project()));
  auto* fill = std::get_if<Fill>(&value);
  if (!fill || (add && fill->stops.size() >= 32)) return;
  const auto at = size_t(std::max(0, stop_->currentIndex()));
  if (add) {
    if (fill->stops.empty()) *fill = Fill::solid({128, 128, 128, 255});
    if (fill->type == FillType::Solid) {
      const Lch base = toLch(fill->stops[0].colour);
      *fill = Fill::linear(
          90, {{0, fill->stops[0].colour}, {1, fromLch({base.l * 0.7, base.c, base.h})}});
    } else {
      const size_t next = std::min(at + 1, fill->stops.size() - 1);
      const size_t from = next == at ? at - 1 : at;
      const Stop middle{(fill->stops[from].at + fill->stops[next].at) / 2,
                        mix(fill->stops[from].colour, fill->stops[next].colour, 0.5)};
      fill->stops.insert(fill->stops.begin() + std::ptrdiff_t(from) + 1, middle);
    }
  } else if (fill->stops.size() > 1 && at < fill->stops.size()) {
    fill->stops.erase(fill->stops.begin() + std::ptrdiff_t(at));
    if (fill->stops.size() == 1) *fill = Fill::solid(fill->stops[0].colour);
  }
  work_.perform(setLook(work_.lookOwner(), work_.picked().columns, work_.picked().property, value));
}

QString ValueSection::columnNames() const {
  QStringList names;
  const Machine* machine = work_.machine();
  for (const Column& column : work_.picked().columns) {
    const State* state = column && machine ? findState(*machine, *column) : nullptr;
    names << (state ? toQt(state->name) : tr("base look"));
  }
  return names.join(tr(" and "));
}

// The caption of the last picked state, against what is really painted behind it.
void ValueSection::showReading() {
  const Column& column = work_.picked().columns.back();
  const CaptionContrast* read = readings_.of(column);
  contrast_->setVisible(read != nullptr);
  nudge_->setVisible(readings_.weak(column));
  if (!read) return;
  const double wanted = readings_.wanted(column);
  nudge_->setText(tr("Nudge to %1 : 1").arg(wanted));
  const QString figure = tr("Caption’s contrast %1 : 1").arg(read->ratio, 0, 'f', 1);
  contrast_->setText(figure + (wanted > 0 ? tr(", wanted %1").arg(wanted)
                                          : tr("; none is asked of a disabled state")));
}

void ValueSection::nudge() {
  const Kind* kind = work_.kind();
  const auto table = work_.lookTable();
  if (!kind || !table) return;
  std::vector<CellChange> cells;
  for (const Column& column : work_.picked().columns) {
    const auto found = readings_.measured(column);
    if (!found || found->ratio >= readings_.wanted(column)) continue;
    for (const Part& part : kind->parts) {
      if (part.type != PartType::Label) continue;
      const PropKey key{part.id, Prop::Colour};
      const Colour text = std::get<Colour>((*readings_.look(column))[size_t(table->channel(key))]);
      cells.push_back({column, key, nudged(text, found->behind, readings_.wanted(column))});
      break;
    }
  }
  if (!cells.empty())
    work_.perform(changeCells(work_.lookOwner(), std::move(cells), "nudge contrast"));
}

void ValueSection::refresh() {
  const Kind* kind = work_.kind();
  const PropertyInfo* i = infoOf(work_, work_.picked().property);
  const auto value = shown();
  if (!kind || !i || !value) return;
  QString part = tr("Whole");
  for (const Part& p : kind->parts)
    if (p.id == work_.picked().property.part) part = toQt(p.name);
  head_->setText(
      tr("%1 · %2 · %3").arg(part, toQt(std::string(i->label)), columnNames()).toUpper());
  const Naming names = naming(work_.project());
  const QString text = toQt(toText(*value, &names));
  refill(value_, text);
  QStringList choices;
  if (std::holds_alternative<bool>(i->start)) choices = {tr("yes"), tr("no")};
  if (!i->choices.empty()) choices = toQt(std::string(i->choices)).split(QLatin1Char('|'));
  if (i->prop == Prop::Icon)
    for (const std::string& icon : iconNames()) choices << toQt(icon);
  const bool typed = choices.isEmpty() || i->prop == Prop::Icon;
  form_.setRowVisible(choices_, !choices.isEmpty());
  form_.setRowVisible(value_, typed);
  refill(choices_, choices, int(choices.indexOf(text)));
  browse_->setVisible(i->prop == Prop::File);
  const auto colour = colourOf(*value);
  picker_->setVisible(colour.has_value());
  swatches_->setVisible(colour.has_value());
  if (swatches_->isVisible() || colour) swatches_->setColours(coloursOf(work_.project(), 24));
  const Value plain = settled(*value, *i, names);
  const auto* fill = std::get_if<Fill>(&plain);
  const int stops = fill ? int(fill->stops.size()) : 0;
  if (stop_->count() != std::max(stops, 1)) {
    const int at = stop_->currentIndex();
    stop_->clear();
    for (int s = 1; s <= std::max(stops, 1); ++s)
      stop_->addItem(tr("%1 of %2").arg(s).arg(std::max(stops, 1)));
    stop_->setCurrentIndex(std::clamp(at, 0, std::max(stops, 1) - 1));
  }
  form_.setRowVisible(stop_, stops > 1);
  addStop_->setVisible(fill != nullptr);
  removeStop_->setVisible(stops > 1);
  if (colour) picker_->setColour(*colour);
  const QString note = noteOn(*i, plain, typed && !colour);
  expected_->setText(note);
  expected_->setVisible(!note.isEmpty());
  refreshNames(*i, *value, stops);
  fallBack_->setText(work_.ownLook() ? tr("Back to its kind") : tr("Back to the base"));
  fallBack_->setAccessibleName(fallBack_->text());
  showReading();
}

// What may be typed, or what is to be known of a font or a picture.
QString ValueSection::noteOn(const PropertyInfo& info, const Value& plain, bool typed) {
  std::string wanted;
  parseValue("?", info.start, &wanted);
  QString note = wanted.empty() || !typed ? QString() : tr("Takes %1").arg(toQt(wanted));
  if (info.prop == Prop::Family)
    if (const QString other = standInFor(std::get<std::string>(plain)); !other.isEmpty())
      note = tr("This font is not on this machine; “%1” stands in for it.").arg(other);
  if (info.prop == Prop::File) {
    const auto& picture = work_.looks().pictures().get(std::get<std::string>(plain));
    note = picture.problem.isEmpty()
               ? tr("%1 × %2 px").arg(picture.image.width()).arg(picture.image.height())
               : picture.problem;
    // A rollover of another size than the rest makes the button jump.
    const Value rest =
        settled(baseValue(*work_.kind(), work_.picked().property), info, naming(work_.project()));
    const auto& base = work_.looks().pictures().get(std::get<std::string>(rest));
    if (!work_.kind()->sizesDiffer && picture.problem.isEmpty() && base.problem.isEmpty() &&
        picture.image.size() != base.image.size())
      note += tr(", but the base’s picture is %1 × %2 px")
                  .arg(base.image.width())
                  .arg(base.image.height());
  }
  return note;
}

// The named values that could stand here.
void ValueSection::refreshNames(const PropertyInfo& info, const Value& value, int stops) {
  QStringList all{tr("none")};
  int chosen = 0;
  offered_.clear();
  NamedId used;
  eachName(value, [&](const NamedId& id) { used = id; });
  for (const NamedValue& named : *work_.project().named) {
    if (!fits(named.type, info)) continue;
    offered_.push_back(named.id);
    all << toQt(named.name);
    if (named.id == used && stops < 2) chosen = int(offered_.size());
  }
  refill(names_, all, chosen);
  const bool nameable =
      !std::holds_alternative<bool>(info.start) &&
      (!std::holds_alternative<std::string>(info.start) || info.prop == Prop::Family);
  form_.setRowVisible(names_, nameable && !offered_.empty());
  form_.setRowVisible(newName_, nameable && chosen == 0);
}

}  // namespace bristle
