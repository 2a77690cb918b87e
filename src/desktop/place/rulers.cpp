#include "desktop/place/rulers.h"

#include <cmath>

#include "desktop/view/screen_view.h"
#include "desktop/work/theme.h"

namespace bristle {
namespace {

constexpr double kApart = 64;  // widget px between numbers at the least

// 1, 2 or 5 times a power of ten.
double stepFor(double zoom) {
  const double least = kApart / zoom;
  const double power = std::pow(10, std::floor(std::log10(least)));
  for (const double times : {1.0, 2.0, 5.0})
    if (power * times >= least) return power * times;
  return power * 10;
}

void paintOne(QPainter& p, const ScreenView& view, bool across, const Box& picked) {
  const Theme& t = themeOf(&view);
  const double length = across ? view.width() : view.height();
  const QRectF band = across ? QRectF(0, 0, length, kRulerThick) : QRectF(0, 0, kRulerThick, length);
  p.setClipRect(band);
  p.fillRect(band, t.chrome);
  const QRectF at = view.toWidget(picked);
  if (picked.w > 0)
    p.fillRect(across ? QRectF(at.left(), 0, at.width(), kRulerThick)
                      : QRectF(0, at.top(), kRulerThick, at.height()),
               t.tint);
  const auto screen = [&](double w) {
    return across ? view.toScreen(QPointF(w, 0)).x() : view.toScreen(QPointF(0, w)).y();
  };
  const auto widget = [&](double s) {
    return std::round(across ? view.toWidget(QPointF(s, 0)).x() : view.toWidget(QPointF(0, s)).y());
  };
  const double step = stepFor(view.zoom()), small = step / 5;
  for (double s = std::floor(screen(kRulerThick) / step) * step; s <= screen(length); s += small) {
    const bool numbered = std::abs(std::remainder(s, step)) < small / 2;
    const double w = widget(s) + 0.5, from = numbered ? 4 : kRulerThick - 4;
    p.setPen(t.line);
    p.drawLine(across ? QLineF(w, from, w, kRulerThick) : QLineF(from, w, kRulerThick, w));
    if (!numbered) continue;
    p.setPen(t.quiet);
    const QString number = QString::number(std::round(s));
    if (across) {
      p.drawText(QPointF(w + 3, kRulerThick - 7), number);
    } else {
      p.save();
      p.translate(kRulerThick - 7, w - 3);
      p.rotate(-90);
      p.drawText(QPointF(0, 0), number);
      p.restore();
    }
  }
  p.setPen(t.line);
  p.drawLine(across ? QLineF(0, kRulerThick - 0.5, length, kRulerThick - 0.5)
                    : QLineF(kRulerThick - 0.5, 0, kRulerThick - 0.5, length));
}

}  // namespace

void paintRulers(QPainter& p, const ScreenView& view, const Box& picked) {
  p.save();
  QFont font = p.font();
  font.setPixelSize(11);
  p.setFont(font);
  p.setRenderHint(QPainter::Antialiasing, false);
  paintOne(p, view, false, picked);
  paintOne(p, view, true, picked);
  p.setClipping(false);
  p.fillRect(QRectF(0, 0, kRulerThick - 1, kRulerThick - 1), themeOf(&view).chrome);
  p.restore();
}

}  // namespace bristle
