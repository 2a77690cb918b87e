// The review as one page for colleagues: nothing is fetched, nothing runs.
#pragma once
#include <string>

#include "core/findings/sorted.h"
#include "paint/screen_painter.h"

namespace bristle {

// HTML with all that the bench shows: by rule, each finding with its place marked in a picture, the
// figure against its limit, why it matters, the standard’s section and what would mend it; what was
// accepted stands at the end with its reason. `day` is told at the top, as ISO 8601 has it.
std::string findingsReport(const Project& project, const SortedFindings& found, LookPainter& looks,
                           const TextMeasure& measure, const std::string& day);

}  // namespace bristle
