// How well a caption can be read against what is really painted behind it.
#pragma once
#include <optional>

#include "paint/look_painter.h"

namespace bristle {

struct CaptionContrast {
  double ratio = 0;     // WCAG 2.2 §1.4.3: 1–21, the lowest of all but the worst twentieth of px
  Colour text, behind;  // there
};

// Draws the button without its label over the backdrop (one colour, or an image of the box's size)
// and looks behind the letters. Nothing where no caption is shown.
std::optional<CaptionContrast> captionContrast(LookPainter& looks, const Kind& kind,
                                               const Look& look, const std::string& caption,
                                               const QImage& backdrop);
// The same of the first icon that is shown (§1.4.11), behind its strokes. Nothing where none is.
std::optional<CaptionContrast> iconContrast(LookPainter& looks, const Kind& kind, const Look& look,
                                            const std::string& caption, const QImage& backdrop);

// Whether a caption counts as large (WCAG 2.2, “large scale”): 24 px, or bold and 18.66 px, and
// more, when it is drawn `scale` times as large as it is written.
bool isLarge(const LookTable& table, const Look& look, const PartId& label, double scale);
// What is asked of a kind’s caption in a look: WCAG 2.2 §1.4.3.
double wantedContrast(const Kind& kind, const LookTable& table, const Look& look);

}  // namespace bristle
