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

}  // namespace bristle
