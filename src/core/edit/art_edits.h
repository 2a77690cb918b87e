// Pictures that are drawn in groups, taken apart into pictures of their own.
#pragma once
#include "core/edit/screen_edits.h"
#include "runtime/document/screen.h"
#include "runtime/layout/text_measure.h"

namespace bristle {

struct ArtPiece {
  std::string name;
  std::string file;  // "art/hull.svg#hatch": one group of the picture
  Box box;           // from the corner of the picture's box, px as it is written
};

// The picture becomes a free container at its place with a picture for each piece, in their order.
// `size` is the picture's, px as it is written. Refused without pieces, and for what is no picture.
Edit takeApart(ScreenId screen, ItemId picture, Size size, std::vector<ArtPiece> pieces);

}  // namespace bristle
