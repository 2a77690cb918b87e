#include "deliver/stretch.h"

#include <cstdlib>

namespace bristle {
namespace {

constexpr int kLeastRun = 4;  // px: less is not worth the seams

// Gradients are rounded: one more or less of 255 is the same colour.
bool alike(QRgb a, QRgb b) {
  return std::abs(qAlpha(a) - qAlpha(b)) <= 1 && std::abs(qRed(a) - qRed(b)) <= 1 &&
         std::abs(qGreen(a) - qGreen(b)) <= 1 && std::abs(qBlue(a) - qBlue(b)) <= 1;
}

struct Run {
  int from = 0, length = 0;
};

// Of `count` lines the longest run in which all are as its first one.
template <class Same>
Run longestRun(int count, Same same) {
  Run best, now;
  for (int i = 0; i < count; ++i) {
    if (now.length > 0 && same(now.from, i))
      ++now.length;
    else
      now = {i, 1};
    if (now.length > best.length) best = now;
  }
  return best;
}

}  // namespace

Slices slicesOf(const QImage& image, const QRect& rect) {
  const auto px = [&](int x, int y) {
    return reinterpret_cast<const QRgb*>(image.constScanLine(rect.y() + y))[rect.x() + x];
  };
  const Run columns = longestRun(rect.width(), [&](int a, int b) {
    for (int y = 0; y < rect.height(); ++y)
      if (!alike(px(a, y), px(b, y))) return false;
    return true;
  });
  const Run rows = longestRun(rect.height(), [&](int a, int b) {
    for (int x = 0; x < rect.width(); ++x)
      if (!alike(px(x, a), px(x, b))) return false;
    return true;
  });
  Slices out;
  if (columns.length >= kLeastRun) {
    out.across = true;
    out.left = columns.from;
    out.right = rect.width() - columns.from - columns.length;
  }
  if (rows.length >= kLeastRun) {
    out.down = true;
    out.top = rows.from;
    out.bottom = rect.height() - rows.from - rows.length;
  }
  return out;
}

}  // namespace bristle
