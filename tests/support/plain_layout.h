// Layout of containers once more, plainly and slowly: to hold the clever one against.
#pragma once
#include "runtime/document/project.h"
#include "runtime/layout/layout.h"

namespace bristle::test {

// Where each item of the screen lies; as layOut, without captions: every leaf has a size of its
// own.
std::vector<Box> plainLayout(const Screen& screen, Px width, Px height, bool rightToLeft);

}  // namespace bristle::test
