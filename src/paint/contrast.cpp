#include "paint/contrast.h"

#include <algorithm>
#include <vector>

#include "paint/convert.h"
#include "paint/part_place.h"
#include "runtime/machine/mix.h"

namespace bristle {
namespace {

constexpr double kLeastCoverage = 0.6;  // of a pixel by a letter: edges are half ground anyway

struct Found {
  const Part* part = nullptr;
  Colour colour;
  QRectF letters;
};

Found shownLabel(LookPainter& looks, const Kind& kind, const Look& look, const QRectF& box,
                 const std::string& caption) {
  Found out;
  eachPart(kind.parts, look.data(), [&](const Part& part, const PartValues& v) {
    if (part.type != PartType::Label || v.shown() <= 0 || out.part) return;
    out.part = &part;
    out.colour = v.colour(Prop::Colour);
    out.letters = looks.captions().bounds(v, partRect(v, box), caption);
  });
  return out;
}

}  // namespace

std::optional<CaptionContrast> captionContrast(LookPainter& looks, const Kind& kind,
                                               const Look& look, const std::string& caption,
                                               const QImage& backdrop) {
  const QRectF box(0, 0, kind.width, kind.height);
  const Found label = shownLabel(looks, kind, look, box, caption);
  const QRect area = label.letters.toAlignedRect().adjusted(-1, -1, 1, 1);
  if (!label.part || label.letters.isEmpty() || area.width() > 4000 || area.height() > 4000)
    return {};
  const auto draw = [&](bool withLabel) {
    QImage image(area.size(), QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::black);
    QPainter painter(&image);
    painter.translate(-area.topLeft());
    painter.drawImage(box, backdrop);
    const PartId none{"\n"};
    looks.paintWithout(painter, kind, look, box, caption, withLabel ? none : label.part->id);
    return image;
  };
  const QImage behind = draw(false), with = draw(true);
  const Colour text = label.colour;
  std::vector<CaptionContrast> all;
  for (int y = 0; y < area.height(); ++y)
    for (int x = 0; x < area.width(); ++x) {
      const Colour below = fromQt(behind.pixelColor(x, y)), above = fromQt(with.pixelColor(x, y));
      const Colour full = over(text, below);
      const int span =
          std::abs(full.r - below.r) + std::abs(full.g - below.g) + std::abs(full.b - below.b);
      const int moved =
          std::abs(above.r - below.r) + std::abs(above.g - below.g) + std::abs(above.b - below.b);
      if (span < 3 || moved < span * kLeastCoverage) continue;
      all.push_back({contrast(full, below), full, below});
    }
  if (all.empty()) {
    // The letters cannot be told from what is behind them anywhere.
    const Colour below = fromQt(behind.pixelColor(behind.rect().center()));
    return CaptionContrast{contrast(over(text, below), below), text, below};
  }
  const auto at = all.begin() + std::ssize(all) / 20;
  std::nth_element(all.begin(), at, all.end(),
                   [](const auto& a, const auto& b) { return a.ratio < b.ratio; });
  return *at;
}

}  // namespace bristle
