#include "core/rehearse/replay.h"

#include <fmt/format.h>

#include "core/rehearse/reel.h"
#include "runtime/session/take_player.h"

namespace bristle {

Replayed replay(const Take& take, Reel& reel) {
  Replayed out;
  TakeCheck check;
  size_t told = 0;
  for (const TakeStep& step : take.steps) {
    const auto* expected = std::get_if<Expectation>(&step.what);
    reel.runTo(expected ? expected->at : std::get<InputEvent>(step.what).at);
    if (expected) {
      for (; told < reel.trace().size(); ++told) check.happened(reel.trace()[told]);
      check.check(step);
      if (!out.failsAt && !check.failures().empty()) out.failsAt = expected->at;
    } else if (const auto event = eventOf(step, reel.session())) {
      reel.feed(*event);
    } else {
      out.stopped = fmt::format("line {}: no button “{}” on the screen that is open at {} ms",
                                step.source, std::get<InputEvent>(step.what).name, reel.now());
      break;
    }
    if (reel.session().gaveUp()) {
      out.stopped = fmt::format("line {}: messages or timers go on without end", step.source);
      break;
    }
  }
  out.failures = check.failures();
  return out;
}

}  // namespace bristle
