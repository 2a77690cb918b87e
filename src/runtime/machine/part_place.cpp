#include "runtime/machine/part_place.h"

namespace bristle {
namespace {

// Where a length of `size` begins on an axis of the box.
double placed(const std::string& pin, double from, double extent, double size, double offset) {
  if (pin == "start") return from + offset;
  if (pin == "end") return from + extent - size + offset;
  return from + (extent - size) / 2 + offset;
}

Affine aboutPivot(const PartValues& v, const Box& rect) {
  const double x = v.number(Prop::PivotX);
  return Affine::about(rect.x + (v.mirrored() ? 1 - x : x) * rect.w,
                       rect.y + v.number(Prop::PivotY) * rect.h,
                       v.number(Prop::Rotation) * (v.mirrored() ? -1 : 1), v.number(Prop::Scale));
}

bool stands(const PartValues& v) {
  return v.number(Prop::Rotation) == 0 && v.number(Prop::Scale) == 1;
}

Box unmirrored(const PartValues& v, const Box& box) {
  const double dx = v.number(Prop::OffsetX), dy = v.number(Prop::OffsetY);
  if (!v.has(Prop::Width)) {
    const double size = v.number(Prop::Size);
    const double x = placed(v.text(Prop::PinX), box.x, box.w, 0, dx);
    const double y = placed(v.text(Prop::PinY), box.y, box.h, 0, dy);
    return {x - size / 2, y - size / 2, size, size};
  }
  const double w = v.number(Prop::Width) > 0 ? v.number(Prop::Width) : box.w;
  const double h = v.number(Prop::Height) > 0 ? v.number(Prop::Height) : box.h;
  const double outset = v.has(Prop::Outset) ? v.number(Prop::Outset) : 0;
  return {placed(v.text(Prop::PinX), box.x, box.w, w, dx) - outset,
          placed(v.text(Prop::PinY), box.y, box.h, h, dy) - outset, w + 2 * outset, h + 2 * outset};
}

}  // namespace

Box partBox(const PartValues& v, const Box& box) {
  Box rect = unmirrored(v, box);
  if (v.mirrored()) rect.x = box.x + box.x + box.w - (rect.x + rect.w);
  return rect;
}

Affine partMotion(const PartValues& v, const Box& rect) {
  return stands(v) ? Affine() : aboutPivot(v, rect);
}

Affine wholeMotion(const PartValues& v, const Box& box) {
  const double dx = v.number(Prop::OffsetX) * (v.mirrored() ? -1 : 1), dy = v.number(Prop::OffsetY);
  if (stands(v)) return Affine::moved(dx, dy);
  Affine out = aboutPivot(v, box);
  out.e += dx;
  out.f += dy;
  return out;
}

Box labelRoom(const PartValues& v, const Box& rect) {
  const Four& p = v.four(Prop::Padding);
  const double left = v.mirrored() ? p.b : p.d, right = v.mirrored() ? p.d : p.b;
  return {rect.x + left, rect.y + p.a, rect.w - left - right, rect.h - p.a - p.c};
}

Colour captionColour(const Kind& kind, const Look& look) {
  Colour out{36, 33, 30, 255};
  bool found = false;
  eachPart(kind.parts, look.data(), [&](const Part& part, const PartValues& values) {
    if (part.type != PartType::Label || found) return;
    out = values.colour(Prop::Colour);
    found = values.shown() > 0;
  });
  return out;
}

}  // namespace bristle
