#include <QTransform>
#include <charconv>
#include <cmath>
#include <numbers>

#include "paint/forms.h"

namespace bristle {
namespace {

constexpr int kMostSegments = 20'000;

class Reader {
 public:
  explicit Reader(std::string_view text) : text_(text) {}

  bool run(QPainterPath& path) {
    skip();
    if (text_.empty()) return false;
    char command = 0;
    for (int n = 0; !text_.empty(); ++n) {
      if (n > kMostSegments) return false;
      if (std::isalpha(static_cast<unsigned char>(text_.front()))) {
        command = text_.front();
        text_.remove_prefix(1);
      } else if (command == 'M') {
        command = 'L';  // further pairs after a move draw lines
      } else if (command == 'm') {
        command = 'l';
      } else if (command == 0 || command == 'z' || command == 'Z') {
        return false;
      }
      if (!one(path, command)) return false;
      skip();
    }
    return true;
  }

 private:
  void skip() {
    const auto at = text_.find_first_not_of(" \t\r\n,");
    text_.remove_prefix(at == text_.npos ? text_.size() : at);
  }
  bool number(double& out) {
    skip();
    std::string_view t = text_;
    if (t.starts_with('+')) t.remove_prefix(1);
    const auto [end, bad] = std::from_chars(t.data(), t.data() + t.size(), out);
    if (bad != std::errc() || !std::isfinite(out) || std::abs(out) > 1e6) return false;
    text_ = {end, static_cast<size_t>(text_.data() + text_.size() - end)};
    return true;
  }
  // Flags of an arc may stand without any space after them.
  bool flag(bool& out) {
    skip();
    if (text_.empty() || (text_.front() != '0' && text_.front() != '1')) return false;
    out = text_.front() == '1';
    text_.remove_prefix(1);
    return true;
  }
  bool point(QPointF& out, bool relative) {
    double x = 0, y = 0;
    if (!number(x) || !number(y)) return false;
    out = QPointF(x, y) + (relative ? now_ : QPointF());
    return true;
  }

  bool one(QPainterPath& path, char command) {
    const bool relative = std::islower(static_cast<unsigned char>(command));
    QPointF a, b, to;
    const char sort = static_cast<char>(std::toupper(command));
    if (sort != 'M' && path.elementCount() == 0) return false;
    switch (sort) {
      case 'M':
        if (!point(to, relative)) return false;
        path.moveTo(to);
        start_ = to;
        break;
      case 'L':
        if (!point(to, relative)) return false;
        path.lineTo(to);
        break;
      case 'H':
      case 'V': {
        double v = 0;
        if (!number(v)) return false;
        to = now_;
        if (sort == 'H') to.setX(v + (relative ? now_.x() : 0));
        if (sort == 'V') to.setY(v + (relative ? now_.y() : 0));
        path.lineTo(to);
        break;
      }
      case 'C':
      case 'S':
        a = last_ == 'C' ? now_ * 2 - control_ : now_;
        if (sort == 'C' && !point(a, relative)) return false;
        if (!point(b, relative) || !point(to, relative)) return false;
        path.cubicTo(a, b, to);
        control_ = b;
        break;
      case 'Q':
      case 'T':
        a = last_ == 'Q' ? now_ * 2 - control_ : now_;
        if (sort == 'Q' && !point(a, relative)) return false;
        if (!point(to, relative)) return false;
        path.quadTo(a, to);
        control_ = a;
        break;
      case 'A':
        if (!arc(path, relative, to)) return false;
        break;
      case 'Z':
        path.closeSubpath();
        to = start_;
        break;
      default:
        return false;
    }
    last_ = sort == 'S' ? 'C' : sort == 'T' ? 'Q' : sort;
    now_ = to;
    return true;
  }

  // SVG 1.1 appendix F.6: from end points to centre, then one cubic for each quarter at most.
  bool arc(QPainterPath& path, bool relative, QPointF& to) {
    double rx = 0, ry = 0, turn = 0;
    bool large = false, sweep = false;
    if (!number(rx) || !number(ry) || !number(turn) || !flag(large) || !flag(sweep) ||
        !point(to, relative))
      return false;
    rx = std::abs(rx);
    ry = std::abs(ry);
    if (rx == 0 || ry == 0 || to == now_) {
      path.lineTo(to);
      return true;
    }
    const QTransform turned = QTransform().rotate(turn);
    const QPointF half = turned.inverted().map((now_ - to) / 2);
    const double over = half.x() * half.x() / (rx * rx) + half.y() * half.y() / (ry * ry);
    if (over > 1) {
      rx *= std::sqrt(over);
      ry *= std::sqrt(over);
    }
    const double d = rx * rx * half.y() * half.y() + ry * ry * half.x() * half.x();
    const double root = std::sqrt(std::max(0.0, (rx * rx * ry * ry - d) / d));
    const double sign = large == sweep ? -root : root;
    const QPointF centre(sign * rx * half.y() / ry, -sign * ry * half.x() / rx);
    const auto angle = [&](const QPointF& p) {
      return std::atan2((p.y() - centre.y()) / ry, (p.x() - centre.x()) / rx);
    };
    const double from = angle(half);
    double span = angle(-half) - from;
    if (sweep && span < 0) span += 2 * std::numbers::pi;
    if (!sweep && span > 0) span -= 2 * std::numbers::pi;
    const int pieces = std::max(1, int(std::ceil(std::abs(span) / (std::numbers::pi / 2) - 1e-9)));
    const double step = span / pieces, k = 4.0 / 3 * std::tan(step / 4);
    const QPointF middle = turned.map(centre) + (now_ + to) / 2;
    const auto at = [&](double x, double y) {
      return middle + turned.map(QPointF(x * rx, y * ry));
    };
    for (int i = 0; i < pieces; ++i) {
      const double t = from + step * i, u = t + step;
      const QPointF end = i + 1 == pieces ? to : at(std::cos(u), std::sin(u));
      path.cubicTo(at(std::cos(t) - k * std::sin(t), std::sin(t) + k * std::cos(t)),
                   at(std::cos(u) + k * std::sin(u), std::sin(u) - k * std::cos(u)), end);
    }
    return true;
  }

  std::string_view text_;
  QPointF now_, start_, control_;
  char last_ = 0;
};

}  // namespace

std::optional<QPainterPath> parseSvgPath(std::string_view data) {
  QPainterPath path;
  if (!Reader(data).run(path)) return {};
  return path;
}

}  // namespace bristle
