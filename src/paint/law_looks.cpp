#include "paint/law_looks.h"

#include <algorithm>
#include <climits>

#include "paint/convert.h"
#include "runtime/machine/mix.h"

namespace bristle {
namespace {

constexpr double kLeastContrast = 3;  // WCAG 2.2 §2.4.13
constexpr int kLeastChange = 10;      // of 255, in one channel

template <class Counts>
int count(const QImage& a, const QImage& b, Counts counts, int enough = INT_MAX) {
  int out = 0;
  for (int y = 0; y < a.height() && out < enough; ++y) {
    const auto* left = reinterpret_cast<const QRgb*>(a.constScanLine(y));
    const auto* right = reinterpret_cast<const QRgb*>(b.constScanLine(y));
    for (int x = 0; x < a.width(); ++x) out += left[x] != right[x] && counts(left[x], right[x]);
  }
  return out;
}

}  // namespace

RenderedLooks::RenderedLooks(LookPainter& painter, const Kind& kind, const LookTable& table,
                             Colour ground)
    : painter_(painter),
      kind_(kind),
      table_(table),
      ground_(ground),
      reach_(std::min(LookPainter::reach(kind, table), 64.0)) {}

const QImage& RenderedLooks::picture(StateIndex state) const {
  const auto [at, fresh] = pictures_.try_emplace(state);
  if (!fresh) return at->second;
  const QRectF box(0, 0, kind_.width, kind_.height);
  at->second = QImage(QSizeF(kind_.width + 2 * reach_, kind_.height + 2 * reach_).toSize(),
                      QImage::Format_RGB32);
  at->second.fill(toQt(ground_));
  QPainter painter(&at->second);
  painter.translate(reach_, reach_);
  painter_.paint(painter, kind_, table_, table_.state(state), box, kind_.sampleCaption);
  return at->second;
}

bool RenderedLooks::differ(StateIndex a, StateIndex b) const {
  if (a == b) return false;
  const auto [known, fresh] = differ_.try_emplace({std::min(a, b), std::max(a, b)});
  if (!fresh) return known->second;
  const int enough = std::max(24, int(kind_.width * kind_.height / 200));
  const auto counts = [](QRgb l, QRgb r) {
    return std::max({std::abs(qRed(l) - qRed(r)), std::abs(qGreen(l) - qGreen(r)),
                     std::abs(qBlue(l) - qBlue(r))}) >= kLeastChange;
  };
  return known->second = count(picture(a), picture(b), counts, enough) >= enough;
}

int RenderedLooks::changedPx(StateIndex a, StateIndex b, int enough,
                             const std::function<bool(QRgb one, QRgb other)>& counts) const {
  return a == b ? 0 : count(picture(a), picture(b), counts, enough);
}

double RenderedLooks::focusShare(StateIndex focused, StateIndex rest) const {
  if (focused == rest) return 0;
  const auto [known, fresh] = focus_.try_emplace({focused, rest});
  if (!fresh) return known->second;
  const int changed = count(picture(focused), picture(rest), [](QRgb l, QRgb r) {
    return contrast(fromQt(QColor(l)), fromQt(QColor(r))) >= kLeastContrast;
  });
  return known->second = changed / std::max(1.0, 4 * (kind_.width + kind_.height) - 16);
}

bool RenderedLooks::showsFocus(StateIndex focused, StateIndex rest) const {
  return focusShare(focused, rest) >= 1;
}

}  // namespace bristle
