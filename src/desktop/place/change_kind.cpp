#include "desktop/place/change_kind.h"

#include <QCoreApplication>

#include "core/edit/become_kind.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

void changeKind(Work& work, const std::vector<ItemId>& buttons, const KindId& kind) {
  const Kind* to = find(work.project(), kind);
  if (!work.screen() || !to) return;
  const auto tr = [](const char* text) { return QCoreApplication::translate("ChangeKind", text); };
  const size_t lost = ownValuesLost(work.project(), *work.screen(), buttons, kind);
  const QString name = toQt(to->name);
  if (!work.perform(becomeKind(work.screen()->id, buttons, kind))) return;
  work.tell(lost == 0 ? tr("Now a “%1”; caption, target, routes and own values stay").arg(name)
                      : tr("Now a “%1”; caption, target and routes stay, %2 own values have no "
                           "place in it and went (undo brings them back)")
                            .arg(name)
                            .arg(lost));
}

}  // namespace bristle
