// The conditions of an item by their place among them (eachCondition), for those who tell of them.
#pragma once
#include <string>

#include "core/edit/history.h"
#include "core/findings/finding.h"

namespace bristle {

// “when it is shown”, “when action 2 is done”.
std::string purposeOf(const Item& item, size_t index);
// Whether what a finding tells of is what an item is asked itself, and not one of its actions.
bool isAskedOfItem(const Finding& finding);
// So that nothing is asked there.
Edit clearCondition(const Screen& screen, const Item& item, size_t index);

}  // namespace bristle
