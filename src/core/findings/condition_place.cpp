#include "core/findings/condition_place.h"

#include <fmt/format.h>

#include <cstdlib>

#include "core/edit/screen_edits.h"

namespace bristle {
namespace {

constexpr int kOfItem = 3;  // shown, enabled, current; then the actions'

}  // namespace

std::string purposeOf(const Item& item, size_t index) {
  if (index == 0) return "when it is shown";
  if (index == 1) return "when it is enabled";
  if (index == 2) return "when it is current";
  const size_t actions = item.button()->actions.size();
  return actions < 2 ? "when its action is done"
                     : fmt::format("when action {} is done", index - kOfItem + 1);
}

bool isAskedOfItem(const Finding& finding) {
  const bool isCondition = finding.rule == "condition" || finding.rule == "steady-condition";
  return isCondition && !finding.detail.empty() && std::atoi(finding.detail.c_str()) < kOfItem;
}

Edit clearCondition(const Screen& screen, const Item& item, size_t index) {
  return changeItems(screen.id, {item.id}, "ask nothing there", {}, [index](Item& changed) {
    size_t at = 0;
    eachCondition(changed, [&](std::string& formula) {
      if (at++ == index) formula.clear();
    });
  });
}

}  // namespace bristle
