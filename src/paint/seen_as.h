// Pictures as others see them.
#pragma once
#include <QImage>

#include "core/findings/vision.h"

namespace bristle {

// Every pixel as seenWith() has it, by tables: within one step of 255 of it. In
// ARGB32_Premultiplied; opacity stays.
QImage seenAs(const QImage& image, Vision vision);

}  // namespace bristle
