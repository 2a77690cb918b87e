// Draws a running menu: screens over one another, and those that come and go.
#include "paint/kept_layers.h"
#include "paint/part_place.h"
#include "paint/screen_painter.h"
#include "paint/screen_parts.h"
#include "runtime/session/session.h"

namespace bristle {

QRectF extentOf(const ScreenRun& screen, size_t button) {
  const ButtonRun& run = screen.buttons[button];
  const Placed& item = screen.layout.items[size_t(screen.routes.items[button])];
  const double reach = LookPainter::reach(*run.kind->kind, run.player.table()) * item.scale;
  return toQt(item.box).adjusted(-reach, -reach, reach, reach);
}

QTransform screenMotion(const ScreenMotion& motion, double presence, const QSizeF& display,
                        bool rightToLeft, const QPointF& still) {
  return toQt(motionAt(motion, presence, {display.width(), display.height()}, rightToLeft, still.x(),
                       still.y()));
}

namespace {

// As one picture, so that what lies on one another fades together. `part` in the painter's px.
template <class Paint>
void paintFaded(QPainter& painter, const QRectF& part, double opacity, Paint paint) {
  const QTransform& at = painter.transform();
  QRectF wanted = at.mapRect(part);
  if (painter.hasClipping()) wanted &= at.mapRect(painter.clipBoundingRect());
  const QRect seen =
      wanted.toAlignedRect() & QRect(0, 0, painter.device()->width(), painter.device()->height());
  if (seen.isEmpty() || opacity <= 0) return;
  const double ratio = painter.device()->devicePixelRatioF();
  QImage layer((QSizeF(seen.size()) * ratio).toSize(), QImage::Format_ARGB32_Premultiplied);
  layer.setDevicePixelRatio(ratio);
  layer.fill(Qt::transparent);
  QPainter onLayer(&layer);
  onLayer.setRenderHints(painter.renderHints());
  onLayer.setTransform(at * QTransform::fromTranslate(-seen.x(), -seen.y()));
  paint(onLayer);
  onLayer.end();
  painter.save();
  painter.resetTransform();
  painter.setOpacity(painter.opacity() * opacity);
  painter.drawImage(seen.topLeft(), layer);
  painter.restore();
}

QTransform motionOf(const ScreenMotion& motion, double presence, const Layout& layout,
                    const QPointF& still) {
  return screenMotion(motion, presence, {layout.width, layout.height}, layout.rightToLeft, still);
}

// A running menu, part by part.
class AsItRuns {
 public:
  AsItRuns(LookPainter& looks, Session& session)
      : looks_(looks), session_(session), runs_(session.seen()) {}

  void paintAll(QPainter& painter, const QRectF& only) { paint(painter, runs_.size(), only, 0); }

  // What lies still below all that comes or goes is laid down as one picture; so is what comes or
  // goes, where it stays as large as it is, and what lies on top while nothing moves: so that
  // nothing need be painted anew when it goes, or something else comes on top of it.
  void paintKept(QPainter& painter, KeptLayers& kept) {
    size_t still = 0;
    while (still < runs_.size() && !isMoving(still)) ++still;
    const bool apart = still == runs_.size() && still > 0 && isApart(still - 1);
    const size_t first = apart ? still - 1 : still;
    KeptLayer* below = first > 0 ? &allBelow(painter, kept, first) : nullptr;
    if (below) KeptLayers::lay(painter, below->picture, {}, 1);
    for (size_t s = first; s < runs_.size(); ++s) {
      const ScreenRun& run = *runs_[s];
      const double presence = run.life.presence(session_.now());
      if (s == first && below)
        paintOverKept(painter, *below, run, presence);
      else
        paintOverBelow(painter, *run.screen, run.layout, presence, 0,
                       [&](QPainter& p, const QRectF& part) { paint(p, s, part, 1); });
      if (isMoving(s))
        paintMovingKept(painter, kept, s);
      else if (presence > 0 && apart)
        KeptLayers::lay(painter, alone(painter, kept, s).picture, {}, 1);
      else if (presence > 0)
        paintRun(painter, s, run.screen->items.size(), {}, 0);
    }
    const auto n = static_cast<int>(runs_.size());
    std::vector<int> also{-n + 1, -n + 2};
    for (int s = std::max(0, n - 2); s < n; ++s) also.push_back(runs_[size_t(s)]->number);
    kept.endFrame(also);
  }

 private:
  // Nothing on it shows what lies below it otherwise than it is.
  bool isApart(size_t s) const {
    const auto& items = runs_[s]->screen->items;
    return std::none_of(items.begin(), items.end(), [](const Shared<Item>& item) {
      const auto* panel = std::get_if<PanelData>(&item->what);
      return panel && panel->blur > 0;
    });
  }

  KeptLayer& alone(const QPainter& like, KeptLayers& kept, size_t s) {
    return kept.layer(runs_[s]->number, like, session_, runs_, s, s + 1,
                      [&](QPainter& p, const QRectF& only) {
                        paintRun(p, s, runs_[s]->screen->items.size(), only, 0);
                      });
  }

  // The first `end` screens, all of which lie still. The lowest by itself is all there is below.
  KeptLayer& allBelow(const QPainter& like, KeptLayers& kept, size_t end) {
    if (end == 1 && isApart(0) && runs_[0]->screen->dimBelow <= 0) return alone(like, kept, 0);
    return kept.layer(
        -static_cast<int>(end), like, session_, runs_, 0, end,
        [&](QPainter& p, const QRectF& only) { paintAllBelow(p, like, kept, end, only); });
  }

  // The newest of them are put together from pictures that are there already.
  void paintAllBelow(QPainter& painter, const QPainter& like, KeptLayers& kept, size_t end,
                     const QRectF& only) {
    const size_t top = end - 1;
    const ScreenRun& run = *runs_[top];
    const double presence = run.life.presence(session_.now());
    if (end + 1 < runs_.size() || !isApart(top) || presence <= 0)
      return paint(painter, end, only, 0);
    if (top > 0) {
      KeptLayer& below = allBelow(like, kept, top);
      KeptLayers::lay(painter, below.picture, {}, 1);
      paintOverKept(painter, below, run, presence);
    } else {
      paintDim(painter, *run.screen, QRectF(0, 0, run.layout.width, run.layout.height), presence);
    }
    KeptLayers::lay(painter, alone(like, kept, top).picture, {}, 1);
  }

  // As paintOverBelow; and what is blurred is made ahead, in the frame in which nothing of it is
  // seen, since the next one has to make what comes.
  static void paintOverKept(QPainter& painter, KeptLayer& below, const ScreenRun& over,
                            double presence) {
    const Screen& screen = *over.screen;
    const QRectF all(0, 0, over.layout.width, over.layout.height);
    if (screen.blurBelow > 0) {
      const QImage& blurred = KeptLayers::blurred(below, painter, screen.blurBelow, all);
      if (presence > 0) KeptLayers::lay(painter, blurred, {}, presence);
    }
    paintDim(painter, screen, all, presence);
  }

  void paintMovingKept(QPainter& painter, KeptLayers& kept, size_t s) {
    const ScreenRun& run = *runs_[s];
    const ScreenMotion& motion = run.life.motion();
    const double presence = run.life.presence(session_.now());
    const QRectF all(0, 0, run.layout.width, run.layout.height);
    if (motion.follow > 0 || motion.form == ScreenMotionForm::Grow || !isApart(s))
      return paintMoving(painter, s, {}, 0);
    if (presence <= 0 && run.screen->blurBelow > 0) return;
    // Made ahead where there was no blur to make.
    const KeptLayer& own = alone(painter, kept, s);
    if (presence <= 0) return;
    const QTransform moved = motionOf(motion, presence, run.layout, {});
    painter.save();
    painter.setClipRect(all, Qt::IntersectClip);
    KeptLayers::lay(painter, own.picture, {moved.dx(), moved.dy()},
                    motion.form == ScreenMotionForm::Fade ? presence : 1);
    painter.restore();
  }

  // The first `end` of its screens.
  void paint(QPainter& painter, size_t end, const QRectF& only, int depth) {
    for (size_t s = 0; s < end; ++s) {
      const ScreenRun& run = *runs_[s];
      paintOverBelow(painter, *run.screen, run.layout, run.life.presence(session_.now()), depth,
                     [&](QPainter& p, const QRectF& part) { paint(p, s, part, depth + 1); });
      if (isMoving(s))
        paintMoving(painter, s, only, depth);
      else if (run.life.presence(session_.now()) > 0)
        paintRun(painter, s, run.screen->items.size(), only, depth);
    }
  }

  bool isMoving(size_t s) const { return runs_[s]->life.moving(session_.now()); }

  // One that comes or goes: as a whole, or its buttons one after another.
  void paintMoving(QPainter& painter, size_t s, const QRectF& only, int depth) {
    const ScreenRun& run = *runs_[s];
    const ScreenMotion& motion = run.life.motion();
    const double presence = run.life.presence(session_.now());
    const QRectF all(0, 0, run.layout.width, run.layout.height);
    const size_t end = run.screen->items.size();
    painter.save();
    painter.setClipRect(all, Qt::IntersectClip);
    if (motion.follow > 0) {
      const auto whole = [&](QPainter& p) {
        paintBackdrop(p, *run.screen, run.layout);
        paintItems(p, s, end, {}, depth, Which::Decor);
      };
      if (presence > 0) paintWhole(painter, run, presence, whole);
      paintItems(painter, s, end, {}, depth, Which::Following);
    } else if (presence > 0) {
      paintWhole(painter, run, presence, [&](QPainter& p) {
        paintRun(p, s, end, motion.form == ScreenMotionForm::Fade ? only : QRectF(), depth);
      });
    }
    painter.restore();
  }

  template <class Paint>
  static void paintWhole(QPainter& painter, const ScreenRun& run, double presence, Paint paint) {
    const ScreenMotion& motion = run.life.motion();
    const QRectF all(0, 0, run.layout.width, run.layout.height);
    if (motion.form == ScreenMotionForm::Fade) return paintFaded(painter, all, presence, paint);
    painter.save();
    painter.setTransform(
        motionOf(motion, presence, run.layout, {all.width() * motion.x, all.height() * motion.y}),
        true);
    painter.setRenderHint(QPainter::Antialiasing);
    paint(painter);
    painter.restore();
  }

  // The first `end` items of the s-th screen; above all of them the rings of its clusters.
  void paintRun(QPainter& painter, size_t s, size_t end, const QRectF& only, int depth) {
    ScreenRun& run = *runs_[s];
    painter.setRenderHint(QPainter::Antialiasing);
    paintBackdrop(painter, *run.screen, run.layout);
    paintItems(painter, s, end, only, depth, Which::All);
    if (end == run.screen->items.size() && session_.focusShown()) paintRings(painter, run);
  }

  enum class Which { All, Decor, Following };
  void paintItems(QPainter& painter, size_t s, size_t end, const QRectF& only, int depth,
                  Which which) {
    ScreenRun& run = *runs_[s];
    const Reading reading(looks_, run.layout.rightToLeft);
    Clipping clip(painter);
    for (size_t i = 0; i < end; ++i) {
      const Placed& placed = run.layout.items[i];
      if (!clip.goTo(run.layout, placed)) continue;
      const int index = run.routes.boxOf[i];
      if (index >= 0 && which == Which::All)
        paintButton(painter, run, size_t(index), placed, only);
      else if (index >= 0 && which == Which::Following)
        paintFollowing(painter, run, size_t(index), placed);
      else if (index < 0 && which != Which::Following)
        paintStill(painter, s, i, only, depth);
    }
  }

  // By how much of it is there, about its own middle where it grows.
  void paintFollowing(QPainter& painter, ScreenRun& run, size_t index, const Placed& placed) {
    const double presence = run.life.presence(session_.now(), static_cast<int>(index));
    const QRectF extent = extentOf(run, index);
    const auto paint = [&](QPainter& p) { paintButton(p, run, index, placed, {}); };
    if (presence <= 0) return;
    if (presence >= 1) return paint(painter);
    if (run.life.motion().form == ScreenMotionForm::Fade)
      return paintFaded(painter, extent, presence, paint);
    painter.save();
    painter.setTransform(
        motionOf(run.life.motion(), presence, run.layout, toQt(placed.box).center()), true);
    paint(painter);
    painter.restore();
  }

  // Its middle line lies on the box.
  static void paintRings(QPainter& painter, const ScreenRun& run) {
    painter.save();
    painter.setBrush(Qt::NoBrush);
    for (const auto& [box, ring] : run.rings()) {
      painter.setPen(QPen(toQt(ring.colour), ring.width));
      painter.drawRoundedRect(toQt(box), ring.radius, ring.radius);
    }
    painter.restore();
  }

  void paintButton(QPainter& painter, ScreenRun& run, size_t index, const Placed& placed,
                   const QRectF& only) {
    if (!only.isNull() && !only.intersects(extentOf(run, index))) return;
    ButtonRun& button = run.buttons[index];
    const Scaled scaled(painter, placed);
    const Prompting prompting(looks_, session_.project(), *run.screen, *button.item->button(),
                              session_.modality());
    looks_.paintState(
        painter, *button.kind->kind, button.player.table(), button.player.state(),
        button.player.at(session_.now()), toQt(placed.own()),
        wordsIn(session_.project(), button.item->button()->caption, run.layout.language),
        button.player.since(session_.now()));
  }

  // What has no machine that runs.
  void paintStill(QPainter& painter, size_t s, size_t i, const QRectF& only, int depth) {
    ScreenRun& run = *runs_[s];
    const Item& item = *run.screen->items[i];
    const Placed& placed = run.layout.items[i];
    if (const auto still = run.still.find(i); still != run.still.end()) {
      const Scaled scaled(painter, placed);
      const Prompting prompting(looks_, session_.project(), *run.screen, *item.button(),
                                session_.modality());
      return looks_.paint(painter, *find(session_.project(), item.button()->kind), *still->second,
                          still->second->state(0), toQt(placed.own()),
                          wordsIn(session_.project(), item.button()->caption, run.layout.language));
    }
    if (!only.isNull() && !only.intersects(toQt(placed.box))) return;
    paintDecor(painter, looks_, item, run.layout, placed, depth,
               [&](QPainter& p, const QRectF& part) {
                 paint(p, s, part, depth + 1);
                 paintRun(p, s, i, part, depth + 1);
               });
  }

  LookPainter& looks_;
  Session& session_;
  std::vector<ScreenRun*> runs_;
};

}  // namespace

void paintSession(QPainter& painter, LookPainter& looks, Session& session, const QRectF& only,
                  KeptLayers* kept) {
  AsItRuns as(looks, session);
  if (!kept) return as.paintAll(painter, only);
  as.paintKept(painter, *kept);
}

}  // namespace bristle
