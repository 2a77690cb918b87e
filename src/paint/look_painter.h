// Draws a resolved look: the one painter for tiles, canvas, rehearsal and files.
#pragma once
#include <QPainter>
#include <functional>

#include "paint/captions.h"
#include "runtime/machine/part_values.h"
#include "paint/pictures.h"
#include "paint/shadows.h"
#include "paint/signs.h"
#include "runtime/machine/look.h"

namespace bristle {

class LookPainter {
 public:
  Pictures& pictures() { return pictures_; }
  Captions& captions() { return captions_; }
  // The button in `box`; `look` has the table's channels. Scale and pivot are the look's own.
  // `since` says for how long it has been in its state, ms: frame sequences run by it.
  void paint(QPainter& painter, const Kind& kind, const LookTable& table, const Look& look,
             const QRectF& box, const std::string& caption, Ms since = 0);
  // While on, paintState and running menus are tinted by state, so that one sees which is which.
  void setSignals(bool on) { signals_ = on; }
  bool signalsOn() const { return signals_; }
  // While on, buttons are drawn for a screen that reads from right to left: their parts change
  // sides and captions begin at the right; pictures, icons and where light comes from stay as they
  // are.
  void setMirrored(bool on) { mirrored_ = on; }
  bool mirrored() const { return mirrored_; }
  // While it is not null icons show that sign, or nothing where it has none.
  void setSign(const ShownSign* sign) { sign_ = sign; }
  // As paint, for a button that is in, or going to, a state: tinted while signals are on.
  void paintState(QPainter& painter, const Kind& kind, const LookTable& table, StateIndex state,
                  const Look& look, const QRectF& box, const std::string& caption, Ms since = 0);
  // The same without one part, or with this part alone: for figures of contrast.
  void paintWithout(QPainter& painter, const Kind& kind, const Look& look, const QRectF& box,
                    const std::string& caption, const PartId& part);
  // Whether in some state of the table not all of the caption can be read.
  bool cutsCaption(const Kind& kind, const LookTable& table, const QRectF& box,
                   const std::string& caption);
  // How large the caption is set in the state where it is smallest, px; 0: none is shown.
  double captionSize(const Kind& kind, const LookTable& table, const QRectF& box,
                     const std::string& caption);
  // How far beyond the box the looks of the table may paint, px.
  static double reach(const Kind& kind, const LookTable& table);

 private:
  using Wanted = std::function<bool(const Part&)>;  // empty: all of them
  void paintParts(QPainter& painter, const Kind& kind, const Look& look, const QRectF& box,
                  const std::string& caption, Ms since, const Wanted& wanted);
  void part(QPainter& painter, const PartValues& values, const QRectF& rect, Colour caption,
            const std::string& text, Ms since);
  void shape(QPainter& painter, const PartValues& values, const QRectF& rect);
  void picture(QPainter& painter, const PartValues& values, const QRectF& rect, Ms since);
  void icon(QPainter& painter, const PartValues& values, const QRectF& rect, Colour caption);

  Pictures pictures_;
  Shadows shadows_;
  Captions captions_;
  bool signals_ = false, mirrored_ = false;
  const ShownSign* sign_ = nullptr;
};

// The garish colour of a state by its place in the machine.
QColor signalColour(StateIndex state);

// A brush for a fill over a rectangle.
QBrush brushOf(const Fill& fill, const QRectF& rect);

}  // namespace bristle
