// Pictures of a project, loaded once. What cannot be shown has a reason, and a stand-in is drawn.
#pragma once
#include <QImage>
#include <QPainter>
#include <QRectF>
#include <QString>
#include <list>
#include <string>
#include <unordered_map>

namespace bristle {

class Pictures {
 public:
  static constexpr int kMostSide = 16384;            // px: no side may be longer
  static constexpr qint64 kMostPixels = 64'000'000;  // 256 MB of memory

  // Files are looked for in this folder, and nowhere outside it.
  void setFolder(const QString& folder);
  struct Picture {
    QImage image;     // null where it cannot be shown
    QString problem;  // why
  };
  const Picture& get(const std::string& file);
  // Draws the picture in the rectangle ("contain", "cover" or "whole"), or its stand-in.
  void draw(QPainter& painter, const QRectF& rect, const std::string& file, const std::string& fit);

 private:
  static constexpr size_t kMostScaled = 24;
  struct Scaled {
    std::string file;
    QImage image;
  };
  Picture load(const std::string& file) const;
  QImage scaled(const std::string& file, const QImage& image, const QSize& size);
  QString folder_;
  std::unordered_map<std::string, Picture> loaded_;
  std::list<Scaled> scaled_;  // the one used last first
};

// A crossed, dashed box at the place and size of what cannot be shown.
void drawStandIn(QPainter& painter, const QRectF& rect, const QString& text);

}  // namespace bristle
