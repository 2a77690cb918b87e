#include "runtime/layout/size_from.h"

#include "runtime/layout/pins.h"

namespace bristle {
namespace {

SizeFrom byItself(const Project& project, const Item& item, bool horizontal) {
  if (item.container()) return SizeFrom::Content;
  const ButtonData* button = item.button();
  if (!button) return SizeFrom::Usual;
  const Kind* kind = find(project, button->kind);
  return kind && kind->fitsCaption && horizontal ? SizeFrom::Caption : SizeFrom::Kind;
}

}  // namespace

SizeFrom sizeFrom(const Project& project, const Screen& screen, const Item& item, bool horizontal) {
  const AxisPlace& axis = axisOf(item.place, horizontal);
  const Item* holder = item.parent ? findItem(screen, item.parent) : nullptr;
  const ContainerData* how = holder ? holder->container() : nullptr;
  const bool loose = !how || how->flow == Flow::Free;
  if (loose && axis.pin == Pin::Both) return SizeFrom::Pins;
  if (!loose && how->flow != Flow::Ring) {
    const bool along = how->flow == Flow::Row ? horizontal : !horizontal;
    if (axis.rest > 0) return SizeFrom::Rest;
    if (how->across == Across::Stretch && (how->flow == Flow::Grid || !along))
      return SizeFrom::Stretch;
  }
  if (loose && axis.share > 0) return SizeFrom::Share;
  return axis.size > 0 ? SizeFrom::Own : byItself(project, item, horizontal);
}

}  // namespace bristle
