// A number of things, in words: “1 screen”, “3 screens”.
#pragma once
#include <QString>

namespace bristle {

// Both with %n for the number.
inline QString counted(qint64 n, const QString& one, const QString& many) {
  return QString(n == 1 ? one : many).replace(QLatin1String("%n"), QString::number(n));
}

}  // namespace bristle
