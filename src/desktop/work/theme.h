// The window's colours by role, light and dark, and the style sheet made from them. All text roles
// keep a contrast of 4.5:1 or more on the grounds that they are used on.
#pragma once
#include <QApplication>
#include <QColor>

namespace bristle {

struct Theme {
  QColor chrome;    // the frame's ground
  QColor raised;    // fields and picked entries
  QColor band;      // group rows and quiet fills
  QColor line;      // the one weight of line
  QColor ink;       // text
  QColor quiet;     // lesser text
  QColor accent;    // what is picked or active
  QColor onAccent;  // text on it
  QColor tint;      // the accent's ground for whole columns
  QColor pinned;    // what a person pinned
  QColor wrong;     // what is wrong
  QColor work;      // behind the art
  QColor onWork;    // text there
  bool dark = false;

  // Each of the two sets, whatever the desktop says.
  static Theme light();
  static Theme darkOne();
};

// The theme of the window that the widget is in; the light one where that has none. Holds until the
// window gets another.
const Theme& themeOf(const QWidget* widget);
// Hands a theme to a window and all that is in it. Style, palette and font are the application's;
// the style sheet is the window's, since one of the application's is worked off anew each time that
// a widget finds its place while a view is built.
void applyTheme(QWidget& window, const Theme& theme);

}  // namespace bristle
