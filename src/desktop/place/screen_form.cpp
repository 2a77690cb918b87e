#include "desktop/place/screen_form.h"

#include "core/edit/screen_edits.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

ScreenForm::ScreenForm(Work& work) : work_(work) {
  heading(tr("SCREEN"));
  name_ = text(tr("Name"), [this](const QString& text) {
    return work_.screen() &&
           work_.perform(renameScreen(work_.screen()->id, fromQt(text.trimmed())));
  });
  backdrop_ = text(tr("Backdrop"), [this](const QString& text) { return setBackdrop(text); });
  backdrop_->setToolTip(tr("none, one colour, or several colours and an angle"));
  dim_ = number(tr("Dimming below"), 0, 1, [this](double v) {
    return work_.screen() && work_.perform(changeScreen(work_.screen()->id, "dim below", {},
                                                        [v](Screen& s) { s.dimBelow = v; }));
  });
  dim_->setToolTip(tr("0 to 1: how far it darkens the screen that it is put on top of"));
  first_ = check(tr("The menu opens here"), [this](bool on) {
    if (on && work_.screen()) work_.perform(openFirst(work_.screen()->id));
    refresh();
  });
  pass_ = check(tr("Moves pass over disabled buttons"), [this](bool on) {
    if (work_.screen())
      work_.perform(changeScreen(work_.screen()->id, "pass over disabled", {},
                                 [on](Screen& s) { s.passDisabled = on; }));
  });
  new WhileSeen(work, this, [this] { refresh(); });
  refresh();
}

bool ScreenForm::setBackdrop(const QString& text) {
  std::string expected;
  const auto value = parseValue(fromQt(text), Fill{}, &expected);
  if (!value) {
    work_.tell(tr("expected %1").arg(toQt(expected)), true);
    return false;
  }
  return work_.screen() && work_.perform(changeScreen(
                               work_.screen()->id, "change backdrop", {},
                               [fill = std::get<Fill>(*value)](Screen& s) { s.backdrop = fill; }));
}

void ScreenForm::refresh() {
  const Screen* screen = work_.screen();
  setEnabled(screen != nullptr);
  if (!screen) return;
  refill(name_, toQt(screen->name));
  refill(backdrop_, toQt(toText(Value(screen->backdrop))));
  refill(dim_, QString::number(screen->dimBelow));
  refill(first_, work_.project().first == screen->id);
  refill(pass_, screen->passDisabled);
}

}  // namespace bristle
