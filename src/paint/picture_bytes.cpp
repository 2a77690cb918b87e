#include "paint/picture_bytes.h"

#include <QBuffer>
#include <QImageReader>

namespace bristle {
namespace {

const char* formatOf(PictureSort sort) {
  switch (sort) {
    case PictureSort::Png:
      return "png";
    case PictureSort::Jpeg:
      return "jpeg";
    case PictureSort::WebP:
      return "webp";
    default:
      return nullptr;
  }
}

// A text that begins with a tag, in any of the encodings that XML may have.
bool looksLikeXml(const QByteArray& bytes) {
  const QByteArray head = bytes.left(4096);
  for (const char c : head) {
    if (c == '<') return true;
    const auto u = static_cast<unsigned char>(c);
    // White space, byte order marks, and the zeros of wide characters.
    if (u != 0 && u != ' ' && u != '\t' && u != '\r' && u != '\n' && u < 0xbb) return false;
  }
  return false;
}

}  // namespace

PictureSort sortOf(const QByteArray& b) {
  if (b.startsWith("\x89PNG\r\n\x1a\n")) return PictureSort::Png;
  if (b.startsWith("\xff\xd8\xff")) return PictureSort::Jpeg;
  if (b.size() > 12 && b.startsWith("RIFF") && b.mid(8, 4) == "WEBP") return PictureSort::WebP;
  if (b.startsWith("\x1f\x8b")) return PictureSort::Packed;
  return looksLikeXml(b) ? PictureSort::Svg : PictureSort::Unknown;
}

bool isTooLarge(const QSize& size) {
  return size.width() > kMostSide || size.height() > kMostSide ||
         qint64(size.width()) * size.height() > kMostPixels;
}

QString sizeInWords(const QSize& size) {
  return QStringLiteral(
             "%1 × %2 px, %3 million; no side may have more than %4, all together %5 million")
      .arg(size.width())
      .arg(size.height())
      .arg(qint64(size.width()) * size.height() / 1'000'000)
      .arg(kMostSide)
      .arg(kMostPixels / 1'000'000);
}

QImage readRaster(const QByteArray& bytes, QString& problem) {
  const char* format = formatOf(sortOf(bytes));
  if (!format) {
    problem = QStringLiteral("no PNG, JPEG or WebP");
    return {};
  }
  QBuffer buffer;
  buffer.setData(bytes);
  // Only the reader for what it is: no other may be tempted by the name or the content.
  QImageReader reader(&buffer, format);
  reader.setAutoDetectImageFormat(false);
  reader.setAutoTransform(true);
  const QSize size = reader.size();
  if (!size.isValid()) {
    problem = QStringLiteral("broken");
    return {};
  }
  if (isTooLarge(size)) {
    problem = QStringLiteral("too large, ") + sizeInWords(size);
    return {};
  }
  const QImage image = reader.read();
  if (image.isNull()) problem = QStringLiteral("broken");
  return image;
}

}  // namespace bristle
