#include "desktop/view/action_form.h"

#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

ActionForm::ActionForm(Work& work, Form& form, Change change)
    : QObject(&form), work_(work), form_(form) {
  do_ = form.choice(tr("Action"),
                    {tr("does nothing yet"), tr("open a screen"), tr("put a screen on top"),
                     tr("go back"), tr("send a message"), tr("quit")},
                    [this, change](int index) {
                      const auto type = static_cast<ActionType>(index);
                      const auto& screens = work_.project().screens;
                      const ScreenId first = screens.empty() ? ScreenId{} : screens.back()->id;
                      change("change action", [=](Action& action) {
                        action.type = type;
                        const bool leads = type == ActionType::Open || type == ActionType::PutOnTop;
                        if (!leads) action.screen = {};
                        if (leads && !action.screen) action.screen = first;
                      });
                    });
  target_ = form.choice(tr("Target screen"), {}, [this, change](int index) {
    const ScreenId screen = work_.project().screens[size_t(index)]->id;
    change("change target", [screen](Action& action) { action.screen = screen; });
  });
  message_ = form.text(tr("Message"), [change](const QString& text) {
    return change("change message", [text](Action& action) { action.message = fromQt(text); });
  });
}

void ActionForm::show(const Action& action) {
  QStringList screens;
  int target = -1;
  for (const auto& each : work_.project().screens) {
    if (each->id == action.screen) target = static_cast<int>(screens.size());
    screens << toQt(each->name);
  }
  refill(target_, screens, target);
  refill(do_, static_cast<int>(action.type));
  refill(message_, toQt(action.message));
  form_.setRowVisible(do_, true);
  form_.setRowVisible(target_,
                      action.type == ActionType::Open || action.type == ActionType::PutOnTop);
  form_.setRowVisible(message_, action.type == ActionType::Message);
}

void ActionForm::hide() {
  for (QWidget* field : {static_cast<QWidget*>(do_), static_cast<QWidget*>(target_),
                         static_cast<QWidget*>(message_)})
    form_.setRowVisible(field, false);
}

}  // namespace bristle
