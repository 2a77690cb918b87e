#include "core/derive/route_walk.h"

#include "runtime/document/screen.h"
#include "runtime/layout/fly_outs.h"
#include "runtime/layout/scroll.h"

namespace bristle {
namespace {

int boxOf(const ScreenRun& run, const ItemId& id) {
  for (size_t b = 0; b < run.buttons.size(); ++b)
    if (run.buttons[b].item->id == id) return static_cast<int>(b);
  return -1;
}

// As a session does when a screen opens: by what the values are at first.
void putToRest(ScreenRun& run, const Project& project) {
  std::vector<double> values;
  for (const ProjectValue& value : project.values) values.push_back(value.start);
  for (ButtonRun& button : run.buttons)
    button.running.signals.set(Signals::Enabled, button.shallBeEnabled(values));
}

}  // namespace

// What was walked is forgotten where anything that it rests on has changed.
Result<void> RouteWalk::follow(const ShownScreen& shown, const ItemId& from) {
  if (!run_ || !shown_ || !samePicture(*shown_, shown)) {
    run_.reset();
    auto compiled = Compiled::make(shown.project);
    if (!compiled) return tl::unexpected(compiled.error());
    compiled_ = *compiled;
    const Screen* screen = find(compiled_->project(), shown.screen);
    if (!screen) return fail({}, "that screen is gone");
    auto run = openScreen(*compiled_, *screen, shown.showing, measure_);
    if (!run) return tl::unexpected(run.error());
    run_ = std::move(*run);
    putToRest(*run_, compiled_->project());
    shown_ = shown;
  }
  const int box = from ? boxOf(*run_, from) : -1;
  if (box >= 0 && box == run_->focus) return {};
  run_->trail.clear();
  if (box >= 0)
    run_->focusOn(box, true);
  else
    run_->focus = -1;
  showFocus();
  return {};
}

// As in a session: what flies out opens by focus, and lists are moved to what has it.
void RouteWalk::showFocus() {
  ScreenRun& run = *run_;
  int open = -1;
  if (run.focus >= 0) {
    const auto item = size_t(run.routes.items[size_t(run.focus)]);
    open = run.layout.items[item].flyOut;
    for (size_t f = 0; f < run.layout.flyOuts.size(); ++f) {
      const PlacedFlyOut& it = run.layout.flyOuts[f];
      if (it.from == item && run.screen->items[it.item]->container()->flyOut.byFocus)
        open = static_cast<int>(f);
    }
    run.scrollTo(offsetsToShow(*run.screen, run.layout, item));
  }
  openOnly(run.layout, open);
}

Result<RouteWalk::Stepped> RouteWalk::step(const ShownScreen& shown, const ItemId& from, Dir dir) {
  if (auto ready = follow(shown, from); !ready) return tl::unexpected(ready.error());
  ScreenRun& run = *run_;
  if (run.focus < 0) {
    const int entry = startBox(run);
    if (entry < 0) return Stepped{{}, "there is no button"};
    run.focusOn(entry);
    showFocus();
    return Stepped{run.buttons[size_t(entry)].item->id, "entry"};
  }
  const Move move = resolveMove(run, run.focus, dir);
  const std::string how = std::string(nameOf(dir)) + ", " + move.how;
  if (move.target < 0) return Stepped{{}, how};
  auto trail = remember(run, move, dir);
  run.focusOn(move.target);
  run.trail = std::move(trail);
  showFocus();
  return Stepped{run.buttons[size_t(move.target)].item->id, how};
}

Result<RouteWalk::Stepped> RouteWalk::through(const ShownScreen& shown, const ItemId& from,
                                              bool into) {
  if (auto ready = follow(shown, from); !ready) return tl::unexpected(ready.error());
  const int cluster = into ? run_->goInto() : run_->comeOut();
  if (cluster < 0) return Stepped{{}, "there is no single stop"};
  return Stepped{run_->buttons[size_t(run_->focus)].item->id,
                 (into ? "into " : "out of ") + run_->screen->clusters[size_t(cluster)].name};
}

}  // namespace bristle
