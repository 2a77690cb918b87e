// Lays captions out in their rectangle and draws them: case, spacing, one or two lines, and what
// becomes of a text that is too long. Each is laid out once and kept.
#pragma once
#include <QPainter>
#include <QStaticText>
#include <unordered_map>

#include "runtime/machine/part_values.h"

namespace bristle {

class Captions {
 public:
  // In the label’s font and colour, set as it says, within the rectangle.
  void draw(QPainter& painter, const PartValues& label, const QRectF& rect,
            const std::string& caption);
  // Where the letters are, in the painter's px; empty for no text.
  QRectF bounds(const PartValues& label, const QRectF& rect, const std::string& caption);
  // How large it is set, px: smaller than the label says where it shrinks to fit.
  double size(const PartValues& label, const QRectF& rect, const std::string& caption);
  // Whether not all of the caption can be read in the rectangle.
  bool isCut(const PartValues& label, const QRectF& rect, const std::string& caption);

 private:
  struct Laid {
    QStaticText text;
    QFont font;
    QSizeF size;
    double middle = 0;  // from the top of the text to what is centred
    bool cut = false;
  };
  const Laid& laid(const PartValues& label, double width, const std::string& caption);
  static QRectF inside(const PartValues& label, const QRectF& rect);
  static QPointF placed(const PartValues& label, const QRectF& rect, const Laid& laid);
  std::unordered_map<std::string, Laid> laid_;
};

}  // namespace bristle
