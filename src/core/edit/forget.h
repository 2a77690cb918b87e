// What pointed to items that are no longer there points nowhere again.
#pragma once
#include <unordered_set>

#include "runtime/document/screen.h"

namespace bristle {

void forget(Screen& screen, const std::unordered_set<ItemId>& removed);

}  // namespace bristle
