// The window with a project that holds something of each sort.
#pragma once
#include "desktop/window_fixture.h"

namespace bristle::test {

class Frame : public WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    work().replace(fullProject(), {}, false);
  }
  PropKey propKey(size_t part, Prop prop) { return {project().kinds[0]->parts[part].id, prop}; }
};

}  // namespace bristle::test
