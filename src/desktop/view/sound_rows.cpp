#include "desktop/view/sound_rows.h"

#include <QFileDialog>
#include <cmath>

#include "desktop/view/form.h"
#include "desktop/view/project_files.h"
#include "desktop/work/work.h"
#include "devices/sound_file.h"
#include "paint/convert.h"

namespace bristle {

SoundRows::SoundRows(Work& work, Form& form, Set set)
    : QObject(&form), work_(work), form_(form), set_(std::move(set)) {
  build(tr("Sound"), true);
}

SoundRows::SoundRows(Work& work, Form& form, const QString& what,
                     std::function<void(const std::string&)> set)
    : QObject(&form),
      work_(work),
      form_(form),
      set_([set = std::move(set)](const std::string& file, double) { set(file); }) {
  build(what, false);
}

void SoundRows::build(const QString& what, bool loud) {
  Form& form = form_;
  name_ = form.text(what, [this](const QString& text) { return setFile(text.trimmed()); });
  name_->setPlaceholderText(tr("no sound"));
  name_->setToolTip(tr("A WAV or OGG file of up to half a minute, beside the project"));
  if (loud)
    loud_ = form.number(
        tr("Volume"), 0, 100,
        [this](double percent) {
          set_(file_, percent / 100);
          return true;
        },
        QStringLiteral("%"));
  const auto named = [&](const QString& does) { return loud ? does : does + ": " + what; };
  std::tie(choose_, hear_) =
      form.buttons({named(tr("Choose a sound")), tr("Choose a sound…"), [this] { choose(); }},
                   {named(tr("Hear the sound")), tr("Hear it"),
                    [this] { work_.sounds().play(file_, volume_); }});
}

void SoundRows::show(const std::string& file, double volume) {
  file_ = file;
  volume_ = file.empty() ? 1 : volume;
  refill(name_, toQt(file));
  if (loud_) refill(loud_, QString::number(std::lround(volume_ * 100)));
  setVisible(true);
}

void SoundRows::setVisible(bool visible) {
  const bool sounds = visible && !file_.empty();
  form_.setRowVisible(name_, visible);
  if (loud_) form_.setRowVisible(loud_, sounds);
  choose_->setVisible(visible);
  hear_->setVisible(sounds);
}

void SoundRows::choose() {
  const QString path = QFileDialog::getOpenFileName(&form_, tr("Choose a sound"), work_.folder(),
                                                    tr("Sounds (*.wav *.ogg *.oga)"));
  if (path.isEmpty()) return;
  // Looked at before it is copied.
  if (const std::string why =
          whyNoSound(fromQt(QFileInfo(path).path()), fromQt(QFileInfo(path).fileName()));
      !why.empty())
    return work_.tell(tr("%1: %2").arg(path, toQt(why)), true);
  if (const auto file = broughtInside(work_, path, QStringLiteral("sounds"))) setFile(*file);
}

// A file that cannot be used is refused at once, with the reason.
bool SoundRows::setFile(const QString& file) {
  const std::string why =
      file.isEmpty() ? std::string() : whyNoSound(fromQt(work_.folder()), fromQt(file));
  if (!why.empty()) {
    work_.tell(tr("%1: %2").arg(file, toQt(why)), true);
    return false;
  }
  set_(fromQt(file), volume_);
  return true;
}

}  // namespace bristle
