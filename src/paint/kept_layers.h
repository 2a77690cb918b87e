// Pictures of the screens of a running menu, kept while others come and go over them: a frame lays
// them down again, and only buttons that moved meanwhile are painted anew.
#pragma once
#include <QImage>
#include <QPainter>
#include <QRectF>
#include <functional>
#include <map>
#include <utility>
#include <vector>

#include "runtime/document/basics.h"

namespace bristle {

struct ScreenRun;
class Session;

// One picture, as large as what is painted on, in its px.
struct KeptLayer {
  QImage picture;
  QImage blurred;  // null: not made since the picture changed
  // What it was painted from: all but the buttons, and each button's state, −1 while it moves.
  std::vector<double> rest;
  std::vector<int> looks;
  bool used = false;  // in this frame
};

// Empty when nothing is kept. Belongs to one view; forget it when what it shows is another session,
// or is painted with other looks.
class KeptLayers {
 public:
  // Paints all that is there, as the painter is placed; it is clipped to what is asked for.
  using PaintAll = std::function<void(QPainter& painter)>;

  void forget() { layers_.clear(); }
  // At the end of a frame: what it did not use is not kept.
  void endFrame() {
    for (auto at = layers_.begin(); at != layers_.end();)
      at = std::exchange(at->second.used, false) ? std::next(at) : layers_.erase(at);
  }
  // The first `end` screens (`from` on) as they are now; `number` tells such pictures apart. Laid
  // out for a painter that is placed like this one.
  KeptLayer& layer(int number, const QPainter& like, const Session& session,
                   const std::vector<ScreenRun*>& runs, size_t from, size_t end,
                   const PaintAll& paint);
  // Lays a picture down px by px, moved by so much in layout px, so far seen.
  static void lay(QPainter& painter, const QImage& picture, const QPointF& moved, double opacity);

 private:
  std::map<int, KeptLayer> layers_;
};

}  // namespace bristle
