#include "desktop/motion/motion_card.h"

#include <QDir>
#include <QVBoxLayout>
#include <cmath>

#include "core/edit/machine_edits.h"
#include "desktop/motion/event_choice.h"
#include "desktop/motion/graph_view.h"
#include "desktop/view/sound_rows.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr double kMostMs = 600'000;

const Effect* effectOf(const Transition& t, EffectType type) {
  for (const Effect& e : t.effects)
    if (e.type == type) return &e;
  return nullptr;
}

}  // namespace

MotionCard::MotionCard(Work& work, MotionView& view) : work_(work), view_(view) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  form_ = new Form;
  column->addWidget(form_);
  column->addStretch();
  head_ = form_->heading(QString());
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Transitions, in the order in which they answer"));
  list_->setFixedHeight(112);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  form_->wide(list_);
  connect(list_, &QListWidget::currentRowChanged, this, [this](int row) {
    if (!filling_ && row >= 0 && size_t(row) < shown_.size())
      view_.pickTransition(shown_[size_t(row)]);
  });
  std::tie(earlier_, later_) =
      form_->buttons({tr("Answers earlier"), tr("↑ Earlier"), [this] { reorder(-1); }},
                     {tr("Answers later"), tr("↓ Later"), [this] { reorder(1); }});
  form_->button(tr("Add a transition"), [this] { addOne(); });
  buildTransition();
  buildEffects();
  timing_ = new TimingSection(work, view, *form_);
  buildMachine();
  new WhileSeen(work, this, [this] { refresh(); });
  connect(&view, &MotionView::picked, this, &MotionCard::refresh);
  refresh();
}

void MotionCard::buildTransition() {
  about_ = form_->heading(QString());
  on_ = form_->choice(tr("Event"), eventNames(), [this](int i) {
    change("change event", [i](Transition& t) { setEvent(t, i); });
  });
  after_ = form_->number(
      tr("Time in the state"), 0, kMostMs,
      [this](double ms) { return change("change time", [&](Transition& t) { t.after = Ms(ms); }); },
      QStringLiteral("ms"));
  message_ = form_->text(tr("Message"), [this](const QString& text) {
    return change("change message", [&](Transition& t) { t.message = fromQt(text.trimmed()); });
  });
  guard_ = form_->text(tr("Guard"), [this](const QString& text) {
    return change("change guard", [&](Transition& t) { t.guard = fromQt(text.trimmed()); });
  });
  guard_->setToolTip(
      tr("A formula: over, armed, down, focus, enabled, current, @values, numbers, not, and, or, = "
         "< >"));
  guard_->setPlaceholderText(tr("always"));
  to_ = form_->choice(tr("Target state"), {}, [this](int i) {
    const StateId to = work_.machine()->states[size_t(i)].id;
    change("change target", [&](Transition& t) { t.to = to; });
  });
}

void MotionCard::buildEffects() {
  activates_ = form_->check(tr("Activates the button"), [this](bool on) {
    setEffect(EffectType::Activate, on, {.type = EffectType::Activate});
  });
  sends_ = form_->text(tr("Message sent"), [this](const QString& text) {
    const std::string message = fromQt(text.trimmed());
    setEffect(EffectType::Message, !message.empty(),
              {.type = EffectType::Message, .message = message});
    return true;
  });
  sends_->setPlaceholderText(tr("no message"));
  sets_ = form_->choice(tr("Value set"), {}, [this](int i) {
    const auto& values = work_.project().values;
    if (i > 0 && size_t(i) <= values.size())
      setEffect(EffectType::SetValue, true,
                {.type = EffectType::SetValue, .value = values[size_t(i) - 1].id, .formula = "1"});
    if (i == 0) setEffect(EffectType::SetValue, false, {});
  });
  setTo_ = form_->text(tr("New value"), [this](const QString& text) {
    const Transition* t = picked();
    const Effect* old = t ? effectOf(*t, EffectType::SetValue) : nullptr;
    if (!old) return false;
    Effect now = *old;
    now.formula = fromQt(text.trimmed());
    return change("change value", [&](Transition& each) {
      for (Effect& e : each.effects)
        if (e.type == EffectType::SetValue) e = now;
    });
  });
  sound_ = new SoundRows(work_, *form_, [this](const std::string& file, double volume) {
    Effect sound;
    sound.type = EffectType::Sound;
    sound.file = file;
    sound.volume = volume;
    setEffect(EffectType::Sound, !file.empty(), sound);
  });
  remove_ = form_->button(tr("Remove the transition"), [this] {
    if (picked()) work_.perform(removeTransition(work_.machine()->id, size_t(view_.transition())));
  });
}

void MotionCard::buildMachine() {
  form_->heading(tr("MACHINE"));
  share_ = form_->note(QString());
  QStringList names{tr("choose …")};
  for (const Template t : allTemplates()) names << toQt(std::string(nameOf(t)));
  template_ = form_->choice(tr("Template"), names, [this](int i) {
    if (i > 0) Q_EMIT wantsTemplate(allTemplates()[size_t(i) - 1]);
  });
  template_->setToolTip(tr("Shows the machine before and after; looks stay with their states"));
  fires_ = form_->choice(tr("Activates"),
                         {tr("on release"), tr("on press"), tr("when held"), tr("while held")},
                         [this](int i) {
                           work_.perform(changeMachine(work_.machine()->id, "change activation", {},
                                                       [i](Machine& m) { m.fires = Fires(i); }));
                         });
  wins_ = form_->choice(tr("Stronger look"), {tr("hover"), tr("focused")}, [this](int i) {
    work_.perform(changeMachine(work_.machine()->id, "change stronger look", {},
                                [i](Machine& m) { m.wins = Wins(i); }));
  });
  const auto time = [this](const QString& name, Ms Machine::*member) {
    return form_->number(
        name, 1, kMostMs,
        [this, member](double ms) {
          return work_.machine() &&
                 work_.perform(changeMachine(work_.machine()->id, "change times", {},
                                             [=](Machine& m) { m.*member = Ms(ms); }));
        },
        QStringLiteral("ms"));
  };
  hold_ = time(tr("Hold time"), &Machine::hold);
  repeatDelay_ = time(tr("Repeat delay"), &Machine::repeatDelay);
  repeatInterval_ = time(tr("Repeat interval"), &Machine::repeatInterval);
  machine_ = form_->choice(tr("Machine"), {}, [this](int i) {
    const auto& all = work_.project().machines;
    if (work_.kind() && size_t(i) < all.size() && all[size_t(i)]->id != work_.kind()->machine)
      work_.perform(shareMachine(work_.kind()->id, all[size_t(i)]->id));
  });
  own_ = form_->button(tr("Give this kind its own"), [this] {
    if (work_.kind()) work_.perform(ownMachine(work_.kind()->id));
  });
}

const Transition* MotionCard::picked() const {
  const Machine* m = work_.machine();
  const int at = view_.transition();
  return m && at >= 0 && at < int(m->transitions.size()) ? &m->transitions[size_t(at)] : nullptr;
}

// What is picked stays picked, so that another click moves it on.
void MotionCard::reorder(int by) {
  const Machine* m = work_.machine();
  if (!m || !picked()) return;
  const auto at = static_cast<size_t>(view_.transition());
  const auto to = placeAfterMove(*m, at, by);
  if (to && work_.perform(moveTransition(m->id, at, by))) view_.pickTransition(int(*to));
}

bool MotionCard::change(const std::string& name, const std::function<void(Transition&)>& change) {
  return picked() && work_.perform(changeTransition(work_.machine()->id, size_t(view_.transition()),
                                                    name, {}, change));
}

void MotionCard::setEffect(EffectType type, bool on, const Effect& effect) {
  change("change effects", [&](Transition& t) {
    // Of several of a sort the first is what the card shows; the others, and the order, stay.
    const auto first = std::find_if(t.effects.begin(), t.effects.end(),
                                    [&](const Effect& e) { return e.type == type; });
    if (first == t.effects.end()) {
      if (on) t.effects.push_back(effect);
    } else if (on) {
      *first = effect;
    } else {
      t.effects.erase(first);
    }
  });
}

void MotionCard::addOne() {
  const Machine* m = work_.machine();
  if (!m) return;
  Transition t;
  if (view_.state()) t.from = view_.state();
  t.to = m->states.front().id;
  t.on = Event::After;
  t.after = 200;
  if (work_.perform(addTransition(m->id, t)))
    view_.pickTransition(int(work_.machine()->transitions.size()) - 1);
}

void MotionCard::refresh() {
  const bool any = work_.machine() != nullptr;
  form_->setVisible(any);
  if (!any) return;
  refreshList();
  refreshTransition();
  timing_->refresh();
  refreshMachine();
}

void MotionCard::refreshList() {
  const Machine& m = *work_.machine();
  const State* state = findState(m, view_.state());
  head_->setText(state ? tr("FROM %1").arg(toQt(state->name)).toUpper() : tr("FROM EVERY STATE"));
  filling_ = true;
  list_->clear();
  shown_.clear();
  for (size_t i = 0; i < m.transitions.size(); ++i) {
    const Transition& t = m.transitions[i];
    if (t.from.value_or(StateId{}) != view_.state()) continue;
    const State* to = findState(m, t.to);
    shown_.push_back(int(i));
    auto* item = new QListWidgetItem(
        tr("%1 → %2").arg(eventOf(t), to ? toQt(to->name) : toQt(t.to.text)), list_);
    item->setToolTip(item->text());
    if (int(i) == view_.transition()) list_->setCurrentItem(item);
  }
  filling_ = false;
}

void MotionCard::refreshTransition() {
  const Machine& m = *work_.machine();
  const Transition* t = picked();
  about_->setVisible(t);
  for (QWidget* field : {static_cast<QWidget*>(on_), static_cast<QWidget*>(guard_),
                         static_cast<QWidget*>(to_), static_cast<QWidget*>(sends_)})
    form_->setRowVisible(field, t);
  const Effect* sound = t ? effectOf(*t, EffectType::Sound) : nullptr;
  sound_->show(sound ? sound->file : std::string(), sound ? sound->volume : 1);
  sound_->setVisible(t);
  for (QWidget* field : {static_cast<QWidget*>(activates_), static_cast<QWidget*>(remove_),
                         static_cast<QWidget*>(earlier_), static_cast<QWidget*>(later_)})
    field->setVisible(t);
  form_->setRowVisible(after_, t && t->on == Event::After);
  form_->setRowVisible(message_, t && t->on == Event::Message);
  const Effect* sets = t ? effectOf(*t, EffectType::SetValue) : nullptr;
  form_->setRowVisible(sets_, t && !work_.project().values.empty());
  form_->setRowVisible(setTo_, sets);
  if (!t) return;
  about_->setText(tr("TRANSITION %1").arg(view_.transition() + 1));
  refill(on_, eventIndex(t->on));
  refill(after_, QString::number(t->after));
  refill(message_, toQt(t->message));
  refill(guard_, toQt(t->guard));
  int target = -1;
  to_->clear();
  for (const State& s : m.states) {
    if (s.id == t->to) target = to_->count();
    to_->addItem(toQt(s.name));
  }
  refill(to_, target);
  refill(activates_, effectOf(*t, EffectType::Activate) != nullptr);
  const Effect* sends = effectOf(*t, EffectType::Message);
  refill(sends_, sends ? toQt(sends->message) : QString());
  sets_->clear();
  sets_->addItem(tr("no value"));
  int value = 0;
  for (const ProjectValue& v : work_.project().values) {
    if (sets && v.id == sets->value) value = sets_->count();
    sets_->addItem(toQt(v.name));
  }
  refill(sets_, value);
  if (sets) refill(setTo_, toQt(sets->formula));
}

void MotionCard::refreshMachine() {
  const Machine& m = *work_.machine();
  int kinds = 0;
  bool holds = false, repeats = false;
  for (const auto& kind : work_.project().kinds) kinds += kind->machine == m.id;
  for (const Transition& t : m.transitions) {
    holds = holds || t.on == Event::Hold;
    repeats = repeats || t.on == Event::Repeat;
  }
  share_->setText(kinds > 1 ? tr("%1 kinds run it: what changes here changes for all.").arg(kinds)
                            : tr("Only this kind runs it."));
  own_->setVisible(kinds > 1);
  refill(template_, 0);
  refill(fires_, int(m.fires));
  refill(wins_, int(m.wins));
  form_->setRowVisible(hold_, holds);
  form_->setRowVisible(repeatDelay_, repeats);
  form_->setRowVisible(repeatInterval_, repeats);
  refill(hold_, QString::number(m.hold));
  refill(repeatDelay_, QString::number(m.repeatDelay));
  refill(repeatInterval_, QString::number(m.repeatInterval));
  machine_->clear();
  int runs = -1;
  for (const auto& other : work_.project().machines) {
    if (other->id == m.id) runs = machine_->count();
    machine_->addItem(toQt(other->name));
  }
  form_->setRowVisible(machine_, machine_->count() > 1);
  refill(machine_, runs);
}

}  // namespace bristle
