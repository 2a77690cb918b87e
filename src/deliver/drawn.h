// What pictures and sheets hold, drawn: kinds in their states, what stands on screens as it looks
// there, and strips of how states change.
#pragma once
#include <QImage>
#include <optional>

#include "deliver/sheets.h"
#include "runtime/document/project.h"

namespace bristle {

// Where something placed looks so: on a screen, in one language or (empty) in all.
struct PlacedUse {
  ScreenId screen;
  ItemId item;
  LanguageId language;
};

// Key frames of a change from a state to another: of one size, in rows from the upper left.
struct StripOf {
  StateId from;
  int frames = 0, across = 0, width = 0, height = 0;  // px of a frame
  double every = 0;                                   // ms between two
};

// What may be stretched of it, from the edges, px; 0 and 0: nothing along that axis.
struct Slices {
  int left = 0, right = 0, top = 0, bottom = 0;
  bool across = false, down = false;
};

struct Drawn {
  const Kind* kind = nullptr;     // null: a panel or a picture
  const State* state = nullptr;   // null: it has none
  std::vector<PlacedUse> placed;  // empty: of the kind itself
  std::optional<StripOf> strip;
  std::string name;  // safe for files, and told apart from all others
  QImage image;
  QRect rect;           // what of it is kept
  QSize whole;          // how large it, or a frame of it, was before it was trimmed
  QPoint at;            // where in that the kept part lay
  double reach = 0;     // px of the picture around the box
  double w = 0, h = 0;  // the box, px of the picture
  double pivotX = 0.5, pivotY = 0.5;
  Slices slices;
};

// In the order of the project. Stopped, with an error that says so, where progress says no.
Result<std::vector<Drawn>> drawAll(const Project& project, LookPainter& looks,
                                   const PictureWishes& wishes, const MadeProgress& progress);

}  // namespace bristle
