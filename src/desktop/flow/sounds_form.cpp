#include "desktop/flow/sounds_form.h"

#include "core/edit/settings_edit.h"
#include "desktop/view/sound_rows.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

SoundsForm::SoundsForm(Work& work) : work_(work) {
  heading(tr("ON ALL SCREENS"));
  opens_ = sound(tr("A screen opens"), &Settings::openSound);
  back_ = sound(tr("Going back"), &Settings::backSound);
  bump_ = sound(tr("Leads nowhere"), &Settings::bumpSound);
  music_ = volume(tr("Volume of music"), &Settings::musicVolume);
  cues_ = volume(tr("Volume of cues"), &Settings::cueVolume);
}

SoundRows* SoundsForm::sound(const QString& what, std::string Settings::*file) {
  return new SoundRows(work_, *this, what, [this, file](const std::string& chosen) {
    change("change a sound", [file, chosen](Settings& s) { s.*file = chosen; });
  });
}

QComboBox* SoundsForm::volume(const QString& what, ValueId Settings::*value) {
  QComboBox* out = choice(what, {}, [this, value](int i) {
    const auto& values = work_.project().values;
    if (size_t(i) > values.size()) return;  // the one that is missing
    const ValueId chosen = i > 0 ? values[size_t(i) - 1].id : ValueId{};
    change("change what is asked for the volume",
           [value, chosen](Settings& s) { s.*value = chosen; });
  });
  out->setToolTip(tr("A value of the project, from its least to its most, or off and on"));
  return out;
}

bool SoundsForm::change(const char* name, std::function<void(Settings&)> apply) {
  return work_.perform(changeSettings(name, std::move(apply)));
}

void SoundsForm::refresh() {
  const Settings& s = work_.project().settings;
  opens_->show(s.openSound, 1);
  back_->show(s.backSound, 1);
  bump_->show(s.bumpSound, 1);
  const auto fill = [&](QComboBox* box, const ValueId& id) {
    QStringList names{tr("as it is")};
    int at = 0;
    for (const ProjectValue& each : work_.project().values) {
      if (each.id == id) at = int(names.size());
      names << toQt(each.name);
    }
    if (id && at == 0) {
      at = int(names.size());
      names << tr("missing: %1").arg(toQt(id.text));
    }
    refill(box, names, at);
  };
  fill(music_, s.musicVolume);
  fill(cues_, s.cueVolume);
}

}  // namespace bristle
