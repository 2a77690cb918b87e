#include "paint/fonts.h"

#include <QFontMetricsF>

#include "paint/convert.h"

namespace bristle {

QFont fontOf(const std::string& family, double size, double weight) {
  QFont font(toQt(family));
  font.setPixelSize(qMax(1, qRound(size)));
  font.setWeight(static_cast<QFont::Weight>(qBound(1, qRound(weight), 1000)));
  font.setHintingPreference(QFont::PreferNoHinting);  // so that growing text does not jitter
  return font;
}

Size FontMeasure::measure(const std::string& family, double size, double weight,
                          const std::string& text) const {
  const QFontMetricsF metrics(fontOf(family, size, weight));
  return {metrics.horizontalAdvance(toQt(text)), metrics.height()};
}

}  // namespace bristle
