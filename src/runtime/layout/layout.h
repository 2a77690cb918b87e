// Places a screen's items for a display and a language: containers keep their rows and columns,
// pins hold.
//
// Sizes are measured from the innermost containers outwards, then places are given from the screen
// inwards; widths first, then heights. Each sort of container is a file of its own: line.h, grid.h,
// ring.h, free.h; pins.h has what stands on the screen itself.
#pragma once
#include <span>
#include <vector>

#include "runtime/document/box.h"
#include "runtime/document/ids.h"
#include "runtime/layout/baseline.h"
#include "runtime/layout/text_measure.h"

namespace bristle {

struct Item;
struct Project;
struct Screen;
struct Showing;

// Where one item lies, in layout px (display px ÷ its scale).
struct Placed {
  Box box;
  Box hit;              // the hit area: the box and the kind's padding
  Box visible;          // the part of `hit` that no container cuts off; w or h 0: none
  int clip = -1;        // index of Layout::clips; −1: nothing cuts it off
  int scroller = -1;    // index of Layout::scrollers: the innermost that moves it; −1: none
  int flyOut = -1;      // index of Layout::flyOuts: the innermost that it is in; −1: none
  bool closed = false;  // in a fly-out that is not open, or that is in one which is not
  bool still = false;   // of a kind that is: no button
  bool shown = true;    // neither it nor a container around it is hidden
  // How much larger it is than it is written: its look is as large as `box` ÷ `scale`, and drawn so
  // much larger (scaling.h).
  double scale = 1;
  Baseline baseline;  // of its caption, as it is written: where it stands on it
  // Neither hidden nor in a fly-out that is closed.
  bool isSeen() const { return shown && !closed; }
  // As large as it is written, from the same corner.
  Box own() const { return {box.x, box.y, box.w / scale, box.h / scale}; }
};

// Which container one of Layout::clips is of, and which of them cuts that off; −1: none.
struct ClipOf {
  size_t item = 0;
  int outer = -1;
};

// A container whose content is moved (scroll.h). Lengths along the way it moves, layout px.
struct Scroller {
  size_t item = 0;
  bool down = true;        // else across
  bool fromRight = false;  // across, where one reads from the right
  int outer = -1;          // the scroller that it is in, by index; −1: none
  Px view = 0, content = 0;
  Px offset = 0;  // how far the content has been moved: 0 shows its beginning
};

// A container that flies out from a button; none is open at first (fly_outs.h).
struct PlacedFlyOut {
  size_t item = 0, from = 0;  // the container and the button, by index
  int outer = -1;             // the fly-out that the button is in, by index; −1: none
  bool open = false;
};

struct Layout {
  Px width = 0, height = 0;
  // What it was made for; routes and captions go by it.
  DisplayId display;
  LanguageId language;
  bool rightToLeft = false;
  Box safe;          // the display's safe area
  double scale = 1;  // of what stands on the screen and says nothing else
  // Whether an item can be seen at a place: not in a closed fly-out, nor cut off there.
  bool shows(size_t item, Px x, Px y) const;
  std::vector<Placed> items;          // in the order of Screen::items
  std::vector<Box> clips;             // what containers that clip leave to be seen; w or h may be 0
  std::vector<ClipOf> clipOf;         // of each of `clips`
  std::vector<PlacedFlyOut> flyOuts;  // the outer ones first
  std::vector<Scroller> scrollers;    // from the outside in, as nothing is scrolled yet
};

// Of every item of the screen, hidden ones, too. Takes time in line with their number.
Layout layOut(const Project& project, const Screen& screen, const Showing& showing,
              const TextMeasure& measure);

// The size that an item has when nothing else is said, with its caption in `language`. A
// container's is that of its content, which only layOut knows.
Size naturalSize(const Project& project, const Item& item, const LanguageId& language,
                 const TextMeasure& measure);

// The part that both cover; w or h 0 where there is none.
Box common(const Box& a, const Box& b);
// The smallest box around all of them; w and h 0 where there are none.
Box boundsOf(std::span<const Box> boxes);

}  // namespace bristle
