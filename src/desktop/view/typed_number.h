// What a person types where a number is asked for: a number or a sum, with its unit or without.
#pragma once
#include <QString>
#include <cmath>
#include <optional>

#include "core/arrange/sum.h"

namespace bristle {

inline std::optional<double> typedNumber(const QString& typed, const QString& unit = {}) {
  QString bare = typed.trimmed();
  if (!unit.isEmpty() && bare.endsWith(unit)) bare = bare.chopped(unit.size()).trimmed();
  bool ok = false;
  const double plain = bare.toDouble(&ok);
  return ok && std::isfinite(plain) ? std::optional(plain) : sumOf(bare.toStdString());
}

}  // namespace bristle
