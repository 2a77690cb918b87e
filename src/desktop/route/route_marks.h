// How the routes of a screen are on each display in each language, for the strip of displays.
#pragma once
#include <map>

#include "core/derive/route_quality.h"
#include "desktop/view/strip_marks.h"

namespace bristle {

class RouteMarks : public StripMarks {
  Q_OBJECT
 public:
  using StripMarks::StripMarks;
  struct Judged {
    RouteQuality quality;
    size_t elsewhere = 0;  // moves that lead elsewhere than as it is shown
  };
  using All = std::map<std::pair<DisplayId, LanguageId>, Judged>;
  void set(All all);
  Mark markOf(const Display& display, const Language& language) const override;
  QStringList linesOf(const Display& display, const Language& language) const override;

 private:
  const Judged* find(const Display& display, const Language& language) const;
  All all_;
};

}  // namespace bristle
