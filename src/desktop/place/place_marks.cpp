#include "desktop/place/place_marks.h"

#include <algorithm>

#include "desktop/derive/place_watch.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

PlaceMarks::PlaceMarks(const Work& work, const PlaceWatch& watch, QObject* parent)
    : StripMarks(parent), work_(work), watch_(watch) {
  connect(&watch, &PlaceWatch::changed, this, &StripMarks::changed);
}

StripMarks::Mark PlaceMarks::markOf(const Display& display, const Language& language) const {
  const auto& faults = watch_.of(work_.picked().screen, display.id, language.id);
  const auto wrong = size_t(std::count_if(faults.begin(), faults.end(),
                                          [](const auto& fault) { return !isAdvice(fault.sort); }));
  return {wrong, faults.size() - wrong};
}

QStringList PlaceMarks::linesOf(const Display& display, const Language& language) const {
  QStringList out;
  const Screen* screen = work_.screen();
  for (const auto& fault : watch_.of(work_.picked().screen, display.id, language.id))
    if (const Item* item = screen ? findItem(*screen, fault.item) : nullptr)
      out << tr("%1: %2").arg(toQt(displayName(*item)), toQt(fault.words));
  return out;
}

}  // namespace bristle
