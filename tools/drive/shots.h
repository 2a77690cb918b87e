// Pictures of every bench, from the project that is open.
#pragma once
#include <QString>

namespace bristle {

class Window;

// Writes NAME.png and NAME-dark.png for each bench, at 1280×800. 0 when all are written.
int makeShots(Window& window, const QString& folder);
// The same of one bench, light, into this file.
int makeShot(Window& window, const QString& bench, const QString& file);

}  // namespace bristle
