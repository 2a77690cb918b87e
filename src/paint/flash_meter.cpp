// Counts flashes, px by px.
#include <algorithm>
#include <array>
#include <cmath>
#include <limits>

#include "paint/flash_reader.h"
#include "runtime/machine/mix.h"

namespace bristle {
namespace {

// A hair less, since lengths that were made just long enough are not counted.
constexpr double kSecond = 1000 - 1e-6;
constexpr double kNever = std::numeric_limits<double>::infinity();
constexpr size_t kChanges = 6;  // three flashes, there and back
constexpr double kChange = 0.1, kDarker = 0.8;
constexpr double kSaturated = 0.8, kRedChange = 0.2;

// What is asked of a colour.
struct Light {
  double luminance = 0;
  bool red = false;     // saturated
  double u = 0, v = 0;  // CIE 1976 UCS
};

Light lightOf(QRgb px) {
  static const auto kLinear = [] {
    std::array<double, 256> out{};
    for (int i = 0; i < 256; ++i) {
      const auto grey = static_cast<std::uint8_t>(i);
      out[size_t(i)] = luminance({grey, grey, grey, 255});
    }
    return out;
  }();
  const double r = kLinear[size_t(qRed(px))], g = kLinear[size_t(qGreen(px))],
               b = kLinear[size_t(qBlue(px))];
  // sRGB to XYZ (IEC 61966-2-1).
  const double x = 0.4124 * r + 0.3576 * g + 0.1805 * b;
  const double y = 0.2126 * r + 0.7152 * g + 0.0722 * b;
  const double z = 0.0193 * r + 0.1192 * g + 0.9505 * b;
  const double sum = x + 15 * y + 3 * z;
  Light out{.luminance = y, .red = r + g + b > 0 && r / (r + g + b) >= kSaturated};
  if (sum > 0) out.u = 4 * x / sum, out.v = 9 * y / sum;
  return out;
}

// Changes of luminance, each the other way than the last.
class Swings {
 public:
  explicit Swings(const Light& first) : low_(first.luminance), high_(first.luminance) {}
  bool changes(const Light& light) {
    const double now = light.luminance;
    if (way_ != Way::Up && now - low_ >= kChange && low_ < kDarker) return turn(Way::Up, now);
    if (way_ != Way::Down && high_ - now >= kChange && now < kDarker) return turn(Way::Down, now);
    if (way_ != Way::Up) low_ = std::min(low_, now);
    if (way_ != Way::Down) high_ = std::max(high_, now);
    return false;
  }

 private:
  enum class Way { None, Up, Down };
  bool turn(Way way, double now) {
    way_ = way;
    low_ = high_ = now;
    return true;
  }
  double low_, high_;
  Way way_ = Way::None;
};

// To and from a saturated red.
class Reds {
 public:
  explicit Reds(const Light& first) : last_(first) {}
  bool changes(const Light& now) {
    if (!now.red && !last_.red) return false;
    if (std::hypot(now.u - last_.u, now.v - last_.v) <= kRedChange) return false;
    last_ = now;
    return true;
  }

 private:
  Light last_;
};

// When it changes, in a round that others have gone before.
template <class Changes>
std::vector<double> changesOf(const std::vector<Light>& lights, const PictureRound& round) {
  std::vector<double> out;
  Changes changes(lights.front());
  for (int r = round.count == 1 ? 1 : 0; r < 2; ++r) {
    out.clear();
    for (size_t i = 0; i < lights.size(); ++i)
      if (changes.changes(lights[i])) out.push_back(round.at[i]);
  }
  return out;
}

double shortest(const std::vector<double>& times, const PictureRound& round) {
  double out = kNever;
  const size_t n = times.size(), all = n * size_t(round.count);
  for (size_t i = 0; i < n && (round.count == 0 || i + kChanges < all); ++i) {
    const size_t last = i + kChanges;
    out = std::min(out, times[last % n] + round.length * double(last / n) - times[i]);
  }
  return out < kSecond ? out : kNever;
}

}  // namespace

double threeFlashes(const PictureRound& round, double area) {
  std::vector<double> found;  // of each px that flashes so
  if (round.pictures.empty()) return kNever;
  const QSize size = round.pictures.front().size();
  std::vector<const QRgb*> lines(round.pictures.size());
  std::vector<Light> lights(lines.size());
  for (int y = 0; y < size.height(); ++y) {
    for (size_t i = 0; i < lines.size(); ++i)
      lines[i] = reinterpret_cast<const QRgb*>(round.pictures[i].constScanLine(y));
    for (int x = 0; x < size.width(); ++x) {
      const QRgb first = lines[0][x];
      if (std::all_of(lines.begin(), lines.end(), [&](const QRgb* l) { return l[x] == first; }))
        continue;
      for (size_t i = 0; i < lines.size(); ++i) lights[i] = lightOf(lines[i][x]);
      const double span = std::min(shortest(changesOf<Swings>(lights, round), round),
                                   shortest(changesOf<Reds>(lights, round), round));
      if (span < kSecond) found.push_back(span);
    }
  }
  const auto enough = static_cast<size_t>(std::max(1.0, std::ceil(area)));
  if (found.size() < enough) return kNever;
  const auto at = found.begin() + static_cast<std::ptrdiff_t>(enough - 1);
  std::nth_element(found.begin(), at, found.end());
  return *at;
}

}  // namespace bristle
