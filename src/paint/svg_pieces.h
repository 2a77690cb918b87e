// The groups of an SVG, each with the place that it has in its document.
#pragma once
#include <QRectF>
#include <QString>
#include <vector>

#include "runtime/document/basics.h"

namespace bristle {

struct SvgPiece {
  QString group;  // its id
  QRectF box;     // px of the document at its own size
};

// Those right below the root that draw something, in their order. Refused with the reason where
// the file cannot be read or is no SVG.
Result<std::vector<SvgPiece>> piecesOf(const std::string& path);

}  // namespace bristle
