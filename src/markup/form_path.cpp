#include "markup/form_path.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <numbers>
#include <vector>

#include "markup/css.h"
#include "markup/scaled_path.h"

namespace bristle {
namespace {

// Writes a path point by point; mirrored where the form is.
class Pen {
 public:
  explicit Pen(double mirrorAt = 0, bool mirrored = false)
      : mirrorAt_(mirrorAt), mirrored_(mirrored) {}
  Pen& to(char command, double x, double y) {
    out_ += fmt::format("{}{} {}", command, cssNumber(mirrored_ ? mirrorAt_ - x : x), cssNumber(y));
    return *this;
  }
  Pen& arc(double radius, double x, double y) {
    out_ += fmt::format("A{0} {0} 0 0 {1} ", cssNumber(radius), mirrored_ ? 0 : 1);
    return to(' ', x, y);
  }
  Pen& cubic(double ax, double ay, double bx, double by, double x, double y) {
    to('C', ax, ay);
    to(' ', bx, by);
    return to(' ', x, y);
  }
  std::string closed() { return out_ + "Z"; }

 private:
  std::string out_;
  double mirrorAt_;
  bool mirrored_;
};

// As CSS Backgrounds 3 §5.5: where two do not fit on a side, all shrink.
Four fitting(Four r, const Box& b) {
  const double over =
      std::max({(r.a + r.b) / std::max(b.w, 1e-6), (r.c + r.d) / std::max(b.w, 1e-6),
                (r.b + r.c) / std::max(b.h, 1e-6), (r.a + r.d) / std::max(b.h, 1e-6)});
  return over > 1 ? Four{r.a / over, r.b / over, r.c / over, r.d / over} : r;
}

Four radiiOf(const PartValues& v, double by) {
  const Four& r = v.four(Prop::Radius);
  // A corner that is square stays square when the outline grows or shrinks.
  const auto grown = [by](double each) { return each > 0 ? std::max(0.0, each + by) : 0.0; };
  return {grown(r.a), grown(r.b), grown(r.c), grown(r.d)};
}

std::string rounded(Pen pen, const Box& b, Four r) {
  r = fitting(r, b);
  const double right = b.x + b.w, low = b.y + b.h;
  pen.to('M', b.x + r.a, b.y).to('L', right - r.b, b.y).arc(r.b, right, b.y + r.b);
  pen.to('L', right, low - r.c).arc(r.c, right - r.c, low);
  pen.to('L', b.x + r.d, low).arc(r.d, b.x, low - r.d);
  pen.to('L', b.x, b.y + r.a).arc(r.a, b.x + r.a, b.y);
  return pen.closed();
}

std::string ellipse(const Box& b) {
  return fmt::format("M{0} {1}A{2} {3} 0 1 1 {4} {1}A{2} {3} 0 1 1 {0} {1}Z", cssNumber(b.x),
                     cssNumber(b.y + b.h / 2), cssNumber(b.w / 2), cssNumber(b.h / 2),
                     cssNumber(b.x + b.w));
}

std::string chevron(Pen pen, const Box& b, double point) {
  const double p = std::clamp(point, -b.w, b.w);
  const double left = p < 0 ? -p : 0, right = p > 0 ? p : 0, far = b.x + b.w, low = b.y + b.h;
  pen.to('M', b.x + left, b.y).to('L', far - right, b.y).to('L', far - left, b.y + b.h / 2);
  pen.to('L', far - right, low).to('L', b.x + left, low).to('L', b.x + right, b.y + b.h / 2);
  return pen.closed();
}

std::string polygon(Pen pen, const Box& b, int sides) {
  for (int i = 0; i < sides; ++i) {
    const double angle = 2 * std::numbers::pi * i / sides - std::numbers::pi / 2;
    pen.to(i ? 'L' : 'M', b.x + b.w / 2 + std::cos(angle) * b.w / 2,
           b.y + b.h / 2 + std::sin(angle) * b.h / 2);
  }
  return pen.closed();
}

}  // namespace

bool isRoundedBox(const PartValues& v) {
  const std::string& form = v.text(Prop::Form);
  return form != "chevron" && form != "polygon" && form != "outline";
}

std::string cssRadii(const PartValues& v, double by) {
  const std::string& form = v.text(Prop::Form);
  if (form == "ellipse") return "50%";
  if (form == "pill") return "9999px";
  Four r = radiiOf(v, by);
  if (v.mirrored()) r = {r.b, r.a, r.d, r.c};
  if (r.even()) return cssPx(r.a);
  return fmt::format("{} {} {} {}", cssPx(r.a), cssPx(r.b), cssPx(r.c), cssPx(r.d));
}

std::string formPathData(const PartValues& v, const Box& rect, double by) {
  const Box b{rect.x - by, rect.y - by, rect.w + 2 * by, rect.h + 2 * by};
  if (b.w <= 0 || b.h <= 0) return {};
  const std::string& form = v.text(Prop::Form);
  const Pen pen(rect.x + rect.x + rect.w, v.mirrored());
  if (form == "ellipse") return ellipse(b);
  if (form == "pill") return rounded(pen, b, Four::all(std::min(b.w, b.h) / 2));
  if (form == "chevron") return chevron(pen, b, v.number(Prop::Point));
  if (form == "polygon")
    return polygon(pen, b, static_cast<int>(std::lround(v.number(Prop::Sides))));
  if (form == "outline")
    if (std::string drawn = scaledPathData(v.text(Prop::Outline), b, v.mirrored()); !drawn.empty())
      return drawn;
  return rounded(pen, b, radiiOf(v, by));
}

std::string markerPathData(const std::string& glyph, double s) {
  Pen pen;
  if (glyph == "bar") return rounded(pen, {-s / 6, -s / 2, s / 3, s}, Four::all(s / 8));
  if (glyph == "underline") return rounded(pen, {-s / 2, -1.5, s, 3}, Four::all(1.5));
  if (glyph == "dot") return ellipse({-s / 2, -s / 2, s, s});
  if (glyph == "caret") {
    pen.to('M', -s / 4, -s / 2).to('L', s / 4, 0).to('L', -s / 4, s / 2);
    pen.to('L', -s / 4 - s / 7, s / 2 - s / 7).to('L', s / 4 - s / 3.5, 0);
    return pen.to('L', -s / 4 - s / 7, -s / 2 + s / 7).closed();
  }
  if (glyph == "drop") {
    pen.to('M', s / 2, 0).cubic(0, -s / 2, -s / 2, -s / 3, -s / 2, 0);
    return pen.cubic(-s / 2, s / 3, 0, s / 2, s / 2, 0).closed();
  }
  pen.to('M', -s / 3, -s / 2).to('L', s / 2, 0).to('L', -s / 3, s / 2);
  return pen.to('L', -s / 8, 0).closed();
}

}  // namespace bristle
