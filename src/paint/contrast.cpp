#include "paint/contrast.h"

#include <algorithm>
#include <vector>

#include "core/findings/probes.h"
#include "paint/convert.h"
#include "paint/part_place.h"
#include "runtime/machine/mix.h"

namespace bristle {
namespace {

constexpr double kLarge = 24, kLargeBold = 18.66;  // px
constexpr double kLeastCoverage = 0.6;  // of a pixel by a letter: edges are half ground anyway

struct Found {
  const Part* part = nullptr;
  Colour colour;
  bool likeCaption = false;
  QRectF area;
};

// The first part of the sort that is shown.
Found shownPart(LookPainter& looks, const Kind& kind, const Look& look, const QRectF& box,
                const std::string& caption, PartType type) {
  Found out;
  Colour ofCaption;
  eachPart(kind.parts, look.data(), [&](const Part& part, const PartValues& v) {
    if (part.type == PartType::Label) ofCaption = v.colour(Prop::Colour);
    if (part.type != type || v.shown() <= 0 || out.part) return;
    out.part = &part;
    out.colour = v.colour(Prop::Colour);
    out.likeCaption = type == PartType::Icon && v.flag(Prop::LikeCaption);
    out.area = type == PartType::Label ? looks.captions().bounds(v, partRect(v, box), caption)
                                       : partRect(v, box);
  });
  if (out.likeCaption) out.colour = ofCaption;
  return out;
}

// Of a picture that stands on an opaque ground.
Colour opaque(QRgb px) {
  return {static_cast<std::uint8_t>(qRed(px)), static_cast<std::uint8_t>(qGreen(px)),
          static_cast<std::uint8_t>(qBlue(px)), 255};
}

std::optional<CaptionContrast> contrastOf(LookPainter& looks, const Kind& kind, const Look& look,
                                          const std::string& caption, const QImage& backdrop,
                                          PartType type) {
  const QRectF box(0, 0, kind.width, kind.height);
  const Found found = shownPart(looks, kind, look, box, caption, type);
  const QRect area = found.area.toAlignedRect().adjusted(-1, -1, 1, 1);
  if (!found.part || found.area.isEmpty() || area.width() > 4000 || area.height() > 4000) return {};
  const auto draw = [&](bool withPart) {
    QImage image(area.size(), QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::black);
    QPainter painter(&image);
    painter.translate(-area.topLeft());
    painter.drawImage(box, backdrop);
    const PartId none{"\n"};
    looks.paintWithout(painter, kind, look, box, caption, withPart ? none : found.part->id);
    return image;
  };
  const QImage behind = draw(false), with = draw(true);
  const Colour text = found.colour;
  std::vector<CaptionContrast> all;
  for (int y = 0; y < area.height(); ++y) {
    const auto* lower = reinterpret_cast<const QRgb*>(behind.constScanLine(y));
    const auto* upper = reinterpret_cast<const QRgb*>(with.constScanLine(y));
    for (int x = 0; x < area.width(); ++x) {
      if (lower[x] == upper[x]) continue;  // nothing of it there: most of them
      const Colour below = opaque(lower[x]), above = opaque(upper[x]);
      const Colour full = over(text, below);
      const int span =
          std::abs(full.r - below.r) + std::abs(full.g - below.g) + std::abs(full.b - below.b);
      const int moved =
          std::abs(above.r - below.r) + std::abs(above.g - below.g) + std::abs(above.b - below.b);
      if (span < 3 || moved < span * kLeastCoverage) continue;
      all.push_back({contrast(full, below), full, below});
    }
  }
  if (all.empty()) {
    // It cannot be told from what is behind it anywhere.
    const Colour below = fromQt(behind.pixelColor(behind.rect().center()));
    return CaptionContrast{contrast(over(text, below), below), text, below};
  }
  const auto at = all.begin() + std::ssize(all) / 20;
  std::nth_element(all.begin(), at, all.end(),
                   [](const auto& a, const auto& b) { return a.ratio < b.ratio; });
  return *at;
}

}  // namespace

std::optional<CaptionContrast> captionContrast(LookPainter& looks, const Kind& kind,
                                               const Look& look, const std::string& caption,
                                               const QImage& backdrop) {
  return contrastOf(looks, kind, look, caption, backdrop, PartType::Label);
}

std::optional<CaptionContrast> iconContrast(LookPainter& looks, const Kind& kind, const Look& look,
                                            const std::string& caption, const QImage& backdrop) {
  return contrastOf(looks, kind, look, caption, backdrop, PartType::Icon);
}

bool isLarge(const LookTable& table, const Look& look, const PartId& label, double scale) {
  const int size = table.channel({label, Prop::Size}),
            weight = table.channel({label, Prop::Weight});
  const auto number = [&](int channel) {
    const auto* value = channel < 0 ? nullptr : std::get_if<double>(&look[size_t(channel)]);
    return value ? *value : 0.0;
  };
  const double px = number(size) * scale;
  return px >= kLarge || (px >= kLargeBold && number(weight) >= 700);
}

double wantedContrast(const Kind& kind, const LookTable& table, const Look& look) {
  for (const Part& part : kind.parts)
    if (part.type == PartType::Label) return contrastAsked(isLarge(table, look, part.id, 1));
  return contrastAsked(false);
}

}  // namespace bristle
