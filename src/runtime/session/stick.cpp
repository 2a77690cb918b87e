#include "runtime/session/stick.h"

#include <cmath>

namespace bristle {
namespace {

double degreesFrom(Dir dir, double x, double y) {
  const double ahead = dir == Dir::Right ? x : dir == Dir::Left ? -x : dir == Dir::Down ? y : -y;
  const double side = dir == Dir::Right || dir == Dir::Left ? y : x;
  return std::abs(std::atan2(side, ahead)) * 180 / 3.14159265358979323846;
}

}  // namespace

std::optional<Dir> Stick::update(double x, double y) {
  const double deflection = std::hypot(x, y);
  if (deflection < (held_ ? kReturns : kLeaves)) return held_ = std::nullopt;
  if (held_ && degreesFrom(*held_, x, y) <= 45 + kHolds) return held_;
  // On the very diagonal the vertical wins: menus are columns more often than rows.
  for (Dir dir : kDirs)
    if (degreesFrom(dir, x, y) <= 45) return held_ = dir;
  return held_;
}

}  // namespace bristle
