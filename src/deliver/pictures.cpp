#include "deliver/pictures.h"

#include <QBuffer>
#include <algorithm>

#include "paint/convert.h"

namespace bristle {
namespace {

// Names that some systems keep for devices, whatever their ending.
bool reserved(const std::string& name) {
  static const char* const kNames[] = {"con", "prn", "aux", "nul"};
  if (std::find(std::begin(kNames), std::end(kNames), name) != std::end(kNames)) return true;
  return name.size() == 4 && (name.starts_with("com") || name.starts_with("lpt")) &&
         name[3] >= '0' && name[3] <= '9';
}

}  // namespace

size_t statesSeen(const Kind& kind, const Machine& machine) {
  return kind.still ? 1 : machine.states.size();
}

std::string safeFileName(const std::string& name, std::vector<std::string>& taken) {
  std::string out;
  for (char c : name) {
    if (c >= 'A' && c <= 'Z') c = static_cast<char>(c - 'A' + 'a');
    if ((c >= 'a' && c <= 'z') || (c >= '0' && c <= '9')) {
      out += c;
    } else if (!out.empty() && out.back() != '-') {
      out += '-';
    }
    if (out.size() >= 60) break;
  }
  while (!out.empty() && out.back() == '-') out.pop_back();
  if (out.empty()) out = "unnamed";
  if (reserved(out)) out += "-1";
  const std::string wanted = out;
  for (int n = 2; std::find(taken.begin(), taken.end(), out) != taken.end(); ++n)
    out = wanted + "-" + std::to_string(n);
  taken.push_back(out);
  return out;
}

QRect contentOf(const QImage& image) {
  int left = image.width(), right = -1, top = image.height(), low = -1;
  for (int y = 0; y < image.height(); ++y) {
    const auto* line = reinterpret_cast<const QRgb*>(image.constScanLine(y));
    for (int x = 0; x < image.width(); ++x) {
      if (qAlpha(line[x]) == 0) continue;
      left = std::min(left, x), right = std::max(right, x);
      top = std::min(top, y), low = std::max(low, y);
    }
  }
  return right < 0 ? QRect(0, 0, 1, 1) : QRect(QPoint(left, top), QPoint(right, low));
}

Result<std::string> pngOf(const QImage& image, const std::string& file) {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  if (!image.save(&buffer, "PNG")) return fail(file, "could not be encoded");
  return bytes.toStdString();
}

Result<QImage> canvasOf(const QSizeF& size, const std::string& what) {
  // Compared before it is made whole numbers, which could not hold it.
  const double most = 1e6;
  if (!(size.width() < most && size.height() < most) ||
      isTooLarge(QSize(qCeil(size.width()), qCeil(size.height()))))
    return fail(
        what,
        "its picture would be too large, " +
            fromQt(sizeInWords(
                QSizeF(std::min(size.width(), most), std::min(size.height(), most)).toSize())));
  QImage image(qCeil(size.width()), qCeil(size.height()), QImage::Format_ARGB32_Premultiplied);
  if (image.isNull()) return fail(what, "there is no memory for its picture");
  image.fill(Qt::transparent);
  return image;
}

Result<QImage> pictureOf(const Kind& kind, const LookTable& table, StateIndex state,
                         LookPainter& looks, double scale) {
  const double reach = LookPainter::reach(kind, table);
  auto image = canvasOf(QSizeF(kind.width + 2 * reach, kind.height + 2 * reach) * scale,
                        "kind “" + kind.name + "”");
  if (!image) return image;
  QPainter painter(&*image);
  painter.scale(scale, scale);
  looks.paint(painter, kind, table, table.state(state),
              QRectF(reach, reach, kind.width, kind.height), kind.sampleCaption);
  return image;
}

std::optional<Error> missingIn(const std::set<std::string>& problems) {
  if (problems.empty()) return {};
  std::string all;
  for (const std::string& problem : problems) all += "\n  " + problem;
  return Error{
      {},
      std::to_string(problems.size()) +
          (problems.size() == 1 ? " picture cannot be shown:" : " pictures cannot be shown:") +
          all};
}

}  // namespace bristle
