// Pictures of the screens of a running menu, kept from frame to frame: a frame lays them down
// again, and only buttons that moved meanwhile, or look otherwise, are painted anew.
#pragma once
#include <QImage>
#include <QPainter>
#include <QRectF>
#include <QRegion>
#include <algorithm>
#include <functional>
#include <map>
#include <span>
#include <utility>
#include <vector>

#include "runtime/document/basics.h"

namespace bristle {

struct ScreenRun;
class Session;

// One picture, as large as what is painted on, in its px.
struct KeptLayer {
  QImage picture;
  // Blurred, as the screen on top of it asks for; null: not made yet. Of `stale` it is not as the
  // picture is now.
  QImage blurred;
  double blurredBy = 0;  // layout px
  QRegion stale;
  // What it was painted from: all but the buttons, and each button's state, −1 while it moves.
  std::vector<double> rest;
  std::vector<int> looks;
  bool used = false;  // in this frame
};

// Empty when nothing is kept. Belongs to one view; forget it when what it shows is another session,
// or is painted with other looks.
class KeptLayers {
 public:
  // Paints what is there, as the painter is placed, at least within `only`, layout px; null: all of
  // it. It is clipped to what is asked for.
  using PaintAll = std::function<void(QPainter& painter, const QRectF& only)>;

  void forget() { layers_.clear(); }
  // At the end of a frame: what it did not use is not kept, but for these.
  void endFrame(std::span<const int> also) {
    for (auto at = layers_.begin(); at != layers_.end();) {
      const bool keep = std::exchange(at->second.used, false) ||
                        std::find(also.begin(), also.end(), at->first) != also.end();
      at = keep ? std::next(at) : layers_.erase(at);
    }
  }
  // The first `end` screens (`from` on) as they are now; `number` tells such pictures apart. Laid
  // out for a painter that is placed like this one.
  KeptLayer& layer(int number, const QPainter& like, const Session& session,
                   const std::vector<ScreenRun*>& runs, size_t from, size_t end,
                   const PaintAll& paint);
  // The layer's picture blurred by so much, layout px, within `all`, as the painter is placed: made
  // when it is first asked for, and only where the picture has changed since.
  static const QImage& blurred(KeptLayer& layer, const QPainter& like, double by,
                               const QRectF& all);
  // Lays a picture down px by px, moved by so much in layout px, so far seen.
  static void lay(QPainter& painter, const QImage& picture, const QPointF& moved, double opacity);

 private:
  std::map<int, KeptLayer> layers_;
};

}  // namespace bristle
