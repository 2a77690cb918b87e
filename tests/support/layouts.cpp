#include "support/layouts.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <map>

namespace bristle::test {
namespace {

using Boxes = std::vector<Box>;

Boxes raggedGrid(Dice& dice, int size) {
  Boxes out;
  const int columns = std::max(2, static_cast<int>(std::sqrt(size) * dice.real(0.7, 1.5)));
  for (int i = 0; i < size; ++i) {
    if (dice.chance(0.15)) continue;
    out.push_back({(i % columns) * 120 + dice.real(-18, 18),
                   (i / columns) * 80 + dice.real(-12, 12), dice.real(60, 100), dice.real(34, 60)});
  }
  return out;
}

Boxes mixedSpans(Dice& dice, int size) {
  Boxes out;
  const int columns = std::max(3, static_cast<int>(std::sqrt(size) * 1.4));
  const int rows = size / columns * 2 + 2;
  std::vector<char> used(static_cast<size_t>(columns * rows), 0);
  const auto at = [&](int x, int y) -> char& { return used[static_cast<size_t>(y * columns + x)]; };
  for (int y = 0; y < rows && static_cast<int>(out.size()) < size; ++y)
    for (int x = 0; x < columns; ++x) {
      if (at(x, y)) continue;
      int w = dice.whole(1, 3), h = dice.whole(1, 2);
      w = std::min(w, columns - x);
      h = std::min(h, rows - y);
      for (int i = 0; i < w; ++i)
        if (at(x + i, y)) w = std::max(1, i);
      for (int j = 0; j < h; ++j)
        for (int i = 0; i < w; ++i) at(x + i, y + j) = 1;
      out.push_back({x * 100.0, y * 70.0, w * 100.0 - 10, h * 70.0 - 10});
    }
  return out;
}

Boxes ring(Dice& dice, int size) {
  Boxes out;
  const double radius = 60 + size * 14;
  const double squash = dice.real(0.5, 1);
  for (int i = 0; i < size; ++i) {
    const double turn = 6.283185307 * i / size + dice.real(-0.02, 0.02);
    out.push_back({radius * std::cos(turn), squash * radius * std::sin(turn), dice.real(30, 54),
                   dice.real(24, 40)});
  }
  if (dice.chance(0.5)) out.push_back({-40, -30, 100, 80});
  return out;
}

Boxes tree(Dice& dice, int size) {
  Boxes out;
  std::function<void(double, double, double, int)> grow = [&](double x, double y, double width,
                                                              int depth) {
    out.push_back({x - 20 + dice.real(-4, 4), y, 40, 40});
    if (static_cast<int>(out.size()) >= size || depth > 6) return;
    const int children = dice.whole(1, 3);
    for (int i = 0; i < children; ++i)
      if (static_cast<int>(out.size()) < size)
        grow(x - width / 2 + width * (i + 0.5) / children, y + 90, width / children, depth + 1);
  };
  grow(0, 0, 1600, 0);
  return out;
}

Boxes sparseCorners(Dice& dice, int size) {
  Boxes out;
  const double spots[4][2] = {{0, 0}, {1600, 0}, {0, 900}, {1600, 900}};
  for (int i = 0; i < size; ++i) {
    const auto& spot = spots[dice.whole(0, 3)];
    out.push_back({spot[0] + dice.real(0, 300), spot[1] + dice.real(0, 180), dice.real(20, 60),
                   dice.real(20, 50)});
  }
  return out;
}

Boxes staggered(Dice& dice, int size) {
  Boxes out;
  const int columns = std::max(2, static_cast<int>(std::sqrt(size)));
  const double shift = dice.real(20, 60);
  for (int i = 0; i < size; ++i)
    out.push_back({(i % columns) * 120 + (i / columns % 2) * shift, (i / columns) * 70.0, 100, 50});
  return out;
}

Boxes sidebar(Dice& dice, int size) {
  Boxes out;
  const int tabs = std::max(2, size / 5);
  for (int i = 0; i < tabs; ++i) out.push_back({0, i * 64.0, 180, 54});
  const int columns = dice.whole(2, 5);
  for (int i = 0; i < size - tabs; ++i)
    out.push_back({240 + (i % columns) * 150.0, (i / columns) * dice.real(88, 92), 130, 76});
  if (dice.chance(0.5)) out.push_back({240, -90, columns * 150.0 - 20, 60});
  return out;
}

Boxes nearOverlaps(Dice& dice, int size) {
  Boxes out;
  const int columns = std::max(2, static_cast<int>(std::sqrt(size)));
  for (int i = 0; i < size; ++i)
    out.push_back({(i % columns) * 100 + dice.real(-3, 3), (i / columns) * 60 + dice.real(-3, 3),
                   dice.real(96, 106), dice.real(56, 66)});
  return out;
}

Boxes scattered(Dice& dice, int size) {
  Boxes out;
  const double side = std::sqrt(size) * 110;
  for (int tries = 0; static_cast<int>(out.size()) < size && tries < size * 30; ++tries) {
    const Box box{dice.real(0, side * 1.6), dice.real(0, side), dice.real(20, 110),
                  dice.real(20, 90)};
    // Large layouts skip the test against all others: a few overlaps do no harm.
    const bool hits = size <= 400 && std::any_of(out.begin(), out.end(), [&](const Box& o) {
                        return box.x < o.x + o.w && o.x < box.x + box.w && box.y < o.y + o.h &&
                               o.y < box.y + box.h;
                      });
    if (!hits) out.push_back(box);
  }
  return out;
}

Boxes oneLarge(Dice& dice, int size) {
  Boxes out{{0, 0, 500, 400}};
  for (int i = 1; i < size; ++i) {
    const int side = i % 4, k = i / 4;
    const double along = k * 66 + dice.real(0, 8);
    if (side == 0) out.push_back({along, -70.0 - dice.real(0, 20), 58, 44});
    if (side == 1) out.push_back({along, 420.0 + dice.real(0, 20), 58, 44});
    if (side == 2) out.push_back({-90 - dice.real(0, 20), along, 70, 52});
    if (side == 3) out.push_back({520 + dice.real(0, 20), along, 70, 52});
  }
  return out;
}

Boxes overlapping(Dice& dice, int size) {
  Boxes out;
  const double side = std::sqrt(size) * 60;
  for (int i = 0; i < size; ++i)
    out.push_back({dice.real(0, side), dice.real(0, side), dice.real(30, 120), dice.real(30, 120)});
  return out;
}

Boxes diagonal(Dice& dice, int size) {
  Boxes out;
  const double step = dice.real(20, 60);
  for (int i = 0; i < size; ++i) {
    const int band = i % 3;
    out.push_back({i * step + band * dice.real(60, 90), i * 40 - band * 130.0, 48, 34});
  }
  return out;
}

Boxes clusters(Dice& dice, int size) {
  Boxes out;
  const int groups = dice.whole(2, 5);
  for (int g = 0; g < groups; ++g) {
    const double x = dice.real(0, 1500), y = dice.real(0, 900), pitch = dice.real(40, 80);
    const int columns = dice.whole(1, 5);
    for (int i = 0; i < std::max(1, size / groups); ++i)
      out.push_back(
          {x + (i % columns) * pitch, y + (i / columns) * pitch, pitch * 0.8, pitch * 0.7});
  }
  return out;
}

Boxes bars(Dice& dice, int size) {
  Boxes out;
  double y = 0;
  while (static_cast<int>(out.size()) < size) {
    const int count = dice.whole(1, 7);
    double x = dice.real(0, 120);
    for (int i = 0; i < count; ++i) {
      const double w = dice.real(50, 190);
      out.push_back({x, y, w, 44});
      x += w + dice.real(6, 30);
    }
    y += dice.real(52, 90);
  }
  return out;
}

const std::map<std::string, Boxes (*)(Dice&, int)>& families() {
  static const std::map<std::string, Boxes (*)(Dice&, int)> all{{"ragged grid", raggedGrid},
                                                                {"mixed spans", mixedSpans},
                                                                {"ring", ring},
                                                                {"tree", tree},
                                                                {"sparse corners", sparseCorners},
                                                                {"staggered rows", staggered},
                                                                {"sidebar", sidebar},
                                                                {"near overlaps", nearOverlaps},
                                                                {"scattered", scattered},
                                                                {"one large", oneLarge},
                                                                {"overlapping", overlapping},
                                                                {"diagonal", diagonal},
                                                                {"clusters", clusters},
                                                                {"bars", bars}};
  return all;
}

// Boxes whose centres coincide, or nearly so, cannot be told apart by direction.
void dropEqualCentres(Boxes& boxes) {
  Boxes kept;
  std::map<std::pair<long, long>, std::vector<size_t>> cells;
  for (const Box& b : boxes) {
    const double x = b.x + b.w / 2, y = b.y + b.h / 2;
    const long cx = std::lround(x / 4), cy = std::lround(y / 4);
    bool close = false;
    for (long i = cx - 1; i <= cx + 1; ++i)
      for (long j = cy - 1; j <= cy + 1; ++j)
        if (const auto at = cells.find({i, j}); at != cells.end())
          for (size_t k : at->second)
            close |= std::max(std::abs(kept[k].x + kept[k].w / 2 - x),
                              std::abs(kept[k].y + kept[k].h / 2 - y)) <= 1;
    if (close) continue;
    cells[{cx, cy}].push_back(kept.size());
    kept.push_back(b);
  }
  boxes = std::move(kept);
}

}  // namespace

const std::vector<std::string>& layoutFamilies() {
  static const auto names = [] {
    std::vector<std::string> out;
    for (const auto& entry : families()) out.push_back(entry.first);
    return out;
  }();
  return names;
}

std::vector<Box> layoutOf(const std::string& family, std::uint64_t seed, int size) {
  Dice dice(seed);
  Boxes boxes = families().at(family)(dice, size);
  dropEqualCentres(boxes);
  return boxes;
}

}  // namespace bristle::test
