#include "runtime/layout/shown.h"

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

}  // namespace bristle
