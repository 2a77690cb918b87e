#include "desktop/flow/habits_form.h"

#include "core/edit/screen_edits.h"
#include "desktop/view/action_form.h"
#include "desktop/view/sound_rows.h"
#include "desktop/work/work.h"

namespace bristle {
namespace {
constexpr double kSecond = 1000;  // ms
}

HabitsForm::HabitsForm(Work& work) : work_(work) {
  heading(tr("MUSIC"));
  music_ = new SoundRows(work, *this, [this](const std::string& file, double volume) {
    change("change music", [&](Screen& s) {
      s.music.file = file;
      s.music.volume = volume;
    });
  });
  beneath_ =
      choice(tr("Below another"), {tr("music goes on"), tr("music is quieter"), tr("music stops")},
             [this](int i) {
               change("change music below another",
                      [i](Screen& s) { s.music.beneath = static_cast<Beneath>(i); });
             });
  beneath_->setToolTip(tr("While another screen lies on top that has no music itself"));
  heading(tr("WHEN NOBODY DOES ANYTHING"));
  after_ = number(
      tr("After"), 0, 3600,
      [this](double seconds) {
        return change("change when it acts by itself",
                      [seconds](Screen& s) { s.idle.after = static_cast<Ms>(seconds * kSecond); });
      },
      QStringLiteral("s"));
  after_->setAccessibleName(tr("Seconds until it acts by itself"));
  after_->setToolTip(tr("0: never"));
  actions_ = new ActionForm(work, *this,
                            [this](const char* name, const std::function<void(Actions&)>& apply) {
                              return change(name, [apply](Screen& s) { apply(s.idle.actions); });
                            });
}

bool HabitsForm::change(const char* name, std::function<void(Screen&)> apply) {
  return work_.screen() &&
         work_.perform(changeScreen(work_.screen()->id, name, {}, std::move(apply)));
}

void HabitsForm::show(const Screen& screen) {
  music_->show(screen.music.file, screen.music.volume);
  refill(beneath_, static_cast<int>(screen.music.beneath));
  setRowVisible(beneath_, !screen.music.file.empty());
  refill(after_, QString::number(static_cast<double>(screen.idle.after) / kSecond));
  if (screen.idle.after > 0)
    actions_->show(screen.idle.actions, &screen);
  else
    actions_->hide();
}

}  // namespace bristle
