#include "paint/kept_layers.h"

#include "paint/blur.h"
#include "paint/convert.h"
#include "paint/screen_painter.h"
#include "runtime/session/session.h"

namespace bristle {
namespace {

// What everything but the looks of buttons follows from, in numbers that can be compared.
std::vector<double> restOf(const QPainter& like, const Session& session,
                           const std::vector<ScreenRun*>& runs, size_t from, size_t end) {
  const QTransform& at = like.transform();
  std::vector<double> out{at.m11(), at.m22(), at.dx(), at.dy(), double(session.modality())};
  if (session.focusShown())
    for (size_t s = from; s < end; ++s)
      for (const auto& [box, ring] : runs[s]->rings())
        out.insert(out.end(), {box.x, box.y, box.w, box.h, ring.width});
  for (size_t s = from; s < end; ++s) {
    const ScreenRun& run = *runs[s];
    out.insert(out.end(),
               {double(run.number), double(std::hash<std::string>{}(run.layout.language.text))});
    for (const Placed& each : run.layout.items)
      out.insert(out.end(),
                 {each.isSeen() ? 1.0 : 0.0, each.box.x, each.box.y, each.box.w, each.box.h});
  }
  return out;
}

std::vector<int> looksOf(const Session& session, const std::vector<ScreenRun*>& runs, size_t from,
                         size_t end) {
  std::vector<int> out;
  for (size_t s = from; s < end; ++s)
    for (const ButtonRun& each : runs[s]->buttons)
      out.push_back(each.player.moving(session.now()) ? -1 : int(each.player.state()));
  return out;
}

// Where a button that looks otherwise is seen, through panes above it, too.
void addParts(QRegion& all, const QTransform& at, const std::vector<ScreenRun*>& runs, size_t s,
              size_t button, size_t end) {
  const auto add = [&](const QRectF& r) {
    all += at.mapRect(r).toAlignedRect().adjusted(-2, -2, 2, 2);
  };
  const QRectF moved = extentOf(*runs[s], button);
  add(moved);
  for (size_t over = s; over < end; ++over)
    for (const QRectF& pane : panesOver(*runs[over]->screen, runs[over]->layout, moved,
                                        over == s ? size_t(runs[s]->routes.items[button]) + 1 : 0))
      add(pane);
}

}  // namespace

KeptLayer& KeptLayers::layer(int number, const QPainter& like, const Session& session,
                             const std::vector<ScreenRun*>& runs, size_t from, size_t end,
                             const PaintAll& paint) {
  KeptLayer& out = layers_[number];
  out.used = true;
  const double ratio = like.device()->devicePixelRatioF();
  const QSize size = (QSizeF(like.device()->width(), like.device()->height()) * ratio).toSize();
  auto rest = restOf(like, session, runs, from, end);
  auto looks = looksOf(session, runs, from, end);
  QRegion anew;
  if (out.picture.size() != size || out.rest != rest || out.looks.size() != looks.size()) {
    out.picture = QImage(size, QImage::Format_ARGB32_Premultiplied);
    out.picture.setDevicePixelRatio(ratio);
    anew = QRect(QPoint(), size);
    out.blurred = {};
  } else {
    size_t at = 0;
    for (size_t s = from; s < end; ++s)
      for (size_t b = 0; b < runs[s]->buttons.size(); ++b, ++at)
        if (looks[at] < 0 || looks[at] != out.looks[at])
          addParts(anew, like.transform(), runs, s, b, end);
  }
  out.rest = std::move(rest);
  out.looks = std::move(looks);
  if (anew.isEmpty()) return out;
  out.stale += anew;
  QPainter painter(&out.picture);
  painter.setRenderHints(like.renderHints());
  painter.setClipRegion(anew);
  painter.setCompositionMode(QPainter::CompositionMode_Clear);
  painter.fillRect(anew.boundingRect(), Qt::transparent);
  painter.setCompositionMode(QPainter::CompositionMode_SourceOver);
  painter.setTransform(like.transform(), true);
  const QRectF all = QRectF(QPointF(), QSizeF(size) / ratio);
  const bool whole = anew.boundingRect().contains(all.toAlignedRect());
  paint(painter,
        whole ? QRectF() : like.transform().inverted().mapRect(QRectF(anew.boundingRect())));
  return out;
}

const QImage& KeptLayers::blurred(KeptLayer& layer, const QPainter& like, double by,
                                  const QRectF& all) {
  const bool isNew = layer.blurred.isNull() || layer.blurredBy != by;
  if (!isNew && layer.stale.isEmpty()) return layer.blurred;
  QRegion part = QRect(QPoint(), layer.picture.size());
  if (!isNew) {
    const int reach = qCeil(3 * by * std::abs(like.transform().m11())) + 4;
    part = {};
    for (const QRect& each : layer.stale) part += each.adjusted(-reach, -reach, reach, reach);
  }
  layer.stale = {};
  layer.blurredBy = by;
  const QTransform toLayout = like.transform().inverted();
  const auto below = [&](QPainter& p, const QRectF&) {
    p.setTransform(toLayout, true);
    p.drawImage(QPointF(), layer.picture);
  };
  const double ratio = layer.picture.devicePixelRatio();
  FrostedPx px = frosted(like, toLayout.mapRect(QRectF(part.boundingRect())) & all, by, all, below);
  px.picture.setDevicePixelRatio(ratio);
  if (isNew && px.picture.size() == layer.picture.size()) {
    layer.blurred = px.picture;
    return layer.blurred;
  }
  if (isNew) {
    layer.blurred = QImage(layer.picture.size(), QImage::Format_ARGB32_Premultiplied);
    layer.blurred.setDevicePixelRatio(ratio);
    layer.blurred.fill(Qt::transparent);
  }
  QPainter onto(&layer.blurred);
  onto.setClipRegion(part);
  onto.setCompositionMode(QPainter::CompositionMode_Source);
  onto.drawImage(QPointF(px.at) / ratio, px.picture);
  return layer.blurred;
}

void KeptLayers::lay(QPainter& painter, const QImage& picture, const QPointF& moved,
                     double opacity) {
  const QPointF by = painter.transform().map(moved) - painter.transform().map(QPointF());
  painter.save();
  painter.setOpacity(painter.opacity() * opacity);
  painter.resetTransform();
  painter.drawImage(by.toPoint(), picture);
  painter.restore();
}

}  // namespace bristle
