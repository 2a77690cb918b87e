#include "desktop/derive/place_watch.h"

#include "core/edit/history.h"
#include "paint/painted_eyes.h"

namespace bristle {
namespace {
constexpr int kLookAfter = 60;  // ms after the last change: a drag makes many
}

struct PlaceWatch::Kit {
  PaintedEyes eyes;

  std::vector<Fault> faults(const Project& project, const Screen& screen, const Showing& showing) {
    const Layout layout = layOut(project, screen, showing, eyes.measure());
    const auto isCut = [&](size_t i) { return eyes.cutsCaption(project, screen, layout, i); };
    std::vector<Fault> out;
    for (const PlaceFault& fault : placeFaults(project, screen, layout, isCut))
      out.push_back({screen.items[fault.item]->id, fault.item, fault.sort, inWords(fault, screen)});
    return out;
  }
};

PlaceWatch::PlaceWatch(QObject* parent)
    : QObject(parent), kit_(std::make_shared<Kit>()), looking_(this, [this](All found) {
        now_ = std::move(found);
        Q_EMIT changed();
      }) {
  soon_.setSingleShot(true);
  soon_.setInterval(kLookAfter);
  connect(&soon_, &QTimer::timeout, this, &PlaceWatch::begin);
}

PlaceWatch::~PlaceWatch() = default;

void PlaceWatch::look(const Project& project, const ScreenId& screen) {
  // Asked again whenever something else is picked: nothing has changed then.
  if (screen == screen_ && !changeBetween(project_, project).any()) return;
  project_ = project;
  screen_ = screen;
  soon_.start();
}

void PlaceWatch::begin() {
  looking_.ask([project = project_, id = screen_, kit = kit_](const std::atomic<bool>& stop) {
    All out;
    const Screen* screen = find(project, id);
    for (const Display& display : project.displays)
      for (const Language& language : project.languages)
        if (screen && !stop)
          out[{id, display.id, language.id}] =
              kit->faults(project, *screen, {display, language.id});
    return out;
  });
}

const std::vector<PlaceWatch::Fault>& PlaceWatch::of(const ScreenId& screen,
                                                     const DisplayId& display,
                                                     const LanguageId& language) const {
  static const std::vector<Fault> none;
  const auto at = now_.find({screen, display, language});
  return at == now_.end() ? none : at->second;
}

}  // namespace bristle
