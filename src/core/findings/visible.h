// What of a look can be seen, as far as its values tell.
#pragma once
#include "runtime/machine/look.h"

namespace bristle {

// Whether anything of the button is painted: some part that is shown, has a colour or a file, and
// is not transparent, turned to nothing or without a size.
bool canBeSeen(const Kind& kind, const Look& look);
// Whether two looks differ in nothing that can be seen: values of parts that are shown in neither
// do not count.
bool lookAlike(const Kind& kind, const Look& a, const Look& b);

}  // namespace bristle
