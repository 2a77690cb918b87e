// What the painters of screens share, at rest and as they run: how one item is painted in its
// place.
#pragma once
#include <QPainter>

#include "paint/blur.h"
#include "paint/convert.h"
#include "paint/look_painter.h"
#include "runtime/layout/layout.h"
#include "runtime/session/prompts.h"

namespace bristle {

// Without what the screen does to those below it.
inline void paintBackdrop(QPainter& painter, const Screen& screen, const Layout& layout) {
  const QRectF all(0, 0, layout.width, layout.height);
  if (screen.backdrop.type != FillType::None) painter.fillRect(all, brushOf(screen.backdrop, all));
}

// Larger by the item's scale, about the corner of its box, for as long as it lives.
class Scaled {
 public:
  Scaled(QPainter& painter, const Placed& item) : painter_(painter), on_(item.scale != 1) {
    if (!on_) return;
    painter_.save();
    painter_.translate(item.box.x, item.box.y);
    painter_.scale(item.scale, item.scale);
    painter_.translate(-item.box.x, -item.box.y);
  }
  ~Scaled() {
    if (on_) painter_.restore();
  }
  Scaled(const Scaled&) = delete;
  Scaled& operator=(const Scaled&) = delete;

 private:
  QPainter& painter_;
  bool on_;
};

// Draws buttons as the screen reads, for as long as it lives.
class Reading {
 public:
  Reading(LookPainter& looks, bool rightToLeft) : looks_(looks), before_(looks.mirrored()) {
    looks.setMirrored(rightToLeft);
  }
  ~Reading() { looks_.setMirrored(before_); }
  Reading(const Reading&) = delete;
  Reading& operator=(const Reading&) = delete;

 private:
  LookPainter& looks_;
  bool before_;
};

// Lets a button that is a prompt show its sign, for as long as it lives.
class Prompting {
 public:
  Prompting(LookPainter& looks, const Project& project, const Screen& screen,
            const ButtonData& button, Device device)
      : looks_(looks) {
    if (!button.prompt) return;
    shown_ = {promptSign(project, &screen, *button.prompt, device), project.settings.padSigns};
    looks.setSign(&shown_);
  }
  ~Prompting() { looks_.setSign(nullptr); }
  Prompting(const Prompting&) = delete;
  Prompting& operator=(const Prompting&) = delete;

 private:
  LookPainter& looks_;
  ShownSign shown_;
};

// What is neither button nor container.
inline void paintDecor(QPainter& painter, LookPainter& looks, const Item& item, const QRectF& box) {
  if (const auto* panel = std::get_if<PanelData>(&item.what)) {
    painter.setPen(Qt::NoPen);
    painter.setBrush(brushOf(panel->fill, box));
    painter.drawRoundedRect(box, panel->radius, panel->radius);
  } else if (const auto* picture = std::get_if<PictureData>(&item.what)) {
    looks.pictures().draw(painter, box, lookOf(*picture, looks.mirrored()));
  }
}

// Keeps the painter to what containers that clip leave of the item at hand.
class Clipping {
 public:
  explicit Clipping(QPainter& painter) : painter_(painter) {}
  ~Clipping() { turnTo(-1, {}); }
  Clipping(const Clipping&) = delete;
  Clipping& operator=(const Clipping&) = delete;
  // False where nothing of it is to be painted.
  bool goTo(const Layout& layout, const Placed& item) {
    if (!item.isSeen()) return false;
    if (item.clip != now_) turnTo(item.clip, layout);
    return item.clip < 0 || !toQt(layout.clips[size_t(item.clip)]).isEmpty();
  }

 private:
  void turnTo(int clip, const Layout& layout) {
    if (now_ >= 0) painter_.restore();
    now_ = clip;
    if (clip < 0) return;
    painter_.save();
    painter_.setClipRect(toQt(layout.clips[size_t(clip)]), Qt::IntersectClip);
  }

  QPainter& painter_;
  int now_ = -1;
};

// Panels that blur what blurs in turn: each more would cost twice as much.
inline constexpr int kPanesWithin = 2;

// Where a panel lies, in layout px, as it is seen.
inline QPainterPath outlineOf(const PanelData& panel, const Placed& item) {
  QPainterPath out;
  out.addRoundedRect(toQt(item.box), panel.radius * item.scale, panel.radius * item.scale);
  return out;
}

// What is neither button nor container, over what lies below it.
inline void paintDecor(QPainter& painter, LookPainter& looks, const Item& item,
                       const Layout& layout, const Placed& placed, int depth,
                       const PaintsBelow& below) {
  const auto* panel = std::get_if<PanelData>(&item.what);
  if (panel && panel->blur > 0 && depth < kPanesWithin)
    paintBlurred(painter, outlineOf(*panel, placed), panel->blur * placed.scale,
                 QRectF(0, 0, layout.width, layout.height), below);
  const Scaled scaled(painter, placed);
  paintDecor(painter, looks, item, toQt(placed.own()));
}

inline void paintDim(QPainter& painter, const Screen& screen, const QRectF& all, double presence) {
  if (screen.dimBelow > 0)
    painter.fillRect(all, QColor(0, 0, 0, int(screen.dimBelow * presence * 255)));
}

// How far a screen that is there so much, 0–1, darkens what lies below it, and lets it cross over
// to how it is blurred.
inline void paintOverBelow(QPainter& painter, const Screen& screen, const Layout& layout,
                           double presence, int depth, const PaintsBelow& below) {
  const QRectF all(0, 0, layout.width, layout.height);
  if (screen.blurBelow > 0 && presence > 0 && depth < kPanesWithin) {
    QPainterPath outline;
    outline.addRect(all);
    const double opacity = painter.opacity();
    painter.setOpacity(opacity * presence);
    paintBlurred(painter, outline, screen.blurBelow, all, below);
    painter.setOpacity(opacity);
  }
  paintDim(painter, screen, all, presence);
}

}  // namespace bristle
