#include "deliver/cut.h"

#include <QDir>
#include <QFileInfo>
#include <algorithm>
#include <cmath>

#include "core/formats/file_io.h"
#include "deliver/pictures.h"
#include "paint/convert.h"
#include "paint/pictures.h"

namespace bristle {
namespace {

constexpr Role kOrder[] = {Role::Rest, Role::Hover, Role::Press, Role::Focus, Role::Disabled};
constexpr int kNoise = 24;  // of 3 × 255: smaller differences are no edge and no content

int difference(QRgb a, QRgb b) {
  return std::abs(qRed(a) - qRed(b)) + std::abs(qGreen(a) - qGreen(b)) +
         std::abs(qBlue(a) - qBlue(b)) + std::abs(qAlpha(a) - qAlpha(b));
}

// How strongly the picture changes across the line before column x (or row y), per px.
double edgeAt(const QImage& p, bool column, int at, int from, int to) {
  const int limit = column ? p.width() : p.height();
  if (at <= 0 || at >= limit || to <= from) return 0;
  double sum = 0;
  for (int i = from; i < to; ++i)
    sum += column ? difference(p.pixel(at - 1, i), p.pixel(at, i))
                  : difference(p.pixel(i, at - 1), p.pixel(i, at));
  return sum / (to - from);
}

int nearestEdge(const QImage& p, bool column, int at, int from, int to, int reach) {
  double best = kNoise;
  int found = at;
  for (int d = 0; d <= reach; ++d)
    for (int candidate : {at - d, at + d}) {
      // Farther ones must be clearly stronger.
      const double strength = edgeAt(p, column, candidate, from, to) * (1 - 0.04 * d);
      if (strength <= best) continue;
      best = strength;
      found = candidate;
    }
  return found;
}

QString freeFile(const QString& folder, const QString& wanted) {
  QString out = wanted + QStringLiteral(".png");
  for (int n = 2; QFileInfo::exists(QDir(folder).filePath(out)); ++n)
    out = QStringLiteral("%1-%2.png").arg(wanted).arg(n);
  return out;
}

}  // namespace

Result<Sheets> readSheets(const QStringList& paths) {
  Sheets out;
  size_t next = 0;
  QString first;
  for (const QString& path : paths) {
    const QString name = QFileInfo(path).fileName();
    const auto picture = readPicture(path, name);
    if (!picture.problem.isEmpty()) return fail(fromQt(path), fromQt(picture.problem));
    auto role = roleOfName(fromQt(QFileInfo(path).completeBaseName()));
    if (!role || out.pictures.contains(*role)) {
      while (next < std::size(kOrder) && out.pictures.contains(kOrder[next])) ++next;
      if (next == std::size(kOrder))
        return fail(fromQt(name), "there is a picture for every state already");
      role = kOrder[next];
    }
    if (!out.pictures.empty()) {
      const QImage& other = out.pictures.begin()->second;
      if (other.size() != picture.image.size())
        return fail(
            fromQt(name),
            fromQt(QStringLiteral("is %1 × %2 px, but %3 is %4 × %5 px; all must have one size")
                       .arg(picture.image.width())
                       .arg(picture.image.height())
                       .arg(first)
                       .arg(other.width())
                       .arg(other.height())));
    } else {
      first = name;
    }
    out.pictures[*role] = picture.image;
  }
  if (out.pictures.empty()) return fail({}, "choose at least one picture");
  if (!out.pictures.contains(Role::Rest)) {
    auto node = out.pictures.extract(out.pictures.begin());
    node.key() = Role::Rest;
    out.pictures.insert(std::move(node));
  }
  return out;
}

QRect snappedToEdges(const QImage& p, const QRect& wanted, int reach) {
  const QRect r = wanted.normalized().intersected(p.rect());
  if (r.width() < 3 || r.height() < 3) return r;
  const int left = nearestEdge(p, true, r.left(), r.top(), r.bottom() + 1, reach);
  const int right = nearestEdge(p, true, r.right() + 1, r.top(), r.bottom() + 1, reach);
  const int top = nearestEdge(p, false, r.top(), r.left(), r.right() + 1, reach);
  const int bottom = nearestEdge(p, false, r.bottom() + 1, r.left(), r.right() + 1, reach);
  const QRect out(QPoint(left, top), QPoint(right - 1, bottom - 1));
  return out.isValid() ? out : r;
}

QRect tightened(const QImage& p, const QRect& wanted) {
  const QRect r = wanted.normalized().intersected(p.rect());
  if (r.isEmpty()) return r;
  const QRgb ground = p.pixel(r.topLeft());
  QRect out;
  for (int y = r.top(); y <= r.bottom(); ++y)
    for (int x = r.left(); x <= r.right(); ++x)
      if (difference(p.pixel(x, y), ground) > kNoise) out |= QRect(x, y, 1, 1);
  return out.isEmpty() ? r : out;
}

// Each pixel is mixed from the four just outside the rectangle, the nearer the stronger.
QImage withoutButtons(const QImage& picture, const std::vector<Mark>& marks) {
  QImage out = picture.convertToFormat(QImage::Format_ARGB32);
  for (const Mark& mark : marks) {
    const QRect r = mark.rect.intersected(out.rect());
    const auto clampX = [&](int x) { return std::clamp(x, 0, out.width() - 1); };
    const auto clampY = [&](int y) { return std::clamp(y, 0, out.height() - 1); };
    const QImage before = out;
    for (int y = r.top(); y <= r.bottom(); ++y)
      for (int x = r.left(); x <= r.right(); ++x) {
        const QRgb around[] = {
            before.pixel(clampX(r.left() - 1), y), before.pixel(clampX(r.right() + 1), y),
            before.pixel(x, clampY(r.top() - 1)), before.pixel(x, clampY(r.bottom() + 1))};
        const double weights[] = {1.0 / (x - r.left() + 1), 1.0 / (r.right() - x + 1),
                                  1.0 / (y - r.top() + 1), 1.0 / (r.bottom() - y + 1)};
        double sums[4] = {}, total = 0;
        for (int i = 0; i < 4; ++i) {
          const double parts[] = {double(qRed(around[i])), double(qGreen(around[i])),
                                  double(qBlue(around[i])), double(qAlpha(around[i]))};
          for (int c = 0; c < 4; ++c) sums[c] += parts[c] * weights[i];
          total += weights[i];
        }
        out.setPixel(x, y,
                     qRgba(qRound(sums[0] / total), qRound(sums[1] / total),
                           qRound(sums[2] / total), qRound(sums[3] / total)));
      }
  }
  return out;
}

Result<CutResult> cutOut(const Sheets& sheets, const std::vector<Mark>& marks,
                         const QString& folder, const QString& name, double width) {
  if (folder.isEmpty())
    return fail({}, "save the project first: the pictures are written beside it");
  const QString art = QDir(folder).filePath(QStringLiteral("art"));
  if (!QDir().mkpath(art)) return fail(fromQt(art), "cannot be made");
  const double scale = width / sheets.rest().width();
  CutResult out;
  std::vector<std::string> taken;
  const auto write = [&](const QImage& image, const QString& wanted) -> Result<std::string> {
    const QString file = freeFile(art, wanted);
    const auto bytes = pngOf(image, fromQt(file));
    if (!bytes) return tl::unexpected(bytes.error());
    if (auto written = writeFile(fromQt(QDir(art).filePath(file)), *bytes); !written)
      return tl::unexpected(written.error());
    return fromQt(QStringLiteral("art/") + file);
  };
  for (const Mark& mark : marks) {
    const QRect r = mark.rect.intersected(sheets.rest().rect());
    if (r.isEmpty()) continue;
    const QString base = toQt(safeFileName(fromQt(mark.name), taken));
    CutButton button;
    button.pictures.name = fromQt(mark.name);
    button.pictures.width = std::round(r.width() * scale);
    button.pictures.height = std::round(r.height() * scale);
    button.x = std::round(r.x() * scale);
    button.y = std::round(r.y() * scale);
    for (const auto& [role, sheet] : sheets.pictures) {
      const auto file =
          write(sheet.copy(r), base + QLatin1Char('-') + toQt(std::string(nameOf(role))));
      if (!file) return tl::unexpected(file.error());
      button.pictures.files[role] = *file;
    }
    out.buttons.push_back(std::move(button));
  }
  const auto ground =
      write(withoutButtons(sheets.rest(), marks),
            toQt(safeFileName(fromQt(name), taken)) + QStringLiteral("-background"));
  if (!ground) return tl::unexpected(ground.error());
  out.background = *ground;
  return out;
}

}  // namespace bristle
