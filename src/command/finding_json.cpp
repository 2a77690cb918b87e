#include "command/finding_json.h"

#include <nlohmann/json.hpp>

#include "core/findings/rule_info.h"

namespace bristle {

nlohmann::ordered_json inJson(const Finding& f) {
  nlohmann::ordered_json out{{"key", f.key},
                             {"rule", f.rule},
                             {"severity", nameOf(f.severity)},
                             {"place", f.place},
                             {"reason", f.reason}};
  if (f.display) out["display"] = f.display.text;
  if (f.language) out["language"] = f.language.text;
  if (f.figure) out["figure"] = *f.figure;
  if (f.limit) out["limit"] = *f.limit;
  if (f.figure) out["unit"] = f.unit;
  const RuleInfo& info = infoOf(f.rule);
  out["why"] = info.why;
  if (!info.standard.empty()) out["standard"] = info.standard;
  for (const Edit& mend : f.mends) out["mends"].push_back(mend.name);
  return out;
}

}  // namespace bristle
