#include "desktop/place/pin_form.h"

#include "core/edit/screen_edits.h"
#include "desktop/place/pin_pictures.h"
#include "desktop/place/pinning.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/layout/pins.h"
#include "runtime/layout/scaling.h"

namespace bristle {
namespace {

// The ready choices are three of the pins.
int readyChoice(Pin pin) {
  return pin == Pin::Start ? 0 : pin == Pin::Centre ? 1 : pin == Pin::End ? 2 : -1;
}
constexpr Pin kReady[] = {Pin::Start, Pin::Centre, Pin::End};

}  // namespace

PinForm::PinForm(Work& work) : work_(work) {
  layout()->setContentsMargins(0, 0, 0, 0);
  pictures_ = new PinPictures;
  wide(pictures_);
  connect(pictures_, &PinPictures::chosen, this, [this](int x, int y) {
    rePin(work_, "pin", [=](Place& place) {
      place.x.pin = kReady[x];
      place.y.pin = kReady[y];
    });
  });
  drawn_ = note({});
  nearest_ = button(tr("Pin to the nearest edges"), [this] { pinToNearest(work_); });
  across_ = build(true);
  down_ = build(false);
  within_ = choice(tr("Pinned within"), {tr("display"), tr("safe area")}, [this](int i) {
    rePin(work_, "pin within", [=](Place& place) { place.safe = i == 1; });
  });
  grows_ = choice(tr("Grows with"),
                  {tr("as the screen"), tr("nothing"), tr("width"), tr("height"),
                   tr("smaller of both"), tr("greater of both")},
                  [this](int i) {
                    rePin(work_, "change scaling", [=](Place& place) {
                      place.scaling.reset();
                      if (i > 0) place.scaling = static_cast<Scaling>(i - 1);
                    });
                  });
  grows_->setToolTip(tr("By which ratio of the display to the one it was drawn on it grows"));
}

PinForm::Axis PinForm::build(bool horizontal) {
  const QStringList across{tr("not pinned"), tr("left edge"),  tr("centre"),
                           tr("right edge"), tr("both edges"), tr("fraction")};
  const QStringList down{tr("not pinned"), tr("top edge"), tr("centre"),  tr("bottom edge"),
                         tr("both edges"), tr("fraction"), tr("baseline")};
  Axis out;
  out.pin = choice(horizontal ? tr("Pinned to, x") : tr("Pinned to, y"), horizontal ? across : down,
                   [=, this](int i) {
                     rePin(work_, "pin", [=](Place& place) {
                       axisOf(place, horizontal).pin = static_cast<Pin>(i);
                     });
                   });
  out.fraction = number(
      horizontal ? tr("Fraction, x") : tr("Fraction, y"), 0, 100,
      [=, this](double v) {
        return change("pin to a fraction",
                      [=](Place& p) { axisOf(p, horizontal).fraction = v / 100; });
      },
      QStringLiteral("%"));
  out.offset = number(
      horizontal ? tr("From there, x") : tr("From there, y"), -1e6, 1e6,
      [=, this](double v) {
        return change("move", [=](Place& p) { axisOf(p, horizontal).offset = v; });
      },
      QStringLiteral("px"));
  out.far = number(
      horizontal ? tr("From the right") : tr("From the bottom"), -1e6, 1e6,
      [=, this](double v) {
        return change("move", [=](Place& p) { axisOf(p, horizontal).farOffset = v; });
      },
      QStringLiteral("px"));
  return out;
}

bool PinForm::change(const char* name, std::function<void(Place&)> apply) {
  if (!work_.screen()) return false;
  return work_.perform(changeItems(work_.screen()->id, work_.picked().items, name, {},
                                   [=](Item& item) { apply(item.place); }));
}

void PinForm::refresh(const Axis& fields, const AxisPlace& axis) {
  refill(fields.pin, static_cast<int>(axis.pin));
  refill(fields.fraction, QString::number(axis.fraction * 100, 'g', 6));
  refill(fields.offset, QString::number(axis.offset));
  refill(fields.far, QString::number(axis.farOffset));
  setRowVisible(fields.fraction, axis.pin == Pin::Fraction);
  setRowVisible(fields.far, axis.pin == Pin::Both);
}

void PinForm::refresh() {
  const Item& item = *work_.item();
  const Place& place = item.place;
  pictures_->show(readyChoice(place.x.pin), readyChoice(place.y.pin));
  refresh(across_, place.x);
  refresh(down_, place.y);
  refill(within_, place.safe ? 1 : 0);
  refill(grows_, place.scaling ? 1 + static_cast<int>(*place.scaling) : 0);
  // A fly-out lies by its button, and only its distance from there is its own.
  const bool flies = item.container() && item.container()->flyOut.from;
  const bool onScreen = !item.parent && !flies;
  pictures_->setVisible(!flies);
  setRowVisible(across_.pin, !flies);
  setRowVisible(down_.pin, !flies);
  setRowVisible(within_, onScreen);
  setRowVisible(grows_, onScreen);
  const Display& drawn = drawnOn(work_.project(), *work_.screen());
  const bool lies = onScreen && (place.x.pin == Pin::None || place.y.pin == Pin::None);
  drawn_->setText(tr("Not pinned: on other displays it lies where it was drawn for “%1”.")
                      .arg(toQt(drawn.name)));
  drawn_->setVisible(lies && work_.project().displays.size() > 1);
  nearest_->setVisible(drawn_->isVisibleTo(this));
}

}  // namespace bristle
