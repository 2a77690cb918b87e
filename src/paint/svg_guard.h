// Makes an SVG document safe to draw: nothing in it can fetch, recurse or blow up.
#pragma once
#include <QByteArray>
#include <QStringList>

#include "runtime/document/basics.h"

namespace bristle {

struct SafeSvg {
  QByteArray text;     // without document type, scripts and pictures from elsewhere
  QStringList groups;  // ids of the groups right below the root, in their order
};

// Refused, with the reason: not well-formed, more than 16 MB, nested deeper than 200, more than
// 200,000 elements once every `use` is followed, entities of its own, references that leave the
// document.
Result<SafeSvg> makeSafe(const QByteArray& svg, const std::string& file);

}  // namespace bristle
