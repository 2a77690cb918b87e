// Hands over the picture of every kind in every state, as PNG files and a JSON index.
#pragma once
#include <functional>
#include <string>
#include <vector>

#include "paint/look_painter.h"
#include "runtime/document/project.h"

namespace bristle {

struct DeliveredPicture {
  std::string file;  // relative to the folder
  KindId kind;
  StateId state;
  int width = 0, height = 0;  // px of the picture
  double boxX = 0, boxY = 0;  // where the button's box begins in it
  double boxW = 0, boxH = 0;
};

// Lower case, a–z, 0–9 and single hyphens, at most 60 characters, never a name that a system
// reserves: safe on every file system. `taken` makes it unique and is added to.
std::string safeFileName(const std::string& name, std::vector<std::string>& taken);

// Writes into `folder`, which is made where it is not there. All pictures of one kind have the same
// size. Old files of the same names are written over, others left alone; all are put in place at
// once in the end. `progress` is told how many of how many are done and may return false to stop.
// What cannot be shown (a picture file that is missing or broken) is an error that lists all of it,
// unless `allowMissing`: a stand-in is handed over then.
struct DeliverOptions {
  bool allowMissing = false;
  std::function<bool(int, int)> progress = {};
};
Result<std::vector<DeliveredPicture>> deliverPictures(const Project& project, LookPainter& looks,
                                                      const std::string& folder,
                                                      const DeliverOptions& options = {});

// One kind in one state, with what the look paints beyond its box; an error where that would be
// more than may be drawn.
Result<QImage> pictureOf(const Kind& kind, const LookTable& table, StateIndex state,
                         LookPainter& looks, double scale = 1);
// An image of that size, transparent; an error where it would be too large.
Result<QImage> canvasOf(const QSizeF& size, const std::string& what);
Result<std::string> pngOf(const QImage& image, const std::string& file);
// An error that lists what could not be shown; nothing where all could.
std::optional<Error> missingIn(const std::set<std::string>& problems);

}  // namespace bristle
