#include "paint/forms.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <unordered_map>

namespace bristle {
namespace {

QPainterPath chevron(const QRectF& r, double point) {
  const double p = std::clamp(point, -r.width(), r.width());
  QPainterPath path;
  // A negative point makes it look the other way.
  const double left = p < 0 ? -p : 0, right = p > 0 ? p : 0;
  path.moveTo(r.left() + left, r.top());
  path.lineTo(r.right() - right, r.top());
  path.lineTo(r.right() - left, r.center().y());
  path.lineTo(r.right() - right, r.bottom());
  path.lineTo(r.left() + left, r.bottom());
  path.lineTo(r.left() + right, r.center().y());
  path.closeSubpath();
  return path;
}

QPainterPath polygon(const QRectF& r, int sides) {
  QPainterPath path;
  for (int i = 0; i < sides; ++i) {
    const double angle = 2 * std::numbers::pi * i / sides - std::numbers::pi / 2;
    const QPointF p =
        r.center() + QPointF(std::cos(angle) * r.width() / 2, std::sin(angle) * r.height() / 2);
    i == 0 ? path.moveTo(p) : path.lineTo(p);
  }
  path.closeSubpath();
  return path;
}

// Parsed once: the text of an outline is looked at in every frame.
const QPainterPath* outline(const std::string& data) {
  static thread_local std::unordered_map<std::string, std::optional<QPainterPath>> parsed;
  if (parsed.size() > 500) parsed.clear();
  const auto [at, fresh] = parsed.try_emplace(data);
  if (fresh) at->second = parseSvgPath(data);
  return at->second ? &*at->second : nullptr;
}

}  // namespace

QPainterPath roundedPath(const QRectF& rect, Four radii) {
  QPainterPath path;
  const double w = rect.width(), h = rect.height();
  const double over =
      std::max({(radii.a + radii.b) / std::max(w, 1e-6), (radii.c + radii.d) / std::max(w, 1e-6),
                (radii.b + radii.c) / std::max(h, 1e-6), (radii.a + radii.d) / std::max(h, 1e-6)});
  if (over > 1) radii = {radii.a / over, radii.b / over, radii.c / over, radii.d / over};
  if (radii.even()) {
    path.addRoundedRect(rect, radii.a, radii.a);
    return path;
  }
  path.moveTo(rect.left() + radii.a, rect.top());
  path.lineTo(rect.right() - radii.b, rect.top());
  path.arcTo(rect.right() - 2 * radii.b, rect.top(), 2 * radii.b, 2 * radii.b, 90, -90);
  path.lineTo(rect.right(), rect.bottom() - radii.c);
  path.arcTo(rect.right() - 2 * radii.c, rect.bottom() - 2 * radii.c, 2 * radii.c, 2 * radii.c, 0,
             -90);
  path.lineTo(rect.left() + radii.d, rect.bottom());
  path.arcTo(rect.left(), rect.bottom() - 2 * radii.d, 2 * radii.d, 2 * radii.d, 270, -90);
  path.lineTo(rect.left(), rect.top() + radii.a);
  path.arcTo(rect.left(), rect.top(), 2 * radii.a, 2 * radii.a, 180, -90);
  path.closeSubpath();
  return path;
}

namespace {

QPainterPath formIn(const PartValues& shape, const QRectF& r, double by) {
  const std::string& form = shape.text(Prop::Form);
  if (r.width() <= 0 || r.height() <= 0) return {};
  if (form == "ellipse") {
    QPainterPath path;
    path.addEllipse(r);
    return path;
  }
  if (form == "pill") return roundedPath(r, Four::all(std::min(r.width(), r.height()) / 2));
  if (form == "chevron") return chevron(r, shape.number(Prop::Point));
  if (form == "polygon")
    return polygon(r, static_cast<int>(std::lround(shape.number(Prop::Sides))));
  if (form == "outline")
    if (const QPainterPath* path = outline(shape.text(Prop::Outline)))
      return QTransform::fromTranslate(r.x(), r.y())
          .scale(r.width() / 100, r.height() / 100)
          .map(*path);
  const Four& radii = shape.four(Prop::Radius);
  // A corner that is square stays square when the outline grows or shrinks.
  const auto grown = [by](double v) { return v > 0 ? std::max(0.0, v + by) : 0.0; };
  return roundedPath(r, {grown(radii.a), grown(radii.b), grown(radii.c), grown(radii.d)});
}

}  // namespace

QPainterPath formPath(const PartValues& shape, const QRectF& rect, double by) {
  const QPainterPath path = formIn(shape, rect.adjusted(-by, -by, by, by), by);
  if (!shape.mirrored()) return path;
  return QTransform(-1, 0, 0, 1, rect.left() + rect.right(), 0).map(path);
}

QPainterPath markerPath(const std::string& glyph, double s) {
  QPainterPath path;
  if (glyph == "bar") {
    path.addRoundedRect(QRectF(-s / 6, -s / 2, s / 3, s), s / 8, s / 8);
  } else if (glyph == "underline") {
    path.addRoundedRect(QRectF(-s / 2, -1.5, s, 3), 1.5, 1.5);
  } else if (glyph == "dot") {
    path.addEllipse(QPointF(0, 0), s / 2, s / 2);
  } else if (glyph == "caret") {
    path.moveTo(-s / 4, -s / 2);
    path.lineTo(s / 4, 0);
    path.lineTo(-s / 4, s / 2);
    path.lineTo(-s / 4 - s / 7, s / 2 - s / 7);
    path.lineTo(s / 4 - s / 3.5, 0);
    path.lineTo(-s / 4 - s / 7, -s / 2 + s / 7);
    path.closeSubpath();
  } else if (glyph == "drop") {
    path.moveTo(s / 2, 0);
    path.cubicTo(0, -s / 2, -s / 2, -s / 3, -s / 2, 0);
    path.cubicTo(-s / 2, s / 3, 0, s / 2, s / 2, 0);
  } else {
    path.moveTo(-s / 3, -s / 2);
    path.lineTo(s / 2, 0);
    path.lineTo(-s / 3, s / 2);
    path.lineTo(-s / 8, 0);
    path.closeSubpath();
  }
  return path;
}

}  // namespace bristle
