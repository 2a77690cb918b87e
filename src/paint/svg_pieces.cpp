#include "paint/svg_pieces.h"

#include <QFileInfo>
#include <QSvgRenderer>

#include "paint/convert.h"
#include "paint/pictures.h"

namespace bristle {

Result<std::vector<SvgPiece>> piecesOf(const std::string& path) {
  const QString name = QFileInfo(toQt(path)).fileName();
  const auto whole = readPicture(path, name);
  if (!whole.problem.isEmpty()) return fail(fromQt(name), fromQt(whole.problem));
  if (!whole.svg) return fail(fromQt(name), "only an SVG has groups");
  std::vector<SvgPiece> out;
  for (const QString& group : whole.groups) {
    const QRectF box = groupIn(*whole.svg, group, whole.image.size());
    if (!box.isEmpty()) out.push_back({group, box});
  }
  return out;
}

}  // namespace bristle
