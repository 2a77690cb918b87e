#include "desktop/derive/derived.h"

#include <spdlog/spdlog.h>

#include <QElapsedTimer>
#include <algorithm>

#include "core/derive/lay_out_again.h"
#include "runtime/focus/scopes.h"

namespace bristle {
namespace {
constexpr qint64 kSeenAsHalt = 16;  // ms
}

Derived::Derived(const TextMeasure& measure)
    : measure_(measure), solving_(this, [this](Solved solved) {
        ++made_.routes;
        for (Kept& each : kept_)
          if (sameLayout(each.shown, solved.first)) {
            each.routes = solved.second;
            each.solved = true;
          }
        Q_EMIT ready();
      }) {}

Derived::Kept* Derived::kept(const ShownScreen& shown) {
  const auto at = std::find_if(kept_.begin(), kept_.end(),
                               [&](const Kept& each) { return sameLayout(each.shown, shown); });
  if (at != kept_.end()) {
    kept_.splice(kept_.begin(), kept_, at);
    return &kept_.front();
  }
  const Screen* screen = shown.find();
  if (!screen) return nullptr;
  ++made_.layouts;
  QElapsedTimer taken;
  taken.start();
  std::optional<Layout> again;
  for (const Kept& each : kept_)
    if (!again && each.shown.screen == shown.screen)
      again = layOutAgain(each.shown, *each.layout, shown, measure_);
  auto layout = std::make_shared<Layout>(
      again ? std::move(*again) : layOut(shown.project, *screen, shown.showing, measure_));
  if (kept_.size() >= kMostKept) kept_.pop_back();
  if (taken.elapsed() > kSeenAsHalt)
    spdlog::warn("laying out {} items took {} ms", screen->items.size(), taken.elapsed());
  kept_.push_front({shown, std::move(layout)});
  return &kept_.front();
}

std::shared_ptr<const Layout> Derived::layout(const ShownScreen& shown) {
  Kept* its = kept(shown);
  return its ? its->layout : nullptr;
}

std::shared_ptr<const ScreenRoutes> Derived::routes(const ShownScreen& shown) {
  Kept* its = kept(shown);
  if (!its || its->solved) return its ? its->routes : nullptr;
  if (solving_.busy() && asked_ && sameLayout(*asked_, its->shown)) return its->routes;
  auto bare = std::make_shared<ScreenRoutes>(unsolvedRoutes(*its->shown.find(), *its->layout));
  its->routes = bare;
  if (bare->items.size() <= kMostAtOnce) {
    ++made_.routes;
    bare->output = solver_.solve(*bare);
    its->solved = true;
    return its->routes;
  }
  asked_ = its->shown;
  solving_.ask([shown = its->shown, bare = *bare](const std::atomic<bool>&) mutable {
    bare.output = solveScopes(bare);
    return Solved{shown, std::make_shared<ScreenRoutes>(std::move(bare))};
  });
  return its->routes;
}

}  // namespace bristle
