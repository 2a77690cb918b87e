// What a picture file really is: told by its bytes, whatever its name says.
#pragma once
#include <QByteArray>
#include <QImage>
#include <QSize>
#include <QString>

namespace bristle {

enum class PictureSort { Png, Jpeg, WebP, Svg, Packed, Unknown };
// Packed: gzip, as of compressed SVG, which is never unpacked.
PictureSort sortOf(const QByteArray& bytes);

inline constexpr int kMostSide = 16384;            // px: no side of a picture may be longer
inline constexpr qint64 kMostPixels = 64'000'000;  // 256 MB of memory
inline constexpr qint64 kMostPictureBytes = 128 << 20;
// To be read at all: pictures come from anywhere.
bool isTooLarge(const QSize& size);
// "16384 × 16384 px, 268 million; 64 million are the most".
QString sizeInWords(const QSize& size);

// A PNG, JPEG or WebP; the problem says what is wrong where the image is null.
QImage readRaster(const QByteArray& bytes, QString& problem);

}  // namespace bristle
