#include "desktop/flow/flow_card.h"

#include <QVBoxLayout>

#include "core/edit/screen_edits.h"
#include "desktop/flow/change_play.h"
#include "desktop/flow/habits_form.h"
#include "desktop/flow/motion_rows.h"
#include "desktop/flow/sounds_form.h"
#include "desktop/view/action_form.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

FlowCard::FlowCard(Work& work) : work_(work) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->addWidget(form_ = new Form);
  column->addWidget(habits_ = new HabitsForm(work));
  column->addWidget(sounds_ = new SoundsForm(work));
  column->addStretch();
  buildButton(*form_);
  buildScreen(*form_);
  new WhileSeen(work, this, [this] { refresh(); });
  refresh();
}

void FlowCard::buildButton(Form& form) {
  head_ = form.heading(QString());
  none_ = form.note(tr("Pick a button in a screen, and draw it to where it leads."));
  actions_ = new ActionForm(
      work_, form, [this](const char* name, const std::function<void(Actions&)>& apply) {
        if (!work_.item() || !work_.item()->button()) return false;
        return work_.perform(
            changeItems(work_.screen()->id, {work_.item()->id}, name, {}, [apply](Item& i) {
              if (auto* b = i.button()) apply(b->actions);
            }));
      });
  connect(actions_, &ActionForm::inHand, this, &FlowCard::inHand);
  changeHead_ = form.heading(tr("THE CHANGE"));
  own_ = form.check(tr("A change of its own"), [this](bool on) {
    if (!step_) return;
    const ScreenChange as = changeOf(*step_);
    work_.perform(changeItems(work_.screen()->id, {step_->item}, "change how it changes", {},
                              [on, as, at = step_->at](Item& i) {
                                Actions& all = i.button()->actions;
                                if (at >= all.size()) return;
                                all[at].change = on ? std::optional(as) : std::nullopt;
                              }));
  });
  own_->setToolTip(tr("Otherwise screens come and go as they say themselves"));
  in_ = new MotionRows(work_, form, tr("Into it"), [this](auto change) {
    changeStep([change](ScreenChange& c) { change(c.in); });
  });
  out_ = new MotionRows(work_, form, tr("Out of it"), [this](auto change) {
    changeStep([change](ScreenChange& c) { change(c.out); });
  });
  form.wide(play_ = new ChangePlay(work_));
  playIt_ = form.button(tr("Play the change"), [this] { play_->play(); });
}

void FlowCard::buildScreen(Form& form) {
  form.heading(tr("SCREEN"));
  name_ = form.text(tr("Name"), [this](const QString& text) {
    return work_.screen() &&
           work_.perform(renameScreen(work_.screen()->id, fromQt(text.trimmed())));
  });
  first_ = form.check(tr("The menu opens here"), [this](bool on) {
    if (on && work_.screen()) work_.perform(openFirst(work_.screen()->id));
    refresh();
  });
  comes_ = new MotionRows(work_, form, tr("Comes"), [this](auto change) {
    changeIt("change how it comes", [change](Screen& s) { change(s.comes); });
  });
  goes_ = new MotionRows(work_, form, tr("Goes"), [this](auto change) {
    changeIt("change how it goes", [change](Screen& s) { change(s.goes); });
  });
  dim_ = form.number(tr("Dimming below"), 0, 1, [this](double v) {
    changeIt("dim below", [v](Screen& s) { s.dimBelow = v; });
    return true;
  });
  blur_ = form.number(
      tr("Blur below"), 0, kMostBlur,
      [this](double v) {
        changeIt("blur below", [v](Screen& s) { s.blurBelow = v; });
        return true;
      },
      QStringLiteral("px"));
  beside_ = form.choice(tr("Press beside it"),
                        {tr("does nothing"), tr("goes back"), tr("goes back, and presses below")},
                        [this](int i) {
                          changeIt("change what a press beside it does",
                                   [i](Screen& s) { s.beside = static_cast<Beside>(i); });
                        });
  beside_->setToolTip(
      tr("Of a pointer or finger, where nothing of this screen stands, while it lies on "
         "top of another"));
  waits_ = form.check(tr("Takes input only once it is shown"), [this](bool on) {
    changeIt("wait until shown", [on](Screen& s) { s.waitUntilShown = on; });
  });
  sleeps_ = form.check(tr("Sleeps while it is covered"), [this](bool on) {
    changeIt("let it sleep", [on](Screen& s) { s.sleeps = on; });
  });
  sleeps_->setToolTip(tr("Its machines’ timers stand still until it comes back"));
}

void FlowCard::changeIt(const char* name, std::function<void(Screen&)> change) {
  if (work_.screen()) work_.perform(changeScreen(work_.screen()->id, name, {}, std::move(change)));
}

void FlowCard::changeStep(std::function<void(ScreenChange&)> change) {
  if (!step_) return;
  work_.perform(changeItems(work_.screen()->id, {step_->item}, "change how it changes", {},
                            [change = std::move(change), at = step_->at](Item& i) {
                              Actions& all = i.button()->actions;
                              if (at < all.size() && all[at].change) change(*all[at].change);
                            }));
}

// As it is now, of its own or as the screens say.
ScreenChange FlowCard::changeOf(const FlowStep& step) const {
  const auto& screens = work_.project().screens;
  const Screen& from = *screens[size_t(step.from)];
  const Item* item = findItem(from, step.item);
  const Action& action = item->button()->actions[step.at];
  if (action.change) return *action.change;
  return {from.goes, step.to < 0 ? ScreenMotion{} : screens[size_t(step.to)]->comes};
}

void FlowCard::show(const std::optional<FlowStep>& step) {
  step_ = step;
  if (isVisible()) refresh();
}

void FlowCard::refresh() {
  const Item* item = work_.item();
  const ButtonData* button = item ? item->button() : nullptr;
  head_->setText(button ? toQt(displayName(*item)).toUpper() : tr("BUTTON"));
  none_->setVisible(!button);
  if (button) {
    actions_->show(button->actions, work_.screen());
    if (step_) actions_->pick(step_->at);
  } else {
    actions_->hide();
  }
  refreshChange();
  refreshScreen();
  sounds_->refresh();
}

void FlowCard::refreshChange() {
  const Item* item = work_.item();
  const auto& screens = work_.project().screens;
  const bool there = step_ && item && item->id == step_->item && step_->to >= 0 &&
                     size_t(step_->to) < screens.size() && item->button() &&
                     step_->at < item->button()->actions.size() &&
                     screens[size_t(step_->from)]->id == work_.picked().screen;
  for (QWidget* each : {static_cast<QWidget*>(changeHead_), static_cast<QWidget*>(own_),
                        static_cast<QWidget*>(play_), static_cast<QWidget*>(playIt_)})
    each->setVisible(there);
  const bool own = there && item->button()->actions[step_->at].change;
  if (there) {
    const ScreenChange change = changeOf(*step_);
    refill(own_, own);
    play_->show(work_.screen()->id, screens[size_t(step_->to)]->id, change,
                step_->type == ActionType::PutOnTop);
    if (own) {
      out_->show(change.out);
      in_->show(change.in);
    }
  }
  if (own) return;
  out_->hide();
  in_->hide();
}

void FlowCard::refreshScreen() {
  const Screen* screen = work_.screen();
  habits_->setVisible(screen);
  if (!screen) return;
  refill(name_, toQt(screen->name));
  refill(first_, work_.project().first == screen->id);
  comes_->show(screen->comes);
  goes_->show(screen->goes);
  refill(dim_, QString::number(screen->dimBelow));
  refill(blur_, QString::number(screen->blurBelow));
  refill(beside_, static_cast<int>(screen->beside));
  refill(waits_, screen->waitUntilShown);
  refill(sleeps_, screen->sleeps);
  habits_->show(*screen);
}

}  // namespace bristle
