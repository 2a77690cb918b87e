#include "core/findings/vision.h"

#include <algorithm>
#include <cmath>

namespace bristle {
namespace {

constexpr double kReflected = 1.0 / 3;

// sRGB (IEC 61966-2-1), 0–1.
double linear(double v) {
  return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
}
// Of a byte; asked for each px.
double linearOf(std::uint8_t byte) {
  static const auto all = [] {
    std::array<double, 256> out{};
    for (size_t i = 0; i < out.size(); ++i) out[i] = linear(double(i) / 255);
    return out;
  }();
  return all[byte];
}
double curved(double v) {
  return v <= 0.0031308 ? v * 12.92 : 1.055 * std::pow(v, 1 / 2.4) - 0.055;
}
std::uint8_t byteOf(double v) {
  return static_cast<std::uint8_t>(std::lround(curved(std::clamp(v, 0.0, 1.0)) * 255));
}

}  // namespace

Seeing seeingOf(Vision vision) {
  constexpr std::array<double, 3> kLuminance{0.2126, 0.7152, 0.0722};
  constexpr double kLit = 1 / (1 + kReflected);
  switch (vision) {
    case Vision::AsIs:
      break;
    case Vision::Grey:
      return {{kLuminance, kLuminance, kLuminance}, 0};
    case Vision::Protanopia:
      return {{{{0.152286, 1.052583, -0.204868},
                {0.114503, 0.786281, 0.099216},
                {-0.003882, -0.048116, 1.051998}}},
              0};
    case Vision::Deuteranopia:
      return {{{{0.367322, 0.860646, -0.227968},
                {0.280085, 0.672501, 0.047413},
                {-0.011820, 0.042940, 0.968881}}},
              0};
    case Vision::Tritanopia:
      return {{{{1.255528, -0.076749, -0.178779},
                {-0.078411, 0.930809, 0.147602},
                {0.004733, 0.691367, 0.303900}}},
              0};
    case Vision::Sunlight:
      return {{{{kLit, 0, 0}, {0, kLit, 0}, {0, 0, kLit}}}, kReflected * kLit};
  }
  return {{{{1, 0, 0}, {0, 1, 0}, {0, 0, 1}}}, 0};
}

Colour seenWith(Vision vision, Colour colour) {
  if (vision == Vision::AsIs) return colour;
  const Seeing seeing = seeingOf(vision);
  const double in[] = {linearOf(colour.r), linearOf(colour.g), linearOf(colour.b)};
  const auto row = [&](size_t i) {
    return byteOf(seeing.by[i][0] * in[0] + seeing.by[i][1] * in[1] + seeing.by[i][2] * in[2] +
                  seeing.added);
  };
  return {row(0), row(1), row(2), colour.a};
}

std::string_view nameOf(Vision vision) {
  switch (vision) {
    case Vision::AsIs:
      return "as it is";
    case Vision::Grey:
      return "in grey";
    case Vision::Protanopia:
      return "without red cones (protanopia)";
    case Vision::Deuteranopia:
      return "without green cones (deuteranopia)";
    case Vision::Tritanopia:
      return "without blue cones (tritanopia)";
    case Vision::Sunlight:
      return "in sunlight";
  }
  return {};
}

}  // namespace bristle
