// Fonts by the words of a look, and the measure that layout asks.
#pragma once
#include <QFont>

#include "runtime/layout/layout.h"

namespace bristle {

// `size` in px, `weight` 100–900.
QFont fontOf(const std::string& family, double size, double weight);

// The family that is shown instead where the wanted one is not installed; empty where it is.
QString standInFor(const std::string& family);

// The letters of a text that none of the families has that are installed, each once; none where no
// family is.
std::string lettersMissingIn(const std::string& families, const std::string& text);

// Needs a QGuiApplication, since fonts do.
class FontMeasure : public TextMeasure {
 public:
  TextExtent measure(const std::string& family, double size, double weight,
                     const std::string& text) const override;
};

}  // namespace bristle
