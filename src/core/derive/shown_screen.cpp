#include "core/derive/shown_screen.h"

#include <algorithm>
#include <unordered_set>

#include "runtime/layout/layout.h"
#include "runtime/layout/scaling.h"

namespace bristle {
namespace {

const Shared<Screen>* partOf(const ShownScreen& shown) {
  for (const auto& screen : shown.project.screens)
    if (screen->id == shown.screen) return &screen;
  return nullptr;
}

// The ids of the parts that differ, from either list.
template <class AnyId, class Part>
std::unordered_set<AnyId> differing(const std::vector<Shared<Part>>& a,
                                    const std::vector<Shared<Part>>& b) {
  std::unordered_set<AnyId> out;
  for (size_t i = 0; i < std::max(a.size(), b.size()); ++i) {
    if (i < a.size() && i < b.size() && a[i].same(b[i])) continue;
    if (i < a.size()) out.insert(a[i]->id);
    if (i < b.size()) out.insert(b[i]->id);
  }
  return out;
}

template <class Wanted>
bool anyKind(const ShownScreen& shown, Wanted wanted) {
  const Screen* screen = shown.find();
  return screen && std::any_of(screen->items.begin(), screen->items.end(), [&](const auto& item) {
           return item->button() && wanted(item->button()->kind);
         });
}

bool sameKinds(const ShownScreen& a, const ShownScreen& b) {
  const auto changed = differing<KindId>(a.project.kinds, b.project.kinds);
  if (changed.empty()) return true;
  const auto isChanged = [&](const KindId& kind) { return changed.contains(kind); };
  return !anyKind(a, isChanged) && !anyKind(b, isChanged);
}

// What shows at rest beside layout and looks: the state that each machine rests in.
bool sameStates(const ShownScreen& a, const ShownScreen& b) {
  if (a.project.values != b.project.values) return false;  // conditions may ask them
  const auto changed = differing<MachineId>(a.project.machines, b.project.machines);
  if (changed.empty()) return true;
  return !anyKind(b, [&](const KindId& id) {
    const Kind* kind = find(b.project, id);
    return kind && changed.contains(kind->machine);
  });
}

// All but the screen's own part.
bool sameAround(const ShownScreen& a, const ShownScreen& b) {
  const Screen *one = a.find(), *other = b.find();
  // A screen that grows with the display does so from the one it was drawn on.
  if (!one || !other || drawnOn(a.project, *one) != drawnOn(b.project, *other)) return false;
  return a.screen == b.screen && a.showing.display == b.showing.display &&
         a.showing.language == b.showing.language && a.project.languages == b.project.languages &&
         a.project.named.same(b.project.named) &&
         a.project.settings.darkSet == b.project.settings.darkSet && sameKinds(a, b);
}

bool sameBox(const Placed& a, const Placed& b) {
  return a.box == b.box && a.clip == b.clip && a.shown == b.shown && a.closed == b.closed &&
         a.scale == b.scale;
}

}  // namespace

bool sameLayout(const ShownScreen& a, const ShownScreen& b) {
  const auto *one = partOf(a), *other = partOf(b);
  return one && other && one->same(*other) && sameAround(a, b);
}

bool samePicture(const ShownScreen& a, const ShownScreen& b) {
  return sameLayout(a, b) && sameStates(a, b);
}

std::optional<std::vector<size_t>> changedItems(const ShownScreen& a, const Layout& before,
                                                const ShownScreen& b, const Layout& after) {
  const auto *one = partOf(a), *other = partOf(b);
  if (!one || !other || !sameAround(a, b) || !sameStates(a, b)) return {};
  const Screen &old = **one, &now = **other;
  if (!(old.backdrop == now.backdrop) || old.dimBelow != now.dimBelow ||
      before.scale != after.scale || old.items.size() != now.items.size() ||
      before.clips != after.clips)
    return {};
  std::vector<size_t> out;
  for (size_t i = 0; i < now.items.size(); ++i) {
    if (old.items[i]->id != now.items[i]->id) return {};
    if (!old.items[i].same(now.items[i]) || !sameBox(before.items[i], after.items[i]))
      out.push_back(i);
  }
  return out;
}

}  // namespace bristle
