// What the buttons of a kind stand on.
#pragma once
#include <map>

#include "runtime/document/project.h"

namespace bristle {

// The ground that a kind's buttons stand on, on the first screen where there is one: the panel
// nearest below a button, else the backdrop; of a gradient its first colour. Else a middle grey.
Colour groundOf(const Project& project, const KindId& kind);
// The same of all kinds that stand on something, in one walk.
std::map<KindId, Colour> groundsOf(const Project& project);

}  // namespace bristle
