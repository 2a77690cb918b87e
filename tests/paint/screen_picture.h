// A project's first screen as it is painted on its first display.
#pragma once
#include <QImage>
#include <QPainter>

#include "paint/fonts.h"
#include "paint/screen_painter.h"
#include "runtime/document/project.h"

namespace bristle::test {

inline QImage firstScreen(const Project& project, LookPainter& looks, LookTables& tables) {
  const FontMeasure measure;
  const Screen& screen = *project.screens[0];
  const Layout layout = layOut(project, screen, project.displays[0], measure);
  QImage out(QSizeF(layout.width, layout.height).toSize(), QImage::Format_ARGB32_Premultiplied);
  out.fill(Qt::black);
  QPainter painter(&out);
  paintScreen(painter, looks, tables, project, screen, layout);
  return out;
}

}  // namespace bristle::test
