#include "desktop/route/carries_form.h"

#include "core/edit/route_edits.h"
#include "desktop/view/easing_text.h"
#include "desktop/view/sound_rows.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {
constexpr double kMostMs = 60'000;
}

CarriesForm::CarriesForm(Work& work) : work_(work) {
  head_ = heading(QString());
  own_ = check(tr("Moves in its own way"), [this](bool on) {
    change([on](RouteCarries& c) {
      c.motion = on ? std::optional<RouteMotion>(RouteMotion{}) : std::nullopt;
    });
  });
  own_->setToolTip(
      tr("Both buttons' looks move so when focus goes this way, and not as their machines say"));
  duration_ = number(
      tr("Duration"), 0, kMostMs,
      [this](double ms) {
        change([ms](RouteCarries& c) {
          if (c.motion) c.motion->duration = Ms(ms);
        });
        return true;
      },
      QStringLiteral("ms"));
  easing_ = easingText(work, *this, [this](const Easing& easing) {
    change([easing](RouteCarries& c) {
      if (c.motion) c.motion->easing = easing;
    });
  });
  sound_ = new SoundRows(work, *this, [this](const std::string& file, double volume) {
    change([&](RouteCarries& c) {
      c.sound = file;
      c.volume = file.empty() ? 1 : volume;  // of a sound
    });
  });
}

const RouteCarries* CarriesForm::carries() const {
  const ButtonData* button =
      work_.pickedBox() >= 0 && work_.item() ? work_.item()->button() : nullptr;
  return button ? &button->routes.carries[size_t(work_.picked().dir)] : nullptr;
}

void CarriesForm::change(const std::function<void(RouteCarries&)>& apply) {
  if (!carries()) return;
  RouteCarries now = *carries();
  apply(now);
  work_.perform(
      setCarries(work_.screen()->id, work_.picked().items, work_.picked().dir, std::move(now)));
}

void CarriesForm::refresh() {
  const RouteCarries* now = carries();
  setVisible(now);
  if (!now) return;
  head_->setText(tr("ON THE WAY %1").arg(toQt(std::string(nameOf(work_.picked().dir))).toUpper()));
  refill(own_, now->motion.has_value());
  setRowVisible(duration_, now->motion.has_value());
  setRowVisible(easing_, now->motion.has_value());
  if (now->motion) {
    refill(duration_, QString::number(now->motion->duration));
    refill(easing_, toQt(toText(now->motion->easing)));
  }
  sound_->show(now->sound, now->volume);
  sound_->setVisible(true);
}

}  // namespace bristle
