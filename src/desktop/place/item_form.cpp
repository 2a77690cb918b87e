#include "desktop/place/item_form.h"

#include <QVBoxLayout>

#include "core/arrange/place_at.h"
#include "core/edit/screen_edits.h"
#include "desktop/derive/place_watch.h"
#include "desktop/place/change_kind.h"
#include "desktop/place/container_form.h"
#include "desktop/place/decor_form.h"
#include "desktop/place/group_form.h"
#include "desktop/place/pin_form.h"
#include "desktop/place/prompt_row.h"
#include "desktop/place/size_form.h"
#include "desktop/view/action_form.h"
#include "desktop/view/condition_text.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

ItemForm::ItemForm(Work& work, const PlaceWatch& watch) : work_(work), watch_(watch) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(0);
  const auto add = [&](void (ItemForm::*build)(Form&)) {
    auto* form = new Form;
    (this->*build)(*form);
    form->layout()->setContentsMargins(16, 4, 16, 4);
    column->addWidget(form);
    return form;
  };
  auto* top = new Form;
  head_ = top->heading(QString());
  faults_ = top->note(QString());
  faults_->setProperty("quiet", false);
  faults_->setProperty("wrong", true);
  lock_ = top->button(tr("Lock it"), [this] { change("lock", [](Item& i) { i.locked = true; }); });
  connect(&watch, &PlaceWatch::changed, this, &ItemForm::showFaults);
  top->layout()->setContentsMargins(16, 12, 16, 2);
  column->addWidget(top);
  buttonForm_ = add(&ItemForm::buildButton);
  column->addWidget(containerForm_ = new ContainerForm(work));
  column->addWidget(decorForm_ = new DecorForm(work));
  placeForm_ = add(&ItemForm::buildPlace);
  column->addWidget(groupForm_ = new GroupForm(work));
  new WhileSeen(work, this, [this] { refresh(); });
  refresh();
}

ItemForm::~ItemForm() = default;

bool ItemForm::change(const char* name, std::function<void(Item&)> apply) {
  return work_.screen() && work_.perform(changeItems(work_.screen()->id, work_.picked().items, name,
                                                     {}, std::move(apply)));
}

// A field for one of a button's texts, in the language that is shown.
QLineEdit* ItemForm::words(Form& form, const QString& name, const char* edit,
                           Text ButtonData::*which) {
  return form.text(name, [this, edit, which](const QString& typed) {
    return change(edit,
                  [=, languages = work_.project().languages, in = work_.language().id](Item& i) {
                    if (auto* b = i.button()) setWords(languages, b->*which, in, fromQt(typed));
                  });
  });
}

QLineEdit* ItemForm::condition(Form& form, const QString& name, const char* edit,
                               std::function<void(Item&, const std::string&)> set) {
  return conditionText(
      work_, form, name, [this] { return work_.picked().screen; },
      [this, edit, set = std::move(set)](const std::string& it) {
        return change(edit, [set, it](Item& i) { set(i, it); });
      });
}

void ItemForm::buildButton(Form& form) {
  caption_ = words(form, tr("Caption"), "change caption", &ButtonData::caption);
  accessible_ =
      words(form, tr("Accessible name"), "change accessible name", &ButtonData::accessibleName);
  accessible_->setToolTip(tr("What a screen reader says; empty: the caption"));
  description_ = words(form, tr("Description"), "change description", &ButtonData::description);
  description_->setToolTip(
      tr("What a screen reader may add, for example what the button leads to"));
  kind_ = form.choice(tr("Kind"), {}, [this](int index) {
    const KindId kind = work_.project().kinds[size_t(index)]->id;
    if (work_.screen()) changeKind(work_, work_.picked().items, kind);
  });
  prompt_ = std::make_unique<PromptRow>(work_, form, [this](const std::optional<Prompt>& prompt) {
    change("change what the icon shows", [prompt](Item& i) {
      if (auto* b = i.button()) b->prompt = prompt;
    });
  });
  disabled_ = form.check(tr("Disabled at first"), [this](bool on) {
    change(on ? "disable" : "enable", [on](Item& i) {
      if (auto* b = i.button()) b->disabled = on;
    });
  });
  enabledWhen_ = condition(form, tr("Enabled if"), "change when it is enabled",
                           [](Item& i, const std::string& it) {
                             if (auto* b = i.button()) b->when.enabled = it;
                           });
  currentWhen_ = condition(form, tr("Current if"), "change when it is current",
                           [](Item& i, const std::string& it) {
                             if (auto* b = i.button()) b->when.current = it;
                           });
  currentWhen_->setPlaceholderText(tr("it leads to what is shown"));
  entry_ = form.check(tr("Focus starts here"), [this](bool on) {
    if (work_.item()) work_.perform(setEntry(work_.screen()->id, on ? work_.item()->id : ItemId{}));
  });
  buildAction(form);
}

void ItemForm::buildAction(Form& form) {
  action_ = new ActionForm(work_, form,
                           [this](const char* name, const std::function<void(Actions&)>& apply) {
                             return change(name, [apply](Item& i) {
                               if (auto* b = i.button()) apply(b->actions);
                             });
                           });
}

void ItemForm::buildPlace(Form& form) {
  form.heading(tr("PLACE"));
  holder_ = form.button(tr("Pick what holds it"), [this] {
    Q_EMIT goesOn();
    if (work_.item() && work_.item()->parent) work_.pickItems({work_.item()->parent});
  });
  form.wide(pins_ = new PinForm(work_));
  form.wide(sizes_ = new SizeForm(work_));
  locked_ = form.check(tr("Locked: not picked by mistake"), [this](bool on) {
    change(on ? "lock" : "unlock", [on](Item& i) { i.locked = on; });
  });
  hidden_ = form.check(tr("Hidden"), [this](bool on) {
    change(on ? "hide" : "show", [on](Item& i) { i.hidden = on; });
  });
  hidden_->setToolTip(tr("In the menu, until an action shows it"));
  shownWhen_ = condition(form, tr("Shown if"), "change when it is shown",
                         [](Item& i, const std::string& it) { i.shownWhen = it; });
}

void ItemForm::editCaption() {
  caption_->setFocus();
  caption_->selectAll();
}

void ItemForm::refreshButton(const ButtonData& button) {
  const auto show = [this](QLineEdit* field, const Text& text) {
    const auto& languages = work_.project().languages;
    const LanguageId& in = work_.language().id;
    const QString words = toQt(wordsIn(languages, text, in));
    const bool own = hasWords(languages, text, in);
    refill(field, own ? words : QString());
    field->setPlaceholderText(own ? QString() : words);  // what it falls back to
  };
  show(caption_, button.caption);
  show(accessible_, button.accessibleName);
  show(description_, button.description);
  QStringList kinds;
  int kind = -1;
  for (const auto& k : work_.project().kinds) {
    if (k->id == button.kind) kind = int(kinds.size());
    kinds << toQt(k->name);
  }
  refill(kind_, kinds, kind);
  const Kind* is = bristle::find(work_.project(), button.kind);
  const bool still = is && is->still;  // has neither focus nor an action
  still ? action_->hide() : action_->show(button.actions, work_.screen());
  for (QCheckBox* box : {disabled_, entry_}) box->setVisible(!still);
  for (QLineEdit* each : {enabledWhen_, currentWhen_}) buttonForm_->setRowVisible(each, !still);
  prompt_->refresh(button);
  refill(disabled_, button.disabled);
  refillCondition(work_, enabledWhen_, button.when.enabled);
  refillCondition(work_, currentWhen_, button.when.current);
  refill(entry_, work_.screen()->entry == work_.item()->id);
}

void ItemForm::refreshPlace() {
  const Item& item = *work_.item();
  sizes_->refresh();
  refill(locked_, item.locked);
  refill(hidden_, item.hidden);
  refillCondition(work_, shownWhen_, item.shownWhen);
  // In a container that keeps an order the container decides where it is.
  const bool free = isLoose(*work_.screen(), item);
  holder_->setVisible(!item.parent.text.empty());
  pins_->setVisible(free);
  if (free) pins_->refresh();
}

// What is wrong with the picked item where it is shown.
void ItemForm::showFaults() {
  const Item* item = work_.item();
  QStringList lines;
  bool lockable = false;
  if (item && work_.display())
    for (const auto& fault :
         watch_.of(work_.picked().screen, work_.display()->id, work_.language().id)) {
      if (fault.item != item->id) continue;
      lines << toQt(fault.words);
      lockable |= fault.sort == PlaceFaultSort::Unlocked && !item->locked;
    }
  if (!lines.isEmpty()) lines.front()[0] = lines.front()[0].toUpper();
  faults_->setText(lines.join(QStringLiteral("; ")));
  faults_->setVisible(!lines.isEmpty());
  lock_->setVisible(lockable);
}

void ItemForm::refresh() {
  const Item* item = work_.item();
  if (!item) return;
  const auto count = work_.picked().items.size();
  head_->setText(count > 1 ? tr("%1 PICKED, FIRST “%2”").arg(count).arg(toQt(displayName(*item)))
                           : toQt(displayName(*item)).toUpper());
  const auto* button = item->button();
  const auto* container = item->container();
  buttonForm_->setVisible(button);
  containerForm_->setVisible(container);
  decorForm_->setVisible(!button && !container);
  if (button) refreshButton(*button);
  if (container) containerForm_->show(*container);
  if (!button && !container) decorForm_->show(*item);
  refreshPlace();
  groupForm_->refresh();
  showFaults();
}

}  // namespace bristle
