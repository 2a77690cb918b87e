// Buttons of the picked screen become ones of another kind, and the person is told what they keep.
#pragma once
#include <vector>

#include "runtime/document/ids.h"

namespace bristle {

class Work;

void changeKind(Work& work, const std::vector<ItemId>& buttons, const KindId& kind);

}  // namespace bristle
