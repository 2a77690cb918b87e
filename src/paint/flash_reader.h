// What flashes: pictures that follow one another in time, and a kind that shows them.
#pragma once
#include <QImage>
#include <span>

#include "core/findings/probes.h"
#include "paint/look_painter.h"
#include "runtime/document/project.h"

namespace bristle {

// A round of pictures, all of one size, opaque; it comes again and again.
struct PictureRound {
  std::vector<QImage> pictures = {};
  std::vector<double> at = {};  // ms from its begin, rising
  double length = 0;            // ms
  int count = 0;                // how often it comes; 0: without end
};

// The shortest time, ms, in which three flashes go by and a fourth begins, in `area` px or more;
// beyond a second: infinity. A flash is a pair of opposing changes of relative luminance by 0.1 or
// more, the darker below 0.8, or from and to a saturated red (R/(R+G+B) ≥ 0.8, in linear light)
// by more than 0.2 in the CIE 1976 UCS diagram: WCAG 2.2, “general flash and red flash thresholds”.
double threeFlashes(const PictureRound& round, double area);

// As Eyes::flashings says.
std::vector<Eyes::Flashing> readFlashings(LookPainter& looks,
                                          std::shared_ptr<const LookTable> table,
                                          const Project& project, const Kind& kind, double area,
                                          const std::atomic<bool>* stop);

}  // namespace bristle
