#include "runtime/layout/layout.h"

#include "runtime/document/project.h"

#include <algorithm>

#include "runtime/document/tree.h"
#include "runtime/layout/line.h"
#include "runtime/layout/pins.h"

namespace bristle {
namespace {

class Placer {
 public:
  Placer(const Project& project, const Screen& screen, const TextMeasure& measure)
      : project_(project),
        screen_(screen),
        measure_(measure),
        nesting_(nestingOf(screen)),
        sizes_(screen.items.size()),
        within_(screen.items.size(), -1) {}

  void run(Layout& out) {
    out.items.resize(screen_.items.size());
    language_ = out.language;
    // What is in a container comes after it, so that backwards it is measured before it.
    for (size_t i = sizes_.size(); i-- > 0;) sizes_[i] = measured(i);
    const Box all{0, 0, out.width, out.height};
    for (size_t i = 0; i < sizes_.size(); ++i) {
      const Item& item = *screen_.items[i];
      if (nesting_[i].parent < 0) out.items[i].box = placePinned(item.place, sizes_[i], all);
      finish(i, out);
      if (const auto* box = item.container()) arrange(i, *box, out);
    }
  }

 private:
  Size measured(size_t i) {
    const Item& item = *screen_.items[i];
    Size size;
    if (const auto* box = item.container()) {
      listChildren(i);
      size = measureLine(*box, childSizes_);
    } else {
      size = naturalSize(project_, item, language_, measure_);
    }
    if (item.place.x.size > 0) size.w = item.place.x.size;
    if (item.place.y.size > 0) size.h = item.place.y.size;
    return size;
  }

  void arrange(size_t i, const ContainerData& how, Layout& out) {
    listChildren(i);
    places_.resize(children_.size());
    arrangeLine(how, out.items[i].box, out.rightToLeft, childSizes_, places_);
    for (size_t c = 0; c < children_.size(); ++c) out.items[children_[c]].box = places_[c];
  }

  void listChildren(size_t i) {
    children_.clear();
    childSizes_.clear();
    for (size_t child = i + 1; child < nesting_[i].end; child = nesting_[child].end) {
      children_.push_back(child);
      childSizes_.push_back(sizes_[child]);
    }
  }

  // What follows from the box and from what is around the item.
  void finish(size_t i, Layout& out) {
    const Item& item = *screen_.items[i];
    Placed& here = out.items[i];
    const Box& box = here.box;
    Px padding = 0;
    if (const auto* button = item.button())
      if (const Kind* kind = find(project_, button->kind)) padding = kind->hitPadding;
    here.hit = {box.x - padding, box.y - padding, box.w + 2 * padding, box.h + 2 * padding};
    here.shown = !nesting_[i].hidden;
    here.clip = nesting_[i].parent < 0 ? -1 : within_[size_t(nesting_[i].parent)];
    here.visible = here.clip < 0 ? here.hit : common(here.hit, out.clips[size_t(here.clip)]);
    within_[i] = here.clip;
    const auto* container = item.container();
    if (!container || !container->clips) return;
    out.clips.push_back(here.clip < 0 ? box : common(box, out.clips[size_t(here.clip)]));
    within_[i] = static_cast<int>(out.clips.size()) - 1;
  }

  const Project& project_;
  const Screen& screen_;
  const TextMeasure& measure_;
  LanguageId language_;
  std::vector<Nesting> nesting_;
  std::vector<Size> sizes_;
  std::vector<int> within_;  // what cuts off the content of a container, by its index
  // Of the container at hand; kept, so that many small ones cost no memory anew.
  std::vector<size_t> children_;
  std::vector<Size> childSizes_;
  std::vector<Box> places_;
};

}  // namespace

Box common(const Box& a, const Box& b) {
  const Px x = std::max(a.x, b.x), y = std::max(a.y, b.y);
  return {x, y, std::max(0.0, std::min(a.x + a.w, b.x + b.w) - x),
          std::max(0.0, std::min(a.y + a.h, b.y + b.h) - y)};
}

Layout layOut(const Project& project, const Screen& screen, const Showing& showing,
              const TextMeasure& measure) {
  Layout out;
  out.width = showing.display.layoutWidth();
  out.height = showing.display.layoutHeight();
  const Language& language = languageOf(project, showing.language);
  out.display = showing.display.id;
  out.language = language.id;
  out.rightToLeft = language.rightToLeft;
  Placer(project, screen, measure).run(out);
  return out;
}

}  // namespace bristle
