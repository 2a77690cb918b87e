// Draws a resolved look: the one painter for tiles, canvas, rehearsal and files.
#pragma once
#include <QPainter>
#include <QStaticText>
#include <unordered_map>

#include "core/machine/look.h"
#include "paint/pictures.h"
#include "paint/shadows.h"

namespace bristle {

class LookPainter {
 public:
  Pictures& pictures() { return pictures_; }
  // The button in `box`; `look` has the table's channels. Scale and pivot are the look's own.
  void paint(QPainter& painter, const Kind& kind, const LookTable& table, const Look& look,
             const QRectF& box, const std::string& caption);
  // How far beyond the box the looks of the table may paint, px.
  static double reach(const Kind& kind, const LookTable& table);

 private:
  void shape(QPainter& painter, const QRectF& box, const Value* values);
  void label(QPainter& painter, const QRectF& box, const Value* values, const std::string& caption);
  void marker(QPainter& painter, const QRectF& box, const Value* values);

  struct Text {
    QStaticText text;
    QFont font;
    QSizeF size;
    double capTop = 0;
  };
  const Text& textOf(const std::string& family, double size, double weight,
                     const std::string& text);

  Pictures pictures_;
  Shadows shadows_;
  std::unordered_map<std::string, Text> texts_;
};

// A brush for a fill over a rectangle.
QBrush brushOf(const Fill& fill, const QRectF& rect);

}  // namespace bristle
