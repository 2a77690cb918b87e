#include "deliver/measures.h"

#include <algorithm>

#include "paint/fonts.h"
#include "paint/hit_shape.h"
#include "runtime/machine/look.h"

namespace bristle {
namespace {

// A mask that is there already serves again: buttons of a kind and size have the same.
void addArea(HitAreas& areas, const Item& item, const Box& box, HitMask mask) {
  const HitAreas::Use use{item.id, box.w, box.h, 0};
  const auto same = [&](const HitAreas::Use& other) {
    return other.button == use.button && other.w == use.w && other.h == use.h;
  };
  if (std::any_of(areas.uses.begin(), areas.uses.end(), same)) return;
  const auto at = std::find(areas.masks.begin(), areas.masks.end(), mask);
  areas.uses.push_back(use);
  areas.uses.back().mask = static_cast<size_t>(at - areas.masks.begin());
  if (at == areas.masks.end()) areas.masks.push_back(std::move(mask));
}

// The drawn hit areas of a screen's buttons, as they lie.
void addAreas(const Project& project, const Screen& screen, const Layout& layout,
              const HitShapes& shapes, HitAreas& areas) {
  for (size_t i = 0; i < screen.items.size(); ++i) {
    const Item& item = *screen.items[i];
    const Kind* kind = item.button() ? find(project, item.button()->kind) : nullptr;
    const Machine* machine = kind ? find(project, kind->machine) : nullptr;
    if (!machine || machine->states.empty() || kind->hitForm == HitForm::Box) continue;
    const LookTable table(*kind, *machine, naming(project), &item.button()->own);
    const Box box = layout.items[i].own();
    if (HitShapes::hasMask(*kind, {box.w, box.h}))
      addArea(areas, item, box, shapes.maskOf(*kind, table.state(0), {box.w, box.h}));
  }
}

}  // namespace

Measured measureAll(const Project& project, Pictures& pictures) {
  const FontMeasure fonts;
  const RecordingMeasure recorder(fonts);
  const HitShapes shapes(pictures);
  Measured out;
  for (const Language& language : project.languages)
    for (const Display& display : project.displays)
      for (const auto& screen : project.screens)
        addAreas(project, *screen, layOut(project, *screen, {display, language.id}, recorder),
                 shapes, out.areas);
  out.texts = recorder.asked();
  return out;
}

}  // namespace bristle
