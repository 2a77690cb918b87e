// Pictures of kinds in their states, names that are safe for files, and what is missing.
#pragma once
#include <functional>
#include <string>
#include <vector>

#include "paint/look_painter.h"
#include "runtime/document/project.h"

namespace bristle {

// Lower case, a–z, 0–9 and single hyphens, at most 60 characters, never a name that a system
// reserves: safe on every file system. `taken` makes it unique and is added to.
std::string safeFileName(const std::string& name, std::vector<std::string>& taken);

// How many states of a kind can be seen: what stands still is never in another than its first.
size_t statesSeen(const Kind& kind, const Machine& machine);

// One kind in one state, with what the look paints beyond its box; an error where that would be
// more than may be drawn.
Result<QImage> pictureOf(const Kind& kind, const LookTable& table, StateIndex state,
                         LookPainter& looks, double scale = 1);
// An image of that size, transparent; an error where it would be too large.
Result<QImage> canvasOf(const QSizeF& size, const std::string& what);
// What of it is not wholly transparent; at least one px.
QRect contentOf(const QImage& image);
Result<std::string> pngOf(const QImage& image, const std::string& file);
// An error that lists what could not be shown; nothing where all could.
std::optional<Error> missingIn(const std::set<std::string>& problems);

}  // namespace bristle
