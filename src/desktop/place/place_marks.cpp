#include "desktop/place/place_marks.h"

#include <algorithm>

#include "desktop/derive/findings_watch.h"
#include "desktop/derive/place_watch.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

namespace {

bool isTold(std::string_view rule) {
  for (int i = 0; i < kPlaceFaultSorts; ++i)
    if (ruleOf(static_cast<PlaceFaultSort>(i)) == rule) return true;
  return false;
}

}  // namespace

PlaceMarks::PlaceMarks(Work& work, const PlaceWatch& watch, QObject* parent)
    : StripMarks(parent), work_(work), watch_(watch) {
  connect(&watch, &PlaceWatch::changed, this, &StripMarks::changed);
  connect(&work.findings(), &FindingsWatch::changed, this, &StripMarks::changed);
}

template <class Use>
void PlaceMarks::eachFinding(const Display& display, const Language& language, Use use) const {
  for (const Finding& f : work_.findings().now().open)
    if (f.screen == work_.picked().screen && f.display == display.id &&
        (!f.language || f.language == language.id) && !isTold(f.rule))
      use(f);
}

StripMarks::Mark PlaceMarks::markOf(const Display& display, const Language& language) const {
  const auto& faults = watch_.of(work_.picked().screen, display.id, language.id);
  const auto wrong = size_t(std::count_if(faults.begin(), faults.end(),
                                          [](const auto& fault) { return !isAdvice(fault.sort); }));
  Mark out{wrong, faults.size() - wrong};
  eachFinding(display, language,
              [&](const Finding& f) { ++(f.severity == Severity::Note ? out.worth : out.wrong); });
  return out;
}

QStringList PlaceMarks::linesOf(const Display& display, const Language& language) const {
  QStringList out;
  const Screen* screen = work_.screen();
  for (const auto& fault : watch_.of(work_.picked().screen, display.id, language.id))
    if (const Item* item = screen ? findItem(*screen, fault.item) : nullptr)
      out << tr("%1: %2").arg(toQt(displayName(*item)), toQt(fault.words));
  eachFinding(display, language,
              [&](const Finding& f) { out << tr("%1: %2").arg(toQt(f.place), toQt(f.reason)); });
  return out;
}

}  // namespace bristle
