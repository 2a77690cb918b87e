// What is wrong with how a screen lies on each display, for the strip of displays.
#pragma once
#include "desktop/view/strip_marks.h"

namespace bristle {

class PlaceWatch;
class Work;

class PlaceMarks : public StripMarks {
  Q_OBJECT
 public:
  // Both must outlive it.
  PlaceMarks(Work& work, const PlaceWatch& watch, QObject* parent);
  Mark markOf(const Display& display, const Language& language) const override;
  QStringList linesOf(const Display& display, const Language& language) const override;

 private:
  // What rules have found there beside what the watch tells: of one of the displays alone.
  template <class Use>
  void eachFinding(const Display& display, const Language& language, Use use) const;
  Work& work_;
  const PlaceWatch& watch_;
};

}  // namespace bristle
