// The pictures of kinds in all states packed into few, with an index that says where each lies
// (data/schema/sheets.schema.json).
#pragma once
#include <functional>
#include <vector>

#include "deliver/later_files.h"

namespace bristle {

struct Project;
class LookPainter;

struct PictureWishes {
  double scale = 1;           // px of a picture to a px of the kind
  bool trim = false;          // without what is empty around; the index keeps where it lay
  bool allowMissing = false;  // a stand-in for pictures that are missing or broken
  bool captions = true;       // kinds with their sample captions
  bool placed = false;        // what stands on screens, too, as it looks there
  int frames = 0;             // of each change of state so many pictures a second; 0: none
};

// Stopped, with an error that says so, where `progress` (how many of how many) returns false.
using MadeProgress = std::function<bool(int, int)>;

// A file each, with index.json.
Result<LaterFiles> makePictures(const Project& project, LookPainter& looks,
                                const PictureWishes& wishes, const MadeProgress& progress = {});
// sheet-1.png, sheet-2.png … of at most 4096 px, with 2 px between, and sheets.json.
Result<LaterFiles> makeSheets(const Project& project, LookPainter& looks,
                              const PictureWishes& wishes, const MadeProgress& progress = {});

}  // namespace bristle
