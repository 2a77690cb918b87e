// How a part of a button looks at a moment, as HTML with CSS and SVG, sharp at every size.
#pragma once
#include <map>
#include <optional>
#include <string>

#include "runtime/document/binding.h"
#include "runtime/document/box.h"
#include "runtime/machine/part_values.h"

namespace bristle {

// A picture that whoever shows the markup has in a style sheet: as the background of the class
// bN, as the mask of mN, as the source of border images of nN. Its own size in px.
struct SheetPicture {
  int number = 0;
  double w = 0, h = 0;
};
// By the file as parts name it; signs by “sign ” and their text (toText(Sign)).
using SheetPictures = std::map<std::string, SheetPicture, std::less<>>;

// What a part is shown with.
struct PartSetting {
  const SheetPictures& pictures;
  std::string_view id;  // tells what it is drawn with apart from all others of a page
  std::string_view caption;
  Colour captionColour;
  Ms since = 0;                       // how long the button has been in its state
  const std::string* sign = nullptr;  // a prompt: the sign that its icons show; "": none
};

// A caption, to be set by whoever has the fonts: as paint/captions.h tells.
struct PartCaption {
  Box room;
  std::string family;
  double size = 0, weight = 0, spacing = 0;
  Colour colour;
  int side = 0;          // −1 left, 0 middle, 1 right
  std::string overflow;  // ellipsis, shrink, spill
  bool twoLines = false;
  std::string letters;  // as typed, upper, lower
  std::string words;
};

struct PartMarkup {
  std::string style;  // of the element that holds it, at the box's corner
  std::string html;   // of what is in it
  std::optional<PartCaption> caption;
};

// Of a part in the box of its button, which lies at 0, 0; nothing for what does not show.
std::optional<PartMarkup> markupOf(const PartValues& part, const Box& box,
                                   const PartSetting& setting);
// A picture in its box, as parts and items show it.
struct SheetLook {
  std::string_view file;
  std::string_view fit;  // contain, cover, whole, nine-slice
  double focusX = 0.5, focusY = 0.5;
  Four slices = {};
  Colour tint{0, 0, 0, 0};
  int across = 1, down = 1, frame = 0;
  bool turned = false;
};
std::string pictureHtml(const SheetPictures& pictures, const Box& box, const SheetLook& look);
// The frame of a sheet that is shown after so long (“stand”, “loop”, “once”); `rate` a second.
int frameAfter(std::string_view playing, double rate, int frames, Ms since);

}  // namespace bristle
