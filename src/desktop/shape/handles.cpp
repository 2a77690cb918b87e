#include "desktop/shape/handles.h"

#include <algorithm>
#include <cmath>

#include "core/edit/kind_edits.h"
#include "desktop/shape/ledger_model.h"
#include "desktop/work/work.h"
#include "paint/part_place.h"

namespace bristle {
namespace {

// The picked part in one column, with its values.
struct Seen {
  std::shared_ptr<const LookTable> table;  // has the values
  const Kind& kind;
  const Part* part = nullptr;
  QRectF box, rect;
  const Value* values = nullptr;
  const Value* whole = nullptr;
};

std::optional<Seen> seen(Work& work, const Column& column) {
  const auto table = work.lookTable();
  const Kind* kind = work.kind();
  const Machine* machine = work.machine();
  if (!table || !machine) return {};
  Seen out{table, *kind, nullptr, QRectF(0, 0, kind->width, kind->height), {}, nullptr, nullptr};
  const Look* look = &table->base();
  for (size_t i = 0; i < machine->states.size(); ++i)
    if (column && machine->states[i].id == *column) look = &table->state(StateIndex(i));
  const Value* at = look->data();
  for (const Part& part : kind->parts) {
    if (part.id == work.picked().property.part) {
      out.part = &part;
      out.values = at;
      out.rect = partRect(PartValues(part.type, at), out.box);
    }
    at += propertiesOf(part.type).size();
  }
  out.whole = at;
  return out;
}

double wholePx(double v) {
  return std::round(v);
}

void addCorners(const Seen& s, const PartValues& v, std::vector<Handle>& out) {
  if (v.text(Prop::Form) != "rectangle") return;
  const Four& r = v.four(Prop::Radius);
  const QRectF& box = s.rect;
  const QPointF corners[] = {box.topLeft(), box.topRight(), box.bottomRight(), box.bottomLeft()};
  const QPointF inwards[] = {{1, 1}, {-1, 1}, {-1, -1}, {1, -1}};
  const double radii[] = {r.a, r.b, r.c, r.d};
  for (int i = 0; i < (r.even() ? 1 : 4); ++i) {
    // Never right on the corner: it must be possible to begin at 0.
    const double in = std::max(4.0, std::min({radii[i], box.width() / 2, box.height() / 2}));
    out.push_back({Handle::Sort::Corner, r.even() ? -1 : i, corners[i] + inwards[i] * in,
                   QObject::tr("corner")});
  }
}

void addGradient(const Seen& s, const PartValues& v, std::vector<Handle>& out) {
  const Fill& fill = v.fill(Prop::Fill);
  const QRectF& r = s.rect;
  if (fill.type == FillType::Radial) {
    const QPointF c(r.x() + fill.x * r.width(), r.y() + fill.y * r.height());
    out.push_back({Handle::Sort::Centre, 0, c, QObject::tr("centre of the gradient")});
    out.push_back({Handle::Sort::Radius, 0, c + QPointF(fill.radius * r.width(), 0),
                   QObject::tr("radius of the gradient")});
  }
  if (fill.type != FillType::Linear) return;
  const double radians = fill.angle * 3.14159265358979323846 / 180;
  const QPointF along(std::cos(radians), std::sin(radians));
  const double half = (std::abs(r.width() * along.x()) + std::abs(r.height() * along.y())) / 2;
  for (size_t i = 0; i < fill.stops.size(); ++i)
    out.push_back({Handle::Sort::Stop, int(i),
                   r.center() + along * (half * (2 * fill.stops[i].at - 1)),
                   QObject::tr("stop %1 of the gradient").arg(i + 1)});
}

void addSlices(const Seen& s, const PartValues& v, std::vector<Handle>& out) {
  if (v.text(Prop::Fit) != "nine-slice") return;
  const Four& f = v.four(Prop::Slices);
  const QRectF& r = s.rect;
  out.push_back(
      {Handle::Sort::Slice, 0, {r.center().x(), r.top() + f.a}, QObject::tr("top slice")});
  out.push_back(
      {Handle::Sort::Slice, 1, {r.right() - f.b, r.center().y()}, QObject::tr("right slice")});
  out.push_back(
      {Handle::Sort::Slice, 2, {r.center().x(), r.bottom() - f.c}, QObject::tr("bottom slice")});
  out.push_back(
      {Handle::Sort::Slice, 3, {r.left() + f.d, r.center().y()}, QObject::tr("left slice")});
}

CellChange cell(const Column& column, const PartId& part, Prop prop, Value value) {
  return {column, {part, prop}, std::move(value)};
}

// The size that brings the dragged corner under the pointer, by what the part is pinned to.
double sizeFor(const std::string& pin, double from, double extent, double offset, double to) {
  const double centre = from + extent / 2 + offset;
  if (pin == "start") return to - (from + offset);
  if (pin == "end") return extent + offset - to + from > 0 ? extent + offset + from - to : 1;
  return 2 * std::abs(to - centre);
}

std::vector<CellChange> changesFor(const Seen& s, const Column& column, const Handle& h,
                                   const QPointF& from, const QPointF& to) {
  if (h.sort == Handle::Sort::Pivot)
    return {cell(column, {}, Prop::PivotX,
                 std::clamp(std::round(to.x() / s.box.width() * 100) / 100, -2.0, 3.0)),
            cell(column, {}, Prop::PivotY,
                 std::clamp(std::round(to.y() / s.box.height() * 100) / 100, -2.0, 3.0))};
  if (!s.part) return {};
  const PartId& id = s.part->id;
  const PartValues v(s.part->type, s.values);
  const QRectF& r = s.rect;
  switch (h.sort) {
    case Handle::Sort::Move:
      // From where it was when it was grabbed: what rounding takes away in one step is not lost.
      return {cell(column, id, Prop::OffsetX, wholePx(h.offset.x() + to.x() - from.x())),
              cell(column, id, Prop::OffsetY, wholePx(h.offset.y() + to.y() - from.y()))};
    case Handle::Sort::Size: {
      if (!v.has(Prop::Width))
        return {cell(column, id, Prop::Size,
                     std::clamp(wholePx(2 * (to.x() - r.center().x())), 4.0, 1000.0))};
      const double w =
          sizeFor(v.text(Prop::PinX), s.box.x(), s.box.width(), v.number(Prop::OffsetX), to.x());
      const double h2 =
          sizeFor(v.text(Prop::PinY), s.box.y(), s.box.height(), v.number(Prop::OffsetY), to.y());
      return {cell(column, id, Prop::Width, std::clamp(wholePx(w), 1.0, 8000.0)),
              cell(column, id, Prop::Height, std::clamp(wholePx(h2), 1.0, 8000.0))};
    }
    case Handle::Sort::Corner: {
      Four radii = v.four(Prop::Radius);
      const int i = std::max(0, h.index);
      const QPointF corner = i == 0   ? r.topLeft()
                             : i == 1 ? r.topRight()
                             : i == 2 ? r.bottomRight()
                                      : r.bottomLeft();
      const double in = std::max(std::abs(to.x() - corner.x()), std::abs(to.y() - corner.y()));
      const double radius =
          std::clamp(wholePx(in < 5 ? 0 : in), 0.0, std::min(r.width(), r.height()) / 2);
      double* const slots[] = {&radii.a, &radii.b, &radii.c, &radii.d};
      *slots[i] = radius;
      return {cell(column, id, Prop::Radius, h.index < 0 ? Four::all(radius) : radii)};
    }
    case Handle::Sort::Padding: {
      Four padding = v.four(Prop::Padding);
      padding.b = padding.d = std::clamp(wholePx(to.x() - r.left()), 0.0, r.width() / 2);
      return {cell(column, id, Prop::Padding, padding)};
    }
    case Handle::Sort::Slice: {
      Four slices = v.four(Prop::Slices);
      double* const slots[] = {&slices.a, &slices.b, &slices.c, &slices.d};
      const double in[] = {to.y() - r.top(), r.right() - to.x(), r.bottom() - to.y(),
                           to.x() - r.left()};
      *slots[h.index] = std::clamp(wholePx(in[h.index]), 0.0, 4000.0);
      return {cell(column, id, Prop::Slices, slices)};
    }
    case Handle::Sort::Centre:
    case Handle::Sort::Radius:
    case Handle::Sort::Stop: {
      Fill fill = v.fill(Prop::Fill);
      if (h.sort == Handle::Sort::Centre) {
        fill.x = std::clamp((to.x() - r.x()) / r.width(), -1.0, 2.0);
        fill.y = std::clamp((to.y() - r.y()) / r.height(), -1.0, 2.0);
      } else if (h.sort == Handle::Sort::Radius) {
        fill.radius =
            std::clamp(std::abs(to.x() - r.x() - fill.x * r.width()) / r.width(), 0.02, 3.0);
      } else {
        const double radians = fill.angle * 3.14159265358979323846 / 180;
        const QPointF along(std::cos(radians), std::sin(radians));
        const double half =
            (std::abs(r.width() * along.x()) + std::abs(r.height() * along.y())) / 2;
        const auto i = size_t(h.index);
        const double at = (QPointF::dotProduct(to - r.center(), along) / half + 1) / 2;
        const double least = i > 0 ? fill.stops[i - 1].at : 0;
        const double most = i + 1 < fill.stops.size() ? fill.stops[i + 1].at : 1;
        fill.stops[i].at = std::clamp(std::round(at * 100) / 100, least, most);
      }
      return {cell(column, id, Prop::Fill, fill)};
    }
    default:
      return {};
  }
}

}  // namespace

std::vector<Handle> handlesOf(Work& work, const Column& column) {
  std::vector<Handle> out;
  const auto s = seen(work, column);
  if (!s) return out;
  if (!s->part) {
    const PartValues whole(PartType::Whole, s->whole);
    out.push_back({Handle::Sort::Pivot,
                   0,
                   {whole.number(Prop::PivotX) * s->box.width(),
                    whole.number(Prop::PivotY) * s->box.height()},
                   QObject::tr("pivot")});
    out.push_back({Handle::Sort::HitPadding,
                   0,
                   {s->box.right() + s->kind.hitPadding, s->box.center().y()},
                   QObject::tr("hit area")});
    return out;
  }
  const PartValues v(s->part->type, s->values);
  out.push_back({Handle::Sort::Size, 0, s->rect.bottomRight(), QObject::tr("size")});
  if (s->part->type == PartType::Shape) addCorners(*s, v, out);
  if (s->part->type == PartType::Picture) addSlices(*s, v, out);
  if (s->part->type == PartType::Label) {
    out.front() = {Handle::Sort::Padding,
                   0,
                   {s->rect.left() + v.four(Prop::Padding).d, s->rect.center().y()},
                   QObject::tr("padding")};
  }
  const bool fill = work.picked().property.prop == Prop::Fill && s->part->type == PartType::Shape &&
                    v.fill(Prop::Fill).isGradient();
  if (fill)
    addGradient(*s, v, out);
  else
    out.push_back({Handle::Sort::Move,
                   0,
                   s->rect.center(),
                   QObject::tr("place"),
                   {v.number(Prop::OffsetX), v.number(Prop::OffsetY)}});
  return out;
}

std::optional<Edit> dragged(Work& work, const Column& column, const Handle& handle,
                            const QPointF& from, const QPointF& to) {
  const auto s = seen(work, column);
  if (!s) return {};
  if (handle.sort == Handle::Sort::HitPadding) {
    const double padding = std::clamp(std::round(to.x() - s->box.right()), 0.0, 200.0);
    return changeKind(s->kind.id, "change hit area", "hit " + s->kind.id.text,
                      [padding](Kind& k) { k.hitPadding = padding; });
  }
  std::vector<CellChange> all;
  for (const Column& c : work.picked().columns)
    for (CellChange& change : changesFor(*s, c, handle, from, to)) all.push_back(std::move(change));
  if (all.empty()) return {};
  return changeCells(work.lookOwner(), std::move(all), "drag " + handle.name.toStdString(),
                     "handle " + std::to_string(int(handle.sort)));
}

}  // namespace bristle
