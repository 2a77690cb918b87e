#include "desktop/place/screen_form.h"

#include "core/edit/screen_edits.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/layout/scaling.h"

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
  scaling_ = choice(
      tr("Grows with"),
      {tr("nothing"), tr("width"), tr("height"), tr("smaller of both"), tr("greater of both")},
      [this](int i) {
        if (!work_.screen()) return;
        work_.perform(changeScreen(work_.screen()->id, "change scaling", {},
                                   [i](Screen& s) { s.scaling = static_cast<Scaling>(i); }));
      });
  scaling_->setAccessibleName(tr("Screen grows with"));
  scaling_->setToolTip(
      tr("By which ratio of a display to the one it was drawn on all that is on it grows"));
  drawnOn_ = choice(tr("Drawn for"), {}, [this](int i) {
    const auto& all = work_.project().displays;
    if (!work_.screen() || i < 0 || size_t(i) >= all.size()) return;
    work_.perform(changeScreen(work_.screen()->id, "change what it is drawn for", {},
                               [id = all[size_t(i)].id](Screen& s) { s.drawnOn = id; }));
  });
  drawnOn_->setToolTip(tr("The display that its sizes and places are written for"));
  first_ = check(tr("The menu opens here"), [this](bool on) {
    if (on && work_.screen()) work_.perform(openFirst(work_.screen()->id));
    refresh();
  });
  pass_ = check(tr("Moves pass disabled buttons"), [this](bool on) {
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
  refill(scaling_, static_cast<int>(screen->scaling));
  QStringList displays;
  int drawn = 0;
  for (const Display& each : work_.project().displays) {
    if (each.id == drawnOn(work_.project(), *screen).id) drawn = int(displays.size());
    displays << toQt(each.name);
  }
  refill(drawnOn_, displays, drawn);
  refill(first_, work_.project().first == screen->id);
  refill(pass_, screen->passDisabled);
}

}  // namespace bristle
