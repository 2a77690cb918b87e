// What the laws ask of looks, answered by the painted pictures, not by declared values.
#pragma once
#include <QImage>
#include <functional>
#include <map>

#include "core/laws/law.h"
#include "paint/look_painter.h"
#include "runtime/document/project.h"
#include "runtime/machine/look.h"

namespace bristle {

class RenderedLooks : public LawLooks {
 public:
  // All of these must outlive it. The pictures stand on a plain ground.
  RenderedLooks(LookPainter& painter, const Kind& kind, const LookTable& table, Colour ground);
  // At least 24 px, or one in 200 where that is more, are another colour.
  bool differ(StateIndex a, StateIndex b) const override;
  // WCAG 2.2 §2.4.13: an area as large as the button's outline drawn 2 px wide changes by a
  // contrast of 3 : 1 or more.
  bool showsFocus(StateIndex focused, StateIndex rest) const override;
  // The area that changes enough, over the area asked for: 1 is just enough.
  double focusShare(StateIndex focused, StateIndex rest) const;
  // How many px count as another colour; no more than `enough`.
  int changedPx(StateIndex a, StateIndex b, int enough,
                const std::function<bool(QRgb one, QRgb other)>& counts) const;

 private:
  const QImage& picture(StateIndex state) const;
  using Pair = std::pair<StateIndex, StateIndex>;
  LookPainter& painter_;
  const Kind& kind_;
  const LookTable& table_;
  Colour ground_;
  double reach_;
  mutable std::map<StateIndex, QImage> pictures_;
  // Laws ask the same pairs at every step, and once more for every mend that is tried.
  mutable std::map<Pair, bool> differ_;
  mutable std::map<Pair, double> focus_;
};

}  // namespace bristle
