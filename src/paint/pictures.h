// Pictures of a project, loaded once. What cannot be shown has a reason, and a stand-in is drawn.
#pragma once
#include <QImage>
#include <QPainter>
#include <QRectF>
#include <QString>
#include <QStringList>
#include <list>
#include <memory>
#include <set>
#include <string>
#include <unordered_map>

#include "paint/picture_bytes.h"
#include "runtime/document/basics.h"
#include "runtime/document/value.h"

class QSvgRenderer;

namespace bristle {

struct PictureData;

// How a picture is shown.
struct PictureLook {
  std::string file;             // "art/plate.svg#hover" is the group “hover” of an SVG
  std::string fit = "contain";  // or cover, whole, nine-slice
  QPointF focus{0.5, 0.5};      // what stays in sight, 0–1: with cover nearest to the middle
  Four slices = {};             // for nine-slice: margins in the picture's px, top first
  Colour tint{0, 0, 0, 0};      // laid over it as far as it is opaque
  int across = 1, down = 1;     // a sheet of frames
  int frame = 0;
  bool alone = false;   // a group of an SVG without the room around it in its document
  bool turned = false;  // left and right change places, and of the focus, too
};

// How a placed picture is shown, where one reads from the left or from the right.
PictureLook lookOf(const PictureData& picture, bool rightToLeft);
// Where a picture of this size lies in a box, layout px; it reaches beyond one that it covers.
QRectF fitted(const QRectF& box, const QSizeF& size, const PictureLook& look);

// Where a group lies in its document when that is drawn at this size; empty where it draws nothing.
QRectF groupIn(const QSvgRenderer& svg, const QString& group, const QSizeF& size);

class Pictures {
 public:
  Pictures();
  ~Pictures();
  // Files are looked for in this folder, and nowhere outside it. A path need not be UTF-8.
  void setFolder(const std::string& folder);
  void setFolder(const QString& folder) { setFolder(folder.toStdString()); }
  struct Picture {
    QImage image;        // null where it cannot be shown; of an SVG, at its own size
    QString problem;     // why
    QStringList groups;  // of an SVG: the ids of its groups
    std::shared_ptr<QSvgRenderer> svg;
    QRectF group;  // of a group of an SVG: where it lies in the image
  };
  const Picture& get(const std::string& file);
  // Forgets a file that has changed, or all.
  void forget() { clear(); }
  void draw(QPainter& painter, const QRectF& rect, const PictureLook& look);
  // What was drawn as a stand-in since the last call, each once: "art/a.png: missing".
  std::set<std::string> takeProblems() { return std::exchange(problems_, {}); }
  // A stand-in for something that is no picture, told in the same way.
  void drawMissing(QPainter& painter, const QRectF& rect, const std::string& what);

 private:
  static constexpr size_t kMostScaled = 64;
  struct Made {
    std::string key;
    QImage image;
  };
  void clear();
  Picture load(const std::string& file) const;
  // The picture as it is seen at a size in device px; `ratio` is those to a layout px.
  QImage made(const PictureLook& look, const Picture& picture, const QSize& size, double ratio);
  std::string folder_;
  std::set<std::string> problems_;
  std::unordered_map<std::string, Picture> loaded_;
  std::list<Made> made_;  // the one used last first
};

// A picture file read with all the limits; `name` is what it is called in the problem, and after a
// '#' the group of an SVG.
Pictures::Picture readPicture(const std::string& path, const QString& name);
inline Pictures::Picture readPicture(const QString& path, const QString& name) {
  return readPicture(path.toStdString(), name);
}
// Why a file of a project in this folder cannot be shown; empty where it can.
std::string whyNoPicture(const std::string& folder, const std::string& file);

// A crossed, dashed box at the place and size of what cannot be shown.
void drawStandIn(QPainter& painter, const QRectF& rect, const QString& text);

}  // namespace bristle
