#pragma once

#include "runtime/layout/text_measure.h"

namespace bristle {

// What tests measure texts with: the same on every machine, whatever its fonts.
inline const PlainMeasure kMeasure;

}  // namespace bristle
