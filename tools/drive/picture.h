// A picture of the window as a person sees it.
#pragma once
#include <QString>

namespace bristle {

class Window;

// Once its miniatures are drawn. False, with a word on stderr, when it cannot be written.
bool savePicture(Window& window, const QString& file);

}  // namespace bristle
