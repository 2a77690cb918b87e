#include "desktop/work/finding_place.h"

#include "core/findings/condition_place.h"
#include "core/findings/rule_info.h"

namespace bristle {

QString benchOf(const Finding& finding) {
  const RuleGroup group = infoOf(finding.rule).group;
  if (group == RuleGroup::Machines || finding.machine) return QStringLiteral("motion");
  if (finding.kind) return QStringLiteral("shape");
  if (group == RuleGroup::Routes) return QStringLiteral("route");
  if (isAskedOfItem(finding)) return QStringLiteral("place");
  if (group == RuleGroup::Flow || !finding.screen) return QStringLiteral("flow");
  return QStringLiteral("place");
}

}  // namespace bristle
