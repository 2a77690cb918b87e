// What happens to one button in a take of a menu, as the scope shows it.
#pragma once
#include "core/laws/score.h"
#include "runtime/document/project.h"
#include "runtime/layout/text_measure.h"
#include "runtime/session/take.h"

namespace bristle {

class HitTest;

struct ButtonInTake {
  ItemId item;
  Score score;  // its signals; up to a minute
};

// Of the buttons of the kind the preferred one, or else the one to which most happens. An error
// where the take cannot be played or has no such button.
Result<ButtonInTake> scoreIn(const Project& project, const Take& take, const KindId& kind,
                             const ItemId& preferred, const TextMeasure& measure,
                             const HitTest* test = nullptr);

}  // namespace bristle
