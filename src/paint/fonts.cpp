#include "paint/fonts.h"

#include <QFontInfo>
#include <QFontMetricsF>
#include <QRawFont>
#include <algorithm>
#include <vector>

#include "paint/convert.h"

namespace bristle {

QFont fontOf(const std::string& family, double size, double weight) {
  // Several families, by commas: the first that is there.
  QFont font;
  QStringList families;
  for (const QString& one : toQt(family).split(QLatin1Char(','))) families << one.trimmed();
  font.setFamilies(families);
  font.setStyle(QFont::StyleNormal);  // whatever the application's is
  font.setPixelSize(qMax(1, qRound(size)));
  font.setWeight(static_cast<QFont::Weight>(qBound(1, qRound(weight), 1000)));
  font.setHintingPreference(QFont::PreferNoHinting);  // so that growing text does not jitter
  return font;
}

QString standInFor(const std::string& family) {
  const QFont font = fontOf(family, 16, 400);
  const QString shown = QFontInfo(font).family();
  return font.families().contains(shown, Qt::CaseInsensitive) ? QString() : shown;
}

std::string lettersMissingIn(const std::string& families, const std::string& text) {
  std::vector<QRawFont> fonts;
  for (const QString& family : fontOf(families, 16, 400).families()) {
    const QFont font(family, 16);
    if (QFontInfo(font).family().compare(family, Qt::CaseInsensitive) == 0)
      fonts.push_back(QRawFont::fromFont(font));
  }
  QString out;
  for (const uint code : toQt(text).toUcs4()) {
    const QString letter = QString::fromUcs4(reinterpret_cast<const char32_t*>(&code), 1);
    if (fonts.empty() || out.contains(letter) || QChar::isSpace(code) ||
        QChar::category(code) == QChar::Other_Format)
      continue;
    if (std::none_of(fonts.begin(), fonts.end(),
                     [code](const QRawFont& font) { return font.supportsCharacter(code); }))
      out += letter;
  }
  return fromQt(out);
}

TextExtent FontMeasure::measure(const std::string& family, double size, double weight,
                                const std::string& text) const {
  const QFontMetricsF metrics(fontOf(family, size, weight));
  return {{metrics.horizontalAdvance(toQt(text)), metrics.height()}, metrics.capHeight()};
}

}  // namespace bristle
