#include "runtime/layout/shown.h"

#include <map>

#include "runtime/document/tree.h"
#include "runtime/layout/scroll.h"

namespace bristle {

bool show(Layout& layout, const Screen& screen, const std::vector<bool>& gone) {
  const auto nesting = nestingOf(screen);
  std::vector<bool> shown(gone.size());
  bool changes = false;
  for (size_t i = 0; i < gone.size(); ++i) {
    const int parent = nesting[i].parent;
    shown[i] = !gone[i] && (parent < 0 || shown[size_t(parent)]);
    changes |= shown[i] != layout.items[i].shown;
  }
  if (!changes) return false;
  const auto offsets = offsetsOf(layout);
  scroll(layout, std::vector<Px>(offsets.size()));
  for (size_t i = 0; i < gone.size(); ++i) layout.items[i].shown = shown[i];
  measureContent(layout, screen);
  scroll(layout, offsets);
  return true;
}

std::vector<bool> goneAtFirst(const Screen& screen, const std::vector<size_t>& instead) {
  const auto nesting = nestingOf(screen);
  std::vector<bool> out(screen.items.size());
  std::map<int, size_t> there;  // by set
  for (const size_t panel : instead) there.emplace(nesting[panel].parent, panel);
  for (size_t i = 0; i < out.size(); ++i) {
    const int parent = nesting[i].parent;
    out[i] = screen.items[i]->hidden;
    if (parent < 0 || !screen.items[size_t(parent)]->container()->panels) continue;
    if (!out[i]) there.emplace(parent, i);
    const auto at = there.find(parent);
    out[i] = at == there.end() || at->second != i;
  }
  return out;
}

}  // namespace bristle
