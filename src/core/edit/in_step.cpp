#include "core/edit/in_step.h"

#include "core/edit/keep_bars.h"
#include "core/edit/keep_copies.h"

namespace bristle {

Project keptInStep(const Project& before, Project after) {
  keepBars(before, after);
  keepCopies(before, after);
  return after;
}

}  // namespace bristle
