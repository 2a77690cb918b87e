#include "desktop/route/route_marks.h"

#include <utility>

namespace bristle {

void RouteMarks::set(All all) {
  all_ = std::move(all);
  Q_EMIT changed();
}

const RouteMarks::Judged* RouteMarks::find(const Display& display, const Language& language) const {
  const auto at = all_.find({display.id, language.id});
  return at == all_.end() ? nullptr : &at->second;
}

StripMarks::Mark RouteMarks::markOf(const Display& display, const Language& language) const {
  const Judged* judged = find(display, language);
  if (!judged) return {};
  return {judged->quality.unreachable.size() + judged->quality.traps.size(), judged->elsewhere};
}

QStringList RouteMarks::linesOf(const Display& display, const Language& language) const {
  const Judged* judged = find(display, language);
  if (!judged) return {};
  const RouteQuality& q = judged->quality;
  QStringList out;
  if (q.sound()) out << tr("All can be reached, and left again");
  if (!q.unreachable.empty()) out << tr("Cannot be reached: %1").arg(q.unreachable.size());
  if (!q.traps.empty()) out << tr("Cannot be left again: %1").arg(q.traps.size());
  if (judged->elsewhere > 0)
    out << tr("Lead elsewhere than as it is shown: %1").arg(judged->elsewhere);
  out << tr("%1 % lead back").arg(qRound(100 * q.returning()))
      << tr("From the start %1 steps, %2 at most")
             .arg(q.fromEntry.mean, 0, 'f', 1)
             .arg(q.fromEntry.most);
  return out;
}

}  // namespace bristle
