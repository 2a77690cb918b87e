// Walking the routes of a screen as its menu would be walked, without running it: with the way
// back, clusters entered by their rules, disabled buttons passed over; lists and fly-outs follow.
#pragma once
#include <memory>
#include <optional>
#include <string>

#include "core/derive/shown_screen.h"
#include "runtime/session/screen_run.h"

namespace bristle {

class RouteWalk {
 public:
  // What a step came to: the button that has focus now, and why: “right, solved”, “into Tools”.
  struct Stepped {
    ItemId to;  // empty: nowhere
    std::string how;
  };
  // `measure` must outlive it.
  explicit RouteWalk(const TextMeasure& measure) : measure_(measure) {}

  // From a button, or from where focus starts (empty, or one that cannot have it). A button other
  // than the last step led to counts as pointed at. An error where the screen cannot be opened.
  Result<Stepped> step(const ShownScreen& shown, const ItemId& from, Dir dir);
  // What accept does to a single stop that was walked to, and cancel to one that was gone into;
  // nowhere where there is none.
  Result<Stepped> through(const ShownScreen& shown, const ItemId& from, bool into);

 private:
  Result<void> follow(const ShownScreen& shown, const ItemId& from);
  void showFocus();

  const TextMeasure& measure_;
  std::shared_ptr<const Compiled> compiled_;
  std::optional<ShownScreen> shown_;
  std::optional<ScreenRun> run_;
};

}  // namespace bristle
