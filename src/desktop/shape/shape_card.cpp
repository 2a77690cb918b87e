#include "desktop/shape/shape_card.h"

#include "core/edit/settings_edit.h"
#include "core/findings/hit_size.h"
#include "desktop/shape/value_section.h"

#include <QHBoxLayout>
#include <algorithm>

#include "core/edit/button_edits.h"
#include "core/edit/kind_edits.h"
#include "core/edit/state_edits.h"
#include "desktop/view/refused.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

const PartType kAddable[] = {PartType::Shape, PartType::Label, PartType::Marker, PartType::Picture,
                             PartType::Icon};

// Whether the kind's machine is wired so that focused wins over hover.
bool focusWins(const Machine& machine) {
  for (const Transition& t : machine.transitions)
    if (t.from && t.from->text == "hover" && t.on == Event::FocusGain) return true;
  return false;
}

// Whether it is wired as the template is, so that it can be rewired without losing anything.
bool isTemplate(const Machine& machine) {
  const Machine hover = menuButton(machine.id, machine.name, Wins::Hover);
  const Machine focus = menuButton(machine.id, machine.name, Wins::Focused);
  const auto same = [&](const Machine& other) {
    return machine.states == other.states && machine.transitions.size() == other.transitions.size();
  };
  return same(hover) || same(focus);
}

}  // namespace

ShapeCard::ShapeCard(Work& work, Readings& readings) : work_(work) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  form_ = new Form;
  column->addWidget(form_);
  column->addStretch();
  value_ = new ValueSection(work, readings, *form_);
  buildButton(*form_);
  buildState(*form_);
  buildParts(*form_);
  buildKind(*form_);
  buildHitArea(*form_);
  new WhileSeen(work, this, [this] { refresh(); });
  refresh();
}

QString ShapeCard::columnNames() const {
  return value_->columnNames();
}

bool ShapeCard::change(const char* what, std::function<void(Kind&)> apply) {
  return work_.kind() && work_.perform(changeKind(work_.kind()->id, what, {}, std::move(apply)));
}

const State* ShapeCard::state() const {
  const Machine* machine = work_.machine();
  const Column& column = work_.picked().columns.back();
  return machine && column ? findState(*machine, *column) : nullptr;
}

void ShapeCard::buildButton(Form& form) {
  ownHead_ = form.heading(tr("THE PICKED BUTTON"));
  only_ = form.check(QString(), [this](bool on) { work_.pickOnlyButton(on); });
  clearOwn_ = form.button(tr("Clear what is its own"), [this] {
    if (work_.item()) work_.perform(clearOwn(work_.picked().screen, work_.item()->id));
  });
  detach_ = form.button(tr("Detach it from the kind"), [this] {
    if (!work_.item()) return;
    if (work_.perform(detach(work_.picked().screen, work_.item()->id)))
      work_.pickKind(work_.project().kinds.back()->id);
  });
}

void ShapeCard::buildState(Form& form) {
  stateHead_ = form.heading(tr("STATE"));
  stateName_ = form.text(tr("State name"), [this](const QString& text) {
    return state() &&
           work_.perform(renameState(work_.kind()->id, state()->id, fromQt(text.trimmed())));
  });
  role_ = form.choice(
      tr("Role"), {tr("none"), tr("rest"), tr("hover"), tr("press"), tr("focus"), tr("disabled")},
      [this](int i) {
        if (state()) work_.perform(setRole(work_.kind()->id, state()->id, static_cast<Role>(i)));
      });
  takes_ = form.text(tr("Duration into the state"),
                     [this](const QString& t) { return setTiming(t, false); });
  takes_->setToolTip(tr("How long the change into this state takes: ms, or a named duration"));
  easing_ = form.text(tr("Easing"), [this](const QString& t) { return setTiming(t, true); });
  easing_->setToolTip(tr(
      "linear, steps 4, bezier 0.25 0.1 0.25 1, or a named easing, for the way into this state"));
  copyFrom_ = form.choice(tr("Copy look from"), {}, [this](int i) {
    if (i > 0 && work_.kind())
      work_.perform(
          copyColumn(work_.lookOwner(), copyColumns_[size_t(i) - 1], work_.picked().columns));
  });
  copyFrom_->setToolTip(tr("Copies another state’s look into the picked ones, in place"));
  const auto shift = [this](int by) {
    if (state()) work_.perform(moveState(work_.kind()->id, state()->id, by));
  };
  std::tie(left_, right_) =
      form.buttons({tr("Move the state left"), tr("Move left"), [shift] { shift(-1); }},
                   {tr("Move the state right"), tr("Move right"), [shift] { shift(1); }});
  removeState_ = form.button(tr("Remove the state"), [this] {
    if (state()) work_.perform(removeState(work_.kind()->id, state()->id));
  });
  newState_ = form.text(tr("Add a state"), [this](const QString& text) {
    const Kind* kind = work_.kind();
    if (!kind || text.trimmed().isEmpty()) return true;
    const bool done = work_.perform(
        addState(kind->id, fromQt(text.trimmed()), Role::Rest, work_.picked().columns.back()));
    if (!done) return false;
    newState_->clear();
    work_.pickColumns({work_.machine()->states.back().id}, work_.picked().property);
    return true;
  });
  newState_->setPlaceholderText(tr("current, visited, locked…"));
  stateNote_ = form.note(QString());
}

bool ShapeCard::setTiming(const QString& text, bool easing) {
  if (!state() || !work_.machine()) return false;
  Timing timing = timingInto(*work_.machine(), state()->id);
  const Naming names = naming(work_.project());
  std::string expected;
  const auto value =
      parseValue(fromQt(text.trimmed()), easing ? Value(Easing{}) : Value(0.0), &expected, &names);
  const NamedValue* named = nullptr;
  if (value)
    if (const auto* ref = std::get_if<NamedRef>(&*value)) named = names.find(ref->id);
  const auto wanted = easing ? NamedType::Easing : NamedType::Duration;
  if (!value || (named && named->type != wanted)) {
    tellRefused(work_, text, expected);
    return false;
  }
  (easing ? timing.namedEasing : timing.namedDuration) = named ? named->id : NamedId{};
  if (const auto* ms = std::get_if<double>(&*value)) timing.duration = static_cast<Ms>(*ms);
  if (const auto* curve = std::get_if<Easing>(&*value)) timing.easing = *curve;
  return work_.perform(timeState(work_.kind()->id, state()->id, timing));
}

void ShapeCard::buildKind(Form& form) {
  form.heading(tr("KIND"));
  name_ = form.text(tr("Name"), [this](const QString& text) {
    return work_.kind() && work_.perform(renameKind(work_.kind()->id, fromQt(text.trimmed())));
  });
  width_ = form.number(
      tr("Width"), 1, 8000,
      [this](double v) {
        return work_.kind() && work_.perform(resizeKind(work_.kind()->id, v, work_.kind()->height));
      },
      QStringLiteral("px"));
  height_ = form.number(
      tr("Height"), 1, 8000,
      [this](double v) {
        return work_.kind() && work_.perform(resizeKind(work_.kind()->id, work_.kind()->width, v));
      },
      QStringLiteral("px"));
  caption_ = form.text(tr("Sample caption"), [this](const QString& text) {
    return change("change sample caption", [text](Kind& k) { k.sampleCaption = fromQt(text); });
  });
  still_ = form.check(tr("Stands still: no focus, no press"), [this](bool on) {
    change(on ? "let it stand still" : "make it a button", [on](Kind& k) { k.still = on; });
  });
  still_->setToolTip(
      tr("For headings and badges: placed ones show the base look with their words"));
  fits_ = form.check(tr("Wider where a caption needs it"), [this](bool on) {
    change("fit caption", [on](Kind& k) { k.fitsCaption = on; });
  });
  captionPadding_ = form.number(
      tr("Gap to the text"), 0, 1000,
      [this](double v) {
        return change("change caption padding", [v](Kind& k) { k.captionPadding = v; });
      },
      QStringLiteral("px"));
  captionPadding_->setToolTip(tr("px at both sides of a caption that makes the button wider"));
  sizesDiffer_ = form.check(tr("Pictures may differ in size"), [this](bool on) {
    change("allow sizes to differ", [on](Kind& k) { k.sizesDiffer = on; });
  });
  wins_ = form.choice(tr("Stronger look"), {tr("hover"), tr("focused")}, [this](int i) {
    if (work_.kind()) work_.perform(rewire(work_.kind()->id, i ? Wins::Focused : Wins::Hover));
  });
  wins_->setToolTip(tr("Which look shows while the pointer is over a button that has focus"));
}

void ShapeCard::buildHitArea(Form& form) {
  form.heading(tr("HIT AREA"));
  hitForm_ = form.choice(
      tr("Hit area"), {tr("box"), tr("the first shape"), tr("the picture")}, [this](int i) {
        change("change hit area", [i](Kind& k) { k.hitForm = static_cast<HitForm>(i); });
      });
  hit_ = form.number(
      tr("Hit padding"), 0, 200,
      [this](double v) { return change("change hit area", [v](Kind& k) { k.hitPadding = v; }); },
      QStringLiteral("px"));
  alpha_ = form.number(tr("Hit where opacity is over"), 0, 1, [this](double v) {
    return change("change hit area", [v](Kind& k) { k.hitAlpha = v; });
  });
  leastHit_ = form.number(
      tr("Least size"), 1, 400,
      [this](double v) {
        return work_.perform(
            changeSettings("change least hit area", [v](Settings& s) { s.leastHit = v; }));
      },
      QStringLiteral("px"));
  leastHit_->setToolTip(tr("px, for the whole project: 24 by WCAG 2.2, 44 or 48 for touch"));
  hitNote_ = form.note(QString());
}

void ShapeCard::buildParts(Form& form) {
  form.heading(tr("PARTS"));
  partName_ = form.text(tr("Picked part"), [this](const QString& text) {
    const auto& part = work_.picked().property.part;
    return work_.kind() && part &&
           work_.perform(renamePart(work_.kind()->id, part, fromQt(text.trimmed())));
  });
  const auto move = [this](int by) {
    if (work_.kind()) work_.perform(movePart(work_.kind()->id, work_.picked().property.part, by));
  };
  std::tie(backward_, forward_) =
      form.buttons({tr("Send the part back"), tr("↓ Back"), [move] { move(-1); }},
                   {tr("Bring the part forward"), tr("↑ Forward"), [move] { move(1); }});
  removePart_ = form.button(tr("Remove this part"), [this] {
    const PartId part = work_.picked().property.part;
    if (work_.kind() && part) work_.perform(removePart(work_.kind()->id, part));
  });
  partType_ =
      form.choice(tr("New part"),
                  {tr("shape"), tr("label"), tr("marker"), tr("picture"), tr("icon")}, [](int) {});
  form.button(tr("Add part"), [this] {
    if (!work_.kind()) return;
    const int i = partType_->currentIndex();
    const QString name = partType_->currentText();
    const std::vector<Part> before = work_.kind() ? work_.kind()->parts : std::vector<Part>{};
    if (!work_.perform(
            addPart(work_.kind()->id, kAddable[i], fromQt(name.left(1).toUpper() + name.mid(1)))))
      return;
    const auto& parts = work_.kind()->parts;
    const PartId made = std::find_if(parts.begin(), parts.end(), [&](const Part& p) {
                          return std::find(before.begin(), before.end(), p) == before.end();
                        })->id;
    const Prop first = propertiesOf(kAddable[i])[1].prop;
    work_.pickColumns(work_.picked().columns, {made, first == Prop::Form ? Prop::Fill : first});
  });
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
  work_.pickCells({all[size_t((at + by + n) % n)]}, work_.picked().rows, work_.picked().property);
}

void ShapeCard::refreshButton() {
  const Item* item = work_.item();
  const bool placed = item && item->button() && item->button()->kind == work_.picked().kind;
  ownHead_->setVisible(placed);
  only_->setVisible(placed);
  detach_->setVisible(placed);
  clearOwn_->setVisible(placed && !item->button()->own.empty());
  if (!placed) return;
  only_->setText(tr("Edits go to “%1” alone").arg(toQt(displayName(*item))));
  only_->setAccessibleName(tr("Edits go to this button alone"));
  refill(only_, work_.picked().onlyButton);
}

void ShapeCard::refreshState() {
  const State* now = state();
  const Machine* machine = work_.machine();
  const bool any = now != nullptr;
  form_->setRowVisible(stateName_, any);
  form_->setRowVisible(role_, any);
  form_->setRowVisible(takes_, any);
  form_->setRowVisible(easing_, any);
  form_->setRowVisible(copyFrom_, machine != nullptr);
  const bool own = any && machine && now != &machine->states.front();
  left_->setVisible(own && now != &machine->states[1]);
  right_->setVisible(own && now != &machine->states.back());
  removeState_->setVisible(own && whyKept(*machine, *now).empty());
  if (!machine) return;
  if (any) {
    refill(stateName_, toQt(now->name));
    refill(role_, static_cast<int>(now->role));
    const Timing timing = timingInto(*machine, now->id);
    const NamedValue* takes = bristle::find(work_.project(), timing.namedDuration);
    const NamedValue* eases = bristle::find(work_.project(), timing.namedEasing);
    refill(takes_, takes ? toQt(takes->name) : tr("%1 ms").arg(timing.duration));
    refill(easing_, toQt(eases ? eases->name : toText(timing.easing)));
  }
  copyColumns_ = {};
  QStringList names{tr("…")};
  if (any) {
    copyColumns_.push_back({});
    names << tr("the base look");
  }
  for (const State& other : machine->states)
    if (!now || other.id != now->id) {
      copyColumns_.push_back(other.id);
      names << toQt(other.name);
    }
  refill(copyFrom_, names, 0);
  int sharing = 0;
  for (const auto& kind : work_.project().kinds) sharing += kind->machine == machine->id;
  stateNote_->setVisible(sharing > 1);
  stateNote_->setText(tr("%1 kinds share these states.").arg(sharing));
}

void ShapeCard::refreshParts() {
  const Kind& kind = *work_.kind();
  const auto at = std::find_if(kind.parts.begin(), kind.parts.end(),
                               [&](const Part& p) { return p.id == work_.picked().property.part; });
  const bool any = at != kind.parts.end();
  refill(partName_, any ? toQt(at->name) : QString());
  partName_->setEnabled(any);
  removePart_->setEnabled(any);
  forward_->setEnabled(any && at + 1 != kind.parts.end());
  backward_->setEnabled(any && at != kind.parts.begin());
}

void ShapeCard::refresh() {
  const Kind* kind = work_.kind();
  form_->setVisible(kind != nullptr);
  if (!kind) return;
  value_->refresh();
  refreshButton();
  refreshState();
  refreshParts();
  refill(name_, toQt(kind->name));
  refill(width_, QString::number(kind->width));
  refill(height_, QString::number(kind->height));
  refill(caption_, toQt(kind->sampleCaption));
  refill(captionPadding_, QString::number(kind->captionPadding));
  form_->setRowVisible(captionPadding_, kind->fitsCaption);
  refill(hit_, QString::number(kind->hitPadding));
  refill(alpha_, QString::number(kind->hitAlpha));
  refill(leastHit_, QString::number(work_.project().settings.leastHit));
  refill(hitForm_, static_cast<int>(kind->hitForm));
  form_->setRowVisible(hit_, kind->hitForm == HitForm::Box);
  form_->setRowVisible(alpha_, kind->hitForm == HitForm::Alpha);
  const HitExtent area = hitExtent(*kind);
  const Settings& settings = work_.project().settings;
  const bool small = isTooSmallToHit(area, settings);
  hitNote_->setProperty("wrong", small);
  hitNote_->setText(
      small ? tr("%1 × %2 px: smaller than %3 px").arg(area.w).arg(area.h).arg(settings.leastHit)
            : tr("%1 × %2 px").arg(area.w).arg(area.h));
  refill(fits_, kind->fitsCaption);
  refill(still_, kind->still);
  refill(sizesDiffer_, kind->sizesDiffer);
  const bool pictures = std::any_of(kind->parts.begin(), kind->parts.end(),
                                    [](const Part& p) { return p.type == PartType::Picture; });
  sizesDiffer_->setVisible(pictures);
  const Machine* machine = work_.machine();
  form_->setRowVisible(wins_, machine && isTemplate(*machine));
  refill(wins_, machine && focusWins(*machine) ? 1 : 0);
}

}  // namespace bristle
