#include "runtime/layout/layout.h"

#include <algorithm>

namespace bristle {
namespace {

struct Span {
  Px at = 0, size = 0;
};

Span placeAxis(const AxisPlace& place, Px natural, Px from, Px extent) {
  const Px size = place.size > 0 ? place.size : natural;
  switch (place.pin) {
    case Pin::Start:
      return {from + place.offset, size};
    case Pin::Centre:
      return {from + (extent - size) / 2 + place.offset, size};
    case Pin::End:
      return {from + extent - place.offset - size, size};
    case Pin::Both:
      return {from + place.offset, std::max(1.0, extent - place.offset - place.farOffset)};
  }
  return {};
}

class Placer {
 public:
  Placer(const Project& project, const Screen& screen, const TextMeasure& measure)
      : project_(project), screen_(screen), measure_(measure) {
    for (size_t i = 0; i < screen.items.size(); ++i) index_.emplace(screen.items[i]->id, i);
    children_.resize(screen.items.size());
    sizes_.resize(screen.items.size());
    for (size_t i = 0; i < screen.items.size(); ++i) {
      const auto parent = index_.find(screen.items[i]->parent);
      const bool held = parent != index_.end() && parent->second != i &&
                        screen.items[parent->second]->container();
      if (held) {
        children_[parent->second].push_back(i);
      } else {
        roots_.push_back(i);
      }
    }
  }

  void run(Layout& out) {
    out.items.resize(screen_.items.size());
    for (size_t root : roots_) {
      const Item& item = *screen_.items[root];
      const Size natural = sizeOf(root);
      const Span x = placeAxis(item.place.x, natural.w, 0, out.width);
      const Span y = placeAxis(item.place.y, natural.h, 0, out.height);
      put(root, {x.at, y.at, x.size, y.size}, out);
    }
  }

 private:
  // The natural size, with what the item's own place says in between; containers ask their
  // children, once.
  Size sizeOf(size_t i) {
    Size& size = sizes_[i];
    if (size.w > 0) return size;
    const Item& item = *screen_.items[i];
    if (const auto* box = item.container()) {
      size = contentSize(i, *box);
    } else {
      size = naturalSize(project_, item, measure_);
    }
    if (item.place.x.size > 0) size.w = item.place.x.size;
    if (item.place.y.size > 0) size.h = item.place.y.size;
    return size;
  }

  Size contentSize(size_t i, const ContainerData& box) {
    Px along = 0, across = 0;
    for (size_t child : children_[i]) {
      const Size s = sizeOf(child);
      along += box.flow == Flow::Row ? s.w : s.h;
      across = std::max(across, box.flow == Flow::Row ? s.h : s.w);
    }
    if (children_[i].empty()) along = across = 48;
    if (children_[i].size() > 1) along += box.gap * static_cast<double>(children_[i].size() - 1);
    along += 2 * box.padding;
    across += 2 * box.padding;
    return box.flow == Flow::Row ? Size{along, across} : Size{across, along};
  }

  void put(size_t i, const Box& box, Layout& out) {
    const Item& item = *screen_.items[i];
    Px padding = 0;
    if (const auto* button = item.button())
      if (const Kind* kind = find(project_, button->kind)) padding = kind->hitPadding;
    out.items[i] = {box,
                    {box.x - padding, box.y - padding, box.w + 2 * padding, box.h + 2 * padding}};
    if (const auto* container = item.container()) putChildren(i, *container, box, out);
  }

  void putChildren(size_t i, const ContainerData& how, const Box& box, Layout& out) {
    const bool row = how.flow == Flow::Row;
    const Px room = (row ? box.h : box.w) - 2 * how.padding;
    const bool mirrored = row && project_.settings.rightToLeft;
    Px at = how.padding;
    for (size_t child : children_[i]) {
      const Size s = sizeOf(child);
      const Px along = row ? s.w : s.h;
      Px across = row ? s.h : s.w;
      Px shift = 0;
      if (how.across == Across::Stretch) across = room;
      if (how.across == Across::Centre) shift = (room - across) / 2;
      if (how.across == Across::End) shift = room - across;
      if (row) {
        const Px x = mirrored ? box.w - at - along : at;
        put(child, {box.x + x, box.y + how.padding + shift, along, across}, out);
      } else {
        put(child, {box.x + how.padding + shift, box.y + at, across, along}, out);
      }
      at += along + how.gap;
    }
  }

  const Project& project_;
  const Screen& screen_;
  const TextMeasure& measure_;
  std::unordered_map<ItemId, size_t> index_;
  std::vector<std::vector<size_t>> children_;
  std::vector<size_t> roots_;
  std::vector<Size> sizes_;
};

size_t letters(const std::string& text) {
  return static_cast<size_t>(
      std::count_if(text.begin(), text.end(), [](char c) { return (c & 0xc0) != 0x80; }));
}

AxisPlace axisFor(AxisPlace axis, Px at, Px size, Px from, Px extent) {
  switch (axis.pin) {
    case Pin::Start:
      axis.offset = at - from;
      break;
    case Pin::Centre:
      axis.offset = at + size / 2 - (from + extent / 2);
      break;
    case Pin::End:
      axis.offset = from + extent - (at + size);
      break;
    case Pin::Both:
      axis.offset = at - from;
      axis.farOffset = from + extent - (at + size);
      break;
  }
  return axis;
}

}  // namespace

Size PlainMeasure::measure(const std::string&, double size, double, const std::string& text) const {
  return {static_cast<double>(letters(text)) * size / 2, size * 1.2};
}

Size naturalSize(const Project& project, const Item& item, const TextMeasure& measure) {
  const auto* button = item.button();
  if (!button) return {320, 200};
  const Kind* kind = find(project, button->kind);
  if (!kind) return {160, 48};  // a broken reference still shows where it stood
  Size size{kind->width, kind->height};
  if (!kind->fitsCaption) return size;
  for (const Part& part : kind->parts) {
    if (part.type != PartType::Label) continue;
    const auto text = [&](Prop prop) {
      return settled(valueIn(*kind, &button->own, {}, {part.id, prop}),
                     *findProperty(PartType::Label, prop), naming(project));
    };
    const Size caption = measure.measure(std::get<std::string>(text(Prop::Family)),
                                         std::get<double>(text(Prop::Size)),
                                         std::get<double>(text(Prop::Weight)), button->caption);
    size.w = std::max(size.w, caption.w + 2 * kind->captionPadding);
  }
  return size;
}

Layout layOut(const Project& project, const Screen& screen, const Display& display,
              const TextMeasure& measure) {
  Layout out;
  out.width = display.layoutWidth();
  out.height = display.layoutHeight();
  Placer(project, screen, measure).run(out);
  return out;
}

Place placeFor(const Place& old, const Box& box, const Box& holder) {
  return {axisFor(old.x, box.x, box.w, holder.x, holder.w),
          axisFor(old.y, box.y, box.h, holder.y, holder.h)};
}

}  // namespace bristle
