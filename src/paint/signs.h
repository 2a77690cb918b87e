// The signs of keys and controller buttons, drawn for this program: keys as caps, buttons by their
// place.
#pragma once
#include <QColor>
#include <QPainter>
#include <QRectF>
#include <optional>

#include "runtime/document/binding.h"

namespace bristle {

// What a prompt's icon shows. Without a sign: nothing.
struct ShownSign {
  std::optional<Sign> sign;
  PadSigns pad = PadSigns::Dots;
};

// In one colour, in a square; what is written in it is made as small as it must be.
void paintSign(QPainter& painter, const QRectF& square, const Sign& sign, PadSigns pad,
               const QColor& colour);

}  // namespace bristle
