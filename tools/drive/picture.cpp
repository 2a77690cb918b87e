#include "drive/picture.h"

#include <QTest>
#include <iostream>

#include "desktop/frame/window.h"
#include "paint/convert.h"

namespace bristle {

bool savePicture(Window& window, const QString& file) {
  // The shelf asks for miniatures a moment after a change, and takes them over a moment later.
  QTest::qWait(100);
  (void)QTest::qWaitFor([&] { return !window.work().miniatures().busy(); });
  QTest::qWait(100);
  if (window.grab().save(file)) return true;
  std::cerr << "bristle: " << fromQt(file) << " cannot be written\n";
  return false;
}

}  // namespace bristle
